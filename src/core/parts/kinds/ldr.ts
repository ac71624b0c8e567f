import type { Net, PartBase, PartKindDefinition, Rating } from '../base';

export interface LdrPart extends PartBase {
  readonly kind: 'ldr';
  readonly a: Net;
  readonly b: Net;
  /** In the light that the circuit is put together for; every solve says another. */
  readonly ohms: number;
  readonly rating: Rating;
}

/** The ends are alike: an LDR has no polarity. */
export const ldrKind: PartKindDefinition<LdrPart> = {
  letter: 'LDR',
  pins: ({ a, b }) => [
    { name: '1', net: a, isRequired: true },
    { name: '2', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, ohms }) => [{ kind: 'resistor', name: designator, a, b, ohms }],
  tolerance: () => null,
  rating: ({ rating }) => rating,
  outputs: () => [],
};
