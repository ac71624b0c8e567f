import type { Goal } from '@/core/project/project';
import type { ProjectSummary } from '@/core/analyse/projectSummary';
import { detectorText } from './detectors';
import { lightText, type LightText } from './light';
import { loadsText } from './loads';
import { actionNames, transistorNames } from './names';

/** A project in one line: `red LED on in the dark, below 12 lx · comparator · 6 readings`. */
export function summaryText(summary: ProjectSummary): string {
  const { action, lux, scale, loads, detector, transistor, readings } = summary;
  const side = action === 'on-in-dark' ? 'below' : 'above';
  const ldr = readings === 0 ? 'typical LDR' : `${readings} ${readings === 1 ? 'reading' : 'readings'}`;
  const by = detector ? detectorText(detector) : transistorNames[transistor];
  return `${loadsText(loads)} ${actionNames[action]}, ${side} ${lightText(scale)(lux)} · ${by} · ${ldr}`;
}

/** A goal in one sentence: `On in the dark below 12 lx, off again above 20 lx.` */
export function goalText({ action, lux, offLux }: Goal, light: LightText): string {
  const [side, other] = action === 'on-in-dark' ? ['below', 'above'] : ['above', 'below'];
  const on = `${actionNames[action]} ${side} ${light(lux)}`;
  const off = offLux === null ? '' : `, off again ${other} ${light(offLux)}`;
  return `${on.charAt(0).toUpperCase()}${on.slice(1)}${off}.`;
}
