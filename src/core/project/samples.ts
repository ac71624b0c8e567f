import isEqual from 'fast-deep-equal/es6/index.js';
import type { LedLoad } from '../loads/led';
import { defaultLoads } from '../loads/registry';
import { defaultTransistor } from '../drivers/registry';
import { defaultSource } from '../loads/supply';
import { DEFAULT_STOCK } from '../series/stock';
import { PLAIN_SWITCHING, PLAIN_DIVIDER, PLAIN_DRIVER, PLAIN_SUPPLY } from './newProject';
import type { Project } from './project';
import { detectorSamples } from './detectorSamples';
import { measured, part } from './sampleParts';

const led = (change: Partial<LedLoad>): LedLoad => ({ ...defaultLoads.led, ...change });

/** A model railway whose platform lamps come on when the layout room dims. A low-resistance LDR, well measured. */
const platformLamps: Project = {
  id: 'sample-platform-lamps',
  name: 'Platform lamps',
  part: part({ name: 'Layout room LDR', size: '5 mm', mark: 'red', bought: 'bag of 20' }),
  ...measured([4, 5610], [11, 2890], [32, 1345], [85, 702], [240, 331], [900, 131], [4200, 45]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 60, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 6, ldrSide: 'bottom', fixedOhms: 6800 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: PLAIN_DRIVER,
  ...PLAIN_SWITCHING,
  loads: [led({ led: 'warm-white', forwardVolts: 2.9, wantedAmps: 0.01, seriesOhms: 330 })],
  ...PLAIN_SUPPLY,
};

/** A larder whose red LED shows that the light was left on behind the closed door. */
const larderTelltale: Project = {
  id: 'sample-larder-telltale',
  name: 'Larder telltale',
  part: part({ name: 'Larder LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([0.8, 98_000], [3, 37_500], [14, 12_200], [70, 3900], [310, 1330]),
  bag: null,
  goal: { action: 'on-in-light', lux: 25, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'top', fixedOhms: 1300 },
  resistors: { ...DEFAULT_STOCK, series: 'E24' },
  midpoints: [],
  driver: { ...PLAIN_DRIVER, baseOhms: 470 },
  ...PLAIN_SWITCHING,
  loads: [led({ wantedAmps: 0.008, seriesOhms: 390 })],
  ...PLAIN_SUPPLY,
};

/** A night marker on a canoe rack: too dim a goal for a plain transistor and a bright LED, and Yemko says so. */
const canoeRack: Project = {
  id: 'sample-canoe-rack',
  name: 'Canoe rack marker that stays dim',
  part: part({ name: 'Rack LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([0.5, 121_000], [2, 46_000], [9, 15_900], [45, 5150], [200, 1820]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 2, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 4.5, ldrSide: 'bottom', fixedOhms: 270_000 },
  resistors: { ...DEFAULT_STOCK, series: 'E24' },
  midpoints: [],
  driver: PLAIN_DRIVER,
  ...PLAIN_SWITCHING,
  loads: [led({ led: 'amber', forwardVolts: 2, wantedAmps: 0.015, seriesOhms: 160 })],
  ...PLAIN_SUPPLY,
};

/** A lamp before a hedgehog's hut: four cells, a MOSFET and a relay that switches a small lamp's own circuit. */
const hedgehogHut: Project = {
  id: 'sample-hedgehog-hut',
  name: 'Hedgehog hut lamp',
  part: part({ name: 'Hut roof LDR', size: '5 mm', mark: 'blue', bought: 'bag of 20' }),
  ...measured([0.6, 88_000], [2.5, 33_500], [8, 15_400], [30, 6350], [150, 2120]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 5, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 6, ldrSide: 'bottom', fixedOhms: 47_000 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: { ...PLAIN_DRIVER, kind: 'nmos', part: defaultTransistor('nmos') },
  ...PLAIN_SWITCHING,
  loads: [{ ...defaultLoads.relay, coilVolts: 5, coilOhms: 120, use: 'lamp', useAmps: 0.3 }],
  ...PLAIN_SUPPLY,
  source: defaultSource('battery', 6).source,
  darkShare: 0.4,
};

/** Made-up designs to open first: in order, the other way round, one that cannot work as it stands, and a relay on cells. */
export const sampleProjects: readonly [Project, Project, Project, Project, ...Project[]] = [
  platformLamps,
  larderTelltale,
  canoeRack,
  hedgehogHut,
  ...detectorSamples,
];

/** Whether a project is a sample that nothing has been changed in, but for what was built and measured of it. */
export function isAsShipped(project: Project): boolean {
  const sample = sampleProjects.find(({ id }) => id === project.id);
  return sample !== undefined && isEqual({ ...project, build: sample.build, check: sample.check }, sample);
}
