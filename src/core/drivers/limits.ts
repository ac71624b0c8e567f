import { idField, text, within } from '../schema';

/** What each figure of an own part may be. */
export const TRANSISTOR_LIMITS = {
  saturationAmps: { min: 1e-18, max: 1e-8 },
  beta: { min: 5, max: 200_000 },
  thresholdVolts: { min: 0.3, max: 4 },
  onOhms: { min: 0.001, max: 50 },
  maxAmps: { min: 0.01, max: 100 },
  maxBaseAmps: { min: 0.0005, max: 10 },
  maxVolts: { min: 5, max: 1000 },
  maxGateVolts: { min: 5, max: 30 },
  maxWatts: { min: 0.05, max: 300 },
  nameLength: 40,
} as const;

/** What every transistor is told by. */
export const transistorFields = {
  id: idField,
  /** As its owner calls it; empty for one of the list, which the words name. */
  name: text(TRANSISTOR_LIMITS.nameLength),
  maxAmps: within(TRANSISTOR_LIMITS.maxAmps),
  maxVolts: within(TRANSISTOR_LIMITS.maxVolts),
  maxWatts: within(TRANSISTOR_LIMITS.maxWatts),
};
