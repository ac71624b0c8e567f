import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

export interface ResistorPart extends PartBase {
  readonly kind: 'resistor';
  readonly a: Net;
  readonly b: Net;
  /** Above 0. */
  readonly ohms: number;
  /** So many of them side by side stand as one: of the rows of an LED. `ohms` is of all together. */
  readonly count?: number;
  /** As a share either way. */
  readonly tolerance: number;
}

/** What each of several side by side has by itself, as it is bought, in Ω. */
export const eachOhms = ({ ohms, count = 1 }: Pick<ResistorPart, 'ohms' | 'count'>): number => ohms * count;

export const resistorKind: PartKindDefinition<ResistorPart> = {
  letter: 'R',
  pins: ({ a, b }) => [
    { name: '1', net: a, isRequired: true },
    { name: '2', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, ohms }) => [{ kind: 'resistor', name: designator, a, b, ohms }],
  tolerance: ({ tolerance }) => ({ low: -tolerance, high: tolerance }),
  rating: () => NOT_RATED,
  outputs: () => [],
  rows: {
    count: ({ count = 1 }) => count,
    inner: ({ b }) => b,
    take: (part, count, b) => ({ ...part, ohms: eachOhms(part) / count, count, b }),
  },
};
