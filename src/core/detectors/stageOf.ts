import type { OutputStage } from './outputStage/outputStage';
import { stageInTime, type StageInTime } from './outputStage/inTime';
import { detectorDefinition, type DetectorSettings } from './registry';

const DIRECT = { kind: 'direct' } as const;

/** What the output of a way of switching does in time. */
export function stageOf({
  detector,
  outputStage,
}: {
  readonly detector: DetectorSettings;
  readonly outputStage: OutputStage;
}): StageInTime {
  const definition = detectorDefinition(detector);
  return stageInTime(definition.takesOutputStage ? outputStage : DIRECT, definition.pulse(detector));
}

/** What follows changes over, or ends by itself: the other light does not turn the load off, it makes it ready for the next time. */
export const isOnce = (kind: StageInTime['kind']): boolean => kind === 'turns-over' || kind === 'pulse';
