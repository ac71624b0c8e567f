import type { Net } from './base';
import { capacitorKindOf } from './kinds/capacitor';
import { deviceFacts } from './kinds/device';
import { isPin, pinOrderOf } from './packages';
import type { Part } from './part';
import { pinsOf } from './registry';

/** A leg of something that is put on a board. */
export interface Lead {
  /** What the pin is: `cathode, flat side`. */
  readonly name: string;
  /** `null` where it stays unconnected. */
  readonly net: Net | null;
}

/** How something sits on a board; lengths in holes (2.54 mm). */
export type Body =
  /** Two legs that can be bent to reach from so far to so far. */
  | {
      readonly kind: 'two-legs';
      readonly minSpan: number;
      readonly maxSpan: number;
      readonly isPolar: boolean;
    }
  /** Legs in neighbouring holes of a row. */
  | { readonly kind: 'in-line' }
  /** Two rows of pins over the trench, pin 1 first. */
  | { readonly kind: 'dip' }
  /** Beside the board, its leads plugged in one by one. */
  | { readonly kind: 'beside' };

/** A part's legs in the order of its pins. */
export function leadsOf(part: Part): readonly Lead[] {
  const pins = pinsOf(part);
  const order = pinOrderOf(part);
  if (!order) return pins.map(({ name, net }) => ({ name, net }));
  return order.map((wanted) => {
    const pin = pins.find(({ name }) => isPin(wanted, name));
    return pin ? { name: pin.name, net: pin.net } : { name: '', net: null };
  });
}

const legs = (minSpan: number, maxSpan: number, isPolar = false): Body => ({
  kind: 'two-legs',
  minSpan,
  maxSpan,
  isPolar,
});

/** How a part sits on a board: every kind is named, so that a new one must say. */
export function bodyOf(part: Part): Body {
  switch (part.kind) {
    case 'resistor':
      return legs(3, 9);
    case 'diode':
      return legs(3, 9, true);
    case 'ldr':
      return legs(2, 5);
    case 'led':
      return legs(1, 4, true);
    case 'capacitor':
      return legs(1, 4, capacitorKindOf(part.farads) === 'electrolytic');
    case 'sounder':
      return legs(2, 4, true);
    case 'bipolar':
    case 'mosfet':
    case 'trimmer':
      return { kind: 'in-line' };
    case 'comparator':
    case 'counter':
    case 'flip-flop':
    case 'gate':
    case 'nor':
    case 'oscillator':
    case 'timer':
      return { kind: 'dip' };
    case 'device':
      return deviceFacts(part).standsOnBoard ? legs(2, 4, true) : { kind: 'beside' };
    case 'controller':
    case 'lamp':
    case 'logic-input':
    case 'module':
    case 'strip':
    case 'supply':
      return { kind: 'beside' };
  }
}

/** From so many farads on a capacitor stands high. */
const HIGH_FARADS = 1e-6;

/** How high a part stands over a board, in mm (usual of its kind): what is lowest is soldered first. */
export function heightOf(part: Part): number {
  const body = bodyOf(part);
  if (body.kind === 'beside') return BESIDE_MILLIMETRES;
  if (body.kind === 'dip') return 4;
  switch (part.kind) {
    case 'resistor':
      return 2.5;
    case 'diode':
      return 2.7;
    case 'capacitor':
      return part.farads >= HIGH_FARADS ? 12 : 6;
    case 'ldr':
      return 20;
    case 'led':
      return 14;
    default:
      return 9;
  }
}

/** What stands beside the board is joined to it last. */
const BESIDE_MILLIMETRES = 100;
