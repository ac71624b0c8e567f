import { pinsOf } from '../parts/registry';
import { partsAt, type Fault } from './fault';
import type { FaultGroup } from './groups';
import { rankedProbes, type ProbeValue } from './nextProbe';
import { fitOf, MISTAKEN, widthOf, type Posterior, type Table } from './posterior';
import { errorOf, type TestBench } from './predict';
import { isByRatio, probeKey, type Answer, type Probe } from './probe';

/**
 * What counts for more when it is to be made sure: the points of what is accused, its own resistance, a net at which nothing has
 * been measured yet, and of a circuit that is said to be sound whether its loads do as they should. A look shows less.
 */
const TIMES = { near: 3, own: 6, newNet: 1.5, load: 6, look: 0.5 } as const;
/** Before it is made sure something that is in no list counts for so much of all else that it may be. */
const UNLISTED_SHARE = 0.5;

/**
 * Every probe that has not been made, by how well it would show that the likeliest group is not what is wrong: by what it is expected
 * to tell between that group and anything else, something that is in no list included, the two taken as equally likely.
 */
export function confirmingProbes(
  table: Table,
  group: Int32Array,
  posterior: Posterior,
  answers: readonly Answer[],
): readonly ProbeValue[] {
  const { faults, rows, bench } = table;
  const shares = new Map<number, number>();
  posterior.shares.forEach((share, at) => {
    const number = group[at] ?? at;
    shares.set(number, (shares.get(number) ?? 0) + share);
  });
  const [[top, whole] = [-1, 1]] = [...shares].sort(([, one], [, other]) => other - one);
  const isTop = (at: number) => (group[at] ?? at) === top;
  const rest = faults.reduce((sum, { prior }, at) => sum + (isTop(at) || !rows[at] ? 0 : prior), 0);
  const weights = faults.map(({ prior }, at) => {
    const own = posterior.weights[at] ?? new Float64Array(0);
    if (isTop(at)) return own.map((weight) => weight / (2 * whole));
    const share = rows[at] ? ((1 - UNLISTED_SHARE) * prior) / rest : UNLISTED_SHARE;
    return own.map(() => share / (2 * bench.draws.length));
  });
  const even: Posterior = {
    weights,
    shares: Float64Array.from(weights, (row) => row.reduce((sum, weight) => sum + weight, 0)),
  };
  const two = Int32Array.from(faults, (_, at) => (isTop(at) ? 0 : 1));
  const times = timesOf(
    bench,
    faults.flatMap(({ fault }, at) => (isTop(at) ? [fault] : [])),
    answers,
  );
  return rankedProbes(table, two, even, answers, false)
    .map((each) => ({ ...each, perEffort: each.perEffort * times(each.probe) }))
    .sort((a, b) => b.perEffort - a.perEffort);
}

/** How much more each probe counts where these faults are accused. */
function timesOf(
  bench: TestBench,
  top: readonly Fault[],
  answers: readonly Answer[],
): (probe: Probe) => number {
  const isSound = top.some(({ kind }) => kind === 'healthy');
  const accused = new Set(top.flatMap(partsAt));
  const joined = new Set(top.flatMap((fault) => (fault.kind === 'bridge' ? fault.nets : [])));
  const near = new Set<string>(joined);
  for (const part of bench.assembly.parts) {
    const nets = pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net]));
    if (accused.has(part.designator)) nets.forEach((net) => near.add(net));
    // What lies between two nets that are said to touch has no resistance left.
    else if (joined.size > 0 && nets.every((net) => joined.has(net))) accused.add(part.designator);
  }
  const seen = new Set(answers.flatMap(({ probe }) => (probe.kind === 'volts' ? [probe.net] : [])));
  const isAccused = ({ designator }: { readonly designator: string }) => accused.has(designator);
  return (probe) => {
    switch (probe.kind) {
      case 'volts':
        return (near.has(probe.net) ? TIMES.near : 1) * (seen.has(probe.net) ? 1 : TIMES.newNet);
      case 'ohms':
        return accused.has(probe.designator) ? TIMES.own : 1;
      case 'time':
        return bench.timing && [bench.timing.resistor, bench.timing.capacitor].some(isAccused)
          ? TIMES.own
          : 1;
      case 'load':
        return isSound ? TIMES.load : 1;
      case 'look':
        return TIMES.look;
      case 'amps':
        return 1;
    }
  };
}

/** A figure less likely than this many times one that stands for a mistake does not fit. */
const MISFIT = 2;
const MISFIT_SEEN = 0.05;

/**
 * What was found once and does not fit the likeliest fault: a slip, or another fault. Made again it tells which.
 * @returns in the order in which they were found
 */
export function misfits(
  table: Table,
  top: FaultGroup | undefined,
  answers: readonly Answer[],
): readonly Probe[] {
  const listed = top?.members[0]?.fault;
  const at = table.faults.findIndex((each) => each === listed);
  if (at < 0 || !table.rows[at]) return [];
  const fit = fitOf(table, at, answers);
  return answers.flatMap(({ probe, isAgain }, index) => {
    if (isAgain || probe.kind === 'look') return [];
    const least = probe.kind === 'load' ? MISFIT_SEEN : (MISFIT * MISTAKEN) / widthOf(table.bench, probe);
    return (fit[index] ?? 0) < Math.log(least) ? [probe] : [];
  });
}

/** Two figures of one point are the same within so many errors, or within this share: the light is never quite the same. */
const SAME_ERRORS = 5;
const SAME_SHARE = 0.05;

/**
 * Answers with those to one and the same probe put together: the last of them counts, twice where the one before it says the same.
 * Where it does not the light or the hand is not steady: it counts once, and is not asked for a third time.
 */
export function asFound(bench: TestBench, answers: readonly Answer[]): readonly Answer[] {
  const byKey = new Map<string, Answer>();
  for (const answer of answers) {
    const { probe, value } = answer;
    const before = byKey.get(probeKey(probe));
    if (before === undefined) byKey.set(probeKey(probe), answer);
    else
      byKey.set(probeKey(probe), {
        ...{ probe, value, isAgain: true },
        ...(isSame(bench, probe, before.value, value) ? { isTwice: true } : {}),
      });
  }
  return [...byKey.values()];
}

function isSame(bench: TestBench, probe: Probe, one: number, other: number): boolean {
  if (probe.kind === 'load' || probe.kind === 'look' || one === other) return one === other;
  const onScale = isByRatio(probe) ? Math.log(Math.max(0.1, one)) : one;
  const error = errorOf(bench, probe, onScale);
  const far = isByRatio(probe) ? Math.abs(one) * error : error;
  return (
    Math.abs(one - other) <=
    Math.max(SAME_ERRORS * far, SAME_SHARE * Math.max(Math.abs(one), Math.abs(other)))
  );
}
