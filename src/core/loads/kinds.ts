/** Kinds of load; the registry has a definition for each. */
export const loadKinds = ['led', 'buzzer', 'relay', 'module', 'lamp', 'motor', 'logic'] as const;
export type LoadKind = (typeof loadKinds)[number];
