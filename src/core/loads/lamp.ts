import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

export const lampField = exactly({
  kind: oneOf('lamp'),
  ratedVolts: within(LIMITS.volts),
  ratedAmps: within(LIMITS.amps),
});

/** A small filament lamp. */
export type LampLoad = Infer<typeof lampField>;

/** Cold, a filament takes so many times its rated current for a moment. */
export const LAMP_INRUSH = 10;

export const lampLoad: LoadDefinition<LampLoad> = {
  ...PLAIN_LOAD,
  inTime: { ...PLAIN_LOAD.inTime, followSeconds: 0.06, inrushSeconds: 0.05 },
  field: lampField,
  defaults: { kind: 'lamp', ratedVolts: 6, ratedAmps: 0.1 },
  parts: ({ ratedVolts, ratedAmps }, { hot, cold, index }) => [
    { kind: 'lamp', role: 'load', index, a: hot, b: cold, ratedVolts, ratedAmps },
  ],
  sense: (designator) => ({ name: designator, kind: 'lamp' }),
  nominalAmps: ({ ratedAmps }) => ratedAmps,
  volts: ({ ratedVolts }) => voltsWithin(ratedVolts, 0.5, 1.15),
  inrushAmps: ({ ratedVolts, ratedAmps }, volts) => (LAMP_INRUSH * ratedAmps * volts) / ratedVolts,
  cautions: () => ['inrush'],
  dims: true,
  glows: true,
  findings: (_, facts) => voltageSayings('lamp', facts),
};
