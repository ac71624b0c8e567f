import type { BuildSettings, LegOrder } from './buildSettings';
import type { Edit } from '../edits';
import { ON_THE_BENCH, type Siting } from './siting';

/** Changes how the design is built. */
export const changeBuild =
  (change: Partial<BuildSettings>): Edit =>
  (project) => ({ ...project, build: { ...project.build, ...change } });

/** Says in which order the transistor’s legs stand: what was placed by hand goes by another order. */
export const changeLegs =
  (legs: LegOrder): Edit =>
  (project) =>
    changeBuild({ legs, layout: legs === project.build.legs ? project.build.layout : null })(project);

/** Changes where it goes. A layout made by hand is left alone unless the LDR comes onto the board or leaves it. */
export const changeSiting =
  (change: Partial<Siting>): Edit =>
  (project) => {
    const { siting, layout } = project.build;
    const changed = { ...siting, ...change };
    // Without leads nothing of them is left that would come back with the next ones.
    const next =
      changed.leadMetres > 0
        ? changed
        : { ...changed, leads: ON_THE_BENCH.leads, isNearMains: ON_THE_BENCH.isNearMains };
    const isSameBoard = next.leadMetres > 0 === siting.leadMetres > 0;
    return changeBuild({ siting: next, layout: isSameBoard ? layout : null })(project);
  };

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
