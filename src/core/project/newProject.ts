import { defaultTransistor } from '../drivers/registry';
import { defaultLoads } from '../loads/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { NEW_LDR } from '../readings/ldrPart';
import type { Measurement } from '../readings/reading';
import { DEFAULT_STOCK } from '../series/stock';
import { NOT_BUILT } from './built/buildSettings';
import { NOT_CHECKED } from './built/checkSettings';
import type { Project, DriverSettings } from './project';

/** Nothing measured yet, with the usual cheap meter and a light meter of ±10 %. */
export const EMPTY_MEASUREMENT: Measurement = {
  readings: [],
  meter: 'manual-2000',
  lightTolerance: 0.1,
  levels: [],
  lampMetres: 0.02,
  lightLdr: null,
  plan: [],
};

/** A divider of two parts and nothing else, at room temperature. */
export const PLAIN_DIVIDER = {
  trimmer: null,
  isDirect: false,
  ldrParallelOhms: null,
  ldrSeriesOhms: null,
  lights: null,
  ambientCelsius: 25,
} as const;

/** A small NPN straight at the midpoint. */
export const PLAIN_DRIVER: DriverSettings = {
  kind: 'npn',
  part: defaultTransistor('npn'),
  baseOhms: null,
  place: 'collector',
};

/** The transistor decides by itself, nothing follows it, no light of its own reaches the LDR, and it is the only variant. */
export const PLAIN_SWITCHING = {
  detector: { kind: 'transistor' },
  outputStage: { kind: 'direct' },
  feedbackLux: 0,
  beam: null,
  build: NOT_BUILT,
  check: NOT_CHECKED,
  variant: 'A',
  others: [],
} as const;

/** One ideal supply for both sides. */
export const PLAIN_SUPPLY = { source: IDEAL_SOURCE, loadSupply: null, darkShare: 0.5 } as const;

/** A new design that works as it stands on the typical LDR: an LED that lights when the room gets dim. */
export function newProject(id: string, name: string): Project {
  return {
    id,
    name,
    ...EMPTY_MEASUREMENT,
    part: NEW_LDR,
    bag: null,
    goal: { action: 'on-in-dark', lux: 80, offLux: null },
    divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 20_000 },
    resistors: DEFAULT_STOCK,
    midpoints: [],
    driver: PLAIN_DRIVER,
    ...PLAIN_SWITCHING,
    loads: [defaultLoads.led],
    ...PLAIN_SUPPLY,
  };
}
