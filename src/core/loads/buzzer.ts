import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { HEARD, ownSense, PLAIN_LOAD, voltageSayings } from './ratedLoad';

export const buzzerField = exactly({
  kind: oneOf('buzzer'),
  minVolts: within(LIMITS.volts),
  ratedVolts: within(LIMITS.volts),
  maxVolts: within(LIMITS.volts),
  ratedAmps: within(LIMITS.amps),
  /** At 10 cm and the rated voltage. */
  decibels: within(LIMITS.decibels),
});

/** A buzzer that sounds by itself on direct current. */
export type BuzzerLoad = Infer<typeof buzzerField>;

/** How much louder or quieter than rated a buzzer sounds at a voltage, in dB: its sound pressure goes with the voltage. */
export function loudnessChange(volts: number, rated: number): number {
  return 20 * Math.log10(volts / rated);
}

/** A buzzer's loudness against its rated one, in dB; `null` where it stays silent. */
export function loudnessOf({ minVolts, ratedVolts }: BuzzerLoad, volts: number): number | null {
  return volts >= minVolts ? loudnessChange(volts, ratedVolts) : null;
}

/** So much quieter than rated is said, in dB. */
export const QUIET_DECIBELS = -4;

/** Small active buzzers sound at about this. */
const BUZZER_HERTZ = 2300;

export const buzzerLoad: LoadDefinition<BuzzerLoad> = {
  ...PLAIN_LOAD,
  inTime: HEARD,
  heardHertz: () => BUZZER_HERTZ,
  field: buzzerField,
  defaults: { kind: 'buzzer', minVolts: 3, ratedVolts: 5, maxVolts: 8, ratedAmps: 0.025, decibels: 85 },
  parts: ({ ratedVolts, ratedAmps }, { hot, cold, index }) => [
    {
      ...{ kind: 'device', device: 'buzzer', role: 'load', index, a: hot, b: cold },
      ...{ ohms: ratedVolts / ratedAmps, ratedVolts },
    },
  ],
  sense: ownSense,
  nominalAmps: ({ ratedAmps }) => ratedAmps,
  volts: ({ ratedVolts: rated, minVolts: min, maxVolts: max }) => ({ rated, min, max }),
  findings: (load, facts) => {
    const said = voltageSayings('buzzer', facts, false);
    const decibels = loudnessOf(load, facts.volts) ?? 0;
    return said.length === 0 && decibels < QUIET_DECIBELS
      ? [{ state: 'look', finding: { code: 'buzzer-quiet', decibels } }]
      : said;
  },
};
