import { exactly, oneOf, text, withinOrNone, type Infer } from '../schema';

/** Colour marks that tell LDRs of one bag apart. */
export const marks = ['none', 'red', 'yellow', 'green', 'blue', 'white', 'black'] as const;
export type Mark = (typeof marks)[number];

/** What the figures of an LDR may be. */
export const LDR_LIMITS = {
  nameLength: 60,
  maxVolts: { min: 1, max: 1000 },
  maxWatts: { min: 0.001, max: 10 },
  riseSeconds: { min: 0.0001, max: 10 },
  fallSeconds: { min: 0.0001, max: 100 },
} as const;

export const ldrPartField = exactly({
  name: text(LDR_LIMITS.nameLength, 1),
  /** As sold or measured: "5 mm", "disc 7 mm". */
  size: text(LDR_LIMITS.nameLength),
  mark: oneOf<Mark>(...marks),
  bought: text(LDR_LIMITS.nameLength),
  maxVolts: withinOrNone(LDR_LIMITS.maxVolts),
  /** At 25 °C. */
  maxWatts: withinOrNone(LDR_LIMITS.maxWatts),
  /** Time constants toward light and toward dark, in s. */
  riseSeconds: withinOrNone(LDR_LIMITS.riseSeconds),
  fallSeconds: withinOrNone(LDR_LIMITS.fallSeconds),
});

/** What is known of an LDR beside its readings. `null`: nobody has looked it up. */
export type LdrPart = Infer<typeof ldrPartField>;

export const NEW_LDR: LdrPart = {
  name: 'LDR',
  size: '',
  mark: 'none',
  bought: '',
  maxVolts: null,
  maxWatts: null,
  riseSeconds: null,
  fallSeconds: null,
};
