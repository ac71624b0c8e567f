import type { CheckSettings, Symptom } from './checkSettings';
import type { Edit } from '../edits';

/** Changes what is known of the built circuit. */
export const changeCheck =
  (change: Partial<CheckSettings>): Edit =>
  (project) => ({ ...project, check: { ...project.check, ...change } });

/**
 * Notes what was found at a probe, in place of what was found there before; `null` takes it away.
 * @param isAgain it was made once more: what was found before stands beside it
 */
export const noteAnswer =
  (probe: string, value: number | null, isAgain = false): Edit =>
  (project) => {
    const { answers } = project.check;
    const others = answers.filter((answer) => answer.probe !== probe);
    const before = isAgain ? answers.filter((answer) => answer.probe === probe).slice(-1) : [];
    return changeCheck({ answers: value === null ? others : [...others, ...before, { probe, value }] })(
      project,
    );
  };

export const noteSymptom =
  (symptom: Symptom, isThere: boolean): Edit =>
  (project) => {
    const others = project.check.symptoms.filter((each) => each !== symptom);
    return changeCheck({ symptoms: isThere ? [...others, symptom] : others })(project);
  };

/** Begins anew with a circuit of which nothing has been measured. */
export const forgetAnswers: Edit = (project) => changeCheck({ answers: [], symptoms: [] })(project);
