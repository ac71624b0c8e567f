import { curesOfDay, type TriedCure } from '@/core/simulate/day/cureDay';
import { dayReport, type DayInput, type DayRefusal, type DayReport } from '@/core/simulate/day/dayReport';
import type { DaySettings } from '@/core/simulate/day/daySettings';
import { yearOf, type YearDay, type YearLights } from '@/core/simulate/day/year';
import type { Project } from '@/core/project/project';
import type { Ok } from '@/core/result';
import type { Compute } from '../protocol';

export interface DayQuestion {
  readonly project: Project;
  readonly input: DayInput;
}
export type DayAnswer = Ok<{ readonly report: DayReport }> | DayRefusal;

/** A design through a day, or through a recorded light. */
export const computeDay: Compute<DayQuestion, DayAnswer> = async ({ project, input }, onProgress) =>
  Promise.resolve(dayReport(project, input, onProgress));

export interface DayCuresQuestion {
  readonly project: Project;
  readonly day: DaySettings;
}

/** What leaves a day without chatter. */
export const computeDayCures: Compute<DayCuresQuestion, readonly TriedCure[]> = async (
  { project, day },
  onProgress,
) => Promise.resolve(curesOfDay(project, day, onProgress));

export interface YearQuestion {
  readonly day: DaySettings;
  readonly lights: YearLights;
}

/** Times of switching over a year. */
export const computeYear: Compute<YearQuestion, readonly YearDay[]> = async ({ day, lights }, onProgress) =>
  Promise.resolve(yearOf(day, lights, 1, onProgress));
