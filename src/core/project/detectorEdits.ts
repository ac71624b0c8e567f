import isEqual from 'fast-deep-equal/es6/index.js';
import type { DetectorOutput } from '../detectors/fields';
import type { DetectorKind } from '../detectors/kinds';
import type { OutputStage } from '../detectors/outputStage/outputStage';
import {
  detectorDefinition,
  detectorOf,
  type DetectorOf,
  type DetectorSettings,
} from '../detectors/registry';
import type { Edit } from './edits';
import type { Project } from './project';

/** Changes figures of a detector of a kind; does nothing where another one switches. */
export const changeDetector =
  <K extends DetectorKind>(kind: K, change: Partial<Omit<DetectorOf<K>, 'kind'>>): Edit =>
  (project) => {
    const present = detectorOf(project.detector, kind);
    return present ? { ...project, detector: { ...present, ...change } } : project;
  };

/** Exchanges a comparator's two inputs: what turned on now turns off. Does nothing where there are none to exchange. */
export const swapInputs: Edit = (project) => {
  const swapped = detectorDefinition(project.detector).swapped(project.detector);
  return swapped ? { ...project, detector: swapped } : project;
};

/** Changes what a detector's output drives; does nothing where there is no output. */
export const changeOutput =
  (change: Partial<DetectorOutput>): Edit =>
  (project) => {
    const definition = detectorDefinition(project.detector);
    const output = definition.output(project.detector);
    if (!output) return project;
    const detector = definition.withOutput(project.detector, { ...output, ...change });
    // What takes no part in the circuit stays as it was set: a dot's outputs have their loads between them, whatever is kept for a bar.
    return isEqual(definition.output(detector), output) ? project : { ...project, detector };
  };

/** What follows the detector. */
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

/** Puts another way of switching in place. */
export const takeDetector =
  (detector: DetectorSettings): Edit =>
  (project) => ({ ...project, detector });
