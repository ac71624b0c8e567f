import { ldrOhmsAt } from '../ldr/curve';
import type { Observation } from '../ldr/maximumLikelihood';
import { ldrModelOf, type LdrModel } from '../ldr/model';
import { bestRange, meterOf, readingSigma } from '../meter/meter';
import type { Project, Reading } from '../project/project';

/** What a hand at a lamp and an LDR that still settles add to each reading: standard deviation of ln R. */
export const HAND_SCATTER = 0.03;

// Readings are immutable, so what they say of the LDR is found once and serves every later edit of the circuit.
const models = new WeakMap<
  Project['readings'],
  { readonly meter: Project['meter']; readonly model: LdrModel }
>();

/** What a project knows of its LDR, by all readings that are not set aside. */
export function ldrOf({ readings, meter }: Pick<Project, 'readings' | 'meter'>): LdrModel {
  const known = models.get(readings);
  if (known?.meter === meter) return known.model;
  const observations = readings
    .filter((reading) => !reading.setAside)
    .map((reading) => observationOf(reading, meter));
  const model = ldrModelOf(observations);
  models.set(readings, { meter, model });
  return model;
}

/** A reading as the fit sees it, weighed by its meter's accuracy on the range that shows it best. */
function observationOf({ lux, ohms, above }: Reading, meterId: Project['meter']): Observation {
  const meter = meterId && meterOf(meterId);
  const range = meter && bestRange(meter, ohms);
  const sigma = meter && range ? Math.hypot(HAND_SCATTER, readingSigma(meter, range, ohms)) : HAND_SCATTER;
  return { lux, ohms, sigma, above };
}

/** How far each reading lies off the curve, `ln(read / curve)`; `null` for one that only says "above this". */
export function residualsOf(project: Project, { curve }: LdrModel): readonly (number | null)[] {
  return project.readings.map(({ lux, ohms, above }) =>
    above ? null : Math.log(ohms / ldrOhmsAt(curve, lux)),
  );
}
