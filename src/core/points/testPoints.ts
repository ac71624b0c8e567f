import type { Net } from '../parts/base';
import { errorOf, type TestBench } from '../faults/predict';
import { rowOf } from '../faults/row';
import { isByRatio, OVER_OHMS, probeKey, type Answer, type Probe } from '../faults/probe';
import { seenIn, type Seen } from '../faults/seen';
import type { TestLight } from '../faults/testLights';
import { displayed } from '../meter/voltmeter';

/** A figure to measure: what a sound circuit shows, and the band that it lies in for 95 of 100 sound circuits. */
export interface TestPoint {
  readonly probe: Probe;
  readonly key: string;
  /** In V, A, Ω or s; of loads a pattern. */
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

/** In which order they are measured: with the power off, the supplies, what follows from the light, the load at last. */
export const testGroups = ['unpowered', 'supply', 'signal', 'load'] as const;
export type TestGroup = (typeof testGroups)[number];

export type Standing = 'in' | 'near' | 'out';

/** So many builds tell a band. */
export const BAND_DRAWS = 56;
const TAIL = 0.025;
/** Two deviations of a meter's error. */
const TWO = 2;

/** Every test point of a circuit. @param bench with many draws ({@link BAND_DRAWS}) */
export function testPointsOf(bench: TestBench, probes: readonly Probe[]): readonly TestPoint[] {
  const measured = probes.filter(({ kind }) => kind !== 'look');
  const row = rowOf(bench, { fault: { kind: 'healthy' } }, measured);
  return measured.flatMap((probe, index): TestPoint[] => {
    const found = row[index] ?? new Float64Array(0);
    const sorted = found.filter((value) => !Number.isNaN(value)).sort();
    const nominal = found[0] ?? NaN;
    const [least, most] = [quantile(sorted, TAIL), quantile(sorted, 1 - TAIL)];
    if (Number.isNaN(nominal) || least === undefined || most === undefined) return [];
    const key = probeKey(probe);
    if (probe.kind === 'load') return [{ probe, key, expected: nominal, low: nominal, high: nominal }];
    const low = least - TWO * errorOf(bench, probe, least);
    const high = most + TWO * errorOf(bench, probe, most);
    if (probe.kind === 'time')
      return [{ probe, key, expected: Math.exp(nominal), low: Math.exp(low), high: Math.exp(high) }];
    if (probe.kind !== 'ohms') return [{ probe, key, expected: nominal, low, high }];
    const ohms = Math.exp(nominal);
    const expected = ohms >= OVER_OHMS / 2 ? OVER_OHMS : ohms;
    return [{ probe, key, expected, low: Math.exp(low), high: Math.exp(high) }];
  });
}

/**
 * Where such a share of what is sorted lies below. Each is the middle of its own stratum (Hazen), and a straight line lies between
 * two: of stratified draws half as many tell a band as well as the nearest of them does.
 */
function quantile(sorted: Float64Array, share: number): number | undefined {
  const place = Math.min(sorted.length - 1, Math.max(0, share * sorted.length - 0.5));
  const [below, above] = [sorted[Math.floor(place)], sorted[Math.ceil(place)]];
  return below === undefined || above === undefined ? undefined : below + (place % 1) * (above - below);
}

/** When it is measured. */
export function groupOf(probe: Probe, rails: readonly Net[]): TestGroup {
  switch (probe.kind) {
    case 'ohms':
      return 'unpowered';
    case 'volts':
      return rails.includes(probe.net) ? 'supply' : 'signal';
    case 'load':
    case 'amps':
    case 'time':
    case 'look':
      return 'load';
  }
}

/** How a measured figure stands to its band: within, within as much again beside it, or beyond. */
export function standingOf({ probe, expected, low, high }: TestPoint, value: number): Standing {
  if (probe.kind === 'load') return value === expected ? 'in' : 'out';
  if (isByRatio(probe)) {
    if (probe.kind === 'ohms' && expected >= OVER_OHMS) return value >= 1e7 ? 'in' : 'out';
    const by = Math.log(Math.max(0.01, value));
    return standing(by, Math.log(Math.max(0.01, low)), Math.log(Math.max(0.01, high)));
  }
  return standing(value, low, high);
}

function standing(value: number, low: number, high: number): Standing {
  if (value >= low && value <= high) return 'in';
  const beside = high - low;
  return value >= low - beside / 2 && value <= high + beside / 2 ? 'near' : 'out';
}

/**
 * How a circuit does, as far as was seen: it works where every load was as it should in the dark and in the light, it fails where one
 * was not or stayed on for another time, and otherwise nobody has said. A voltage in its band does not make a circuit work; nor does it
 * need to be held fired for that, but where it was and its load stayed off it fails.
 * @param lights those that the points are measured in
 */
export function outcomeOf(
  points: readonly TestPoint[],
  answers: ReadonlyMap<string, number>,
  lights: readonly Pick<TestLight, 'holds'>[],
): 'works' | 'fails' | 'open' {
  const loads = points.filter(({ probe }) => probe.kind === 'load');
  const isNeeded = ({ probe }: TestPoint) => 'light' in probe && !lights[probe.light]?.holds;
  const timed = points.filter(({ probe }) => probe.kind === 'time');
  const seen = [...loads, ...timed].flatMap((point) => {
    const value = answers.get(point.key);
    return value === undefined ? [] : [standingOf(point, value)];
  });
  if (seen.includes('out')) return 'fails';
  const needed = loads.filter(isNeeded);
  return needed.length > 0 && needed.every(({ key }) => answers.has(key)) ? 'works' : 'open';
}

/** What must be taken out for a figure to be measured, or what it is measured across with something unplugged. */
export type Unplug = 'power' | 'in-line' | null;
export const unplugFor = ({ kind }: Probe): Unplug =>
  kind === 'ohms' ? 'power' : kind === 'amps' ? 'in-line' : null;

/** A line of the table of inputs and outputs: a light, whether the loads are on, and every voltage there. */
export interface TruthLine {
  readonly light: number;
  readonly loads: readonly Seen[];
  readonly points: readonly TestPoint[];
}

/** Both inputs, output and load in each light, as people draw it up. @param nets the columns */
export function truthTable(
  { lights, loads }: { readonly lights: readonly unknown[]; readonly loads: number },
  points: readonly TestPoint[],
  nets: readonly Net[],
): readonly TruthLine[] {
  return lights.map((_, light) => {
    const load = points.find(
      ({ probe }) => probe.kind === 'load' && probe.light === light && probe.from === undefined,
    );
    return {
      light,
      loads: seenIn(load?.expected ?? 0, loads),
      points: nets.flatMap(
        (net) =>
          points.find(({ probe }) => probe.kind === 'volts' && probe.net === net && probe.light === light) ??
          [],
      ),
    };
  });
}

/** What a meter shows of a test point's figure, in text: V or A by its range. */
export function shownText(
  { meter }: Pick<TestBench, 'meter'>,
  what: 'volts' | 'amps',
  value: number,
): string {
  const { shown, decimals } = displayed(meter, what, value);
  return shown.toFixed(decimals);
}

/** The answers of a list that belong to a circuit's own probes, in the order in which they were found. */
export function answersFrom(
  probes: readonly Probe[],
  kept: readonly { readonly probe: string; readonly value: number }[],
): readonly Answer[] {
  const byKey = new Map(probes.map((probe) => [probeKey(probe), probe]));
  return kept.flatMap(({ probe: key, value }) => {
    const probe = byKey.get(key);
    return probe ? [{ probe, value }] : [];
  });
}
