import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import type { DetectorKind } from '../detectors/kinds';
import { defaultDetectors, type DetectorOf } from '../detectors/registry';
import { defaultLoads } from '../loads/registry';
import { shippedComparator } from '../parts/kinds/comparator';
import { DEFAULT_STOCK } from '../series/stock';
import { PLAIN_SWITCHING, PLAIN_DIVIDER, PLAIN_DRIVER, PLAIN_SUPPLY } from './newProject';
import type { Project } from './project';
import { measured, part } from './sampleParts';

/** A kind's default settings with figures of one's own. */
const settings = <K extends DetectorKind>(kind: K, change: Partial<DetectorOf<K>>): DetectorOf<K> => ({
  ...defaultDetectors[kind],
  ...change,
});

/** Behind an output a base has a resistor of its own. */
const DRIVEN_DRIVER = { ...PLAIN_DRIVER, baseOhms: 4700 };

/** A shelf of seedlings whose grow lamp lights the LDR itself: a band wide enough to bear it. */
const seedlingShelf: Project = {
  id: 'sample-seedling-shelf',
  name: 'Seedling shelf',
  part: part({ name: 'Shelf LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([40, 9300], [150, 3600], [600, 1390], [2500, 520], [9000, 218]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 900, offLux: 2200 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 12, ldrSide: 'bottom', fixedOhms: 4700 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('comparator', {
    reference: { topOhms: 1_000_000, bottomOhms: 180_000, trimmer: null },
    feedbackOhms: 470_000,
    sensorOhms: 100_000,
  }),
  feedbackLux: 700,
  loads: [{ ...defaultLoads.relay, coilVolts: 12, coilOhms: 400, use: 'lamp', useAmps: 0.5 }],
  ...PLAIN_SUPPLY,
};

/** Five LEDs that show how much sun the herb rack gets. */
const dryingRack: Project = {
  id: 'sample-drying-rack',
  name: 'Drying rack meter',
  part: part({ name: 'Rack LDR', size: '10 mm', bought: 'drawer' }),
  ...measured([200, 3100], [1000, 1030], [5000, 352], [20_000, 146], [60_000, 78]),
  bag: null,
  goal: { action: 'on-in-light', lux: 2000, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 220 },
  resistors: { ...DEFAULT_STOCK, series: 'E24' },
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('ladder', {
    part: shippedComparator('rail-to-rail'),
    stringOhms: [4700, 2400, 2700, 2200, 1600, 5600],
    stepLux: [2000, 5000, 12_000, 25_000, 45_000],
  }),
  loads: [defaultLoads.led],
  ...PLAIN_SUPPLY,
};

/** A logger in a birdhouse that works by day: two codes from its own LDR. */
const birdhouse: Project = {
  id: 'sample-birdhouse-logger',
  name: 'Birdhouse logger',
  part: part({ name: 'Birdhouse LDR', size: '5 mm', mark: 'green', bought: 'bag of 10' }),
  ...measured([0.5, 152_000], [3, 41_500], [15, 13_300], [80, 4120], [400, 1360]),
  bag: null,
  goal: { action: 'on-in-light', lux: 12, offLux: 6 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 3.3, ldrSide: 'top', fixedOhms: 15_000 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('controller', { bits: 12, onCode: 1993, offCode: 1504, minOnSeconds: 60 }),
  loads: [{ ...defaultLoads.led, seriesOhms: 270 }],
  ...PLAIN_SUPPLY,
};

/** Marbles cross a torch's beam at the end of a run, and a chime sounds. */
const marbleGate: Project = {
  id: 'sample-marble-gate',
  name: 'Marble gate',
  part: part({ name: 'Gate LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([20, 11_800], [80, 4450], [300, 1720], [1200, 640]),
  bag: null,
  goal: { action: 'on-in-dark', lux: 600, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 1000 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('change', { gain: 9.2, triggerVolts: 75 / 71, dimming: 0.6, seconds: 0.05 }),
  outputStage: { ...defaultOutputStages['one-shot'], ohms: 470_000 },
  loads: [defaultLoads.buzzer],
  ...PLAIN_SUPPLY,
};

/** A moss terrarium whose green LED says that the light is right: neither too little nor too much. */
const mossTerrarium: Project = {
  id: 'sample-moss-terrarium',
  name: 'Moss terrarium guide',
  part: part({ name: 'Terrarium LDR', size: '5 mm', bought: 'bag of 10' }),
  ...measured([60, 7400], [200, 2900], [700, 1120], [2500, 430], [8000, 175]),
  bag: null,
  goal: { action: 'on-in-light', lux: 400, offLux: 1600 },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 5, ldrSide: 'bottom', fixedOhms: 1000 },
  resistors: { ...DEFAULT_STOCK, series: 'E24' },
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('window', {
    part: shippedComparator('open-drain'),
    topOhms: 5100,
    middleOhms: 5100,
    bottomOhms: 6200,
    hysteresis: { ratio: 1.2, inputOhms: 10_000, feedbackOhms: [150_000, 110_000] },
  }),
  loads: [{ ...defaultLoads.led, led: 'green', forwardVolts: 2.1, wantedAmps: 0.008, seriesOhms: 330 }],
  ...PLAIN_SUPPLY,
};

/** A fan that airs a cold frame while the sun is on it: a timer IC's two thresholds keep it from coming and going. */
const coldFrame: Project = {
  id: 'sample-cold-frame',
  name: 'Cold frame fan',
  part: part({ name: 'Frame LDR', size: '5 mm', bought: 'drawer' }),
  ...measured([300, 6200], [1500, 2040], [6000, 810], [20_000, 352], [70_000, 158]),
  bag: null,
  goal: { action: 'on-in-light', lux: 12_000, offLux: null },
  divider: { ...PLAIN_DIVIDER, supplyVolts: 12, ldrSide: 'bottom', fixedOhms: 1000 },
  resistors: DEFAULT_STOCK,
  midpoints: [],
  driver: DRIVEN_DRIVER,
  ...PLAIN_SWITCHING,
  detector: settings('timer', {}),
  loads: [defaultLoads.fan],
  ...PLAIN_SUPPLY,
};

/** Designs in which something decides between divider and switch. */
export const detectorSamples: readonly Project[] = [
  seedlingShelf,
  dryingRack,
  birdhouse,
  marbleGate,
  mossTerrarium,
  coldFrame,
];
