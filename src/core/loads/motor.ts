import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { ownSense, PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

export const motorField = exactly({
  kind: oneOf('motor'),
  ratedVolts: within(LIMITS.volts),
  ratedAmps: within(LIMITS.amps),
  /** What it takes when it is stalled, and for a moment whenever it starts. */
  stallAmps: within(LIMITS.amps),
});

/** A small brushed motor under its usual load. */
export type MotorLoad = Infer<typeof motorField>;

export const motorLoad: LoadDefinition<MotorLoad> = {
  ...PLAIN_LOAD,
  inTime: { ...PLAIN_LOAD.inTime, followSeconds: 0.2, inrushSeconds: 0.2 },
  field: motorField,
  defaults: { kind: 'motor', ratedVolts: 6, ratedAmps: 0.15, stallAmps: 0.8 },
  parts: ({ ratedVolts, ratedAmps }, { hot, cold, index }) => [
    {
      ...{ kind: 'device', device: 'motor', role: 'load', index, a: hot, b: cold },
      ...{ ohms: ratedVolts / ratedAmps, ratedVolts },
    },
    { kind: 'diode', role: 'flyback', index, anode: cold, cathode: hot, carriedAmps: ratedAmps },
  ],
  sense: ownSense,
  nominalAmps: ({ ratedAmps }) => ratedAmps,
  volts: ({ ratedVolts }) => voltsWithin(ratedVolts, 0.5, 1.3),
  inrushAmps: ({ ratedVolts, stallAmps }, volts) => (stallAmps * volts) / ratedVolts,
  cautions: () => ['coil', 'inrush'],
  findings: (_, facts) => voltageSayings('motor', facts),
};
