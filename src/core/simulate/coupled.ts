import { bareMidVolts, sourceOhms } from '../detectors/bareDivider';
import type { Machine } from './machine';

/** What a midpoint's changes make behind a capacitor: they build up across its resistors and decay. */
export class Coupled {
  /** Voltage across the capacitor's resistors, in V. */
  across = 0;

  constructor(private readonly coupling: NonNullable<Machine['coupling']>) {}

  /**
   * The same after some time in which the LDR went from one conductance to another. Exact for a midpoint that moves evenly
   * meanwhile: what was there decays, what comes builds up.
   */
  after(seconds: number, from: number, to: number): number {
    if (seconds <= 0) return this.across;
    const { divider, farads, biasOhms } = this.coupling;
    const moved = bareMidVolts(divider, 1 / to) - bareMidVolts(divider, 1 / from);
    const tau = farads * (biasOhms + sourceOhms(divider, 1 / Math.sqrt(from * to)));
    const left = Math.exp(-seconds / tau);
    return this.across * left + (moved / seconds) * tau * (1 - left);
  }

  /** Whether a voltage across them reaches the trigger behind the gain. */
  isTriggered(across: number, siemens: number): boolean {
    const { divider, gain, biasOhms, triggerVolts } = this.coupling;
    const source = sourceOhms(divider, 1 / siemens);
    // No gain gives more than its own supply.
    return Math.min((gain * across * biasOhms) / (biasOhms + source), divider.supplyVolts) >= triggerVolts;
  }
}
