import { NEW_LDR, type LdrPart } from '../readings/ldrPart';
import { wholeReading, type Measurement } from '../readings/reading';

/** Readings in lux, each taken once, with an auto-ranging meter. */
export const measured = (...pairs: readonly (readonly [lux: number, ohms: number])[]): Measurement => ({
  meter: 'auto-6000',
  lightTolerance: 0,
  levels: [],
  lampMetres: 0.02,
  lightLdr: null,
  plan: [],
  readings: pairs.map(([lux, ohms], index) =>
    wholeReading({ id: `r${index + 1}`, light: { kind: 'lux', lux }, ohms }),
  ),
});

/** An LDR with some of its facts known. */
export const part = (change: Partial<LdrPart>): LdrPart => ({ ...NEW_LDR, ...change });
