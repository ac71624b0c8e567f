import { NEW_LDR, type LdrPart } from '../readings/ldrPart';
import type { Measurement } from '../readings/reading';
import { USUAL_DRAWER } from '../series/drawer';
import { PLAIN_DIVIDER } from './newProject';
import type { Project } from './project';

const measured = (...pairs: readonly (readonly [lux: number, ohms: number])[]): Measurement => ({
  meter: 'auto-6000',
  lightTolerance: 0,
  levels: [],
  lampMetres: 0.02,
  plan: [],
  readings: pairs.map(([lux, ohms], index) => ({
    id: `r${index + 1}`,
    light: { kind: 'lux', lux },
    ohms,
    above: false,
    rangeOhms: null,
    lamp: null,
    takenAt: null,
    note: '',
    setAside: false,
  })),
});

const part = (change: Partial<LdrPart>): LdrPart => ({ ...NEW_LDR, ...change });

/** A model railway whose platform lamps come on when the layout room dims. A low-resistance LDR, well measured. */
const platformLamps: Project = {
  id: 'sample-platform-lamps',
  name: 'Platform lamps',
  part: part({ name: 'Layout room LDR', size: '5 mm', mark: 'red', bought: 'bag of 20' }),
  ...measured([4, 5610], [11, 2890], [32, 1345], [85, 702], [240, 331], [900, 131], [4200, 45]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 60 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 6, ldrSide: 'bottom', fixedOhms: 6800 },
  resistors: USUAL_DRAWER,
  midpoints: [],
  stage: { kind: 'npn', baseOhms: null },
  load: {
    kind: 'led',
    led: 'warm-white',
    forwardVolts: 2.9,
    atAmps: 0.01,
    wantedAmps: 0.01,
    seriesOhms: 330,
  },
};

/** A larder whose red LED shows that the light was left on behind the closed door. */
const larderTelltale: Project = {
  id: 'sample-larder-telltale',
  name: 'Larder telltale',
  part: part({ name: 'Larder LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([0.8, 98_000], [3, 37_500], [14, 12_200], [70, 3900], [310, 1330]),
  bag: null,
  goal: { action: 'on-in-light', lux: 25 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'top', fixedOhms: 1300 },
  resistors: { ...USUAL_DRAWER, series: 'E24' },
  midpoints: [],
  stage: { kind: 'npn', baseOhms: 470 },
  load: { kind: 'led', led: 'red', forwardVolts: 1.9, atAmps: 0.01, wantedAmps: 0.008, seriesOhms: 390 },
};

/** A night marker on a stair: too dim a goal for a plain transistor and a bright LED, and Yemko says so. */
const stairMarker: Project = {
  id: 'sample-stair-marker',
  name: 'Stair marker that stays dim',
  part: part({ name: 'Stair LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([0.5, 121_000], [2, 46_000], [9, 15_900], [45, 5150], [200, 1820]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 2 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 4.5, ldrSide: 'bottom', fixedOhms: 270_000 },
  resistors: { ...USUAL_DRAWER, series: 'E24' },
  midpoints: [],
  stage: { kind: 'npn', baseOhms: null },
  load: { kind: 'led', led: 'amber', forwardVolts: 2, atAmps: 0.01, wantedAmps: 0.015, seriesOhms: 160 },
};

/** Made-up designs to open first: one in order, one the other way round, one that cannot work as it stands. */
export const sampleProjects: readonly Project[] = [platformLamps, larderTelltale, stairMarker];
