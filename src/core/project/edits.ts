import { possibleLight } from '../light/range';
import { ledKinds, type LedKindId } from '../loads/led';
import { sameLight, type ReadingLight } from '../readings/reading';
import type { ResistorStock } from '../series/stock';
import type { LedLoad } from '../loads/led';
import { detectorDefinition } from '../detectors/registry';
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

export const changeGoal =
  (change: Partial<Goal>): Edit =>
  (project) => {
    const goal = { ...project.goal, ...change };
    const { offLux } = goal;
    const lux = possibleLight(goal.lux);
    const { detector } = project;
    return {
      ...project,
      goal: { ...goal, lux, offLux: offLux === null ? null : possibleLight(offLux) },
      detector: change.lux === undefined ? detector : detectorDefinition(detector).atGoal(detector, lux),
    };
  };

export const changeDivider =
  (change: Partial<Divider>): Edit =>
  (project) => ({ ...project, divider: { ...project.divider, ...change } });

/** Whether a trimmer with its end resistor can be set to a value of R1, in Ω. */
export const trimmerReaches = ({ endOhms, trackOhms }: Trimmer, ohms: number): boolean =>
  ohms >= endOhms && ohms <= endOhms + trackOhms;

/**
 * Gives R1 a value: a trimmer in its place is set to it where its travel reaches it, and goes where it does not.
 */
export const setFixed =
  (fixedOhms: number): Edit =>
  (project) => {
    const { trimmer } = project.divider;
    const isReached = trimmer !== null && trimmerReaches(trimmer, fixedOhms);
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
