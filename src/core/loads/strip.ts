import { stripBallastName, stripModel } from '../parts/kinds/led';
import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { LED_REVERSE_VOLTS, PLAIN_LOAD, SEEN, voltageSayings } from './ratedLoad';

export const stripField = exactly({
  kind: oneOf('strip'),
  ratedVolts: within(LIMITS.volts),
  /** All of it at that voltage. */
  ratedAmps: within(LIMITS.amps),
  /** It begins to glow at this voltage. */
  litVolts: within(LIMITS.volts),
});

/** An LED strip or lamp module with its resistors in it, for a fixed voltage. */
export type StripLoad = Infer<typeof stripField>;

const MAX_SHARE = 1.1;

export const stripLoad: LoadDefinition<StripLoad> = {
  ...PLAIN_LOAD,
  inTime: SEEN,
  dims: true,
  // Of its rows a cheap one has hardly more than one LED to hold it.
  reverseVolts: () => LED_REVERSE_VOLTS,
  // It shines a little from its first milliamperes on.
  showsShare: 0.02,
  field: stripField,
  defaults: { kind: 'strip', ratedVolts: 12, ratedAmps: 0.4, litVolts: 8 },
  parts: ({ ratedVolts, ratedAmps, litVolts }, { hot, cold, index }) => [
    {
      ...{ kind: 'strip', role: 'load', index, a: hot, b: cold },
      ...{ ratedVolts, ratedAmps },
      ...stripModel({ ratedVolts, ratedAmps, litVolts }),
    },
  ],
  sense: (designator) => ({ name: stripBallastName(designator), kind: 'resistor' }),
  nominalAmps: ({ ratedAmps }) => ratedAmps,
  volts: ({ ratedVolts: rated, litVolts }) => ({
    rated,
    min: Math.min(litVolts, 0.95 * rated),
    max: MAX_SHARE * rated,
  }),
  findings: (_, facts) => voltageSayings('strip', facts),
};
