import type { CheckSettings, Symptom } from './checkSettings';
import type { Edit } from '../edits';

/** Changes what is known of the built circuit. */
export const changeCheck =
  (change: Partial<CheckSettings>): Edit =>
  (project) => ({ ...project, check: { ...project.check, ...change } });

/** Notes what was found at a probe, in place of what was found there before; `null` takes it away. */
export const noteAnswer =
  (probe: string, value: number | null): Edit =>
  (project) => {
    const others = project.check.answers.filter((answer) => answer.probe !== probe);
    return changeCheck({ answers: value === null ? others : [...others, { probe, value }] })(project);
  };

export const noteSymptom =
  (symptom: Symptom, isThere: boolean): Edit =>
  (project) => {
    const others = project.check.symptoms.filter((each) => each !== symptom);
    return changeCheck({ symptoms: isThere ? [...others, symptom] : others })(project);
  };

/** Begins anew with a circuit of which nothing has been measured. */
export const forgetAnswers: Edit = (project) => changeCheck({ answers: [], symptoms: [] })(project);
