/** What each value of a measurement may be, in plain units; fields and schema both keep to these. */
export const MEASUREMENT_LIMITS = {
  lux: { min: 0.0001, max: 1e6 },
  readingOhms: { min: 1, max: 1e9 },
  metres: { min: 0.005, max: 100 },
  layers: { min: 0, max: 50 },
  lightTolerance: { min: 0, max: 1 },
  lampMetres: { min: 0.0005, max: 2 },
  levelNameLength: 40,
  unsettledStd: { min: 0, max: 5 },
  noteLength: 200,
  milliseconds: { min: 0, max: 1e14 },
  readings: 1000,
  levels: 200,
} as const;
