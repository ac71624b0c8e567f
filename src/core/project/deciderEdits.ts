import type { After } from '../stages/after';
import type { ComparatorSettings, DeciderOutput, DeciderSettings } from '../stages/decider';
import type { Edit } from './edits';
import type { Project } from './project';

/** Changes figures of the comparator; does nothing where none decides. */
export const changeComparator =
  (change: Partial<Omit<ComparatorSettings, 'kind'>>): Edit =>
  (project) =>
    project.decider.kind === 'comparator'
      ? { ...project, decider: { ...project.decider, ...change } }
      : project;

/** Changes figures of any decider of a kind; does nothing where another one decides. */
export const changeDecider =
  <K extends DeciderSettings['kind']>(
    kind: K,
    change: Partial<Extract<DeciderSettings, { kind: K }>>,
  ): Edit =>
  (project) =>
    project.decider.kind === kind
      ? { ...project, decider: { ...project.decider, ...change } as DeciderSettings }
      : project;

/** Exchanges a comparator's two inputs: what turned on now turns off. */
export const swapInputs: Edit = (project) =>
  project.decider.kind === 'comparator'
    ? changeComparator({ sensorInput: project.decider.sensorInput === 'plus' ? 'minus' : 'plus' })(project)
    : project;

/** Changes what a decider's output drives; does nothing where the transistor itself decides. */
export const changeOutput =
  (change: Partial<DeciderOutput>): Edit =>
  (project) => {
    const { decider } = project;
    if (decider.kind === 'transistor') return project;
    return { ...project, decider: { ...decider, output: { ...decider.output, ...change } } };
  };

/** What follows the decider. */
export const changeAfter =
  (after: After): Edit =>
  (project) => ({ ...project, after });

/** The light that the load itself adds at the LDR. */
export const changeOwnLight =
  (ownLux: number): Edit =>
  (project) => ({ ...project, ownLux });

/** The beam onto the LDR; `null` takes it away. */
export const changeBeam =
  (beam: Project['beam']): Edit =>
  (project) => ({ ...project, beam });

/** Puts another way of deciding in place. */
export const takeDecider =
  (decider: DeciderSettings): Edit =>
  (project) => ({ ...project, decider });
