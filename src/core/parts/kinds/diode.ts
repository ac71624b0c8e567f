import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A silicon rectifier. */
export interface DiodePart extends PartBase {
  readonly kind: 'diode';
  readonly anode: Net;
  readonly cathode: Net;
  /** The most that it carries: of a coil or a motor what that took, as it is switched off; in A. */
  readonly carriedAmps: number;
}

const RECTIFIER = { saturationAmps: 1e-9, ideality: 1.8, celsius: 25 } as const;

export const diodeKind: PartKindDefinition<DiodePart> = {
  letter: 'D',
  pins: ({ anode, cathode }) => [
    { name: 'anode', net: anode, isRequired: true },
    { name: 'cathode', net: cathode, isRequired: true },
  ],
  elements: ({ designator, anode, cathode }) => [
    { kind: 'diode', name: designator, anode, cathode, ...RECTIFIER },
  ],
  tolerance: () => null,
  rating: () => ({ ...NOT_RATED, volts: 100, amps: 1 }),
  outputs: () => [],
};
