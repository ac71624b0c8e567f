import { useCallback, useMemo } from 'react';
import type { LightRange } from '@/core/light/range';
import { changeGoal } from '@/core/project/edits';
import { moveProbe as moveProbeTo, useWorkbench } from '../workbench/context';
import { luxAfterKey, roundGoal } from './lightKeys';

/** The light at which the load should turn on, or off again. */
export type GoalEnd = 'lux' | 'offLux';

/** Moving the probe and the goal, by pointer or by keys. */
export function useLightControls(range: LightRange) {
  const workbench = useWorkbench();
  const { session, view } = workbench;
  const moveProbe = useCallback((lux: number) => moveProbeTo(workbench, lux), [workbench]);
  const draftGoal = useCallback(
    (end: GoalEnd, lux: number) => view.setState({ draftGoal: { [end]: roundGoal(lux) } }),
    [view],
  );
  const dropGoal = useCallback(
    (end: GoalEnd, lux: number) => {
      view.setState({ draftGoal: null });
      if (roundGoal(lux) !== session.store.getState().project.goal[end]) {
        session.apply(changeGoal({ [end]: roundGoal(lux) }));
      }
    },
    [session, view],
  );
  const probeKey = useCallback(
    (key: string, alt: boolean) => {
      const lux = luxAfterKey(key, view.getState().probeLux, range, alt);
      if (lux !== null) moveProbe(lux);
      return lux !== null;
    },
    [moveProbe, range, view],
  );
  const goalKey = useCallback(
    (end: GoalEnd, key: string, alt: boolean) => {
      const present = session.store.getState().project.goal[end];
      const lux = present === null ? null : luxAfterKey(key, present, range, alt);
      if (lux !== null) session.apply(changeGoal({ [end]: roundGoal(lux) }), `goal-by-key-${end}`);
      return lux !== null;
    },
    [range, session],
  );
  const probeLight = useCallback(() => view.getState().probeLux, [view]);
  const goalLight = useCallback(
    (end: GoalEnd) => {
      const { goal } = session.store.getState().project;
      return goal[end] ?? goal.lux;
    },
    [session],
  );
  return useMemo(
    () => ({ moveProbe, draftGoal, dropGoal, probeKey, goalKey, probeLight, goalLight }),
    [moveProbe, draftGoal, dropGoal, probeKey, goalKey, probeLight, goalLight],
  );
}
