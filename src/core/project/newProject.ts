import { NEW_LDR } from '../readings/ldrPart';
import type { Measurement } from '../readings/reading';
import { USUAL_DRAWER } from '../series/drawer';
import type { Project } from './project';

/** Nothing measured yet, with the usual cheap meter and a light meter of ±10 %. */
export const EMPTY_MEASUREMENT: Measurement = {
  readings: [],
  meter: 'manual-2000',
  lightTolerance: 0.1,
  levels: [],
  lampMetres: 0.02,
  plan: [],
};

/** A divider of two parts and nothing else, at room temperature. */
export const PLAIN_DIVIDER = {
  trimmer: null,
  ldrParallelOhms: null,
  ldrSeriesOhms: null,
  lights: null,
  ambientCelsius: 25,
} as const;

/** A new design that works as it stands on the typical LDR: an LED that lights when the room gets dim. */
export function newProject(id: string, name: string): Project {
  return {
    id,
    name,
    ...EMPTY_MEASUREMENT,
    part: NEW_LDR,
    bag: null,
    goal: { action: 'on-in-dark', lux: 80 },
    divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 20_000 },
    resistors: USUAL_DRAWER,
    midpoints: [],
    stage: { kind: 'npn', baseOhms: null },
    load: { kind: 'led', led: 'red', forwardVolts: 1.9, atAmps: 0.01, wantedAmps: 0.005, seriesOhms: 680 },
  };
}
