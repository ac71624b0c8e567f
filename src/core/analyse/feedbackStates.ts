import type { StageInTime } from '../detectors/outputStage/inTime';
import type { EdgeLights } from '../detectors/thresholds';

/** A switch that snaps, as far as its load's own light moves it from one state to another. */
export interface LitSwitch {
  /** Borders between its states, from dark to bright; shape: states − 1. */
  readonly boundaries: readonly EdgeLights[];
  /** Whether the load is on in each state, before what its output does with it in time. */
  readonly isOn: readonly boolean[];
  readonly stage: StageInTime['kind'];
  /** What shines is lit while the load is off: it hangs on a contact that is closed then. */
  readonly isLitWhenOff: boolean;
}

/**
 * What becomes of a switch whose load lights its own LDR: it rests everywhere; it turns itself off and on again in some room; it
 * does so each time its pulse ends; it turns over more than once as the room gets dark and light; or once on nothing turns it off.
 */
export type LitVerdict = 'steady' | 'blinks' | 'restarts' | 'turns-back' | 'latches';

interface State {
  readonly position: number;
  /** Whether the detector itself is on, and whether the load is. */
  readonly raw: boolean;
  readonly on: boolean;
  /** A pulse runs. */
  readonly timed: boolean;
}

/** Whether its own light shines. */
const isLit = ({ isLitWhenOff }: LitSwitch, { on }: State) => on !== isLitWhenOff;

/** Two lights that are found to 1e-7 differ by no more than this share. */
const ROUNDING = 1e-6;

/** What own light of so much, on the same scale as the borders, makes of a switch. Taken slowly: the LDR follows before a pulse ends. */
export function litVerdict(of: LitSwitch, own: number): LitVerdict {
  const rooms = roomsOf(of, own);
  let restarts = false;
  for (const room of rooms)
    for (const start of startsOf(of)) {
      const { ends, overPulse } = settled(of, own, room, start);
      if (ends) continue;
      if (!overPulse) return 'blinks';
      restarts = true;
    }
  if (restarts) return 'restarts';
  const [with_, without] = [rounds(of, own, rooms), rounds(of, 0, rooms)];
  if (with_.stays && !without.stays) return 'latches';
  return with_.changes > without.changes ? 'turns-back' : 'steady';
}

/**
 * How much own light makes a switch do what it does: the least from which on it does so, or of what is steady the most with which
 * it stays so.
 * @returns `null` where it is steady however much there is
 */
export function litLimit(of: LitSwitch, own: number): number | null {
  const lights = of.boundaries.flatMap(({ rising, falling }) => [rising, falling]);
  const steps = sortedOnce([0, ...lights, ...lights.flatMap((one) => lights.map((other) => one - other))]);
  const within = steps.map((step, at) => litVerdict(of, between(step, steps[at + 1])));
  const verdict = litVerdict(of, own);
  const reached = steps.findLastIndex((step) => step <= own * (1 + ROUNDING));
  const at = within[reached] === verdict ? reached : Math.max(0, reached - 1);
  if (verdict === 'steady') {
    const next = within.findIndex((other, index) => index > at && other !== 'steady');
    return next < 0 ? null : (steps[next] ?? null);
  }
  const before = within.findLastIndex((other, index) => index < at && other !== verdict);
  return steps[before + 1] ?? 0;
}

/** The room in which it turns off as it gets darker there, having been on in the light; `null` where none does. */
export function litRelease(of: LitSwitch, own: number): number | null {
  const rooms = roomsOf(of, own).toReversed();
  let state = settledFrom(of, own, rooms[0] ?? 0, brightest(of));
  for (const [at, room] of rooms.entries()) {
    const next = settledFrom(of, own, room, state);
    // Between two rooms that are tried lies the light at which it goes from one to the other.
    if (state && isLit(of, state) && next && !isLit(of, next))
      return edgeBetween(of, own, room, rooms[at - 1] ?? room);
    state = next;
  }
  return null;
}

/** A room between each two lights at which anything changes, one darker and one brighter than all; from dark to bright. */
function roomsOf({ boundaries }: LitSwitch, own: number): readonly number[] {
  const edges = edgesOf(boundaries, own);
  const [least = 1] = edges;
  return [least / 2, ...edges.map((edge, at) => between(edge, edges[at + 1]))];
}

const edgesOf = (boundaries: LitSwitch['boundaries'], own: number) =>
  sortedOnce(
    boundaries.flatMap(({ rising, falling }) => [rising, falling, rising - own, falling - own]),
  ).filter((edge) => edge > 0);

const edgeBetween = ({ boundaries }: LitSwitch, own: number, dark: number, bright: number) =>
  edgesOf(boundaries, own).find((edge) => edge >= dark && edge <= bright) ?? null;

/** In order, those that are as good as equal once. */
function sortedOnce(lights: readonly number[]): readonly number[] {
  const most = Math.max(...lights);
  const sorted = lights.filter((light) => light >= 0).sort((one, other) => one - other);
  return sorted.filter((light, at) => at === 0 || light - (sorted[at - 1] ?? 0) > ROUNDING * most);
}

const between = (edge: number, next: number | undefined) =>
  next === undefined ? 2 * edge + 1e-9 : (edge + next) / 2;

/** Every way in which it may be when the light of the room is made. */
function startsOf({ isOn, stage }: LitSwitch): readonly State[] {
  return isOn.flatMap((raw, position): State[] => {
    const at = { position, raw, timed: false };
    if (stage === 'turns-over')
      return [
        { ...at, on: true },
        { ...at, on: false },
      ];
    return [{ ...at, on: stage === 'pulse' ? false : raw }];
  });
}

const brightest = (of: LitSwitch): State | null => startsOf(of).at(-1) ?? null;

/** Where it comes to rest in a room; without an end it goes round for ever. */
function settled(
  of: LitSwitch,
  own: number,
  room: number,
  start: State,
): { readonly ends: State | null; readonly overPulse: boolean } {
  const seen = new Map<string, number>();
  const pulseEnds: boolean[] = [];
  let state = start;
  for (;;) {
    const key = `${state.position} ${state.raw} ${state.on} ${state.timed}`;
    const before = seen.get(key);
    if (before !== undefined) return { ends: null, overPulse: pulseEnds.slice(before).includes(true) };
    seen.set(key, pulseEnds.length);
    const lux = room + (isLit(of, state) ? own : 0);
    const { rising = Infinity } = of.boundaries[state.position] ?? {};
    const { falling = 0 } = of.boundaries[state.position - 1] ?? {};
    const step = lux >= rising ? 1 : lux < falling ? -1 : 0;
    if (step === 0 && !state.timed) return { ends: state, overPulse: false };
    pulseEnds.push(step === 0);
    state =
      step === 0
        ? { ...state, timed: false, on: of.stage === 'held-pulse' && state.raw }
        : moved(of, state, state.position + step);
  }
}

function settledFrom(of: LitSwitch, own: number, room: number, start: State | null): State | null {
  return start && (settled(of, own, room, start).ends ?? start);
}

function moved({ isOn, stage }: LitSwitch, state: State, position: number): State {
  const raw = isOn[position] ?? false;
  const turnsOn = raw && !state.raw;
  switch (stage) {
    case 'follows':
      return { position, raw, on: raw, timed: false };
    case 'turns-over':
      return { position, raw, on: state.on !== turnsOn, timed: false };
    case 'held-pulse':
    case 'pulse': {
      const timed = state.timed || turnsOn;
      return { position, raw, timed, on: timed || (stage === 'held-pulse' && raw) };
    }
  }
}

/** Two dusks and two dawns on end: how often the load changes in the last ones, and whether once on it stays on. */
function rounds(
  of: LitSwitch,
  own: number,
  rooms: readonly number[],
): { readonly changes: number; readonly stays: boolean } {
  const round = [...rooms.toReversed(), ...rooms];
  let state = settledFrom(of, own, rooms.at(-1) ?? 0, brightest(of));
  const shines = (at: State | null) => at !== null && isLit(of, at);
  let [changes, turnsOff, isEverLit] = [0, false, shines(state)];
  for (let way = 0; way < 2; way++) {
    changes = 0;
    for (const room of round) {
      const next = settledFrom(of, own, room, state);
      if (shines(next) !== shines(state)) changes += 1;
      if (shines(state) && !shines(next)) turnsOff = true;
      isEverLit ||= shines(next);
      state = next;
    }
  }
  return { changes, stays: isEverLit && !turnsOff };
}
