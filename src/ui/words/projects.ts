import type { Project } from '@/core/project/project';
import type { ProjectSummary } from '@/core/analyse/projectSummary';
import type { LightScale } from '@/core/light/scale';
import { detectorText } from './detectors';
import { goalPhrase } from './goal';
import { loadsText } from './loads';
import { transistorNames } from './names';

/** A project in one line: `red LED on in the dark, below 12 lx · comparator · 6 readings`. */
export function summaryText(summary: ProjectSummary): string {
  const { scale, loads, detector, switchedBy, readings } = summary;
  const ldr = readings === 0 ? 'typical LDR' : `${readings} ${readings === 1 ? 'reading' : 'readings'}`;
  const by = switchedBy ? transistorNames[switchedBy] : detectorText(detector);
  return `${loadsText(loads)} on ${goalPhrase(summary, scale)} · ${by} · ${ldr}`;
}

/** A goal in one sentence: `On in the dark, below 12 lx and off again above 20 lx.` */
export const goalSentence = (
  project: Pick<Project, 'goal' | 'detector' | 'outputStage'>,
  scale: LightScale,
): string => `On ${goalPhrase(project, scale)}.`;
