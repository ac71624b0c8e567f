import type { Net, PartBase, PartKindDefinition, Pin } from '../base';
import { NOT_RATED } from '../base';

/** A load that is a resistance in steady state: a buzzer, a coil, a motor. */
export interface DevicePart extends PartBase {
  readonly kind: 'device';
  readonly device: 'relay' | 'buzzer' | 'motor' | 'fan' | 'solenoid';
  /** Its end towards plus, and the other. */
  readonly a: Net;
  readonly b: Net;
  readonly ohms: number;
}

const letters = { relay: 'K', buzzer: 'BZ', motor: 'M', fan: 'M', solenoid: 'Y' } as const;
/** A coil has no polarity, a motor turns the other way, a buzzer and a fan have a plus. */
const pinNames = {
  relay: ['coil 1', 'coil 2'],
  buzzer: ['+', '−'],
  motor: ['1', '2'],
  fan: ['+', '−'],
  solenoid: ['coil 1', 'coil 2'],
} as const;
/** The contacts stand in the circuit that the relay switches, which is none of this one. */
const contacts: readonly Pin[] = ['common', 'normally open', 'normally closed'].map((name) => ({
  name,
  net: null,
  isRequired: false,
}));

export const deviceLetter = ({ device }: Pick<DevicePart, 'device'>) => letters[device];

export const deviceKind: PartKindDefinition<DevicePart> = {
  letter: 'K',
  pins: ({ device, a, b }) => [
    { name: pinNames[device][0], net: a, isRequired: true },
    { name: pinNames[device][1], net: b, isRequired: true },
    ...(device === 'relay' ? contacts : []),
  ],
  elements: ({ designator, a, b, ohms }) => [{ kind: 'resistor', name: designator, a, b, ohms }],
  tolerance: ({ device }) => (device === 'relay' || device === 'solenoid' ? { low: -0.1, high: 0.1 } : null),
  rating: () => NOT_RATED,
  outputs: () => [],
};
