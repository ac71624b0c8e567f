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
  /** What it is made for, in V. */
  readonly ratedVolts: number;
  /** What a relay’s contacts carry into a plain resistance, in A. */
  readonly contactAmps?: number;
  /** Where a relay's contact stands in a circuit of this list: between what, and which of its two is used. */
  readonly contacts?: { readonly common: Net; readonly made: Net; readonly side: 'no' | 'nc' };
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
/** An open contact. */
const OPEN_OHMS = 1e12;

/** Contacts mostly stand in the circuit that the relay switches, which is none of this one. */
function contactPins({ contacts }: DevicePart): readonly Pin[] {
  const made = (side: 'no' | 'nc') => (contacts?.side === side ? contacts.made : null);
  return [
    ['common', contacts?.common ?? null] as const,
    ['normally open', made('no')] as const,
    ['normally closed', made('nc')] as const,
  ].map(([name, net]) => ({ name, net, isRequired: net !== null }));
}

export const deviceLetter = ({ device }: Pick<DevicePart, 'device'>) => letters[device];

export const deviceKind: PartKindDefinition<DevicePart> = {
  letter: 'K',
  pins: (part) => [
    { name: pinNames[part.device][0], net: part.a, isRequired: true },
    { name: pinNames[part.device][1], net: part.b, isRequired: true },
    ...(part.device === 'relay' ? contactPins(part) : []),
  ],
  elements: ({ designator, a, b, ohms, contacts }) => [
    { kind: 'resistor', name: designator, a, b, ohms },
    ...(contacts
      ? [
          {
            ...{ kind: 'resistor' as const, name: `${designator}.contact` },
            ...{ a: contacts.common, b: contacts.made, ohms: OPEN_OHMS },
          },
        ]
      : []),
  ],
  tolerance: ({ device }) => (device === 'relay' || device === 'solenoid' ? { low: -0.1, high: 0.1 } : null),
  rating: () => NOT_RATED,
  outputs: () => [],
  // A coil is what it says; a motor that stands still takes far more than one that turns.
  hasUntoldOhms: ({ device }) => device !== 'relay' && device !== 'solenoid',
};
