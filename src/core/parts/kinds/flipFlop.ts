import { CMOS_IDLE_AMPS, CMOS_OUTPUT, CMOS_RATING } from './gate';
import { outputElements } from '../output';
import { type Net, type PartBase, type PartKindDefinition } from '../base';

/** One D flip-flop of a package of two, its inverted output at its own data input: it changes over at each rising edge. */
export interface FlipFlopPart extends PartBase {
  readonly kind: 'flip-flop';
  readonly key: string;
  readonly clock: Net;
  readonly out: Net;
  /** Its inverted output, back at its data input. */
  readonly inverted: Net;
  readonly top: Net;
  readonly bottom: Net;
}

export const flipFlopKind: PartKindDefinition<FlipFlopPart> = {
  letter: 'IC',
  pins: ({ clock, out, inverted, top, bottom }) => [
    { name: '1 Q', net: out, isRequired: true },
    { name: '1 Q̅', net: inverted, isRequired: true },
    { name: '1 clock', net: clock, isRequired: true },
    { name: '1 reset', net: bottom, isRequired: true },
    { name: '1 D', net: inverted, isRequired: true },
    { name: '1 set', net: bottom, isRequired: true },
    { name: '0 V', net: bottom, isRequired: true },
    ...['set', 'D', 'reset', 'clock'].map((name) => ({ name: `2 ${name}`, net: bottom, isRequired: true })),
    { name: '2 Q̅', net: null, isRequired: false },
    { name: '2 Q', net: null, isRequired: false },
    { name: 'V+', net: top, isRequired: true },
  ],
  elements: ({ designator: name, out, top, bottom }) => [
    ...outputElements(name, CMOS_OUTPUT, { top, bottom, out }),
    { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: CMOS_IDLE_AMPS },
  ],
  tolerance: () => null,
  rating: () => CMOS_RATING,
  outputs: ({ designator: name, key }) => [{ key, name, figures: CMOS_OUTPUT }],
};
