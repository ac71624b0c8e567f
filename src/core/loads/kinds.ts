/** Kinds of load; the registry has a definition for each. */
export const loadKinds = [
  ...(['led', 'strip', 'lamp', 'buzzer', 'tone', 'relay', 'module', 'motor', 'fan', 'solenoid'] as const),
  'logic',
] as const;
export type LoadKind = (typeof loadKinds)[number];
