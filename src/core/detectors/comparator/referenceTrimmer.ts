import { findRoot } from '../../numeric/findRoot';
import { valuesIn } from '../../series/stock';
import type { DetectorBench } from '../bench';
import type { ReferenceTrimmer } from '../fields';
import { beside } from './candidates';
import type { ComparatorSettings } from './settings';
import { withParts, type TripParts } from './trips';

type Bench = DetectorBench<ComparatorSettings>;

/**
 * The same parts with a trimmer in the reference: end resistors in stock, so that it stands where the two resistors did, no
 * nearer to an end of its travel than a tenth. The nearest to those comes first.
 */
export function aroundTrimmer(
  parts: TripParts,
  trimmer: ReferenceTrimmer,
  values: readonly number[],
): readonly TripParts[] {
  const { trackOhms } = trimmer;
  const wanted = parts.topOhms / parts.bottomOhms;
  const whole = parts.topOhms + parts.bottomOhms;
  const ends = (ohms: number) => beside(values, Math.max(ohms - trackOhms / 2, values[0] ?? 1));
  return ends(parts.topOhms)
    .flatMap((topOhms) => ends(parts.bottomOhms).map((bottomOhms) => ({ topOhms, bottomOhms })))
    .map(({ topOhms, bottomOhms }) => ({
      ...{ ...parts, topOhms, bottomOhms },
      trimmer: {
        ...trimmer,
        position: (topOhms + trackOhms - wanted * bottomOhms) / (trackOhms * (1 + wanted)),
      },
    }))
    .filter(({ trimmer: { position } }) => position >= TRAVEL_EDGE && position <= 1 - TRAVEL_EDGE)
    .sort((one, other) => apart(one, trackOhms, whole) - apart(other, trackOhms, whole));
}

/** Nearer to an end of its travel than this a trimmer is hard to set. */
const TRAVEL_EDGE = 0.1;

const apart = ({ topOhms, bottomOhms }: TripParts, trackOhms: number, whole: number) =>
  Math.abs(Math.log((topOhms + trackOhms + bottomOhms) / whole));

/** Parts as they are, or around the trimmer that the reference has, set so that it turns on at the goal. */
export function* placed(settings: ComparatorSettings, bench: Bench, parts: TripParts): Generator<TripParts> {
  const { trimmer } = settings.reference;
  if (!trimmer) {
    yield parts;
    return;
  }
  for (const around of aroundTrimmer(parts, trimmer, valuesIn(bench.stock))) {
    const set = setTrimmer(settings, bench, around);
    if (set) yield set;
  }
}

/** How fine a trimmer is set, as a share of its travel. */
const TRAVEL_FINE = 1e-6;

/** The trimmer where the comparator turns on at the goal; `null` where its travel has no such place. */
function setTrimmer(settings: ComparatorSettings, bench: Bench, parts: TripParts): TripParts | null {
  const at = (position: number): TripParts => ({
    ...parts,
    trimmer: parts.trimmer ? { ...parts.trimmer, position } : null,
  });
  const { goalBoundary, isOn } = bench;
  let failed = false;
  const over = (position: number) => {
    const made = bench.with(withParts(settings, at(position)), parts.fixedOhms);
    const found = made.overBoundary(goalBoundary, isOn[goalBoundary] ? 'falling' : 'rising', bench.goal.lux);
    if (found === null) failed = true;
    return found ?? 0;
  };
  const root = findRoot(over, 0, 1, { tolerance: TRAVEL_FINE });
  return root.ok && !failed ? at(Number(root.x.toFixed(4))) : null;
}
