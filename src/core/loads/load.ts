import type { LedKindId } from './led';

/** LEDs with a resistor each string: `inSeries` of them in a row, `strings` such rows side by side. */
export interface LedLoad {
  readonly kind: 'led';
  readonly led: LedKindId;
  /** The LED's forward voltage at `atAmps`. */
  readonly forwardVolts: number;
  readonly atAmps: number;
  /** The current that each string shall have when fully on. */
  readonly wantedAmps: number;
  /** Of each string. */
  readonly seriesOhms: number;
  readonly inSeries: number;
  readonly strings: number;
}

/** A buzzer that sounds by itself on direct current. */
export interface BuzzerLoad {
  readonly kind: 'buzzer';
  readonly minVolts: number;
  readonly ratedVolts: number;
  readonly maxVolts: number;
  readonly ratedAmps: number;
  /** At 10 cm and the rated voltage. */
  readonly decibels: number;
}

export const contactUses = ['nothing', 'resistive', 'lamp', 'motor'] as const;
export type ContactUse = (typeof contactUses)[number];

export interface RelayLoad {
  readonly kind: 'relay';
  readonly coilVolts: number;
  readonly coilOhms: number;
  /** Which contact the switched circuit uses: closed when the coil is on, or when it is off. */
  readonly contact: 'no' | 'nc';
  /** The current that the contacts carry into a plain resistance, normally open, in A. */
  readonly contactAmps: number;
  readonly use: ContactUse;
  readonly useAmps: number;
  /** What the contact switches is the mains. */
  readonly useMains: boolean;
}

/** A ready-made module: a small signal input, and a supply of its own for what it switches. */
export interface ModuleLoad {
  readonly kind: 'module';
  readonly input: 'active-high' | 'active-low';
  /** Its supply and full input signal, in V. */
  readonly ratedVolts: number;
  /** Into the input at that voltage. */
  readonly inputAmps: number;
  readonly idleAmps: number;
  readonly onAmps: number;
  readonly useMains: boolean;
}

/** A small filament lamp. */
export interface LampLoad {
  readonly kind: 'lamp';
  readonly ratedVolts: number;
  readonly ratedAmps: number;
}

/** A small brushed motor under its usual load. */
export interface MotorLoad {
  readonly kind: 'motor';
  readonly ratedVolts: number;
  readonly ratedAmps: number;
  /** What it takes when it is held fast, and for a moment whenever it starts. */
  readonly stallAmps: number;
}

export type Load = LedLoad | BuzzerLoad | RelayLoad | ModuleLoad | LampLoad | MotorLoad;
export type LoadKind = Load['kind'];

export const loadKinds = ['led', 'buzzer', 'relay', 'module', 'lamp', 'motor'] as const satisfies LoadKind[];

/** What a load of a kind is until someone types its own figures. */
export const defaultLoads: { readonly [K in LoadKind]: Extract<Load, { kind: K }> } = {
  led: { kind: 'led', led: 'red', forwardVolts: 1.9, atAmps: 0.01, wantedAmps: 0.005, seriesOhms: 680, inSeries: 1, strings: 1 }, // prettier-ignore
  buzzer: { kind: 'buzzer', minVolts: 3, ratedVolts: 5, maxVolts: 8, ratedAmps: 0.025, decibels: 85 },
  relay: { kind: 'relay', coilVolts: 5, coilOhms: 70, contact: 'no', contactAmps: 5, use: 'nothing', useAmps: 1, useMains: false }, // prettier-ignore
  module: { kind: 'module', input: 'active-low', ratedVolts: 5, inputAmps: 0.003, idleAmps: 0.003, onAmps: 0.075, useMains: false }, // prettier-ignore
  lamp: { kind: 'lamp', ratedVolts: 6, ratedAmps: 0.1 },
  motor: { kind: 'motor', ratedVolts: 6, ratedAmps: 0.15, stallAmps: 0.8 },
};

/** A coil pulls in at this share of its voltage and lets go at the other (usual guarantees of small relays). */
export const PULL_IN_SHARE = 0.75;
export const DROP_OUT_SHARE = 0.1;

/** Share of their resistive rating that contacts keep for other kinds of load (usual derating: inrush, arcs). */
export const CONTACT_SHARES: Readonly<Record<ContactUse, number>> = {
  nothing: 1,
  resistive: 1,
  lamp: 0.1,
  motor: 0.25,
};
/** The contact that closes when the coil lets go is pressed by the spring alone and carries less. */
export const NORMALLY_CLOSED_SHARE = 0.6;

/** What the contacts of a relay may switch of its kind of load, in A. */
export function contactRatingAmps({ contactAmps, contact, use }: RelayLoad): number {
  return contactAmps * CONTACT_SHARES[use] * (contact === 'nc' ? NORMALLY_CLOSED_SHARE : 1);
}

/** Cold, a filament takes so many times its rated current for a moment. */
export const LAMP_INRUSH = 10;

/** The load's own idea of its full current, in A: where a search for the real one starts. */
export function nominalAmps(load: Load): number {
  switch (load.kind) {
    case 'led':
      return load.wantedAmps * load.strings;
    case 'relay':
      return load.coilVolts / load.coilOhms;
    case 'module':
      return load.inputAmps;
    default:
      return load.ratedAmps;
  }
}

/** The voltage that a load is made for, in V; `null` for an LED, which its resistor fits to any. */
export function ratedVolts(load: Load): number | null {
  if (load.kind === 'led') return null;
  return load.kind === 'relay' ? load.coilVolts : load.ratedVolts;
}

/** The most that it bears, in V; `null` for an LED. */
export function maxVolts(load: Load): number | null {
  if (load.kind === 'led') return null;
  if (load.kind === 'buzzer') return load.maxVolts;
  return { relay: 1.3, module: 1.1, lamp: 1.15, motor: 1.3 }[load.kind] * (ratedVolts(load) ?? 0);
}

/** Under this a load does nothing that counts, in V; `null` for an LED. */
export function minVolts(load: Load): number | null {
  if (load.kind === 'led') return null;
  if (load.kind === 'buzzer') return load.minVolts;
  return { relay: PULL_IN_SHARE, module: 0.7, lamp: 0.5, motor: 0.5 }[load.kind] * (ratedVolts(load) ?? 0);
}

/** How much louder or quieter than rated a buzzer sounds at a voltage, in dB: its sound pressure goes with the voltage. */
export function loudnessChange(volts: number, rated: number): number {
  return 20 * Math.log10(volts / rated);
}

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
  loads: 6,
} as const;
