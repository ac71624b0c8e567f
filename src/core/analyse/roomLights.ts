import { detectorDefinition } from '../detectors/registry';
import { stageOf } from '../detectors/stageOf';
import type { Project } from '../project/project';
import type { CircuitAnalysis } from './analysis';
import { drawnCurves } from './curves/drawn';
import { feedbackLightFacts, isLitWhenOff, litShare } from './feedbackLight';
import { contactLights } from './loadFacts';

/** The light of the room, without the load's own, at which a design turns on and off. */
export interface RoomLights {
  readonly onLux: number;
  readonly offLux: number;
}

/**
 * Where a design turns on and off by the light of the room: its own lights, of a coil alone those of its contact, less what the load
 * adds while it is on. What a transistor drives softly counts as on from half of its current.
 * @returns `null` where no light of the room turns it on and off again: it does not switch, is on between two lights, goes by a time
 *   of its own, blinks or holds itself
 */
export function roomLightsOf(project: Project, design: CircuitAnalysis): RoomLights | null {
  const { thresholds, half, drive, action } = design;
  const { feedbackLux } = project;
  if (thresholds && (thresholds.isWindow || stageOf(project).kind !== 'follows')) return null;
  const coil = !thresholds && drive.isPullIn ? contactLights(design) : null;
  const { on, off } = thresholds
    ? { on: thresholds.turnOn, off: thresholds.turnOff }
    : (coil ?? { on: half, off: half });
  if (!on.ok || !off.ok) return null;
  if (feedbackLux === 0) return { onLux: on.lux, offLux: off.lux };
  // Several steps have several loads, each with lights of its own.
  if (detectorDefinition(project.detector).goal.lights === 'steps') return null;
  const verdict = feedbackLightFacts(project, design)?.verdict;
  if (verdict !== 'steady' && verdict !== 'dims-itself') return null;
  const own = feedbackLux * litShare(design);
  if (thresholds || coil)
    return isLitWhenOff(design)
      ? { onLux: on.lux - own, offLux: off.lux }
      : { onLux: on.lux, offLux: off.lux - own };
  if (action === 'on-in-dark') {
    const lux = half.ok ? half.lux - feedbackLux / 2 : 0;
    return lux > 0 ? { onLux: lux, offLux: lux } : null;
  }
  // Rising it climbs by itself from where its own light brings more than it takes; falling it holds itself as far down.
  let [onLux, offLux] = [-Infinity, Infinity];
  const curves = drawnCurves(design);
  for (const [at, lux] of curves?.lux.entries() ?? []) {
    const room = lux - feedbackLux * Math.min(1, (curves?.loadAmps[at] ?? 0) / drive.onAmps);
    if (lux <= on.lux) onLux = Math.max(onLux, room);
    else offLux = Math.min(offLux, room);
  }
  return onLux > 0 && offLux > 0 && offLux < Infinity ? { onLux, offLux: Math.min(onLux, offLux) } : null;
}
