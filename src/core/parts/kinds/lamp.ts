import type { Net, PartBase, PartKindDefinition } from '../base';

export interface LampPart extends PartBase {
  readonly kind: 'lamp';
  readonly a: Net;
  readonly b: Net;
  readonly ratedVolts: number;
  readonly ratedAmps: number;
}

export const lampKind: PartKindDefinition<LampPart> = {
  letter: 'LA',
  pins: ({ a, b }) => [
    { name: '1', net: a, isRequired: true },
    { name: '2', net: b, isRequired: true },
  ],
  elements: ({ designator, a, b, ratedVolts, ratedAmps }) => [
    { kind: 'lamp', name: designator, a, b, ratedVolts, ratedAmps },
  ],
  tolerance: () => null,
  rating: ({ ratedVolts, ratedAmps }) => ({
    watts: ratedVolts * ratedAmps,
    volts: ratedVolts,
    amps: ratedAmps,
  }),
  outputs: () => [],
};
