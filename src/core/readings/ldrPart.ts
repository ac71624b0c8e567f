/** Colour marks that tell LDRs of one bag apart. */
export const marks = ['none', 'red', 'yellow', 'green', 'blue', 'white', 'black'] as const;
export type Mark = (typeof marks)[number];

/** What is known of an LDR beside its readings. `null`: nobody has looked it up. */
export interface LdrPart {
  readonly name: string;
  /** As sold or measured: "5 mm", "disc 7 mm". */
  readonly size: string;
  readonly mark: Mark;
  readonly bought: string;
  readonly maxVolts: number | null;
  /** At 25 °C. */
  readonly maxWatts: number | null;
  /** Time constants toward light and toward dark, in s. */
  readonly riseSeconds: number | null;
  readonly fallSeconds: number | null;
}

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

/** What the figures of an LDR may be. */
export const LDR_LIMITS = {
  nameLength: 60,
  maxVolts: { min: 1, max: 1000 },
  maxWatts: { min: 0.001, max: 10 },
  riseSeconds: { min: 0.0001, max: 10 },
  fallSeconds: { min: 0.0001, max: 100 },
} as const;
