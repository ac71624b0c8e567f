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
  readonly mostVolts: number | null;
  /** At 25 °C. */
  readonly mostWatts: number | null;
  /** Time constants toward light and toward dark, in s. */
  readonly riseSeconds: number | null;
  readonly fallSeconds: number | null;
}

export const NEW_LDR: LdrPart = {
  name: 'LDR',
  size: '',
  mark: 'none',
  bought: '',
  mostVolts: null,
  mostWatts: null,
  riseSeconds: null,
  fallSeconds: null,
};

/** What the figures of an LDR may be. */
export const LDR_LIMITS = {
  nameLength: 60,
  mostVolts: { least: 1, most: 1000 },
  mostWatts: { least: 0.001, most: 10 },
  riseSeconds: { least: 0.0001, most: 10 },
  fallSeconds: { least: 0.0001, most: 100 },
} as const;
