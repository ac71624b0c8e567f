import { ldrOhmsAt } from '../ldr/curve';
import { findRoot } from '../numeric/findRoot';
import type { Net } from '../parts/base';
import type { ComparatorModel } from '../parts/kinds/comparator';
import { valuesIn } from '../series/stock';
import { bareMidVolts, sourceOhms } from './bareDivider';
import type { DetectorBench } from './bench';
import type { EdgeBand } from './edgeBand';
import { stringWith, tapVolts, type Tap } from './string';

/** One comparator's edge as its string and its feedback are sized for it. */
export interface WantedEdge {
  /** Which boundary it is, from the dark. */
  readonly boundary: number;
  /** The light at which it should be passed, and on which way; on the other way by the band's ratio earlier. */
  readonly lux: number;
  readonly way: 'rising' | 'falling';
  /** Its tap of the string, and at which place from the lower end that is: 0 for the lowest. */
  readonly tap: Net;
  readonly place: number;
  readonly out: Net;
  /** Its plus input takes the midpoint; else the tap. */
  readonly takesMid: boolean;
  /** Which of the comparators it is. */
  readonly index: number;
}

export interface BandedString {
  /** From the supply down; shape: edges + 1. */
  readonly stringOhms: readonly number[];
  readonly hysteresis: EdgeBand;
}

/** Each round takes what the last one's parts draw into account. */
const ROUNDS = 5;
/** The string begins stiff beside what hangs on its taps, and stays about as stiff from then on. */
const FIRST_TOTALS = { min: 10_000, max: 30_000 } as const;
const NEAR_TOTAL = 1.6;
/** Before an input, in Ω: little enough for what the input takes. The first that lets every feedback be in bounds is taken. */
const INPUT_OHMS = [10_000, 22_000, 4700, 47_000, 2200, 100_000, 1000] as const;
/** From an output: it neither loads that nor leaks away, in Ω. */
const FEEDBACK_OHMS = { min: 22_000, max: 4_700_000 } as const;

/**
 * String and feedback for edges that are passed at one light on one way and at another on the way back: each edge's feedback by
 * its two lights ({@link feedbackFor}), its tap from the first of them, what each draws from the others by the solved circuit.
 *
 * @param start the string and the feedback that are there
 * @param withParts the settings with others
 * @returns the round that comes nearest; `null` where there is none
 */
export function bandedString<S>(
  part: Pick<ComparatorModel, 'biasAmps'>,
  bench: DetectorBench<S>,
  edges: readonly WantedEdge[],
  start: BandedString,
  withParts: (parts: BandedString) => S,
): BandedString | null {
  const values = valuesIn(bench.stock);
  let best: { readonly parts: BandedString; readonly off: number } | null = null;
  for (const about of INPUT_OHMS) {
    const inputOhms = nearest(values, about);
    if (inputOhms === null) return null;
    let present: BandedString = { ...start, hysteresis: { ...start.hysteresis, inputOhms } };
    const seen = new Set<string>();
    for (let round = 0; round <= ROUNDS; round++) {
      const own = bench.with(withParts(present));
      if (round > 0) {
        const off = offOf(own, edges, present.hysteresis.ratio);
        if (!best || off < best.off) best = { parts: present, off };
      }
      const next: BandedString | null =
        round < ROUNDS ? nextRound(part, own, edges, present, { values, isFirst: round === 0 }) : null;
      // Parts in stock that come again lead to the same ones again.
      if (!next || seen.has(JSON.stringify(next))) break;
      seen.add(JSON.stringify(next));
      present = next;
    }
    if (best) break;
  }
  return best && Number.isFinite(best.off) ? best.parts : null;
}

/** By how many V both lights of every edge miss in the whole circuit, at most. */
function offOf<S>(bench: DetectorBench<S>, edges: readonly WantedEdge[], ratio: number): number {
  const missed = edges.flatMap(({ boundary, way, lux }) => [
    bench.overBoundary(boundary, way, lux),
    bench.overBoundary(boundary, way === 'rising' ? 'falling' : 'rising', backLux({ way, lux }, ratio)),
  ]);
  return Math.max(...missed.map((each) => (each === null ? Infinity : Math.abs(each))));
}

/** The light at which an edge is passed on the way back. */
const backLux = ({ way, lux }: Pick<WantedEdge, 'way' | 'lux'>, ratio: number) =>
  way === 'rising' ? lux / ratio : lux * ratio;

const nearest = (values: readonly number[], ohms: number): number | null =>
  values.reduce<number | null>(
    (best, value) =>
      best === null || Math.abs(Math.log(value / ohms)) < Math.abs(Math.log(best / ohms)) ? value : best,
    null,
  );

interface Round {
  /** In stock, in Ω. */
  readonly values: readonly number[];
  readonly isFirst: boolean;
}

function nextRound<S>(
  part: Pick<ComparatorModel, 'biasAmps'>,
  bench: DetectorBench<S>,
  edges: readonly WantedEdge[],
  { stringOhms, hysteresis }: BandedString,
  { values, isFirst }: Round,
): BandedString | null {
  const { ratio, inputOhms } = hysteresis;
  const total = stringOhms.reduce((sum, each) => sum + each, 0);
  const feedbackOhms = [...hysteresis.feedbackOhms];
  const taps: Tap[] = [];
  for (const edge of edges) {
    const present = { inputOhms, feedbackOhms: hysteresis.feedbackOhms[edge.index] ?? Infinity };
    const at = atEdge(bench, edge, ratio, stringOhms, present);
    const wanted = at && feedbackFor(at, edge, inputOhms);
    const ohms = wanted && nearest(values, wanted);
    if (!at || !ohms) return null;
    feedbackOhms[edge.index] = ohms;
    taps.push(tapFor(at, edge, inputOhms, ohms, total));
  }
  if (!keepOrder(taps, edges, total)) return null;
  // Later rounds stay near a total, so that what hangs on the taps pulls them as far as it did.
  const totals = isFirst ? FIRST_TOTALS : { min: total / NEAR_TOTAL, max: total * NEAR_TOTAL };
  const search = stringWith(part, bench, taps, totals);
  return search.ok
    ? { stringOhms: search.choice.ohms, hysteresis: { ratio, inputOhms, feedbackOhms } }
    : null;
}

/** An edge at one of its lights, before it is passed there: voltages of the solved circuit, in V. */
interface AtLight {
  readonly midVolts: number;
  readonly outVolts: number;
  readonly tapVolts: number;
  /** The fed node (tap or midpoint) without this edge's own feedback, and the resistance that stands behind it, in Ω. */
  readonly fedVolts: number;
  readonly fedOhms: number;
}

interface AtEdge {
  readonly first: AtLight;
  readonly back: AtLight;
  /** What the string by itself would have at the tap. */
  readonly freeVolts: number;
  /** The bare divider's midpoint over the solved one at the first light. */
  readonly bareOver: number;
}

type Parts = { readonly inputOhms: number; readonly feedbackOhms: number };

/** How far towards the output a plus input stands, between what feeds it and that. */
const shareOf = ({ fedOhms }: AtLight, { inputOhms, feedbackOhms }: Parts) =>
  (fedOhms + inputOhms) / (fedOhms + inputOhms + feedbackOhms);

function atEdge<S>(
  bench: DetectorBench<S>,
  edge: WantedEdge,
  ratio: number,
  stringOhms: readonly number[],
  present: Parts,
): AtEdge | null {
  const { boundary, way, lux, place } = edge;
  const { divider, curve } = bench;
  const [before, after] = way === 'rising' ? [boundary, boundary + 1] : [boundary + 1, boundary];
  const rising = [...tapVolts(stringOhms, divider.supplyVolts)].reverse();
  const freeVolts = rising[place] ?? 0;
  const total = stringOhms.reduce((sum, each) => sum + each, 0);
  const below = freeVolts / divider.supplyVolts;
  const at = (light: number, position: number): AtLight | null => {
    const midVolts = bench.voltsAt('mid', light, position);
    const outVolts = bench.voltsAt(edge.out, light, position);
    const tap = bench.voltsAt(edge.tap, light, position);
    if (midVolts === null || outVolts === null || tap === null) return null;
    const ldrOhms = ldrOhmsAt(curve, light);
    const fedOhms = edge.takesMid ? sourceOhms(divider, ldrOhms) : below * (1 - below) * total;
    // The present feedback's own pull on the node is taken off again.
    const node = edge.takesMid ? midVolts : tap;
    const amps = (outVolts - node) / (present.inputOhms + present.feedbackOhms);
    return { midVolts, outVolts, tapVolts: tap, fedOhms, fedVolts: node - amps * fedOhms };
  };
  const first = at(lux, before);
  const back = at(backLux(edge, ratio), after);
  if (!first || !back) return null;
  return { first, back, freeVolts, bareOver: bareMidVolts(divider, ldrOhmsAt(curve, lux)) - first.midVolts };
}

/**
 * The feedback that lets an edge be passed at both its lights. With the plus input at the share `k = R/(R + Rf)` of the way from
 * what feeds it (open voltage V, resistance and input resistor R together) to the output, both inputs are level at each light:
 * `V(1 − k) + k·Vout = Vother`. Where the tap is fed its own voltage is the second unknown and falls out of the difference.
 * @returns Ω; `null` where none within bounds does
 */
function feedbackFor({ first, back }: AtEdge, { takesMid }: WantedEdge, inputOhms: number): number | null {
  const missing = (lnOhms: number) => {
    const parts = { inputOhms, feedbackOhms: Math.exp(lnOhms) };
    const level = (at: AtLight) => {
      const share = shareOf(at, parts);
      const fed = share * at.outVolts;
      return takesMid
        ? at.tapVolts - (at.fedVolts * (1 - share) + fed)
        : (at.midVolts - fed) / (1 - share) - at.fedVolts;
    };
    return level(first) - level(back);
  };
  const [least, most] = [Math.log(FEEDBACK_OHMS.min), Math.log(FEEDBACK_OHMS.max)];
  const root = findRoot(missing, least, most, { tolerance: 1e-4 });
  return root.ok ? Math.exp(root.x) : null;
}

/** Where an edge's tap belongs with a feedback in place, and which bare midpoint passes it. */
function tapFor(
  { first, freeVolts, bareOver }: AtEdge,
  { takesMid, lux }: WantedEdge,
  inputOhms: number,
  feedbackOhms: number,
  totalOhms: number,
): Tap {
  const share = shareOf(first, { inputOhms, feedbackOhms });
  const fed = share * first.outVolts;
  if (takesMid) {
    // Others pull the tap aside, the more the larger the string's resistors are.
    const aside = (freeVolts - first.tapVolts) / totalOhms;
    const pulled = bareOver + first.midVolts - first.fedVolts;
    return {
      lux,
      voltsFor: (ohms) => first.fedVolts * (1 - share) + fed + aside * ohms,
      midVoltsAt: (own, ohms) => (own - aside * ohms - fed) / (1 - share) + pulled,
    };
  }
  const aside = (freeVolts - first.fedVolts) / totalOhms;
  return {
    lux,
    voltsFor: (ohms) => (first.midVolts - fed) / (1 - share) + aside * ohms,
    midVoltsAt: (own, ohms) => (own - aside * ohms) * (1 - share) + fed + bareOver,
  };
}

/** Whether taps lie in the order in which the string has them. */
function keepOrder(taps: readonly Tap[], edges: readonly WantedEdge[], totalOhms: number): boolean {
  const rising = edges
    .map(({ place }, index) => ({ place, volts: taps[index]?.voltsFor(totalOhms) ?? NaN }))
    .sort((one, other) => one.place - other.place);
  return rising.every(({ volts }, at) => at === 0 || volts > (rising[at - 1]?.volts ?? Infinity));
}
