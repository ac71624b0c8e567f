import type { ListedFault } from './fault';
import { errorOf, type TestBench } from './predict';
import { type FaultRow } from './row';
import { scatterOf } from './scatter';
import { patternLikelihood } from './seen';
import { isByRatio, probeKey, type Answer, type Probe } from './probe';

/** What every probe finds for every fault of a list. */
export interface Table {
  readonly bench: TestBench;
  readonly faults: readonly ListedFault[];
  readonly probes: readonly Probe[];
  /** Shape: faults; of one that nothing is known of `null`. */
  readonly rows: readonly (FaultRow | null)[];
}

/** One measurement in so many is itself mistaken: on the wrong row, on the wrong range, in the wrong light. */
export const MISTAKEN = 0.03;
/** One in so many comes out the same wrong way when it is made again. */
const MISTAKEN_TWICE = 3e-4;
/** Draws stand for what lies between them: each is spread by this share of how far those of its heap lie apart. */
const SPREAD = 0.45;
/** What is not in the list does at so many points what the fault in the list that it resembles would not. */
const ANYWHERE = 0.08;

/** How likely each fault is after what was found, and within it each way that the build may have come out. */
export interface Posterior {
  /** Shape: faults; they add up to 1. */
  readonly shares: Float64Array;
  /** Shape: faults × draws; they add up to 1 over all. */
  readonly weights: readonly Float64Array[];
}

/**
 * Bayes' rule over the list: what was known before, times how likely each finding is with each fault. What is not in the list
 * resembles something that is, and at any point may be elsewhere: one figure that does not fit and is no slip speaks for it.
 */
export function posteriorOf(table: Table, answers: readonly Answer[]): Posterior {
  const { faults, rows, bench } = table;
  const count = bench.draws.length;
  const logs = faults.map(({ prior }) =>
    new Float64Array(count).fill(Math.log(Math.max(1e-12, prior) / count)),
  );
  /** As it is likely of something that only resembles each. */
  const likeIt = logs.map((log) => log.slice());
  for (const { probe, value, isTwice } of answers) {
    const index = indexOf(table, probe);
    if (index < 0) continue;
    const mistaken = isTwice ? MISTAKEN_TWICE : MISTAKEN;
    const anywhere = likelihood(bench, probe, NaN, 0, value, mistaken);
    for (const [at, log] of logs.entries()) {
      const found = rows[at]?.[index];
      if (!found) continue;
      const scatter = scatterOf(found);
      const like = likeIt[at]!;
      for (let draw = 0; draw < count; draw++) {
        const each = likelihood(bench, probe, found[draw] ?? NaN, scatter[draw] ?? 0, value, mistaken);
        log[draw]! += Math.log(each);
        like[draw]! += Math.log((1 - ANYWHERE) * each + ANYWHERE * anywhere);
      }
    }
  }
  const unlisted = logSum(likeIt.filter((_, at) => rows[at]));
  for (const [at, log] of logs.entries())
    if (!rows[at]) for (let draw = 0; draw < count; draw++) log[draw]! += unlisted;
  let most = -Infinity;
  for (const log of logs) for (const value of log) most = Math.max(most, value);
  let total = 0;
  const weights = logs.map((log) => log.map((value) => Math.exp(value - most)));
  for (const row of weights) for (const value of row) total += value;
  for (const row of weights) for (let draw = 0; draw < count; draw++) row[draw]! /= total;
  return { weights, shares: Float64Array.from(weights, (row) => row.reduce((sum, value) => sum + value, 0)) };
}

/** ln of how likely each finding is with one fault of the table, over the ways that a build may have come out. Shape: answers */
export function fitOf(table: Table, fault: number, answers: readonly Answer[]): Float64Array {
  const row = table.rows[fault];
  const count = table.bench.draws.length;
  return Float64Array.from(answers, ({ probe, value, isTwice }) => {
    const index = indexOf(table, probe);
    if (index < 0) return 0;
    const found = row?.[index];
    const scatter = found && scatterOf(found);
    let sum = 0;
    for (let draw = 0; draw < count; draw++)
      sum += likelihood(
        table.bench,
        probe,
        found?.[draw] ?? NaN,
        scatter?.[draw] ?? 0,
        value,
        isTwice ? MISTAKEN_TWICE : MISTAKEN,
      );
    return Math.log(sum / count);
  });
}

const indexOf = ({ probes }: Table, probe: Probe): number => {
  const key = probeKey(probe);
  return probes.findIndex((each) => probeKey(each) === key);
};

/**
 * How likely a finding is where a probe should find `expected`.
 * @param scatter of what it should find, over the draws of its heap
 */
function likelihood(
  bench: TestBench,
  probe: Probe,
  expected: number,
  scatter: number,
  value: number,
  mistaken: number,
): number {
  switch (probe.kind) {
    case 'load':
      return Number.isNaN(expected)
        ? 1 / 3 ** bench.seenBy.length
        : patternLikelihood(expected, value, bench.seenBy.length, mistaken < MISTAKEN);
    case 'look':
      return Number.isNaN(expected) ? (value === 0 ? 0.1 : 0.9) : value === 0 ? expected : 1 - expected;
    case 'volts':
    case 'amps':
    case 'ohms':
    case 'time': {
      const found = isByRatio(probe) ? Math.log(Math.max(0.01, value)) : value;
      const broad = 1 / widthOf(bench, probe);
      if (Number.isNaN(expected)) return broad;
      const std = Math.hypot(errorOf(bench, probe, expected), SPREAD * scatter);
      const z = (found - expected) / std;
      return ((1 - mistaken) * Math.exp(-0.5 * z * z)) / (std * Math.sqrt(2 * Math.PI)) + mistaken * broad;
    }
  }
}

/** Everything that a probe might find, on its scale. */
export function widthOf({ maxVolts, allAmps }: TestBench, probe: Probe): number {
  switch (probe.kind) {
    case 'volts':
      return 1.3 * maxVolts;
    case 'amps':
      return 2 * allAmps;
    case 'ohms':
    case 'time':
      return 16;
    case 'load':
    case 'look':
      return 1;
  }
}

/** ln of the sum of what is given by its logarithms. */
function logSum(rows: readonly Float64Array[]): number {
  let most = -Infinity;
  for (const row of rows) for (const value of row) most = Math.max(most, value);
  let sum = 0;
  for (const row of rows) for (const value of row) sum += Math.exp(value - most);
  return most + Math.log(sum);
}
