/** Ways of switching; with `transistor` the driver switches by itself. The registry has a definition for each. */
export const detectorKinds = [
  'transistor',
  'comparator',
  'window',
  'ladder',
  'timer',
  'controller',
  'change',
] as const;
export type DetectorKind = (typeof detectorKinds)[number];

/** Those that decide before any driver does. */
export const decidingKinds = detectorKinds.filter((kind) => kind !== 'transistor');
