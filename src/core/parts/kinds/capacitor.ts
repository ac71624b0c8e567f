import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

export interface CapacitorPart extends PartBase {
  readonly kind: 'capacitor';
  /** The positive end of one that has polarity. */
  readonly a: Net;
  readonly b: Net;
  readonly farads: number;
}

/** Kinds of capacitor, with how far their value may lie off, as shares. */
export const capacitorKinds = {
  ceramic: { low: -0.1, high: 0.1 },
  film: { low: -0.05, high: 0.05 },
  electrolytic: { low: -0.2, high: 0.5 },
} as const;
export type CapacitorKind = keyof typeof capacitorKinds;

/** From this capacitance on a capacitor is an electrolytic one, under the other a ceramic one. */
export const capacitorKindOf = (farads: number): CapacitorKind =>
  farads >= 1e-6 ? 'electrolytic' : farads >= 1e-8 ? 'film' : 'ceramic';

/** Between the supply pins of an IC, as near to it as can be. */
export const DECOUPLING_FARADS = 1e-7;

export const capacitorKind: PartKindDefinition<CapacitorPart> = {
  letter: 'C',
  pins: ({ a, b }) => [
    { name: '+', net: a, isRequired: true },
    { name: '−', net: b, isRequired: true },
  ],
  // Steady light sends no current through it.
  elements: () => [],
  tolerance: ({ farads }) => capacitorKinds[capacitorKindOf(farads)],
  rating: () => NOT_RATED,
  outputs: () => [],
};
