import type { DetectorKind } from './detectors/kinds';
import { detectorOf } from './detectors/registry';
import type { Project } from './project/project';

/** For tests: the settings of a project that has to be of this way of switching. */
export function settingsIn<K extends DetectorKind>({ detector }: Pick<Project, 'detector'>, kind: K) {
  const settings = detectorOf(detector, kind);
  if (!settings) throw new Error(`a ${detector.kind}, not a ${kind}`);
  return settings;
}
