import { Joint } from './joint';
import { widthOf, type Posterior, type Table } from './posterior';
import { errorOf } from './predict';
import { scatterOf } from './scatter';
import { effortOf, isByRatio, probeKey, type Answer, type Probe } from './probe';

/** What a probe would bring: bits of information about what is wrong, and those for each unit of effort. */
export interface ProbeValue {
  readonly probe: Probe;
  readonly bits: number;
  readonly perEffort: number;
  /** It has been made, and is to be made once more before anything is built on it. */
  readonly isAgain?: boolean;
}

/** Faults less likely than this are left out of the reckoning. */
const LEAST_SHARE = 2e-4;
/** No figure is told finer than in so many. */
const MOST_BINS = 600;
/** How wide figures scatter is taken of so many, the likeliest. */
const SPREADS = 40;
/** How often all loads are seen as they are. */
const SEEN = 0.96;
/** A hand over the LDR, or away from it, takes a moment. */
const OTHER_LIGHT_EFFORT = 0.1;
/** To hold a resistor to the board takes the other hand. */
const HELD_EFFORT = 0.3;

/**
 * Every probe that has not been made, by the information that it is expected to bring for its effort: how far, on average over what
 * it may find, it lowers the entropy of which group of faults it is.
 * @param group a group's number for each fault: those of one group are not to be told apart
 * @param looksWithin a look tells the faults of one group apart, which no measurement does
 */
export function rankedProbes(
  table: Table,
  group: Int32Array,
  posterior: Posterior,
  answers: readonly Answer[],
  looksWithin = true,
): readonly ProbeValue[] {
  const made = new Set(answers.map(({ probe }) => probeKey(probe)));
  const last = answers[answers.length - 1]?.probe;
  const lightNow = last && 'light' in last ? last.light : null;
  const { shares } = posterior;
  const likely = [...shares.keys()]
    .filter((at) => (shares[at] ?? 0) > LEAST_SHARE)
    .sort((a, b) => (shares[b] ?? 0) - (shares[a] ?? 0));
  const values = table.probes.flatMap((probe, index): ProbeValue[] => {
    if (made.has(probeKey(probe))) return [];
    const bits = expectedBits(table, group, posterior, likely, looksWithin, probe, index);
    return [
      {
        probe,
        bits,
        perEffort: bits / (effortOf(probe) + effortOfLight(table, probe, lightNow)),
      },
    ];
  });
  return values.sort((a, b) => b.perEffort - a.perEffort);
}

/** What it takes to bring the light about that a probe is made in. @param now the light of the last one; `null` before the first */
function effortOfLight({ bench }: Table, probe: Probe, now: number | null): number {
  if (!('light' in probe) || probe.light === now) return 0;
  if (bench.lights[probe.light]?.holds) return HELD_EFFORT;
  return now === null ? 0 : OTHER_LIGHT_EFFORT;
}

function expectedBits(
  table: Table,
  group: Int32Array,
  posterior: Posterior,
  likely: readonly number[],
  looksWithin: boolean,
  probe: Probe,
  index: number,
): number {
  const bins = binsOf(table, likely, probe, index);
  const rowOfGroup = new Map<number, number>();
  const places = likely.map((at) => {
    const number = probe.kind === 'look' && looksWithin ? at : (group[at] ?? at);
    const place = rowOfGroup.get(number) ?? rowOfGroup.size;
    rowOfGroup.set(number, place);
    return place;
  });
  const joint = new Joint(rowOfGroup.size, bins.count);
  likely.forEach((at, one) => {
    const row = table.rows[at]?.[index];
    const weights = posterior.weights[at];
    const place = places[one] ?? 0;
    for (let draw = 0; weights && draw < weights.length; draw++)
      bins.add(joint, place, row ? row[draw]! : NaN, weights[draw]!);
  });
  return joint.bits();
}

/** What a probe may find, in so many bins; what it should find is spread over those about it. */
interface Bins {
  readonly count: number;
  readonly add: (joint: Joint, row: number, expected: number, weight: number) => void;
}

function binsOf(table: Table, likely: readonly number[], probe: Probe, index: number): Bins {
  if (probe.kind === 'look')
    return {
      count: 2,
      add: (joint, row, wrong, weight) => {
        const share = Number.isNaN(wrong) ? 0.1 : wrong;
        joint.add(row, 0, weight * share);
        joint.add(row, 1, weight * (1 - share));
      },
    };
  if (probe.kind === 'load') return patternBins(table, likely, index);
  return scaledBins(table, likely, probe, index);
}

/** A bin for each way that the loads are anywhere in the table. */
function patternBins(table: Table, likely: readonly number[], index: number): Bins {
  const bins = new Map<number, number>();
  for (const at of likely)
    for (const pattern of table.rows[at]?.[index] ?? [])
      if (!Number.isNaN(pattern) && !bins.has(pattern)) bins.set(pattern, bins.size);
  const count = Math.max(1, bins.size);
  return {
    count,
    add: (joint, row, pattern, weight) => {
      const bin = bins.get(pattern);
      if (bin === undefined) return joint.addEvenly(row, weight);
      for (let each = 0; each < count; each++)
        joint.add(row, each, weight * (each === bin ? SEEN : (1 - SEEN) / Math.max(1, count - 1)));
    },
  };
}

/** A usual figure of what is told apart by ratio, on its scale: 1 kΩ, or the time that the design has; `null` for all else. */
function usualOf(probe: Probe): number | null {
  if (probe.kind === 'time') return Math.log(probe.seconds);
  return isByRatio(probe) ? Math.log(1000) : null;
}

/** Bins on a scale on which the meter's error is even: the finest that tells what it can tell. */
function scaledBins(table: Table, likely: readonly number[], probe: Probe, index: number): Bins {
  const { bench } = table;
  const usual = usualOf(probe);
  const floor = errorOf(bench, probe, usual ?? 0);
  const width = widthOf(bench, probe);
  const far = errorOf(bench, probe, usual ?? width) / floor;
  // Error grows about as a straight line with what is measured: its integral is a logarithm.
  const grow = (far - 1) / width;
  const scale = (value: number) =>
    usual !== null || grow <= 0
      ? value / floor
      : (Math.sign(value) * Math.log1p(grow * Math.abs(value))) / (grow * floor);
  // Where it grows as its error does, a little of it is so much on the scale.
  const steepness = (value: number) =>
    usual !== null || grow <= 0 ? 1 / floor : 1 / (floor * (1 + grow * Math.abs(value)));
  const spreads = likely.slice(0, SPREADS).map((at) => {
    const row = table.rows[at]?.[index];
    const [nominal = NaN] = row ?? [];
    return row && !Number.isNaN(nominal) ? (scatterOf(row)[0] ?? 0) * steepness(nominal) : 0;
  });
  spreads.sort((a, b) => a - b);
  let [least, most] = [Infinity, -Infinity];
  for (const at of likely) {
    const row = table.rows[at]?.[index];
    for (let draw = 0; row && draw < row.length; draw++) {
      const value = row[draw]!;
      if (value < least) least = value;
      if (value > most) most = value;
    }
  }
  if (least > most) return { count: 1, add: (joint, row, _, weight) => joint.add(row, 0, weight) };
  const [from, to] = [scale(least), scale(most)];
  const step = Math.max(2.5, 0.8 * (spreads[Math.floor(spreads.length / 2)] ?? 0), (to - from) / MOST_BINS);
  const count = Math.ceil((to - from) / step) + 5;
  return {
    count,
    add: (joint, row, expected, weight) => {
      if (Number.isNaN(expected)) return joint.addEvenly(row, weight);
      const place = 1 + (scale(expected) - from) / step;
      const bin = Math.floor(place);
      const share = place - bin;
      // Two bins each side, so that a figure near an edge counts in both.
      joint.add(row, bin - 1, 0.2 * (1 - share) * weight);
      joint.add(row, bin, (0.6 * (1 - share) + 0.2 * share + 0.2 * (1 - share)) * weight);
      joint.add(row, bin + 1, (0.6 * share + 0.2 * share + 0.2 * (1 - share)) * weight);
      joint.add(row, bin + 2, 0.2 * share * weight);
    },
  };
}
