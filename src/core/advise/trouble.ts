import { ratingsOf } from '../analyse/ratings';
import { loadDefinition } from '../loads/registry';
import { partWith } from '../parts/find';
import type { Role } from '../parts/roles';
import type { Advice, FindingCode, Found } from './advice';

/** Findings that lie at one part, and which. */
const partOf: Readonly<Partial<Record<FindingCode, Role>>> = {
  'load-not-saturated': 'driver',
  'gate-too-low': 'driver',
  'load-above-transistor': 'driver',
  'transistor-warm': 'driver',
  'transistor-over-volts': 'driver',
  'gate-over-volts': 'driver',
  'base-over-current': 'driver',
  'lifted-reference': 'driver',
  'never-releases': 'driver',
  'base-reversed': 'driver',
  'output-over-current': 'detector',
  'output-over-volts': 'detector',
  'stage-below-ground': 'detector',
  'comparator-supply': 'detector',
  'controller-supply': 'detector',
  'code-out-of-range': 'detector',
  'never-switches': 'fixed',
  'stays-off': 'fixed',
  'ldr-warm': 'ldr',
  'ldr-over-voltage': 'ldr',
};

/** Designators of the parts that are out of bounds, each once: by their ratings, and by what the advice says of them. */
export function troubledParts(design: Found & { readonly advice: readonly Advice[] }): readonly string[] {
  const { assembly, advice, thresholds } = design;
  const hot = ratingsOf(design)
    .filter(({ ok }) => !ok)
    .map(({ designator }) => designator);
  const said = advice.flatMap(({ code }) => {
    const role = partOf[code];
    const part = role && partWith(assembly.parts, role);
    return part ? [part.designator] : [];
  });
  const inputs = thresholds?.inputs.map(({ designator }) => designator) ?? [];
  const loads = design.loads.flatMap(({ designator, volts, rated, lacksVolts, resistor, amps }, index) => {
    const load = assembly.loads[index]?.load;
    if (rated) return volts > rated.max || volts < rated.min ? [designator] : [];
    if (lacksVolts) return [designator];
    const nominal = load ? loadDefinition(load).nominalAmps(load) : amps;
    return amps > nominal * LED_OVER && resistor ? [resistor] : [];
  });
  return [...new Set([...hot, ...said, ...inputs, ...loads])];
}

/** LED current this much over the wanted one marks its resistor. */
const LED_OVER = 1.15;
