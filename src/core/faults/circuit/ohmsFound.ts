import { ldrOhmsAt } from '../../ldr/curve';
import { topOhms, type Meter } from '../../meter/meter';
import type { Assembly } from '../../operate/assembly';
import { pinsOf } from '../../parts/registry';
import { drawnOf } from '../../spread/drawn';
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

/** At so many resistances of the LDR it is solved what an ohmmeter finds; between them it goes in a straight line. */
const POINTS = 9;
/** Less than this is no difference, in ln Ω. */
const SAME = 1e-4;

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
  const measured = probes.flatMap((probe) => {
    if (probe.kind !== 'ohms') return [];
    const part = assembly.parts.find(({ designator }) => designator === probe.designator);
    const [a, b] = part ? pinsOf(part).map(({ net }) => net) : [];
    return part && a && b ? [{ probe, part, a, b }] : [];
  });
  const ohmmeter = new Ohmmeter(
    wiring,
    measured.flatMap(({ a, b }) => [a, b]),
  );
  const curves = draws.map((draw) => drawnOf(setup.factors, draw, setup.curve).curve);
  for (const { probe, part, a, b } of measured) {
    const lnLdr = Float64Array.from(draws, (draw, at) =>
      Math.log(ldrOhmsAt(curves[at] ?? setup.curve, luxAt(wiring, setup, draw, probe.light))),
    );
    const between = ohmmeter.across([a, b], (ldrOhms) => (part.kind === 'resistor' ? part.ohms : ldrOhms));
    const at = (ln: number) => {
      const ohms = between(Math.exp(ln));
      return ohms === null ? NaN : Math.log(Math.max(ohms, 1e-3));
    };
    const over = lineThrough(at, Math.min(...lnLdr), Math.max(...lnLdr));
    const shown = lnLdr.map((ln) => Math.log(shownOhms(meter, Math.exp(over(ln)))));
    if (shown.every((value) => Number.isFinite(value))) found.set(probe, shown);
  }
  return found;
}

/**
 * A function known at a few points: the same everywhere where its ends are alike, for no resistance of a circuit falls while one
 * of those in it rises (Rayleigh's monotonicity law).
 */
function lineThrough(at: (x: number) => number, from: number, to: number): (x: number) => number {
  const [low, high] = [at(from), at(to)];
  if (Math.abs(low - high) < SAME) return () => low;
  const step = (to - from) / (POINTS - 1);
  const values = Array.from({ length: POINTS }, (_, index) =>
    index === 0 ? low : index === POINTS - 1 ? high : at(from + index * step),
  );
  return (x) => {
    const place = Math.min(POINTS - 1.000001, Math.max(0, (x - from) / step));
    const left = Math.floor(place);
    const [one = NaN, other = NaN] = [values[left], values[left + 1]];
    return one + (place - left) * (other - one);
  };
}

/** A resistance as the meter has it: over its top it is over. */
const shownOhms = (meter: Meter, ohms: number): number =>
  ohms > topOhms(meter) ? OVER_OHMS : Math.max(0.1, ohms);
