import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A buzzer that needs a tone: by itself it takes no steady current, and on average that of the tone that it is fed. */
export interface SounderPart extends PartBase {
  readonly kind: 'sounder';
  /** Where its tone comes in, and its other end. */
  readonly a: Net;
  readonly b: Net;
  readonly ohms: number;
}

export const sounderKind: PartKindDefinition<SounderPart> = {
  letter: 'BZ',
  pins: ({ a, b }) => [
    { name: '+', net: a, isRequired: true },
    { name: '−', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, ohms }) => [{ kind: 'resistor', name: designator, a, b, ohms }],
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
};
