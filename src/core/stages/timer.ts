import { GROUND } from '../circuit/netlist';
import { timingParts } from './after';
import type { ComparatorPart } from './comparators';
import type { Switching, TimerSettings } from './decider';
import type { Part } from './description';
import type { CircuitInput } from './stage';
import type { TimerPart } from './timers';

/** What the LDR's resistance at one threshold is to that at the other: `(V/⅓V − 1)/(V/⅔V − 1)`, whatever the divider. */
export const TIMER_OHMS_RATIO = 4;

/** The ratio of a timer's two lights for an LDR without floors: `4^(1/γ)`. @param gamma above 0 */
export function timerBandRatio(gamma: number): number {
  return TIMER_OHMS_RATIO ** (1 / gamma);
}

/**
 * A timer IC with trigger and threshold joined at the midpoint: its output goes high when they fall to ⅓ of the supply and low
 * when they rise to ⅔; a resistor at the control pin moves both. As a one-shot it starts at ⅓ and holds as long as the light stays there, then for the pulse's
 * own time.
 */
export function switchingByTimer(
  { part, control, matters, pulse }: TimerSettings,
  input: CircuitInput,
): Switching {
  const { stringOhms } = part;
  const inner = (designator: string, a: string, b: string): Part => ({
    kind: 'resistor',
    designator,
    role: 'internal',
    a,
    b,
    ohms: stringOhms,
  });
  const parts: Part[] = [
    { kind: 'comparator', designator: 'IC1', part: asOutput(part), plus: 'control', minus: 'mid', out: 'out', top: 'supply', bottom: GROUND }, // prettier-ignore
    inner('IC1.upper', 'supply', 'control'),
    inner('IC1.middle', 'control', 'lower'),
    inner('IC1.lower', 'lower', GROUND),
  ];
  if (control) {
    const [a, b] = control.to === 'ground' ? ['control', GROUND] : ['supply', 'control'];
    parts.push({ kind: 'resistor', designator: 'R26', role: 'control', a, b, ohms: control.ohms });
  }
  if (pulse) parts.push(...timingParts(pulse));
  const share = { min: 1 - part.thresholdShare, typical: 1, max: 1 + part.thresholdShare }[input.grade];
  const [lower, upper] = ['lower', 'control'].map((minus) => ({ plus: 'mid', minus, share, offsetVolts: 0 }));
  if (!lower || !upper) throw new Error('unreachable');
  // A one-shot hears its trigger alone: it starts at ⅓, and is held as long as the trigger stays there.
  const end = pulse ? lower : upper;
  const risesWithLight = input.ldrSide === 'top';
  const levels = risesWithLight ? (['high', 'low'] as const) : (['low', 'high'] as const);
  return {
    parts,
    out: 'out',
    states: levels.map((level) => ({ IC1: level })),
    levels,
    boundaries: [
      risesWithLight ? { sense: 1, rising: end, falling: lower } : { sense: -1, rising: lower, falling: end },
    ],
    goalEnd: matters,
  };
}

/** A timer's output as that of a comparator. */
function asOutput(part: TimerPart): ComparatorPart {
  return { ...part, kind: 'push-pull', offsetVolts: 0, inputLowVolts: -1, inputHighVolts: 0 };
}
