import type { OutputStage } from '../stages/after';
import type { ComparatorSettings, DetectorOutput, DetectorSettings } from '../stages/decider';
import type { Edit } from './edits';
import type { Project } from './project';

/** Changes figures of the comparator; does nothing where none decides. */
export const changeComparator =
  (change: Partial<Omit<ComparatorSettings, 'kind'>>): Edit =>
  (project) =>
    project.detector.kind === 'comparator'
      ? { ...project, detector: { ...project.detector, ...change } }
      : project;

/** Changes figures of any decider of a kind; does nothing where another one decides. */
export const changeDetector =
  <K extends DetectorSettings['kind']>(
    kind: K,
    change: Partial<Extract<DetectorSettings, { kind: K }>>,
  ): Edit =>
  (project) =>
    project.detector.kind === kind
      ? { ...project, detector: { ...project.detector, ...change } as DetectorSettings }
      : project;

/** Exchanges a comparator's two inputs: what turned on now turns off. */
export const swapInputs: Edit = (project) =>
  project.detector.kind === 'comparator'
    ? changeComparator({ sensorInput: project.detector.sensorInput === 'plus' ? 'minus' : 'plus' })(project)
    : project;

/** Changes what a decider's output drives; does nothing where the transistor itself decides. */
export const changeOutput =
  (change: Partial<DetectorOutput>): Edit =>
  (project) => {
    const { detector } = project;
    if (detector.kind === 'transistor') return project;
    return { ...project, detector: { ...detector, output: { ...detector.output, ...change } } };
  };

/** What follows the decider. */
export const changeOutputStage =
  (outputStage: OutputStage): Edit =>
  (project) => ({ ...project, outputStage });

/** The light that the load itself adds at the LDR. */
export const changeFeedbackLight =
  (feedbackLux: number): Edit =>
  (project) => ({ ...project, feedbackLux });

/** The beam onto the LDR; `null` takes it away. */
export const changeBeam =
  (beam: Project['beam']): Edit =>
  (project) => ({ ...project, beam });

/** Puts another way of deciding in place. */
export const takeDetector =
  (detector: DetectorSettings): Edit =>
  (project) => ({ ...project, detector });
