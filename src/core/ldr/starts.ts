import { SAME_LIGHT_RATIO } from '../light/scale';
import { evaluate, evaluation } from './likelihood';
import { hasBrightFloor, hasDarkFloor, type FloorKind } from './kinds';
import type { Prepared } from './observation';
import { LDR_PRIORS } from './priors';

/** Where a search may begin, and which readings it takes for mistakes at first. */
export interface Start {
  readonly theta: Float64Array;
  readonly doubted: ReadonlySet<number>;
}

/** Slopes that a line through two readings may have and still be thought of. */
const SLOPES = { min: 0.1, max: 2.5 } as const;
/** Lines are drawn through pairs of so many readings at most: more make the search no surer. */
const MAX_PAIRED = 16;
/** How many of the lines are followed up. */
const FOLLOWED = 8;
/** Weight of the usual slope against one reading's distance in ln E. */
const SLOPE_HINT = 0.05;

const thetaOf = (prepared: Prepared, lnR10: number, gamma: number) => {
  const theta = prepared.priorMean.slice();
  [theta[0], theta[1]] = [lnR10, gamma];
  theta[2] = LDR_PRIORS.lnDark.mean;
  theta[3] = LDR_PRIORS.lnBright.mean;
  return theta;
};

const figuresOf = ({ above }: Prepared) => Array.from(above.keys()).filter((index) => above[index] === 0);

/** The straight line through all readings with a figure, its slope kept to what an LDR can have. */
export function lineStart(prepared: Prepared): Start {
  const { x, y } = prepared;
  const figures = figuresOf(prepared);
  const n = Math.max(1, figures.length);
  const mean = (values: Float64Array) => figures.reduce((total, index) => total + values[index]!, 0) / n;
  const [meanX, meanY] = [mean(x), mean(y)];
  let [sxx, sxy] = [SLOPE_HINT, -SLOPE_HINT * LDR_PRIORS.gamma.mean];
  for (const index of figures) {
    sxx += (x[index]! - meanX) ** 2;
    sxy += (x[index]! - meanX) * (y[index]! - meanY);
  }
  const gamma = Math.min(SLOPES.max, Math.max(SLOPES.min, -sxy / sxx));
  return { theta: thetaOf(prepared, meanY + gamma * meanX, gamma), doubted: new Set() };
}

/** Lines through two readings each, the ones that explain most of the others: so a search finds its way past mistakes. */
export function pairStarts(prepared: Prepared): readonly Start[] {
  const { x, y } = prepared;
  const figures = spread(
    figuresOf(prepared).sort((one, other) => x[one]! - x[other]!),
    MAX_PAIRED,
  );
  const into = evaluation(prepared);
  const lines: (Start & { value: number })[] = [];
  for (const [place, one] of figures.entries())
    for (const other of figures.slice(place + 1)) {
      const apart = x[other]! - x[one]!;
      const gamma = (y[one]! - y[other]!) / apart;
      if (apart < Math.log(SAME_LIGHT_RATIO) || !(gamma > SLOPES.min && gamma < SLOPES.max)) continue;
      const theta = thetaOf(prepared, y[one]! + gamma * x[one]!, gamma);
      const { value, sound } = evaluate(
        prepared,
        theta,
        { kind: 'both', scale: COARSE_SCALE, mayErr: true },
        into,
      );
      lines.push({ theta, value, doubted: new Set(figures.filter((index) => sound[index]! < 0.5)) });
    }
  const best = lines.sort((one, other) => other.value - one.value);
  const seen = new Set<string>();
  return best
    .filter(({ doubted }) => {
      const key = [...doubted].join();
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, FOLLOWED);
}

/** The scatter that starts are held against each other with: far from the top a narrow one would see only mistakes. */
const COARSE_SCALE = 3;

/** The starts that explain the readings best as they are, best first. */
export function likeliest(
  prepared: Prepared,
  kind: FloorKind,
  starts: readonly Start[],
  count: number,
): readonly Start[] {
  if (starts.length <= count) return starts;
  const into = evaluation(prepared);
  const settings = { kind, scale: COARSE_SCALE, mayErr: true };
  return starts
    .map((start) => ({ start, value: evaluate(prepared, start.theta, settings, into).value }))
    .sort((one, other) => other.value - one.value)
    .slice(0, count)
    .map(({ start }) => start);
}

/** So many of a list, evenly, both ends with them. */
function spread(list: readonly number[], count: number): readonly number[] {
  if (list.length <= count) return list;
  return Array.from({ length: count }, (_, i) => list[Math.round((i * (list.length - 1)) / (count - 1))]!);
}

/** How far beyond the readings, in ln R, a floor may begin. */
const BEYOND = [0.3, 1.5] as const;

/**
 * Floors to begin with: where they usually are, just beyond the readings, and a little farther out; in all combinations, or in those
 * alone that have one farther out.
 */
export function floorStarts(
  kind: FloorKind,
  prepared: Prepared,
  which: 'all' | 'farther out' = 'all',
): readonly (readonly [number, number])[] {
  const read = figuresOf(prepared).map((index) => prepared.y[index]!);
  const [max, min] = [Math.max(...read), Math.min(...read)];
  const usual = [LDR_PRIORS.lnDark.mean, LDR_PRIORS.lnBright.mean] as const;
  const darks = hasDarkFloor(kind) ? [usual[0], ...BEYOND.map((ln) => max + ln)] : [usual[0]];
  const brights = hasBrightFloor(kind) ? [usual[1], ...BEYOND.map((ln) => min - ln)] : [usual[1]];
  const farther = BEYOND.length;
  return darks.flatMap((lnDark, dark) =>
    brights.flatMap((lnBright, bright) =>
      which === 'all' || dark === farther || bright === farther ? [[lnDark, lnBright] as const] : [],
    ),
  );
}
