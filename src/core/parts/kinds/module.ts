import { ledElements, type LedPoint } from './led';
import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A ready-made module: the light of an opto-coupler behind a resistor at its input, and a supply of its own. */
export interface ModulePart extends PartBase {
  readonly kind: 'module';
  /** Where its input's current comes in, and where it goes on: one of them is its signal pin, the other a supply pin. */
  readonly a: Net;
  readonly b: Net;
  /** Of those, which is the signal. */
  readonly signal: 'a' | 'b';
  /** What its input is made for, however it is wired. */
  readonly input: 'active-high' | 'active-low';
  /** What it is made for, in V. */
  readonly ratedVolts: number;
  readonly top: Net;
  readonly bottom: Net;
  readonly ohms: number;
  readonly led: LedPoint;
}

/** What the signal's current is measured in. */
export const moduleInputName = (designator: string) => `${designator}.in`;

export const moduleKind: PartKindDefinition<ModulePart> = {
  letter: 'U',
  pins: ({ a, b, signal, top, bottom }) => [
    { name: 'V+', net: top, isRequired: true },
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'IN', net: signal === 'a' ? a : b, isRequired: true },
  ],
  elements: ({ designator, a, b, ohms, led }) => [
    { kind: 'resistor', name: moduleInputName(designator), a, b: `${designator}.led`, ohms },
    ...ledElements(designator, { anode: `${designator}.led`, cathode: b, led, inSeries: 1, strings: 1 }),
  ],
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
};
