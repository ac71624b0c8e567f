import { detectorDefinition } from '../detectors/registry';
import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { possibleLight } from '../light/range';
import { measuredLdr } from '../readings/ldrOf';
import { LDR_LIMITS, type LdrPart } from '../readings/ldrPart';
import {
  sameLight,
  wholeReading,
  type Level,
  type Measurement,
  type NewReading,
  type Reading,
} from '../readings/reading';
import type { Edit } from './edits';
import type { Circuitry, Project } from './project';

type Moved = (light: number) => number;

/** A circuit with each of its lights on another scale; what is added to a light moves with that light. */
function ontoScale<C extends Circuitry>(circuit: C, moved: Moved): C {
  const { goal, divider, detector, beam, feedbackLux, check } = circuit;
  const orNone = (light: number | null) => (light === null ? null : moved(light));
  const added = (to: number, light: number) =>
    Number(possibleLight(moved(to + light) - moved(to)).toPrecision(3));
  const { lights } = divider;
  return {
    ...circuit,
    goal: { ...goal, lux: moved(goal.lux), offLux: orNone(goal.offLux) },
    detector: detectorDefinition(detector).withLights(detector, moved),
    divider: {
      ...divider,
      lights: lights && { darkLux: moved(lights.darkLux), brightLux: moved(lights.brightLux) },
    },
    beam: beam && { ambientLux: moved(beam.ambientLux), beamLux: added(beam.ambientLux, beam.beamLux) },
    feedbackLux: feedbackLux === 0 ? 0 : added(goal.lux, feedbackLux),
    check: { ...check, darkLux: orNone(check.darkLux), brightLux: orNone(check.brightLux) },
  };
}

/**
 * Makes a change of the measurement keep every light where it was: when the readings come onto another scale (names, relative
 * light, lux), each is the light on the new one at which the LDR has the same resistance.
 */
const keepingGoal =
  (edit: Edit): Edit =>
  (project) => {
    const next = edit(project);
    const [before, after] = [measuredLdr(project), measuredLdr(next)];
    if (before.resolved.scale === after.resolved.scale) return next;
    const moved: Moved = (light) => {
      const lux = ldrLuxAt(after.model.curve, ldrOhmsAt(before.model.curve, light)) ?? light;
      return Number(possibleLight(lux).toPrecision(3));
    };
    const others = next.others.map(({ name, circuit }) => ({ name, circuit: ontoScale(circuit, moved) }));
    return { ...ontoScale(next, moved), others };
  };

/** Adds readings at the end; a planned light that is first in line and has been read leaves the plan. */
export const addReadings = (readings: readonly NewReading[]): Edit =>
  keepingGoal((project) => {
    const first = project.plan[0];
    const isPlanned = first !== undefined && readings.some(({ light }) => sameLight(light, first));
    return {
      ...project,
      readings: [...project.readings, ...readings.map(wholeReading)],
      plan: isPlanned ? project.plan.slice(1) : project.plan,
    };
  });

export const addReading = (reading: NewReading): Edit => addReadings([reading]);

export const changeReading = (id: string, change: Partial<Omit<Reading, 'id'>>): Edit =>
  keepingGoal((project) => ({
    ...project,
    readings: project.readings.map((reading) => (reading.id === id ? { ...reading, ...change } : reading)),
  }));

/** Stands by a reading against all doubt, or no longer. */
export const trustReading = (id: string, trusted: boolean): Edit => changeReading(id, { trusted });

/** Leaves a reading out of the fit, or takes it in again. */
export const setReadingAside = (id: string, setAside: boolean): Edit => changeReading(id, { setAside });

export const chooseMeter = (meter: Project['meter']): Edit => changeMeasurement({ meter });

export const deleteReading = (id: string): Edit =>
  keepingGoal((project) => ({
    ...project,
    readings: project.readings.filter((reading) => reading.id !== id),
  }));

/** Takes a reading out and plans its light as the next one, to be read again. */
export const readAgain = (id: string): Edit =>
  keepingGoal((project) => {
    const reading = project.readings.find((one) => one.id === id);
    if (!reading) return project;
    return {
      ...project,
      readings: project.readings.filter((one) => one !== reading),
      plan: [reading.light, ...project.plan.filter((light) => !sameLight(light, reading.light))],
    };
  });

/** Anything else of the measurement: light meter's tolerance, levels, the ladder's lamp, the plan, all readings. */
export const changeMeasurement = (change: Partial<Measurement>): Edit =>
  keepingGoal((project) => ({ ...project, ...change }));

export const changePart =
  (change: Partial<LdrPart>): Edit =>
  (project) => ({ ...project, part: { ...project.part, ...change } });

/** Puts another measured LDR in this one's place. */
export const takeLdr = (part: LdrPart, measurement: Measurement): Edit =>
  keepingGoal((project) => ({ ...project, part, ...measurement }));

/** Clears the readings for another LDR and plans their lights, each once, in the order in which they were read. */
export const readNextLdr: Edit = keepingGoal((project) => {
  const lights = project.readings.filter(({ setAside }) => !setAside).map(({ light }) => light);
  const plan = lights.filter(
    (light, index) => lights.findIndex((other) => sameLight(light, other)) === index,
  );
  return {
    ...project,
    readings: [],
    plan,
    part: { ...project.part, name: nextName(project.part.name), mark: 'none' },
  };
});

/** `LDR` → `LDR 2` → `LDR 3` */
function nextName(name: string): string {
  const match = /^(.*?) (\d+)$/.exec(name);
  const next = match ? `${match[1]} ${Number(match[2]) + 1}` : `${name} 2`;
  return next.slice(0, LDR_LIMITS.nameLength);
}

export const takeBag = (bag: Project['bag']): Edit => keepingGoal((project) => ({ ...project, bag }));

/** Adds a level, or gives a known one another name or its lux. */
export const putLevel = (level: Level): Edit =>
  keepingGoal((project) => {
    const isKnown = project.levels.some(({ id }) => id === level.id);
    const levels = isKnown
      ? project.levels.map((known) => (known.id === level.id ? level : known))
      : [...project.levels, level];
    return { ...project, levels };
  });
