import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { ownSense, PLAIN_LOAD, voltageSayings } from './ratedLoad';

export const fanField = exactly({
  kind: oneOf('fan'),
  ratedVolts: within(LIMITS.volts),
  ratedAmps: within(LIMITS.amps),
  /** From this voltage on it starts by itself. */
  minVolts: within(LIMITS.volts),
});

/** A brushless fan: its own electronics turn it, and take up the kick of its coils. */
export type FanLoad = Infer<typeof fanField>;

/** Standing still, a brushless fan takes about so many times its usual current until it turns (usual of its kind). */
export const FAN_INRUSH = 2;
const MAX_SHARE = 1.15;

export const fanLoad: LoadDefinition<FanLoad> = {
  ...PLAIN_LOAD,
  inTime: { ...PLAIN_LOAD.inTime, followSeconds: 0.8 },
  field: fanField,
  defaults: { kind: 'fan', ratedVolts: 12, ratedAmps: 0.08, minVolts: 6 },
  parts: ({ ratedVolts, ratedAmps }, { hot, cold, index }) => [
    {
      ...{ kind: 'device', device: 'fan', role: 'load', index, a: hot, b: cold },
      ...{ ohms: ratedVolts / ratedAmps, ratedVolts },
    },
  ],
  sense: ownSense,
  nominalAmps: ({ ratedAmps }) => ratedAmps,
  volts: ({ ratedVolts: rated, minVolts: min }) => ({ rated, min, max: MAX_SHARE * rated }),
  inrushAmps: ({ ratedVolts, ratedAmps }, volts) => (FAN_INRUSH * ratedAmps * volts) / ratedVolts,
  findings: (_, facts) => voltageSayings('fan', facts),
};
