import type { StageInTime } from '@/core/detectors/outputStage/inTime';
import { detectorDefinition } from '@/core/detectors/registry';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import type { LightScale } from '@/core/light/scale';
import type { Project } from '@/core/project/project';
import { lightText } from './light';
import { timeText } from './time';

/** When the load should be on, as it goes on behind "turns it on": `in the dark, below 20 lx and off again above 60 lx`. */
export function goalPhrase(
  project: Pick<Project, 'goal' | 'detector' | 'outputStage'>,
  scale: LightScale,
): string {
  const stage = stageOf(project);
  return `${lightPhrase(project, scale, isOnce(stage.kind))}${thenPhrase(stage)}`;
}

/** How long, where what follows says so. */
function thenPhrase(stage: StageInTime): string {
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
