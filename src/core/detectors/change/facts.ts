import { ldrOhmsAt, type LdrCurve } from '../../ldr/curve';
import { lagSecondsOf, ohmsOfState, settledLdr, stepLdr, type LdrDynamics } from '../../ldr/dynamics';
import { RIPPLE_HERTZ, rippleLeft } from '../../light/minBand';
import { findRoot } from '../../numeric/findRoot';
import { bareMidVolts, sourceOhms, type BareDivider } from '../bareDivider';
import type { DetectorBench } from '../bench';
import { amplifierFor, gainUpperOhms } from './circuit';
import { CHANGE_LIMITS, type ChangeSettings } from './settings';

/** What a change of light makes of a coupling capacitor, a resistor and a gain. */
export interface ChangeFacts {
  /** The highest voltage behind the gain for the change wanted, in V. */
  readonly peakVolts: number;
  readonly fires: boolean;
  /** The gain that just reaches the trigger with that change; `null` where none does. */
  readonly neededGain: number | null;
  /** The least change, as a share of the light, that fires when it takes as long; `null` where none does. */
  readonly minDimming: number | null;
  /** The longest that the change wanted may take and still fire; `null` where it never does. */
  readonly slowestSeconds: number | null;
  /** How long the change wanted keeps it fired, in s; 0 where it does not fire, `Infinity` where it is fired all the time. */
  readonly firedSeconds: number;
  /** Time constant of capacitor and resistors at the goal, in s. */
  readonly timeConstant: number;
  /** What a mains lamp's ripple makes behind the gain in steady light, in V; and whether that fires alone. */
  readonly rippleVolts: number;
  readonly rippleFires: boolean;
  /** What stands behind the gain in steady light, in V: of the amplifier's input current, and with the most offset it may have. */
  readonly restVolts: number;
  readonly maxRestVolts: number;
  /** The same before the gain. */
  readonly restInputVolts: number;
}

/** No change is looked for that is smaller, as a share of the light. */
export const LEAST_DIMMING = 0.001;
/** Steps in which a change and what follows it at once are gone through. */
const STEPS = 500;
/** Until a capacitor has given away what it holds: so many more, each longer than the one before. */
const MOST_STEPS = 1500;
const GROWTH = 1.01;
/** After so many of its time constants an LDR has followed. */
const LAGS = 8;

/** Whether it fires: the part of the facts that every analysis asks for. */
export type ChangeVerdict = Pick<
  ChangeFacts,
  | 'peakVolts'
  | 'fires'
  | 'neededGain'
  | 'rippleVolts'
  | 'rippleFires'
  | 'restVolts'
  | 'maxRestVolts'
  | 'restInputVolts'
>;

/** What a change is worked out with. */
export interface ChangeBench {
  readonly divider: BareDivider;
  readonly settings: Pick<ChangeSettings, 'farads' | 'biasOhms'>;
  readonly curve: LdrCurve;
  readonly dynamics: LdrDynamics;
  /** The light before the change. */
  readonly lux: number;
}

type Bench = Pick<DetectorBench<never>, 'divider' | 'curve' | 'dynamics' | 'goal'>;

const benchOf = (settings: ChangeSettings, { divider, curve, dynamics, goal }: Bench): ChangeBench => ({
  divider,
  settings,
  curve,
  dynamics,
  lux: goal.lux,
});

export function changeVerdict(settings: ChangeSettings, bench: Bench): ChangeVerdict {
  return verdictOf(settings, benchOf(settings, bench));
}

/** The verdict, and how far from it the change is either way. */
export function changeFacts(settings: ChangeSettings, whole: Bench): ChangeFacts {
  const bench = benchOf(settings, whole);
  const { farads, biasOhms, gain, triggerVolts, dimming, seconds } = settings;
  const given = (volts: number) => Math.min(gain * volts, bench.divider.supplyVolts);
  const over = (share: number, time: number) => given(peakVolts(bench, share, time)) - triggerVolts;
  const root = (f: (x: number) => number, from: number, to: number) => {
    const found = findRoot(f, from, to, { tolerance: 1e-4 });
    return found.ok ? found.x : null;
  };
  const longest = Math.log(CHANGE_LIMITS.seconds.max);
  const shortest = Math.log(CHANGE_LIMITS.seconds.min);
  const slowest =
    over(dimming, CHANGE_LIMITS.seconds.max) > 0
      ? longest
      : root((ln) => over(dimming, Math.exp(ln)), shortest, longest);
  return {
    ...verdictOf(settings, bench),
    minDimming:
      over(LEAST_DIMMING, seconds) > 0
        ? LEAST_DIMMING
        : root((share) => over(share, seconds), LEAST_DIMMING, 0.99),
    slowestSeconds: slowest === null ? null : Math.exp(slowest),
    firedSeconds: firedSeconds(settings, whole),
    timeConstant: farads * (biasOhms + sourceOhms(bench.divider, ldrOhmsAt(bench.curve, bench.lux))),
  };
}

function verdictOf(settings: ChangeSettings, bench: ChangeBench): ChangeVerdict {
  const { gain, triggerVolts, dimming, seconds, rippleShare } = settings;
  const peak = peakVolts(bench, dimming, seconds);
  // No gain gives more than its own supply.
  const { supplyVolts } = bench.divider;
  const given = (volts: number) => Math.min(gain * volts, supplyVolts);
  const rippleVolts = given(rippleAt(bench, rippleShare));
  return {
    peakVolts: given(peak),
    fires: given(peak) >= triggerVolts,
    neededGain: peak > 1e-6 && triggerVolts <= supplyVolts ? triggerVolts / peak : null,
    rippleVolts,
    rippleFires: rippleVolts >= triggerVolts,
    ...restOf(settings, supplyVolts),
  };
}

/**
 * What an amplifier gives with nothing to amplify: `G·I·R − I·Rf`, its input current through the resistor behind the capacitor and
 * through that of its feedback; with its offset `G·Vos` more.
 */
function restOf(
  { gain, biasOhms }: ChangeSettings,
  supplyVolts: number,
): Pick<ChangeFacts, 'restVolts' | 'maxRestVolts' | 'restInputVolts'> {
  const { biasAmps, offsetVolts } = amplifierFor(supplyVolts);
  const feedbackOhms = gain > 1 ? gainUpperOhms(gain) : 0;
  const volts = biasAmps * (gain * biasOhms - feedbackOhms);
  const given = (rest: number) => Math.min(supplyVolts, Math.max(0, rest));
  return {
    restVolts: given(volts),
    maxRestVolts: given(volts + gain * offsetVolts),
    restInputVolts: biasAmps * biasOhms + offsetVolts,
  };
}

/**
 * The highest voltage across the resistor behind the capacitor while the light changes by a share within a time, evenly, and
 * stays there: LDR (lag toward dark or light, and its slow tail) and capacitor stepped by exact exponentials. With the LDR
 * below the light gets less by the share, with it above it gets more by as much.
 * (For a step and an instant LDR it is `ΔV·R/(R + Rsource)`.)
 *
 * @param share of the light that goes, 0 to 1
 * @param seconds the change takes; 0 for a step
 */
export function peakVolts(bench: ChangeBench, share: number, seconds: number): number {
  let peak = 0;
  const watched = watchedSeconds(bench, seconds);
  goThrough(bench, share, seconds, MOST_STEPS, (time, volts) => {
    // Behind a large capacitor the LDR's slow tail raises it for some time more.
    const isRising = volts > peak;
    peak = Math.max(peak, volts);
    return isRising || time < watched;
  });
  return peak;
}

/** How long a change and what follows it at once take, in s: to where the LDR, or sooner the capacitor, has followed. */
function watchedSeconds({ settings, dynamics }: ChangeBench, seconds: number): number {
  const lag = LAGS * Math.max(dynamics.riseSeconds, dynamics.fallSeconds);
  return seconds + Math.min(lag, 10 * settings.farads * settings.biasOhms + lag / 4);
}

/**
 * How long the change wanted keeps the output fired, in s: from where the trigger is passed to where the capacitor has given so much
 * away that it is passed again. 0 where it does not fire, `Infinity` where it is fired all the time.
 */
export function firedSeconds(settings: ChangeSettings, whole: Bench): number {
  const bench = benchOf(settings, whole);
  const { gain, triggerVolts, dimming, seconds } = settings;
  const { supplyVolts } = bench.divider;
  if (restOf(settings, supplyVolts).restVolts >= triggerVolts) return Infinity;
  if (triggerVolts > supplyVolts) return 0;
  const level = triggerVolts / gain;
  let [from, to, before]: [number | null, number | null, readonly [number, number]] = [null, null, [0, 0]];
  goThrough(bench, dimming, seconds, MOST_STEPS, (time, volts) => {
    const [wasAt, was] = before;
    const passed = wasAt + ((time - wasAt) * (level - was)) / (volts - was);
    if (from === null && volts >= level) from = passed;
    // While the light still changes it may be passed once more.
    if (from !== null && was >= level && volts < level) to = passed;
    before = [time, volts];
    return from === null || volts >= level || time <= seconds;
  });
  return from === null ? 0 : (to ?? Infinity) - from;
}

/**
 * Goes through a change of light and what follows it.
 * @param steps at most; from {@link STEPS} on they grow
 * @param see told the time in s and the voltage before the gain; whether to go on
 */
function goThrough(
  bench: ChangeBench,
  share: number,
  seconds: number,
  steps: number,
  see: (time: number, volts: number) => boolean,
): void {
  const { settings, curve, dynamics, lux, divider } = bench;
  const { farads, biasOhms } = settings;
  const end = divider.ldrSide === 'bottom' ? lux * (1 - share) : lux / (1 - share);
  let step = watchedSeconds(bench, seconds) / STEPS;
  let state = settledLdr(curve, lux);
  let open = bareMidVolts(divider, ohmsOfState(state, dynamics));
  let [across, time] = [0, 0];
  for (let index = 1; index <= steps; index++) {
    if (index > STEPS) step *= GROWTH;
    time = index <= STEPS ? index * step : time + step;
    const light = seconds > 0 && time < seconds ? lux + ((end - lux) * time) / seconds : end;
    state = stepLdr(state, curve, dynamics, light, step);
    const ldrOhms = ohmsOfState(state, dynamics);
    const source = sourceOhms(divider, ldrOhms);
    const moved = bareMidVolts(divider, ldrOhms) - open;
    open += moved;
    // Exact for a midpoint that moves evenly within the step: what was there decays, what comes builds up.
    const tau = farads * (biasOhms + source);
    const left = Math.exp(-step / tau);
    across = across * left + (moved / step) * tau * (1 - left);
    if (!see(time, (across * biasOhms) / (biasOhms + source))) return;
  }
}

/** The swing that a lamp's ripple leaves behind LDR and capacitor: first-order low-pass, then high-pass. @param share peak to peak */
function rippleAt(bench: ChangeBench, share: number): number {
  const { curve, lux, dynamics, settings, divider } = bench;
  const omega = 2 * Math.PI * RIPPLE_HERTZ;
  const left = rippleLeft(share, lagSecondsOf(dynamics)) / 2;
  const [up, down] = [lux * (1 + left), lux * (1 - Math.min(0.99, left))];
  const swing = Math.abs(
    bareMidVolts(divider, ldrOhmsAt(curve, down)) - bareMidVolts(divider, ldrOhmsAt(curve, up)),
  );
  const source = sourceOhms(divider, ldrOhmsAt(curve, lux));
  const tau = settings.farads * (settings.biasOhms + source);
  const pass = (omega * tau) / Math.hypot(1, omega * tau);
  return (swing / 2) * pass * (settings.biasOhms / (settings.biasOhms + source));
}
