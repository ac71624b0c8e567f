import type { LdrCurve } from './curve';

/** A common small photoresistor, to start from while nothing has been measured. Said to be typical wherever used. */
export const TYPICAL_LDR: LdrCurve = { r10Ohms: 14_000, gamma: 0.7, darkOhms: 2e6, brightOhms: 60 };

/** R10 of parts sold as the same lies within a factor of this, at about two standard deviations. */
export const TYPICAL_R10_FACTOR = 1.6;

/** γ of parts sold as the same lies within ± this, at about two standard deviations. */
export const TYPICAL_GAMMA_SPREAD = 0.1;

/** What a small photoresistor is usually rated at 25 °C, in W (50–100 mW; the cautious middle). */
export const TYPICAL_LDR_WATTS = 0.075;
