import { bisectLeft } from 'd3-array';
import { valuesIn } from '../../series/stock';
import { bareMidVolts, branchOhms } from '../bareDivider';
import type { DetectorBench } from '../bench';
import type { ComparatorSettings } from './settings';
import type { Levels, TripParts } from './trips';

/** A divider's fixed resistor lies within this ratio of the LDR's resistance there. */
const FIXED_RATIO = 25;
/** The reference must carry so many times what the inputs take, and no more than this, in A. */
const BIAS_TIMES = 20;
const MAX_REFERENCE_AMPS = 0.003;
const MIN_REFERENCE_AMPS = 2e-6;
/** Resistors before an input that are thought of, in Ω. */
const SENSOR_OHMS = { min: 3000, max: 330_000 } as const;
/** Of a large drawer so many values are tried in each place. */
const MAX_TRIED = 60;

/**
 * Parts that come near a pair of LDR resistances by the closed forms: for each divider (and lower resistor of the reference, or
 * resistor before the input) the others solved exactly, then each taken as the stock's two nearest.
 * @returns `null` from an empty drawer
 */
export function candidatesFor(
  detector: ComparatorSettings,
  bench: DetectorBench<ComparatorSettings>,
  levels: Levels,
  onOhms: number,
  offOhms: number,
  travel: FixedRange | null,
): readonly TripParts[] | null {
  const values = valuesIn(bench.stock);
  if (values.length === 0) return null;
  const branch = (ldrOhms: number) => branchOhms(ldrOhms, bench.divider);
  const middle = Math.sqrt(branch(onOhms) * branch(offOhms));
  const isNear = (ohms: number) => ohms > middle / FIXED_RATIO && ohms < middle * FIXED_RATIO;
  const fixed = travel ? alongTravel(travel).filter(isNear) : thinned(values.filter(isNear));
  const isPlain = bench.goal.offLux === null;
  const each = isPlain ? withoutFeedback : detector.sensorInput === 'minus' ? atReference : atSensor;
  if (!travel && setsOf(detector, bench, values) <= MAX_SETS) return everySet(detector, bench, values);
  const search: Search = { bench, detector, levels, values, on: branch(onOhms), off: branch(offOhms) };
  return fixed.flatMap((fixedOhms) => each(search, fixedOhms));
}

/** Where a stock makes no more sets than this, every one is tried: what the closed forms ask for has nothing near it there. */
const MAX_SETS = 30_000;

const placesOf = ({ sensorInput }: ComparatorSettings, offLux: number | null) =>
  offLux === null ? 3 : sensorInput === 'plus' ? 5 : 4;

const setsOf = (
  detector: ComparatorSettings,
  { goal }: DetectorBench<ComparatorSettings>,
  values: readonly number[],
) => values.length ** placesOf(detector, goal.offLux);

function everySet(
  { sensorInput, sensorOhms: present, part }: ComparatorSettings,
  { goal, divider }: DetectorBench<ComparatorSettings>,
  values: readonly number[],
): readonly TripParts[] {
  const feedbacks = goal.offLux === null ? [Infinity] : values;
  const before = sensorInput === 'plus' && goal.offLux !== null ? values : [present];
  return values.flatMap((bottomOhms) =>
    values
      .filter((topOhms) => carriesEnough(part, divider.supplyVolts / (topOhms + bottomOhms)))
      .flatMap((topOhms) =>
        values.flatMap((fixedOhms) =>
          feedbacks.flatMap((feedbackOhms) =>
            before.map((sensorOhms) => ({ fixedOhms, topOhms, bottomOhms, feedbackOhms, sensorOhms })),
          ),
        ),
      ),
  );
}

/** What R1 may be set to, in Ω. */
export interface FixedRange {
  readonly min: number;
  readonly max: number;
}

/** So many places along a trimmer's travel are tried, evenly in ln R. */
const PLACES = 30;

const alongTravel = ({ min, max }: FixedRange): readonly number[] =>
  Array.from({ length: PLACES }, (_, place) =>
    Number((min * (max / min) ** ((place + 0.5) / PLACES)).toPrecision(4)),
  );

interface Search {
  readonly bench: DetectorBench<ComparatorSettings>;
  readonly detector: ComparatorSettings;
  readonly levels: Levels;
  readonly values: readonly number[];
  /** The LDR's branch at the two lights, in Ω. */
  readonly on: number;
  readonly off: number;
}

/** No more than so many of a list, evenly. */
function thinned(values: readonly number[]): readonly number[] {
  const every = Math.ceil(values.length / MAX_TRIED);
  return values.filter((_, index) => index % every === 0);
}

/** The drawer's values on either side. */
export function beside(values: readonly number[], ohms: number): readonly number[] {
  if (!(ohms > 0) || !Number.isFinite(ohms)) return [];
  const above = bisectLeft(values, ohms);
  return values.slice(Math.max(0, above - 1), above + 1);
}

function isWithinRatings(
  { detector }: Search,
  supplyVolts: number,
  topOhms: number,
  bottomOhms: number,
): boolean {
  return carriesEnough(detector.part, supplyVolts / (topOhms + bottomOhms));
}

/** Whether a reference's current is well over what the inputs take, and no more than it need be. */
function carriesEnough({ biasAmps }: ComparatorSettings['part'], amps: number): boolean {
  return amps >= Math.max(MIN_REFERENCE_AMPS, BIAS_TIMES * Math.abs(biasAmps)) && amps <= MAX_REFERENCE_AMPS;
}

/** Whether inputs that are level at a voltage work there. */
function isInInputRange({ bench, detector }: Search, volts: number): boolean {
  const { part, negativeVolts } = detector;
  return (
    volts >= part.inputLowVolts - negativeVolts && volts <= bench.divider.supplyVolts - part.inputHighVolts
  );
}

/**
 * Feedback to the reference: the shares of top, bottom and feedback in the node's conductance follow from the two voltages
 * wanted, `k = ΔVref/ΔVout`, `t = (Von − k·Vout)/V`; the lower resistor sets the scale.
 */
function atReference(search: Search, fixedOhms: number): readonly TripParts[] {
  const { bench, detector, levels, values } = search;
  const { supplyVolts, ldrSide } = bench.divider;
  const lowVolts = -detector.negativeVolts;
  // What stands beside the LDR is in its branch already.
  const bare = { supplyVolts, lowVolts, ldrSide, fixedOhms, ldrParallelOhms: null, ldrSeriesOhms: null };
  const midAt = (branch: number) => bareMidVolts(bare, branch);
  const [onVolts, offVolts] = [midAt(search.on), midAt(search.off)];
  if (!isInInputRange(search, onVolts) || !isInInputRange(search, offVolts)) return [];
  const { whenOff, whenOn } = levels;
  const feedback = (onVolts - offVolts) / (whenOff.volts - whenOn.volts);
  const top = (onVolts - whenOff.volts * feedback) / supplyVolts;
  const bottom = 1 - feedback - top;
  if (!(feedback > 0 && top > 0 && bottom > 0)) return [];
  const rest = (whenOff.ohms + whenOn.ohms) / 2;
  return thinned(values).flatMap((bottomOhms) => {
    const siemens = 1 / (bottomOhms * bottom);
    return beside(values, 1 / (siemens * top)).flatMap((topOhms) =>
      isWithinRatings(search, supplyVolts, topOhms, bottomOhms)
        ? beside(values, 1 / (siemens * feedback) - rest).map((feedbackOhms) => ({
            fixedOhms,
            topOhms,
            bottomOhms,
            feedbackOhms,
            sensorOhms: detector.sensorOhms,
          }))
        : [],
    );
  });
}

/** Reference and R1 for one light: top over bottom is what makes both inputs level, `V/V_mid − 1`. */
function withoutFeedback(search: Search, fixedOhms: number): readonly TripParts[] {
  const { bench, detector, values, on } = search;
  const { supplyVolts, ldrSide } = bench.divider;
  const lowVolts = -detector.negativeVolts;
  const bare = { supplyVolts, lowVolts, ldrSide, fixedOhms, ldrParallelOhms: null, ldrSeriesOhms: null };
  const volts = bareMidVolts(bare, on);
  if (!(volts > 0) || !isInInputRange(search, volts)) return [];
  return thinned(values).flatMap((bottomOhms) =>
    beside(values, bottomOhms * (supplyVolts / volts - 1)).flatMap((topOhms) =>
      isWithinRatings(search, supplyVolts, topOhms, bottomOhms)
        ? [{ fixedOhms, topOhms, bottomOhms, feedbackOhms: Infinity, sensorOhms: detector.sensorOhms }]
        : [],
    ),
  );
}

/**
 * Feedback to the sensor: with `I = (V/R1 − G·Vref)/(1 + G·Rs)` in each state (G of divider and LDR together) and
 * `Rf = (Vref − Vout)/I` the same in both, Vref is the root of a quadratic.
 */
function atSensor(search: Search, fixedOhms: number): readonly TripParts[] {
  const { bench, detector, levels, values, on, off } = search;
  const { supplyVolts, ldrSide } = bench.divider;
  const lowVolts = -detector.negativeVolts;
  const before = thinned(values.filter((ohms) => ohms >= SENSOR_OHMS.min && ohms <= SENSOR_OHMS.max)).filter(
    (_, index) => index % 2 === 0,
  );
  const bottoms = thinned(values.filter((ohms) => ohms >= 2000 && ohms <= 220_000));
  const fed = (ldr: number) =>
    ldrSide === 'bottom'
      ? supplyVolts / fixedOhms + lowVolts / ldr
      : supplyVolts / ldr + lowVolts / fixedOhms;
  const [a, b] = [
    { fed: fed(on), siemens: 1 / on + 1 / fixedOhms, out: levels.whenOff.volts },
    { fed: fed(off), siemens: 1 / off + 1 / fixedOhms, out: levels.whenOn.volts },
  ];
  return before.flatMap((sensorOhms) => {
    const [da, db] = [1 + a.siemens * sensorOhms, 1 + b.siemens * sensorOhms];
    // (fed_a − G_a·v)(v − out_b)/d_a = (fed_b − G_b·v)(v − out_a)/d_b
    const second = -a.siemens / da + b.siemens / db;
    const first = (a.fed + a.siemens * b.out) / da - (b.fed + b.siemens * a.out) / db;
    const none = -(a.fed * b.out) / da + (b.fed * a.out) / db;
    return roots(second, first, none).flatMap((reference) => {
      const amps = (a.fed - a.siemens * reference) / da;
      const feedback = (reference - a.out) / amps - (levels.whenOff.ohms + levels.whenOn.ohms) / 2;
      if (!(reference > 0 && isInInputRange(search, reference) && feedback > sensorOhms / 20)) return [];
      const pairs = bottoms.flatMap((bottomOhms) =>
        beside(values, bottomOhms * (supplyVolts / reference - 1)).map((topOhms) => ({
          topOhms,
          bottomOhms,
          off: Math.abs((supplyVolts * bottomOhms) / (topOhms + bottomOhms) - reference),
        })),
      );
      const best = pairs
        .filter(({ topOhms, bottomOhms }) => isWithinRatings(search, supplyVolts, topOhms, bottomOhms))
        .sort((one, other) => one.off - other.off)
        .slice(0, 4);
      return best.flatMap(({ topOhms, bottomOhms }) =>
        beside(values, feedback).map((feedbackOhms) => ({
          fixedOhms,
          topOhms,
          bottomOhms,
          feedbackOhms,
          sensorOhms,
        })),
      );
    });
  });
}

function roots(second: number, first: number, none: number): readonly number[] {
  if (Math.abs(second) < 1e-18) return first === 0 ? [] : [-none / first];
  const inner = first * first - 4 * second * none;
  if (inner < 0) return [];
  const q = -0.5 * (first + Math.sign(first || 1) * Math.sqrt(inner));
  return q === 0 ? [0] : [q / second, none / q];
}
