import { ledKinds, type LedKindId } from '../loads/led';
import { possibleLight } from '../light/range';
import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { measuredLdr } from '../readings/ldrOf';
import { LDR_LIMITS, type LdrPart } from '../readings/ldrPart';
import {
  sameLight,
  type Level,
  type Measurement,
  type Reading,
  type ReadingLight,
} from '../readings/reading';
import type { ResistorStock } from '../series/stock';
import type { LedLoad } from '../loads/led';
import type { Load } from '../loads/registry';
import type { Source } from '../loads/supply';
import { driverDefinition, type TransistorModel } from '../drivers/registry';
import {
  LIMITS,
  type Divider,
  type Goal,
  type LoadSupply,
  type Project,
  type DriverSettings,
  type Trimmer,
} from './project';

/** One change of a design: a pure function from project to project. */
export type Edit = (project: Project) => Project;

export const rename =
  (name: string): Edit =>
  (project) => ({ ...project, name });

/**
 * Makes a change of the measurement keep the goal where it was: when the readings come onto another scale (names, relative
 * light, lux), the goal is the light on the new one at which the LDR has the same resistance.
 */
const keepingGoal =
  (edit: Edit): Edit =>
  (project) => {
    const next = edit(project);
    const [before, after] = [measuredLdr(project), measuredLdr(next)];
    if (before.resolved.scale === after.resolved.scale) return next;
    const moved = (light: number) => {
      const lux = ldrLuxAt(after.model.curve, ldrOhmsAt(before.model.curve, light)) ?? light;
      return Number(possibleLight(lux).toPrecision(3));
    };
    const onto = (goal: Goal): Goal => ({
      ...goal,
      lux: moved(goal.lux),
      offLux: goal.offLux === null ? null : moved(goal.offLux),
    });
    const others = next.others.map(({ name, circuit }) => ({
      name,
      circuit: { ...circuit, goal: onto(circuit.goal) },
    }));
    return { ...next, goal: onto(next.goal), others };
  };

/** A reading as it is typed: what is not said is not known. */
export type NewReading = Pick<Reading, 'id' | 'light' | 'ohms'> & Partial<Reading>;

const complete = (reading: NewReading): Reading => ({
  above: false,
  rangeOhms: null,
  lamp: null,
  takenAt: null,
  note: '',
  setAside: false,
  trusted: false,
  unsettledStd: 0,
  ...reading,
});

/** Adds readings at the end; a planned light that is first in line and has been read leaves the plan. */
export const addReadings = (readings: readonly NewReading[]): Edit =>
  keepingGoal((project) => {
    const first = project.plan[0];
    const isPlanned = first !== undefined && readings.some(({ light }) => sameLight(light, first));
    return {
      ...project,
      readings: [...project.readings, ...readings.map(complete)],
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

export const changeGoal =
  (change: Partial<Goal>): Edit =>
  (project) => {
    const goal = { ...project.goal, ...change };
    const { lux, offLux } = goal;
    return {
      ...project,
      goal: { ...goal, lux: possibleLight(lux), offLux: offLux === null ? null : possibleLight(offLux) },
    };
  };

export const changeDivider =
  (change: Partial<Divider>): Edit =>
  (project) => ({ ...project, divider: { ...project.divider, ...change } });

/**
 * Gives R1 a value: a trimmer in its place is set to it where its travel reaches it, and goes where it does not.
 */
export const setFixed =
  (fixedOhms: number): Edit =>
  (project) => {
    const { trimmer } = project.divider;
    const isReached =
      trimmer !== null && fixedOhms >= trimmer.endOhms && fixedOhms <= trimmer.endOhms + trimmer.trackOhms;
    return changeDivider({ fixedOhms, trimmer: isReached ? trimmer : null })(project);
  };

/** What resistors are in stock. */
export const changeResistors =
  (change: Partial<ResistorStock>): Edit =>
  (project) => ({ ...project, resistors: { ...project.resistors, ...change } });

/** Puts a trimmer in the fixed resistor's place, set as near to the present value as its travel allows; `null` takes it out. */
export const changeTrimmer =
  (trimmer: Trimmer | null, wantedOhms?: number): Edit =>
  (project) => {
    if (trimmer === null) return changeDivider({ trimmer })(project);
    const wanted = wantedOhms ?? project.divider.fixedOhms;
    const { min } = LIMITS.fixedOhms;
    const ohms = Math.max(min, trimmer.endOhms, Math.min(wanted, trimmer.endOhms + trimmer.trackOhms));
    const fixedOhms = Number(ohms.toPrecision(4));
    return changeDivider({ trimmer, fixedOhms })(project);
  };

/** Notes what the midpoint measured at a light; `null` forgets it. */
export const noteMidpoint =
  (light: ReadingLight, volts: number | null): Edit =>
  (project) => {
    const others = project.midpoints.filter((check) => !sameLight(check.light, light));
    return { ...project, midpoints: volts === null ? others : [...others, { light, volts }] };
  };

export const swapLdrSide: Edit = (project) =>
  changeDivider({ ldrSide: project.divider.ldrSide === 'top' ? 'bottom' : 'top' })(project);

/** Makes another kind of transistor switch, with the usual part of its kind or a given one. */
export const takeTransistor =
  (part: TransistorModel): Edit =>
  (project) => {
    const { directSide } = driverDefinition(part.kind);
    const { divider } = project;
    const isDirect = divider.isDirect && directSide !== null;
    return {
      ...project,
      driver: { ...project.driver, kind: part.kind, part },
      divider: { ...divider, isDirect, ldrSide: isDirect ? directSide : divider.ldrSide },
    };
  };

export const changeDriver =
  (change: Partial<Omit<DriverSettings, 'kind' | 'part'>>): Edit =>
  (project) => ({ ...project, driver: { ...project.driver, ...change } });

export const changeBaseResistor = (baseOhms: number | null): Edit => changeDriver({ baseOhms });

/** Drives the base through the LDR and the fixed resistor alone, the LDR on the side where that works; or by a divider again. */
export const driveDirectly =
  (isDirect: boolean): Edit =>
  (project) => {
    const { directSide } = driverDefinition(project.driver.kind);
    if (isDirect && directSide === null) return project;
    const ldrSide = isDirect && directSide ? directSide : project.divider.ldrSide;
    return changeDivider({ isDirect, ldrSide })(project);
  };

type LoadChange = Partial<Omit<LedLoad, 'kind'>> | Partial<Omit<Exclude<Load, LedLoad>, 'kind'>>;

/** Changes figures of one load, those that a load of its kind has. @param index its place among the loads */
export const changeLoad =
  (change: LoadChange, index = 0): Edit =>
  (project) => ({
    ...project,
    loads: project.loads.map((load, at) => (at === index ? changedLoad(load, change) : load)),
  });

function changedLoad(load: Load, change: LoadChange): Load {
  const own = Object.entries(change).filter(([key]) => key in load);
  return { ...load, ...Object.fromEntries(own) };
}

/** Puts another load in the place of one. */
export const takeLoad =
  (load: Load, index = 0): Edit =>
  (project) => ({ ...project, loads: project.loads.map((present, at) => (at === index ? load : present)) });

export const addLoad =
  (load: Load): Edit =>
  (project) =>
    project.loads.length < LIMITS.load.loads ? { ...project, loads: [...project.loads, load] } : project;

/** Takes a load off the switch; the last one stays. */
export const removeLoad =
  (index: number): Edit =>
  (project) =>
    project.loads.length > 1 ? { ...project, loads: project.loads.filter((_, at) => at !== index) } : project;

/** Takes an LED from the list with its usual figures; `own` keeps the present ones to be typed over. */
export const chooseLed =
  (led: LedKindId, index = 0): Edit =>
  (project) => {
    const kind = ledKinds.find((candidate) => candidate.id === led);
    if (!kind) return changeLoad({ led }, index)(project);
    return changeLoad({ led, forwardVolts: kind.forwardVolts, atAmps: kind.atAmps }, index)(project);
  };

/** What stands behind the sensor side's supply, and its open voltage. */
export const takeSource =
  (source: Source, volts: number): Edit =>
  (project) => ({ ...project, source, divider: { ...project.divider, supplyVolts: volts } });

/** The load's own supply; `null` for the same as the sensor's. */
export const changeLoadSupply =
  (loadSupply: LoadSupply | null): Edit =>
  (project) => ({ ...project, loadSupply });

export const changeDarkShare =
  (darkShare: number): Edit =>
  (project) => ({ ...project, darkShare });

/** Several edits as one. */
export const together =
  (...edits: Edit[]): Edit =>
  (project) =>
    edits.reduce((design, edit) => edit(design), project);
