import type { Part } from './part';
import { pinsOf } from './registry';

/**
 * The usual order of an IC's pins, pin 1 first, by the names of {@link pinsOf}; `null` for a pin that nothing needs. Parts of a
 * sort share it closely enough; the datasheet of the one in hand has the last word.
 */
export type PinOrder = readonly (string | null)[];

const SINGLE_AMPLIFIER: PinOrder = [null, '1−', '1+', 'low', null, '1 out', 'V+', null];
const DUAL_AMPLIFIER: PinOrder = ['1 out', '1−', '1+', 'low', '2+', '2−', '2 out', 'V+'];
const QUAD_AMPLIFIER: PinOrder = [
  ...['1 out', '1−', '1+', 'V+', '2+', '2−', '2 out'],
  ...['3 out', '3−', '3+', 'low', '4+', '4−', '4 out'],
];
const QUAD_OPEN_COLLECTOR: PinOrder = [
  ...['2 out', '1 out', 'V+', '1−', '1+', '2−', '2+'],
  ...['3−', '3+', '4−', '4+', 'low', '4 out', '3 out'],
];
const TIMER: PinOrder = ['0 V', 'trigger', 'out', 'reset', 'control', 'threshold', 'discharge', 'V+'];
const SIX_INVERTERS: PinOrder = [
  ...['1 in', '1 out', '2 in', '2 out', '3 in', '3 out', '0 V'],
  ...['4 out', '4 in', '5 out', '5 in', '6 out', '6 in', 'V+'],
];
/** The inputs of gates that are not used are called so. */
const fourNors = (used: number): PinOrder => {
  const inputs = (unit: number) =>
    unit <= used ? [`${unit} a`, `${unit} b`] : [`${unit} a in`, `${unit} b in`];
  return [
    ...[...inputs(1), '1 out', '2 out', ...inputs(2), '0 V'],
    ...[...inputs(3), '3 out', '4 out', ...inputs(4), 'V+'],
  ];
};
const COUNTER: PinOrder = [
  ...[null, null, 'last stage', null, null, null, null, '0 V'],
  ...['to capacitor', 'to resistor', 'clock in', 'reset', null, null, null, 'V+'],
];

/** The order of an IC's pins; `null` for a part that is none. */
export function pinOrderOf(part: Part): PinOrder | null {
  switch (part.kind) {
    case 'comparator':
      return comparatorOrder(part.unitCount, part.model.kind === 'open-collector');
    case 'timer':
    case 'oscillator':
      return TIMER;
    case 'gate':
      return SIX_INVERTERS;
    case 'nor':
      return fourNors(part.gates.length);
    case 'counter':
      return COUNTER;
    // Its definition has them in order already.
    case 'flip-flop':
      return pinsOf(part).map(({ name }) => name);
    default:
      return null;
  }
}

function comparatorOrder(units: number, isOpenCollector: boolean): PinOrder {
  if (units === 1) return SINGLE_AMPLIFIER;
  if (units === 2) return DUAL_AMPLIFIER;
  return isOpenCollector ? QUAD_OPEN_COLLECTOR : QUAD_AMPLIFIER;
}

/** Whether a pin of an order is the one with a name: the lower rail's is called after what it is on. */
export const isPin = (wanted: string | null, name: string): boolean =>
  wanted === name || (wanted === 'low' && (name === '0 V' || name === 'V−'));
