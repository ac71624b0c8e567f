import { useCallback } from 'react';
import type { LightRange } from '@/core/light/range';
import { changeGoal } from '@/core/project/edits';
import { useWorkbench } from '../workbench/context';
import { luxAfterKey, roundGoal } from './lightKeys';

/** Moving the probe and the goal, by pointer or by keys. */
export function useLightControls(range: LightRange) {
  const { session, view } = useWorkbench();
  const moveProbe = useCallback((probeLux: number) => view.setState({ probeLux }), [view]);
  const draftGoal = useCallback((lux: number) => view.setState({ draftGoalLux: roundGoal(lux) }), [view]);
  const dropGoal = useCallback(
    (lux: number) => {
      view.setState({ draftGoalLux: null });
      if (roundGoal(lux) !== session.store.getState().project.goal.lux) {
        session.apply(changeGoal({ lux: roundGoal(lux) }));
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
    (key: string, alt: boolean) => {
      const lux = luxAfterKey(key, session.store.getState().project.goal.lux, range, alt);
      if (lux !== null) session.apply(changeGoal({ lux: roundGoal(lux) }), 'goal-by-key');
      return lux !== null;
    },
    [range, session],
  );
  return { moveProbe, draftGoal, dropGoal, probeKey, goalKey };
}
