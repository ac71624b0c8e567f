import { eachOhms } from '../parts/kinds/resistor';
import type { BatteryKindId } from '../loads/supply';
import type { Net } from '../parts/base';
import type { Part } from '../parts/part';
import { ratingOf, toleranceOf } from '../parts/registry';
import { capacitorKindOf } from '../parts/kinds/capacitor';
import { nearestIn, type ResistorStock } from '../series/stock';
import { bandsOf, capacitorCode, type BandColor } from './marking';

/** What is marked on a part. */
export type Marking =
  | { readonly kind: 'bands'; readonly bands: readonly BandColor[] }
  | { readonly kind: 'code'; readonly code: string }
  | null;

/** Whether a resistor is in stock: as it is, as two that make it up, or not. */
export type InStock =
  | { readonly kind: 'yes' }
  | { readonly kind: 'pair'; readonly how: 'series' | 'parallel'; readonly parts: readonly number[] }
  | { readonly kind: 'no'; readonly nearestOhms: number | null }
  /** Nothing is known of what is in stock of its kind. */
  | { readonly kind: 'unknown' };

/** What is to be got of a supply: its cells, where it is a battery, and the current that it must give, the first moment included, in A. */
export interface SupplyToGet {
  readonly cells: { readonly battery: BatteryKindId; readonly count: number } | null;
  readonly minAmps: number;
}

/** A line of the parts list: all parts that are alike. */
export interface PartLine {
  readonly designators: readonly string[];
  /** One of them, for what it is. */
  readonly part: Part;
  /** How many the circuit has of it; each LED and each of an LED's resistors counts. */
  readonly count: number;
  /** How many are to be got for all copies, spares with them. */
  readonly wanted: number;
  /** The value of each, in Ω or F, where it has one. */
  readonly value: { readonly unit: 'Ω' | 'F'; readonly amount: number } | null;
  /** As a share either way; `null` where the datasheet says it. */
  readonly tolerance: { readonly low: number; readonly high: number } | null;
  /** What it must at least be rated, in W and V. */
  readonly minWatts: number | null;
  readonly minVolts: number | null;
  /** Of the LDR, in Ω at 10 lx; `null` of everything else, and where its light is not in lux. */
  readonly r10Ohms: number | null;
  /** Of a supply. */
  readonly supply: SupplyToGet | null;
  readonly marking: Marking;
  readonly inStock: InStock;
}

/** What a parts list asks of the design. */
export interface PartsListInput {
  readonly parts: readonly Part[];
  readonly stock: ResistorStock;
  /** Rating that a resistor needs, by designator, in W. */
  readonly watts: Readonly<Record<string, number | null>>;
  /** The LDR's resistance at 10 lx, in Ω; `null` where its light is not in lux. */
  readonly r10Ohms: number | null;
  /** What the supplies give, by the rail that they feed. */
  readonly supplies: Readonly<Record<Net, SupplyToGet>>;
  /** The most between two nets anywhere, in V. */
  readonly maxVolts: number;
  readonly copies: number;
  readonly spares: number;
}

/** Every part of a circuit, like ones on one line, in the order of the list of parts. */
export function partsList(input: PartsListInput): readonly PartLine[] {
  const lines = new Map<string, PartLine>();
  for (const part of input.parts) {
    const made = lineOf(part, input);
    const key = JSON.stringify([part.kind, made.value, made.tolerance, made.minWatts, sameness(part)]);
    const known = lines.get(key);
    lines.set(key, known ? merged(known, made, input) : made);
  }
  return [...lines.values()];
}

/** Rectifiers as they are sold, in A. */
const SOLD_DIODE_AMPS = [1, 3, 6, 10];

/** The smallest rectifier that takes over a load's current, in A; what it must take where none is sold for so much. */
export const diodeAmps = (amps: number): number => SOLD_DIODE_AMPS.find((sold) => sold >= amps) ?? amps;

/** What sets parts apart that share kind and value: all but their place in the circuit. */
function sameness(part: Part): unknown {
  switch (part.kind) {
    case 'led':
      return [part.color, part.led];
    case 'device':
      return [part.device, part.ohms, part.ratedVolts, part.contactAmps ?? null];
    case 'lamp':
    case 'strip':
      return [part.ratedVolts, part.ratedAmps];
    case 'module':
      return [part.ratedVolts, part.input, part.ohms];
    case 'bipolar':
    case 'mosfet':
    case 'comparator':
    case 'timer':
      return [part.model, 'unitCount' in part ? part.unitCount : 0];
    case 'capacitor':
      return part.role === 'decoupling';
    case 'diode':
      return diodeAmps(part.carriedAmps);
    case 'resistor':
    case 'gate':
    case 'nor':
    case 'flip-flop':
      return null;
    case 'trimmer':
      return part.degrees;
    default:
      return part.designator;
  }
}

function merged(known: PartLine, made: PartLine, input: PartsListInput): PartLine {
  const count = known.count + made.count;
  return {
    ...known,
    designators: [...known.designators, ...made.designators],
    count,
    wanted: wantedOf(made.part, count, input),
  };
}

function lineOf(part: Part, input: PartsListInput): PartLine {
  const count = countOf(part);
  const value = valueOf(part);
  return {
    designators: [part.designator],
    part,
    count,
    wanted: wantedOf(part, count, input),
    value,
    // Any will do between supply pins.
    tolerance: part.role === 'decoupling' ? null : toleranceOf(part),
    minWatts: part.kind === 'resistor' ? (input.watts[part.designator] ?? null) : null,
    minVolts: part.kind === 'capacitor' ? capacitorVolts(input.maxVolts) : ratingOf(part).volts,
    r10Ohms: part.kind === 'ldr' ? input.r10Ohms : null,
    supply: part.kind === 'supply' ? (input.supplies[part.rail] ?? null) : null,
    marking: markingOf(part),
    inStock: stockOf(part, input.stock),
  };
}

/** Spares are for what is cheap and small. */
function wantedOf(part: Part, count: number, { copies, spares }: PartsListInput): number {
  const isSmall = ['resistor', 'capacitor', 'diode', 'led', 'bipolar', 'ldr'].includes(part.kind);
  return count * copies + (isSmall ? spares : 0);
}

function countOf(part: Part): number {
  if (part.kind === 'resistor') return part.count ?? 1;
  return part.kind === 'led' ? part.inSeries * part.strings : 1;
}

function valueOf(part: Part): PartLine['value'] {
  switch (part.kind) {
    case 'resistor':
      return { unit: 'Ω', amount: eachOhms(part) };
    case 'trimmer':
      return { unit: 'Ω', amount: part.trackOhms };
    case 'capacitor':
      return { unit: 'F', amount: part.farads };
    default:
      return null;
  }
}

/** Voltages that capacitors are sold for. */
const SOLD_VOLTS = [6.3, 10, 16, 25, 35, 50, 63, 100];
/** A capacitor lasts where it has half as much again as it gets. */
const VOLTS_MARGIN = 1.5;

const capacitorVolts = (volts: number): number | null =>
  SOLD_VOLTS.find((sold) => sold >= VOLTS_MARGIN * volts) ?? null;

function markingOf(part: Part): Marking {
  if (part.kind === 'resistor') {
    const bands = bandsOf(roundedOhms(eachOhms(part)), part.tolerance);
    return bands && { kind: 'bands', bands };
  }
  if (part.kind !== 'capacitor' || capacitorKindOf(part.farads) === 'electrolytic') return null;
  const code = capacitorCode(part.farads);
  return code === null ? null : { kind: 'code', code };
}

const roundedOhms = (ohms: number) => Number(ohms.toPrecision(9));

function stockOf(part: Part, stock: ResistorStock): InStock {
  if (part.kind !== 'resistor' && part.kind !== 'trimmer') return { kind: 'unknown' };
  if (part.kind === 'trimmer')
    return stock.trimmerOhms.includes(part.trackOhms) ? { kind: 'yes' } : { kind: 'no', nearestOhms: null };
  const ohms = roundedOhms(eachOhms(part));
  const near = nearestIn(stock, ohms);
  if (!near.ok) return { kind: 'no', nearestOhms: null };
  const exact = near.found.find((each) => Math.abs(each.ohms / ohms - 1) < SAME);
  if (exact) {
    const { how, parts } = exact;
    return how === 'single' ? { kind: 'yes' } : { kind: 'pair', how, parts };
  }
  const [nearest] = [...near.found].sort(
    (one, other) => Math.abs(Math.log(one.ohms / ohms)) - Math.abs(Math.log(other.ohms / ohms)),
  );
  return { kind: 'no', nearestOhms: nearest?.ohms ?? null };
}

const SAME = 1e-6;
