import { ldrOhmsAt } from '../../ldr/curve';
import { topOhms, type Meter } from '../../meter/meter';
import type { Assembly } from '../../operate/assembly';
import type { Net } from '../../parts/base';
import { hasUntoldOhms, pinsOf } from '../../parts/registry';
import { drawnOf } from '../../spread/drawn';
import type { Factor } from '../../spread/factors';
import type { Draw } from '../draws';
import { OVER_OHMS, type Probe } from '../probe';
import { luxAt, type TestSetup } from './faultyCircuit';
import { Ohmmeter } from './ohmmeter';
import type { Wiring } from './wiring';

/** What is measured, and with what. */
interface Measured {
  readonly setup: TestSetup;
  readonly assembly: Assembly;
  readonly meter: Meter;
  readonly draws: readonly Draw[];
}

/** Less than this is no difference, as a share. */
const SAME_SHARE = 1e-4;
/** No lead is better than this, in Ω. */
const LEAST_OHMS = 1e-3;

/**
 * What an ohmmeter finds at each part with the power off, in ln Ω: each build's own LDR in the light that there is, and whatever lies beside
 * what is measured, which may be the LDR. Shape: by probe, draws
 */
export function ohmsFound(
  wiring: Wiring,
  { setup, assembly, meter, draws }: Measured,
  probes: readonly Probe[],
): ReadonlyMap<Probe, Float64Array> {
  const found = new Map<Probe, Float64Array>();
  const measured = pairsOf(assembly, probes);
  const ohmmeter = new Ohmmeter(
    wiring,
    measured.flatMap(({ pair }) => pair),
  );
  const curves = draws.map((draw) => drawnOf(setup.factors, draw, setup.curve).curve);
  setup.lights.forEach((_, light) => {
    const inIt = measured.filter(({ probe }) => probe.light === light);
    if (inIt.length === 0) return;
    const ldrOhms = draws.map((draw, at) =>
      ldrOhmsAt(curves[at] ?? setup.curve, luxAt(wiring, setup, draw, light)),
    );
    const [least, most] = [Math.min(...ldrOhms), Math.max(...ldrOhms)];
    const at = [least, Math.sqrt(least * most), most] as const;
    const pairs = inIt.map(({ pair }) => pair);
    const [low, middle, high] = at.map((ohms) => ohmmeter.between(pairs, ohms));
    if (!low || !middle || !high) return;
    const off = offByTolerance(ohmmeter, pairs, at, setup.factors, draws);
    inIt.forEach(({ probe }, index) => {
      const between = ofOneResistor(at, [low[index]!, middle[index]!, high[index]!]);
      const shown = ldrOhms.map((ohms, build) =>
        Math.log(shownOhms(meter, Math.max(LEAST_OHMS, between(ohms) * off(index, build, ohms)))),
      );
      if (shown.every((value) => Number.isFinite(value))) found.set(probe, Float64Array.from(shown));
    });
  });
  return found;
}

/** The two nets that the leads go to for each resistance. */
const pairsOf = ({ parts }: Pick<Assembly, 'parts'>, probes: readonly Probe[]) =>
  probes.flatMap((probe) => {
    if (probe.kind !== 'ohms') return [];
    const part = parts.find(({ designator }) => designator === probe.designator);
    const [a, b] = part ? pinsOf(part).map(({ net }) => net) : [];
    return part && a && b ? [{ probe, pair: [a, b] as const }] : [];
  });

/** What changes less by a part need not be measured without it, as a share. */
const BESIDE_SHARE = 0.01;

/**
 * Probes of resistances with what is to be taken off for each: what lies beside it and is nothing that an ohmmeter can be told of.
 * @param ldrOhms of the LDR about where they are measured
 */
export function withTakenOff(
  wiring: Wiring,
  assembly: Pick<Assembly, 'parts'>,
  probes: readonly Probe[],
  ldrOhms: number,
): readonly Probe[] {
  const measured = pairsOf(assembly, probes);
  const pairs = measured.map(({ pair }) => pair);
  const foundWith = (left: string | null) => new Ohmmeter(wiring, pairs.flat(), left).between(pairs, ldrOhms);
  const untold = assembly.parts.filter(hasUntoldOhms);
  const without = untold.length > 0 ? foundWith(null) : null;
  if (!without) return probes;
  const off = new Map<Probe, readonly string[]>();
  for (const { designator } of untold) {
    const own = foundWith(designator);
    measured.forEach(({ probe }, index) => {
      if (Math.abs((own?.[index] ?? NaN) / without[index]! - 1) <= BESIDE_SHARE) return;
      off.set(probe, [...(off.get(probe) ?? []), designator]);
    });
  }
  return probes.map((probe) => {
    const takenOff = off.get(probe);
    return probe.kind === 'ohms' && takenOff ? { ...probe, takenOff } : probe;
  });
}

/**
 * Probes of resistances, each with whether it has to be told in which light it is measured.
 * @param ldrOhms of the LDR in the darkest and in the brightest light, in Ω
 */
export function withLight(
  wiring: Wiring,
  assembly: Pick<Assembly, 'parts'>,
  probes: readonly Probe[],
  ldrOhms: readonly [number, number],
): readonly Probe[] {
  const measured = pairsOf(assembly, probes);
  const pairs = measured.map(({ pair }) => pair);
  const ohmmeter = new Ohmmeter(wiring, pairs.flat());
  const [dark, bright] = ldrOhms.map((ohms) => ohmmeter.between(pairs, ohms));
  const hanging = new Set<Probe>();
  measured.forEach(({ probe }, index) => {
    const times = (bright?.[index] ?? NaN) / (dark?.[index] ?? NaN);
    // What cannot be told apart is told of.
    if (!(Math.abs(times - 1) <= BESIDE_SHARE)) hanging.add(probe);
  });
  return probes.map((probe) =>
    probe.kind === 'ohms' && hanging.has(probe) ? { ...probe, hangsOnLight: true } : probe,
  );
}

/**
 * How many times as much a build has between some nets as its resistors' nominal values give, by what each has to do with it.
 * @param ldrs resistances of the LDR, rising, in Ω: between two of them what a resistor has to do with it is read off a straight line over
 *   the resistance's logarithm
 * @returns of a pair in a build, with an LDR of so many Ω
 */
export function offByTolerance(
  ohmmeter: Ohmmeter,
  pairs: readonly (readonly [Net, Net])[],
  ldrs: readonly number[],
  factors: readonly Factor[],
  draws: readonly Draw[],
): (pair: number, build: number, ldrOhms: number) => number {
  const own = factors.flatMap((factor, index) => (factor.of === 'resistor' ? [{ factor, index }] : []));
  const elements = own.map(({ factor }) => factor.elements);
  const shares = ldrs.map((ohms) => ohmmeter.shares(pairs, ohms, elements));
  // Most resistors have nothing to do with what is found at another.
  const having = pairs.map((_, pair) =>
    own.map((_own, at) => at).filter((at) => shares.some((each) => (each?.[pair]?.[at] ?? 0) > NO_SHARE)),
  );
  const off = draws.map((draw) =>
    Float64Array.from(own, ({ factor, index }) => Math.log1p(factor.tolerance * (draw[index] ?? 0))),
  );
  return (pair, build, ldrOhms) => {
    const [below, above, way] = placeIn(ldrs, ldrOhms);
    const [one, other] = [shares[below]?.[pair], shares[above]?.[pair]];
    let sum = 0;
    for (const at of having[pair] ?? []) {
      const [low = 0, high = 0] = [one?.[at], other?.[at]];
      sum += (low + way * (high - low)) * (off[build]?.[at] ?? 0);
    }
    return Math.exp(sum);
  };
}

/** Between which two of some rising values one lies, and how far on the way, by logarithms. */
function placeIn(values: readonly number[], value: number): readonly [number, number, number] {
  const above = values.findIndex((each) => each >= value);
  if (above <= 0) return above === 0 ? [0, 0, 0] : [values.length - 1, values.length - 1, 0];
  const [low = value, high = value] = [values[above - 1], values[above]];
  return [above - 1, above, high > low ? Math.log(value / low) / Math.log(high / low) : 0];
}

/** A smaller share of a resistance is none. */
const NO_SHARE = 1e-5;

/**
 * The resistance between two nodes of a network as one resistor in it changes, from three of them: (A + B·r)/(C + r), as follows from the
 * network seen from that resistor (Thévenin). Cross-ratios of r and of the answer are alike.
 */
function ofOneResistor(
  [least, middle, most]: readonly [number, number, number],
  [low, mid, high]: readonly [number, number, number],
): (ohms: number) => number {
  if (Math.abs(high - low) <= SAME_SHARE * Math.abs(low)) return () => low;
  return (ohms) => {
    if (ohms >= most) return high;
    const ratio =
      (((ohms - least) * (middle - most)) / ((ohms - most) * (middle - least))) *
      ((mid - low) / (mid - high));
    return (low - ratio * high) / (1 - ratio);
  };
}

/** A resistance as the meter has it: over its top it is over. */
const shownOhms = (meter: Meter, ohms: number): number =>
  ohms > topOhms(meter) ? OVER_OHMS : Math.max(0.1, ohms);
