import { TYPICAL_LDR_WATTS } from '../ldr/typical';
import type { Project } from '../project/project';

/** What a small LDR is usually rated across it, in V, where its leaflet is not at hand. */
export const TYPICAL_LDR_VOLTS = 150;
/** Up to here an LDR is rated its full power, in °C; at the second none. */
const DERATED_FROM = 25;
const DERATED_TO = 75;

export interface LdrLimits {
  readonly volts: number;
  /** At the temperature where it sits. */
  readonly watts: number;
  /** At 25 °C. */
  readonly fullWatts: number;
  /** Both are from its leaflet, not the usual ones. */
  readonly known: boolean;
}

/** What the project's LDR is rated: by its leaflet or as usual, the power less the warmer it sits (linear from 25 to 75 °C). */
export function ldrLimitsOf({ part, divider }: Pick<Project, 'part' | 'divider'>): LdrLimits {
  const fullWatts = part.maxWatts ?? TYPICAL_LDR_WATTS;
  const share = (DERATED_TO - divider.ambientCelsius) / (DERATED_TO - DERATED_FROM);
  return {
    volts: part.maxVolts ?? TYPICAL_LDR_VOLTS,
    watts: fullWatts * Math.min(1, Math.max(0, share)),
    fullWatts,
    known: part.maxWatts !== null && part.maxVolts !== null,
  };
}
