import type { LoadKind } from '@/core/loads/load';
import type { BatteryKindId, SourceKind } from '@/core/loads/supply';
import type { LoadPlace } from '@/core/stages/stage';
import { shippedParts, type TransistorKind, type TransistorPart } from '@/core/stages/transistors';

export const transistorNames: Readonly<Record<TransistorKind, string>> = {
  npn: 'NPN',
  pnp: 'PNP',
  darlington: 'Darlington',
  nmos: 'N-MOSFET',
};

const shippedNames: Readonly<Record<string, string>> = {
  'small-npn': 'small-signal NPN',
  'medium-npn': '1 A NPN',
  'small-pnp': 'small-signal PNP',
  'medium-pnp': '1 A PNP',
  'small-darlington': 'small Darlington',
  'power-darlington': 'power Darlington',
  'small-nmos': 'small logic-level N-MOSFET',
  'power-nmos': 'power logic-level N-MOSFET',
};

export const partNameOf = (id: string) => shippedNames[id] ?? 'own part';

/** What a part is called: its kind of the list, or as its owner calls it. */
export function partName({ id, name }: TransistorPart): string {
  return shippedParts.some((part) => part.id === id) ? partNameOf(id) : name || 'own part';
}

/** The ends of a transistor as its kind calls them. */
export function endNames(kind: TransistorKind): Readonly<Record<LoadPlace, string>> {
  return kind === 'nmos'
    ? { collector: 'drain', emitter: 'source' }
    : { collector: 'collector', emitter: 'emitter' };
}

export const controlName = (kind: TransistorKind) => (kind === 'nmos' ? 'gate' : 'base');

export const loadNames: Readonly<Record<LoadKind, string>> = {
  led: 'LED',
  buzzer: 'active buzzer',
  relay: 'relay',
  module: 'relay module',
  lamp: 'small lamp',
  motor: 'motor',
};

export const supplyNames: Readonly<Record<SourceKind, string>> = {
  ideal: 'ideal supply',
  battery: 'battery',
  adapter: 'mains adapter',
  usb: 'USB',
};

export const batteryNames: Readonly<Record<BatteryKindId, string>> = {
  'alkaline-aa': 'AA alkaline',
  'alkaline-aaa': 'AAA alkaline',
  'nimh-aa': 'AA NiMH',
  'block-9v': '9 V block',
  'coin-3v': '3 V coin cell',
  'lead-12v': '12 V lead-acid',
};

export const partTroubles = {
  unnamed: 'Give the part a name.',
  'beta-order': 'The least β must not be above the usual one, nor that above the most.',
  'threshold-order': 'The least threshold must not be above the usual one, nor that above the most.',
} as const;
