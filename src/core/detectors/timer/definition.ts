import { GROUND } from '../../circuit/netlist';
import { controlShare, defaultTimer, timerField, timerOn } from '../../parts/kinds/timer';
import { isRatedForSupply } from '../../parts/kinds/comparator';
import { exactly, nullOr, oneOf, within, type Infer } from '../../schema';
import { nearestOhms } from '../../series/stock';
import type { DetectorBench } from '../bench';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorContext, type DetectorDefinition } from '../definition';
import type { OutputLevel } from '../../parts/base';
import { capacitor, inverter, resistor } from '../drafts';
import { DETECTOR_OHMS, INTO_TRANSISTOR, outputField } from '../fields';
import { timedBy } from '../outputStage/oneShot';
import { pulseField, timingDrafts } from '../outputStage/pulse';
import { bandSayings } from '../sayings';
import type { DetectorSaying } from '../finding';
import { otherLevel, type DetectorCircuit, type GoalEnd, type Trip } from '../switching';

export const timerSettingsField = exactly({
  kind: oneOf('timer'),
  part: timerField,
  /** From the control pin, which moves both thresholds; `null` leaves it alone. */
  control: nullOr(exactly({ ohms: within(DETECTOR_OHMS), to: oneOf('ground', 'supply') })),
  /** Which of its two lights the goal is: the other follows. */
  matters: oneOf<GoalEnd>('on', 'off'),
  /** As a one-shot straight from the divider: it starts at the trigger's threshold and lasts until its capacitor is at the control pin's; `null` for a switch. */
  pulse: nullOr(pulseField),
  output: outputField,
});

/** A timer IC with its two inputs joined: on and off at two fixed shares of its supply. */
export type TimerSettings = Infer<typeof timerSettingsField>;

/** What the LDR's resistance at one threshold is to that at the other: `(V/⅓V − 1)/(V/⅔V − 1)`, whatever the divider. */
export const TIMER_OHMS_RATIO = 4;

/** The ratio of a timer's two lights for an LDR without floors: `4^(1/γ)`. @param gamma above 0 */
export function timerBandRatio(gamma: number): number {
  return TIMER_OHMS_RATIO ** (1 / gamma);
}

/** From the control pin to 0 V where nothing else holds it. */
const CONTROL_FARADS = 1e-8;
/** A control pin can be pulled so near to either rail, as a share of the supply. */
const CONTROL_SHARES = { min: 0.1, max: 0.95 } as const;
/** The net between the two lower resistors inside. */
const LOWER = 'lower';

/**
 * A timer IC with trigger and threshold joined at the midpoint: its output goes high when they fall to ⅓ of the supply and low
 * when they rise to ⅔; a resistor at the control pin moves both. As a one-shot it starts at ⅓ and holds as long as the light
 * stays there, then for the pulse's own time; its output is high then, which an inverter turns round where low is on.
 */
function timerCircuit(settings: TimerSettings, { ldrSide, ownOnLevel }: DetectorContext): DetectorCircuit {
  const { part, control, pulse } = settings;
  const trip = (minus: string): Trip => ({
    plus: 'mid',
    minus,
    share: 1,
    offsetVolts: 0,
    shareSpread: part.thresholdShare,
  });
  const [lower, upper] = [trip(LOWER), trip('control')];
  // A one-shot hears its trigger alone: it starts at ⅓, and is held as long as the trigger stays there.
  const end = pulse ? lower : upper;
  const risesWithLight = ldrSide === 'top';
  const own = risesWithLight ? (['high', 'low'] as const) : (['low', 'high'] as const);
  const turnsRound = pulse !== null && ownOnLevel === 'low';
  const levels = turnsRound ? own.map((level) => otherLevel[level]) : own;
  const [a, b] = control?.to === 'ground' ? ['control', GROUND] : ['supply', 'control'];
  return {
    drafts: [
      {
        kind: 'timer',
        role: 'detector',
        model: part,
        key: 'detector',
        trigger: 'mid',
        threshold: pulse ? 'timing' : 'mid',
        discharge: pulse ? 'timing' : null,
        control: 'control',
        controlShare: controlShare(part, control),
        lower: LOWER,
        out: turnsRound ? 'pulse.out' : 'out',
        top: 'supply',
        bottom: GROUND,
      },
      ...(turnsRound ? [inverter('pulse.out', 'out', 'pulse-inverter', 1)] : []),
      control
        ? resistor('control', a, b, control.ohms)
        : capacitor('control-filter', 'control', GROUND, CONTROL_FARADS),
      ...(pulse ? timingDrafts(pulse, 'timing') : []),
    ],
    switching: {
      out: 'out',
      states: own.map((level): Readonly<Record<string, OutputLevel>> => ({
        detector: level,
        ...(turnsRound ? { 'pulse-inverter': otherLevel[level] } : {}),
      })),
      levels,
      boundaries: [
        risesWithLight
          ? { sense: 1, rising: end, falling: lower }
          : { sense: -1, rising: lower, falling: end },
      ],
    },
  };
}

export const timer: DetectorDefinition<TimerSettings> = {
  ...ONE_LIGHT,
  field: timerSettingsField,
  defaults: {
    kind: 'timer',
    part: defaultTimer,
    control: null,
    matters: 'on',
    pulse: null,
    output: INTO_TRANSISTOR,
  },
  circuit: timerCircuit,
  output: ({ output }) => output,
  withOutput: (settings, output) => ({ ...settings, output }),
  goalEnd: ({ matters }) => matters,
  fromMidpoints: (settings, bench, darkVolts, lightVolts) => {
    const { supplyVolts, lowVolts } = bench.divider;
    const between = betweenMidpoints(supplyVolts, darkVolts, lightVolts, lowVolts);
    const control = between && controlFor(settings, bench, between.volts);
    return control && { settings: { ...settings, control } };
  },
  fitted: (settings, volts) => {
    const part = timerOn(volts);
    return part ? { ...settings, part } : settings;
  },
  recommendedSizing: 'own-threshold',
  findings: ({ part }, { divider }, thresholds) => [
    ...supplySayings(part, divider.supplyVolts),
    // Its other light follows from the first: none can be asked for.
    ...bandSayings<TimerSettings>({ offLux: null }, thresholds, null),
  ],
  shortcomings: ['fixed-band'],
  spread: 'thresholds',
  pulse: ({ pulse, part, control }) => pulse && { ...pulse, ...timedBy(part, controlShare(part, control)) },
};

function supplySayings(part: TimerSettings['part'], volts: number): readonly DetectorSaying<TimerSettings>[] {
  if (isRatedForSupply(part, volts)) return [];
  const { minSupplyVolts: minVolts, maxSupplyVolts: maxVolts } = part;
  return [{ state: 'cannot', finding: { code: 'comparator-supply', volts, minVolts, maxVolts } }];
}

/**
 * The resistor at a timer's control pin that puts the threshold that matters at a voltage: with the string's `r` above the pin
 * and `2r` below it, `(V − Vc)/r = Vc/2r + Vc/R` to 0 V, or the same with R to plus.
 */
function controlFor(
  { part }: TimerSettings,
  { divider, goalTrip, stock }: DetectorBench<TimerSettings>,
  volts: number,
): TimerSettings['control'] {
  const { supplyVolts } = divider;
  const controlVolts = goalTrip?.minus === LOWER ? 2 * volts : volts;
  const share = controlVolts / supplyVolts;
  if (share < CONTROL_SHARES.min || share > CONTROL_SHARES.max) return null;
  const { stringOhms } = part;
  const [above, below] = [(supplyVolts - controlVolts) / stringOhms, controlVolts / (2 * stringOhms)];
  if (Math.abs(above - below) < 1e-3 * below) return null;
  const exact =
    above > below ? controlVolts / (above - below) : (supplyVolts - controlVolts) / (below - above);
  return { ohms: nearestOhms(stock, exact), to: above > below ? 'ground' : 'supply' };
}
