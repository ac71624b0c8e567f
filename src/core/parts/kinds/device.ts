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

/** What hangs on which device it is. */
interface DeviceFacts {
  readonly letter: string;
  readonly pins: readonly [string, string];
  /** One of its pins has to be at plus: a coil has no polarity, a motor turns the other way. */
  readonly hasPlus: boolean;
  /** It takes what its winding says; a motor that stands still takes far more than one that turns. */
  readonly isCoil: boolean;
  readonly hasContacts: boolean;
  /** It has legs that fit a breadboard. */
  readonly standsOnBoard: boolean;
}

const devices: Readonly<Record<DevicePart['device'], DeviceFacts>> = {
  relay: {
    letter: 'K',
    pins: ['coil 1', 'coil 2'],
    hasPlus: false,
    isCoil: true,
    hasContacts: true,
    standsOnBoard: false,
  },
  solenoid: {
    letter: 'Y',
    pins: ['coil 1', 'coil 2'],
    hasPlus: false,
    isCoil: true,
    hasContacts: false,
    standsOnBoard: false,
  },
  buzzer: {
    letter: 'BZ',
    pins: ['+', '−'],
    hasPlus: true,
    isCoil: false,
    hasContacts: false,
    standsOnBoard: true,
  },
  motor: {
    letter: 'M',
    pins: ['1', '2'],
    hasPlus: false,
    isCoil: false,
    hasContacts: false,
    standsOnBoard: false,
  },
  fan: {
    letter: 'M',
    pins: ['+', '−'],
    hasPlus: true,
    isCoil: false,
    hasContacts: false,
    standsOnBoard: false,
  },
};
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

export const deviceFacts = ({ device }: Pick<DevicePart, 'device'>): DeviceFacts => devices[device];

export const deviceKind: PartKindDefinition<DevicePart> = {
  letter: 'K',
  pins: (part) => {
    const { pins, hasContacts } = deviceFacts(part);
    return [
      { name: pins[0], net: part.a, isRequired: true },
      { name: pins[1], net: part.b, isRequired: true },
      ...(hasContacts ? contactPins(part) : []),
    ];
  },
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
  tolerance: (part) => (deviceFacts(part).isCoil ? { low: -0.1, high: 0.1 } : null),
  rating: () => NOT_RATED,
  outputs: () => [],
  hasUntoldOhms: (part) => !deviceFacts(part).isCoil,
};
