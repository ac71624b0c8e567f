import type { Design } from '@/core/design';
import type { StageInTime } from '@/core/detectors/outputStage/inTime';
import { detectorDefinition } from '@/core/detectors/registry';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import type { Action } from '@/core/drivers/kinds';
import type { LightScale } from '@/core/light/scale';
import type { Project } from '@/core/project/project';
import { lightText } from './light';
import { actionNames } from './names';
import { timeText } from './time';

/** When the load should be on, as it goes on behind "turns it on": `in the dark, below 20 lx and off again above 60 lx`. */
export function goalPhrase(
  project: Pick<Project, 'goal' | 'detector' | 'outputStage'>,
  scale: LightScale,
): string {
  const stage = stageOf(project);
  return `${lightPhrase(project, scale, isOnce(stage.kind))}${thenPhrase(stage)}`;
}

/** How long it is on, where what follows says so; goes on behind when it is on. */
export function thenPhrase(stage: StageInTime): string {
  switch (stage.kind) {
    case 'follows':
      return '';
    case 'held-pulse':
      return `, for ${timeText(stage.seconds)} at least`;
    case 'pulse':
      return `, for ${timeText(stage.seconds)}`;
    case 'turns-over':
      return ', and off the next time';
  }
}

/** @param runsOnce the light to turn off at does not turn it off */
function lightPhrase(
  { goal, detector }: Pick<Project, 'goal' | 'detector'>,
  scale: LightScale,
  runsOnce: boolean,
): string {
  const definition = detectorDefinition(detector);
  const light = lightText(scale);
  // Told in ohms the light is the LDR's resistance: the more, the darker.
  const isOhms = scale === 'ohms';
  const what = isOhms ? 'with the LDR ' : '';
  const { lights } = definition.goal;
  if (lights === 'window') return `${what}between ${light(goal.lux)} and ${light(goal.offLux ?? goal.lux)}`;
  if (lights === 'start') return `at a change from ${light(goal.lux)}`;
  const isDark = goal.action === 'on-in-dark';
  const onSide = isDark === isOhms ? 'above' : 'below';
  const offSide = onSide === 'above' ? 'below' : 'above';
  const where = `in the ${isDark ? 'dark' : 'light'}`;
  if (definition.goalEnd(detector) === 'off')
    return `${where}, off again ${what}${offSide} ${light(goal.lux)}`;
  const off =
    lights === 'one' && goal.offLux !== null && !runsOnce
      ? ` and off again ${offSide} ${light(goal.offLux)}`
      : '';
  return `${where}, ${what}${onSide} ${light(goal.lux)}${off}`;
}

const OTHER = { 'on-in-dark': 'on-in-light', 'on-in-light': 'on-in-dark' } as const;

/**
 * When something is on, in a few words: `on in the dark`, of a window `on between two lights`.
 * @param isTurned it is on where the load is off
 */
export function actionText(
  { detector }: Pick<Project, 'detector'>,
  action: Action,
  isTurned = false,
): string {
  const { lights } = detectorDefinition(detector).goal;
  // A window that is turned over is off where it should be on.
  if (lights === 'window')
    return (action === 'on-in-light') === isTurned ? 'off between two lights' : 'on between two lights';
  if (lights === 'start') return isTurned ? 'off at a change' : 'on at a change';
  return actionNames[isTurned ? OTHER[action] : action];
}

/** Between which lights the load is meant to be on, in lx; `null` for no end there, and the same twice where a change says. */
export function onBetween({ goal, detector }: Pick<Project, 'goal' | 'detector'>): {
  readonly from: number | null;
  readonly to: number | null;
} {
  const { lights } = detectorDefinition(detector).goal;
  if (lights === 'start') return { from: goal.lux, to: goal.lux };
  if (lights === 'window') return { from: goal.lux, to: goal.offLux ?? goal.lux };
  return goal.action === 'on-in-dark' ? { from: null, to: goal.lux } : { from: goal.lux, to: null };
}

/** Whether it answers to a change of the light, whatever the light: there is none at which it switches. */
export const hearsChanges = ({ detector }: Pick<Project, 'detector'>): boolean =>
  detectorDefinition(detector).goal.lights === 'start';

/** Where something switches, as a figure: a light, `a change` of what hears changes, else `never`. */
export function whereText(
  project: Pick<Project, 'detector'>,
  lux: number | null,
  light: (lux: number) => string,
): string {
  if (lux !== null) return light(lux);
  return hearsChanges(project) ? 'a change' : 'never';
}

/** The same as a sentence goes on with it: `switches at 12 lx`, `never switches`. */
export function switchesText(
  project: Pick<Project, 'detector'>,
  lux: number | null,
  light: (lux: number) => string,
): string {
  return lux === null && !hearsChanges(project)
    ? 'never switches'
    : `switches at ${whereText(project, lux, light)}`;
}

/** Where a design switches, as a sentence goes on with it: `switches at 12 lx`. */
export function switchingText(
  { detector }: Pick<Project, 'detector'>,
  { half, resolved }: Pick<Design, 'half' | 'resolved'>,
): string {
  if (half.ok) return `switches at ${lightText(resolved.scale)(half.lux)}`;
  return hearsChanges({ detector }) ? 'switches at a change of the light' : 'switches at no light';
}
