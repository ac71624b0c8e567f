import { exactly, oneOf, within, withinOrNone, type Infer } from '../schema';
import type { LoadDefinition, LoadSaying, LoadSetting } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { ownSense, PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

export const solenoidField = exactly({
  kind: oneOf('solenoid'),
  coilVolts: within(LIMITS.volts),
  coilOhms: within(LIMITS.coilOhms),
  /** The longest that it may be on at a time, in s, as its label has it; `null` where it may stay on. */
  maxOnSeconds: withinOrNone(LIMITS.onSeconds),
});

/** A small solenoid, or the latch of a door or lid: a coil that draws a plunger. */
export type SolenoidLoad = Infer<typeof solenoidField>;

/** It draws its plunger from this share of its voltage on, and takes the other for long (usual of its kind). */
const DRAWS_SHARE = 0.85;
const MAX_SHARE = 1.15;

export const solenoidLoad: LoadDefinition<SolenoidLoad> = {
  ...PLAIN_LOAD,
  inTime: { ...PLAIN_LOAD.inTime, followSeconds: 0.02 },
  field: solenoidField,
  defaults: { kind: 'solenoid', coilVolts: 12, coilOhms: 48, maxOnSeconds: null },
  parts: ({ coilVolts, coilOhms }, { hot, cold, index }) => [
    {
      ...{ kind: 'device', device: 'solenoid', role: 'load', index, a: hot, b: cold },
      ...{ ohms: coilOhms, ratedVolts: coilVolts },
    },
    { kind: 'diode', role: 'flyback', index, anode: cold, cathode: hot, carriedAmps: coilVolts / coilOhms },
  ],
  sense: ownSense,
  nominalAmps: ({ coilVolts, coilOhms }) => coilVolts / coilOhms,
  volts: ({ coilVolts }) => voltsWithin(coilVolts, DRAWS_SHARE, MAX_SHARE),
  onFrom: ({ coilVolts, coilOhms }) => ({ amps: (DRAWS_SHARE * coilVolts) / coilOhms, isEitherWay: true }),
  cautions: () => ['coil'],
  findings: (load, facts, setting) => [...voltageSayings('solenoid', facts), ...sayTime(load, setting)],
};

/** A coil for moments burns where it is held. */
function sayTime({ maxOnSeconds }: SolenoidLoad, { onSeconds }: LoadSetting): readonly LoadSaying[] {
  if (maxOnSeconds === null || (onSeconds !== null && onSeconds <= maxOnSeconds)) return [];
  return [{ state: 'cannot', finding: { code: 'solenoid-held-on', maxOnSeconds, onSeconds } }];
}
