/** What each figure of a load may be. */
export const LOAD_LIMITS = {
  forwardVolts: { min: 0.8, max: 12 },
  ledAmps: { min: 0.0001, max: 1 },
  ratedAmps: { min: 0.0001, max: 0.1 },
  seriesOhms: { min: 1, max: 1e7 },
  inSeries: { min: 1, max: 12 },
  strings: { min: 1, max: 20 },
  volts: { min: 1, max: 60 },
  amps: { min: 0.0001, max: 20 },
  coilOhms: { min: 5, max: 20_000 },
  contactAmps: { min: 0.1, max: 100 },
  decibels: { min: 40, max: 130 },
  logicVolts: { min: 1.5, max: 24 },
  levelVolts: { min: 0.05, max: 24 },
  pullOhms: { min: 100, max: 1e7 },
  onSeconds: { min: 0.05, max: 3600 },
  hertz: { min: 100, max: 20_000 },
  toneOhms: { min: 1000, max: 1e6 },
  toneFarads: { min: 1e-10, max: 1e-6 },
  loads: 6,
} as const;

/** What a load takes from its supply beside what flows through the switch may be nothing. */
export const OWN_AMPS = { min: 0, max: LOAD_LIMITS.amps.max } as const;
