import type { Project } from './project';

/** A new design that works as it stands on the typical LDR: an LED that lights when the room gets dim. */
export function newProject(id: string, name: string): Project {
  return {
    id,
    name,
    readings: [],
    meter: 'manual-2000',
    goal: { action: 'on-in-dark', lux: 80 },
    divider: { supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 20_000 },
    stage: { kind: 'npn', baseOhms: null },
    load: { kind: 'led', led: 'red', forwardVolts: 1.9, atAmps: 0.01, wantedAmps: 0.005, seriesOhms: 680 },
  };
}
