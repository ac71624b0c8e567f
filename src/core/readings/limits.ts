/** What each value of a measurement may be, in plain units; fields and schema both keep to these. */
export const MEASUREMENT_LIMITS = {
  lux: { least: 0.0001, most: 1e6 },
  readingOhms: { least: 1, most: 1e9 },
  metres: { least: 0.005, most: 100 },
  layers: { least: 0, most: 50 },
  lightTolerance: { least: 0, most: 1 },
  lampMetres: { least: 0.0005, most: 2 },
  levelNameLength: 40,
  noteLength: 200,
  readings: 1000,
  levels: 200,
} as const;
