import { GROUND } from '../circuit/netlist';
import type { ComparatorPart } from './comparators';
import type { Decided, OutputLevel } from './decider';
import type { Part } from './description';
import { shippedTimers } from './timers';

/** What comes between the decider and what it drives. */
export type After =
  | { readonly kind: 'straight' }
  /** The other way round, as an active-low input wants it. */
  | { readonly kind: 'inverted' }
  /** A pulse of a timer IC each time it turns on, `t = R·C·ln 3`. */
  | { readonly kind: 'one-shot'; readonly ohms: number; readonly farads: number }
  /** Each time it turns on the load changes over. */
  | { readonly kind: 'toggle' };

export const afterKinds = ['straight', 'inverted', 'one-shot', 'toggle'] as const;

/** A gate or flip-flop in CMOS. */
const GATE: ComparatorPart = { id: 'gate', name: '', kind: 'push-pull', offsetVolts: 0, biasAmps: 0, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.01, highVolts: 0.01, outputOhms: 70, mostAmps: 0.02, idleAmps: 0.00001, leastSupplyVolts: 2, mostSupplyVolts: 15 }; // prettier-ignore

function partOf(kind: After['kind']): ComparatorPart {
  const [timer] = shippedTimers;
  if (kind !== 'one-shot' || !timer) return GATE;
  return { ...timer, kind: 'push-pull', offsetVolts: 0, inputLowVolts: 0, inputHighVolts: 0 };
}

/** What sets a pulse's time: R28 from the supply, C2 to 0 V. */
export function timingParts({
  ohms,
  farads,
}: {
  readonly ohms: number;
  readonly farads: number;
}): readonly Part[] {
  return [
    { kind: 'resistor', designator: 'R28', role: 'timing', a: 'supply', b: 'timing', ohms },
    { kind: 'capacitor', designator: 'C2', a: 'timing', b: GROUND, farads },
  ];
}

/**
 * A decider with what follows it. While it is triggered a one-shot's output is high as its input; what it adds is the time
 * after. A toggle is shown as it stands when it has changed over.
 */
export function followed(decided: Decided, after: After): Decided {
  const { kind } = after;
  if (kind === 'straight') return decided;
  const other: Readonly<Record<OutputLevel, OutputLevel>> = { high: 'low', low: 'high' };
  const levels = kind === 'inverted' ? decided.levels.map((level) => other[level]) : decided.levels;
  return {
    ...decided,
    parts: [
      ...decided.parts,
      { kind: 'comparator', designator: 'IC9', part: partOf(kind), plus: GROUND, minus: GROUND, out: 'after', top: 'supply', bottom: GROUND }, // prettier-ignore
      ...(after.kind === 'one-shot' ? timingParts(after) : []),
    ],
    out: 'after',
    levels,
    states: decided.states.map((state, index) => ({ ...state, IC9: levels[index] ?? 'low' })),
  };
}
