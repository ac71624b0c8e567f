import { changeGoal } from '../../project/edits';
import type { Project } from '../../project/project';
import { resized } from '../../size/resize';
import { dayLight } from './dayLight';
import type { DaySettings } from './daySettings';

/** The light of a clear day at a time of its clock, lamps included, in lx. @param minutes after midnight */
export function luxAtTime(day: DaySettings, minutes: number): number {
  const from = Math.min(86_399, Math.max(0, minutes * 60));
  const { lux } = dayLight(
    { ...day, weather: 'clear', leaves: false, headlights: 0 },
    { from, to: from + 1 },
  );
  return lux[0] ?? 0;
}

/** The design meant for a time: its goal the light of that time, and R1 or its own values put on it. */
export const goalAtTime =
  (day: DaySettings, minutes: number) =>
  (project: Project): Project => {
    const lux = Number(luxAtTime(day, minutes).toPrecision(3));
    const { goal } = project;
    // The band stays as wide as it was.
    const offLux = goal.offLux === null ? null : Number(((goal.offLux * lux) / goal.lux).toPrecision(3));
    return resized(changeGoal({ lux, offLux })(project));
  };
