import { ledKinds, type LedKindId } from '../loads/led';
import type { Divider, Goal, LedLoad, Project, Reading } from './project';

/** One change of a design: a pure function from project to project. */
export type Edit = (project: Project) => Project;

export const rename =
  (name: string): Edit =>
  (project) => ({ ...project, name });

/** Adds a reading: one with a figure, unless it says that it lies above it. */
export const addReading =
  (reading: Pick<Reading, 'id' | 'lux' | 'ohms'> & Partial<Reading>): Edit =>
  (project) => ({
    ...project,
    readings: [...project.readings, { above: false, setAside: false, ...reading }],
  });

export const changeReading =
  (id: string, change: Partial<Omit<Reading, 'id'>>): Edit =>
  (project) => ({
    ...project,
    readings: project.readings.map((reading) => (reading.id === id ? { ...reading, ...change } : reading)),
  });

/** Leaves a reading out of the fit, or takes it in again. */
export const setReadingAside =
  (id: string, setAside: boolean): Edit =>
  (project) =>
    changeReading(id, { setAside })(project);

export const chooseMeter =
  (meter: Project['meter']): Edit =>
  (project) => ({ ...project, meter });

export const deleteReading =
  (id: string): Edit =>
  (project) => ({ ...project, readings: project.readings.filter((reading) => reading.id !== id) });

export const changeGoal =
  (change: Partial<Goal>): Edit =>
  (project) => ({ ...project, goal: { ...project.goal, ...change } });

export const changeDivider =
  (change: Partial<Divider>): Edit =>
  (project) => ({ ...project, divider: { ...project.divider, ...change } });

export const swapLdrSide: Edit = (project) =>
  changeDivider({ ldrSide: project.divider.ldrSide === 'top' ? 'bottom' : 'top' })(project);

export const changeBaseResistor =
  (baseOhms: number | null): Edit =>
  (project) => ({ ...project, stage: { ...project.stage, baseOhms } });

export const changeLoad =
  (change: Partial<Omit<LedLoad, 'kind'>>): Edit =>
  (project) => ({ ...project, load: { ...project.load, ...change } });

/** Takes an LED from the list with its usual figures; `own` keeps the present ones to be typed over. */
export const chooseLed =
  (led: LedKindId): Edit =>
  (project) => {
    const kind = ledKinds.find((candidate) => candidate.id === led);
    if (!kind) return changeLoad({ led })(project);
    return changeLoad({ led, forwardVolts: kind.forwardVolts, atAmps: kind.atAmps })(project);
  };

/** Several edits as one. */
export const together =
  (...edits: Edit[]): Edit =>
  (project) =>
    edits.reduce((design, edit) => edit(design), project);
