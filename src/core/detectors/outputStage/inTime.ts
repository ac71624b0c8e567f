import { countedSeconds } from '../../parts/kinds/counter';
import { pulseSeconds } from '../../parts/kinds/timer';
import type { TimedPulse } from './oneShot';
import type { OutputStage } from './outputStage';

/**
 * What an output does in time with the detector's being on: it follows; its time runs from a turning on and is held as long as
 * the light stays there; its time runs from a turning on and ends whatever the light; or each turning on turns it over. A time that
 * runs is not begun anew.
 */
export type StageInTime =
  | { readonly kind: 'follows' }
  | { readonly kind: 'held-pulse'; readonly seconds: number }
  | ({ readonly kind: 'pulse'; readonly seconds: number } & Held)
  | ({ readonly kind: 'turns-over' } & Held);

/** How long the detector's own output stays on at least, in s: what comes meanwhile is not heard. */
interface Held {
  readonly heldSeconds: number;
}

/** @param pulse one that the detector makes itself, before any stage */
export function stageInTime(stage: OutputStage, pulse: TimedPulse | null): StageInTime {
  const heldSeconds = pulse ? pulseSeconds(pulse.ohms, pulse.farads, pulse.share) : 0;
  switch (stage.kind) {
    case 'direct':
    case 'inverted':
      return pulse ? { kind: 'held-pulse', seconds: heldSeconds } : { kind: 'follows' };
    case 'one-shot':
      return { kind: 'held-pulse', seconds: Math.max(heldSeconds, pulseSeconds(stage.ohms, stage.farads)) };
    case 'counted':
      return { kind: 'pulse', seconds: countedSeconds(stage.ohms, stage.farads), heldSeconds };
    case 'toggle':
      return { kind: 'turns-over', heldSeconds };
  }
}
