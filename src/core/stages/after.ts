import { GROUND } from '../circuit/netlist';
import type { ComparatorPart } from './comparators';
import type { Switching, OutputLevel } from './decider';
import type { Part } from './description';
import { shippedTimers } from './timers';

/** What comes between the decider and what it drives. */
export type OutputStage =
  | { readonly kind: 'direct' }
  /** The other way round, as an active-low input wants it. */
  | { readonly kind: 'inverted' }
  /** A pulse of a timer IC each time it turns on, `t = R·C·ln 3`. */
  | { readonly kind: 'one-shot'; readonly ohms: number; readonly farads: number }
  /** Each time it turns on the load changes over. */
  | { readonly kind: 'toggle' };

export const outputStageKinds = ['direct', 'inverted', 'one-shot', 'toggle'] as const;

/** A gate or flip-flop in CMOS. */
const GATE: ComparatorPart = { id: 'gate', name: '', kind: 'push-pull', offsetVolts: 0, biasAmps: 0, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.01, highVolts: 0.01, outputOhms: 70, maxAmps: 0.02, idleAmps: 0.00001, minSupplyVolts: 2, maxSupplyVolts: 15 }; // prettier-ignore

function partOf(kind: OutputStage['kind']): ComparatorPart {
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
export function withOutputStage(switching: Switching, outputStage: OutputStage): Switching {
  const { kind } = outputStage;
  if (kind === 'direct') return switching;
  const other: Readonly<Record<OutputLevel, OutputLevel>> = { high: 'low', low: 'high' };
  const levels = kind === 'inverted' ? switching.levels.map((level) => other[level]) : switching.levels;
  return {
    ...switching,
    parts: [
      ...switching.parts,
      { kind: 'comparator', designator: 'IC9', part: partOf(kind), plus: GROUND, minus: GROUND, out: 'after', top: 'supply', bottom: GROUND }, // prettier-ignore
      ...(outputStage.kind === 'one-shot' ? timingParts(outputStage) : []),
    ],
    out: 'after',
    levels,
    states: switching.states.map((state, index) => ({ ...state, IC9: levels[index] ?? 'low' })),
  };
}
