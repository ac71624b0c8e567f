/** Kinds of switching element; the registry has a definition for each. */
export const transistorKinds = ['npn', 'pnp', 'darlington', 'nmos', 'pmos'] as const;
export type TransistorKind = (typeof transistorKinds)[number];

/** Where the LDR stands in the divider: between supply and midpoint, or between midpoint and 0 V. */
export type LdrSide = 'top' | 'bottom';

/** When the load is meant to be on. */
export type Action = 'on-in-dark' | 'on-in-light';

/** On which side of the transistor the load hangs: at its collector (drain), or at its emitter (source). */
export type LoadPlace = 'collector' | 'emitter';
