import { countedSeconds } from '../../parts/kinds/counter';
import { oneShotSeconds } from './oneShot';
import type { OutputStage } from './outputStage';

/**
 * What an output does in time with the detector's being on: it follows; its time runs from each turning on and is held as long as
 * the light stays there; its time runs from each turning on and ends whatever the light; or each turning on turns it over.
 */
export type StageInTime =
  | { readonly kind: 'follows' }
  | { readonly kind: 'held-pulse' | 'pulse'; readonly seconds: number }
  | { readonly kind: 'turns-over' };

/** @param pulse one that the detector makes itself, before any stage */
export function stageInTime(
  stage: OutputStage,
  pulse: { readonly ohms: number; readonly farads: number } | null,
): StageInTime {
  if (pulse) return { kind: 'held-pulse', seconds: oneShotSeconds(pulse.ohms, pulse.farads) };
  switch (stage.kind) {
    case 'direct':
    case 'inverted':
      return { kind: 'follows' };
    case 'one-shot':
      return { kind: 'held-pulse', seconds: oneShotSeconds(stage.ohms, stage.farads) };
    case 'counted':
      return { kind: 'pulse', seconds: countedSeconds(stage.ohms, stage.farads) };
    case 'toggle':
      return { kind: 'turns-over' };
  }
}
