import type { BuildSettings } from './buildSettings';
import type { Edit } from '../edits';

/** Changes how the design is built. */
export const changeBuild =
  (change: Partial<BuildSettings>): Edit =>
  (project) => ({ ...project, build: { ...project.build, ...change } });

/**
 * Ticks a step off, or takes the tick away. Ticks of steps that there are no more are forgotten.
 * @param steps keys of all the steps there are
 */
export const tickStep =
  (key: string, isDone: boolean, steps: ReadonlySet<string>): Edit =>
  (project) => {
    const others = project.build.ticked.filter((each) => each !== key && steps.has(each));
    return changeBuild({ ticked: isDone ? [...others, key] : others })(project);
  };
