import { ldrOhmsAt } from '../../ldr/curve';
import { lagSecondsOf } from '../../ldr/dynamics';
import { rippleShareLeft } from './rippleLeft';
import { burstsOf, type Burst } from './bursts';
import type { LightTrack } from './dayLight';
import type { Machine } from '../machine';
import { Simulation } from '../simulation';

/** What a day, or any other stretch of light, makes of a design. Times are seconds on the track's own clock. */
export interface DayRun {
  /** Whether the loads are on at the start. */
  readonly startsOn: boolean;
  /** The loads' switchings, one after another. Shape: switchings. */
  readonly switchedAt: Float64Array;
  /** The room's light at each, in lx. */
  readonly switchedLux: Float64Array;
  /** Moves of a ladder's steps, each of its loads by itself; `null` where all loads are one. */
  readonly stepMoves: number | null;
  readonly bursts: readonly Burst[];
  readonly onSeconds: number;
  readonly partlySeconds: number;
  /** The time that each load is on, added up over all. */
  readonly loadSeconds: number;
  /** Moves of each load's contact. */
  readonly contactMoves: readonly number[];
  /** Charge out of each supply, in A·s. */
  readonly coulombs: readonly number[];
  readonly wholeSeconds: number;
}

/** So often progress is told. */
const TOLD_EVERY = 20_000;

/** Runs a machine through a track of light. @param onProgress told the share that is done */
export function runTrack(
  machine: Machine,
  track: LightTrack,
  onProgress: (share: number) => void = () => undefined,
): DayRun {
  const { seconds, lux } = track;
  const start = seconds[0] ?? 0;
  const switchedAt: number[] = [];
  const switchedLux: number[] = [];
  // A ladder that goes down its steps does not chatter: one that goes to and fro over the same one does.
  const steppedAt = machine.boundaries.map((): number[] => []);
  let position = 0;
  const simulation = new Simulation(machine, lux[0] ?? 1, ({ what, at, lux: light, position: now }) => {
    if (what === 'loads') {
      switchedAt.push(start + at);
      switchedLux.push(light);
    }
    if (what === 'step') steppedAt[Math.min(position, now)]?.push(start + at);
    position = now;
  });
  position = simulation.position;
  const startsOn = simulation.isOn;
  for (let index = 1; index < seconds.length; index++) {
    simulation.run((seconds[index] ?? 0) - (seconds[index - 1] ?? 0), lux[index] ?? 1);
    if (index % TOLD_EVERY === 0) onProgress(index / seconds.length);
  }
  return {
    startsOn,
    switchedAt: Float64Array.from(switchedAt),
    switchedLux: Float64Array.from(switchedLux),
    stepMoves: machine.hasSteps ? steppedAt.reduce((total, times) => total + times.length, 0) : null,
    bursts: [
      ...(machine.hasSteps ? steppedAt : [switchedAt]).flatMap(burstsOf),
      ...ripplingOf(machine, track, switchedAt, startsOn),
    ].sort((one, other) => one.from - other.from),
    onSeconds: simulation.onSeconds,
    partlySeconds: simulation.partlySeconds,
    loadSeconds: simulation.loadSeconds,
    contactMoves: simulation.contactMoves,
    coulombs: [...simulation.coulombs],
    wholeSeconds: (seconds.at(-1) ?? start) - start,
  };
}

/**
 * Where a lamp's ripple alone swings a detector to and fro: what the LDR's lag leaves of it reaches over both thresholds. Told as a
 * stretch, each swing being far shorter than what is drawn.
 */
function ripplingOf(
  machine: Machine,
  { seconds, lux, ripples }: LightTrack,
  switchedAt: readonly number[],
  startsOn: boolean,
): readonly Burst[] {
  if (ripples.length === 0 || machine.sampling || machine.coupling || machine.isSoft) return [];
  const siemensAt = (light: number) => 1 / ldrOhmsAt(machine.curve, light);
  const lag = lagSecondsOf(machine.dynamics);
  const found: { from: number; to: number; hertz: number }[] = [];
  let [switched, isOn] = [0, startsOn];
  for (let index = 0; index < seconds.length; index++) {
    const time = seconds[index] ?? 0;
    while (switched < switchedAt.length && (switchedAt[switched] ?? 0) <= time) {
      switched += 1;
      isOn = !isOn;
    }
    const ripple = ripples.find(({ from, to }) => time >= from && time <= to);
    if (!ripple) continue;
    const light = (lux[index] ?? 0) + (isOn !== machine.isLitWhenOff ? machine.feedbackLux : 0);
    const half = (rippleShareLeft(ripple.share, ripple.hertz, lag) * ripple.lux) / light / 2;
    const [low, high] = [siemensAt(light * (1 - Math.min(0.99, half))), siemensAt(light * (1 + half))];
    const swings = machine.boundaries.some(
      ({ upSiemens, downSiemens }) => high >= upSiemens && low < downSiemens,
    );
    const last = found.at(-1);
    if (!swings) continue;
    if (last && index > 0 && last.to === seconds[index - 1]) last.to = time;
    else found.push({ from: time, to: time, hertz: ripple.hertz });
  }
  return found
    .filter(({ from, to }) => to > from)
    .map(({ from, to, hertz }) => ({
      from,
      to,
      count: Math.round((to - from) * hertz * 2),
      cause: 'ripple' as const,
    }));
}
