import {
  comparatorField,
  defaultComparator,
  isRatedForSupply,
  OFFSET_DRIFT,
  shippedComparators,
} from '../../parts/kinds/comparator';
import { GROUND } from '../../circuit/netlist';
import { exactly, oneOf, within, type Infer } from '../../schema';
import type { DetectorBench, GoalLights, Sized } from '../bench';
import type { DetectorSaying } from '../finding';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorContext, type DetectorDefinition } from '../definition';
import { comparators, resistor } from '../drafts';
import { DETECTOR_OHMS, INTO_TRANSISTOR, outputField } from '../fields';
import { lightsAtMidpoints } from '../lightsAt';
import { bandSayings, comparatorSayings } from '../sayings';
import { stringFor } from '../string';
import type { DetectorCircuit, Trip } from '../switching';

export const windowField = exactly({
  kind: oneOf('window'),
  part: comparatorField,
  /** The string from the supply down: to the upper threshold, to the lower one, to 0 V. */
  topOhms: within(DETECTOR_OHMS),
  middleOhms: within(DETECTOR_OHMS),
  bottomOhms: within(DETECTOR_OHMS),
  pullUpOhms: within(DETECTOR_OHMS),
  output: outputField,
});

/** Two comparators on one string, their open collectors joined: on only between two lights. */
export type WindowSettings = Infer<typeof windowField>;

/** How wide a window is until someone says, as a ratio of lights. */
export const DEFAULT_WINDOW_RATIO = 4;
/** Up to here both edges of a window want inputs that work right up to the supply, in V. */
const LOW_SUPPLY_VOLTS = 5.5;

/** Two comparators whose open collectors pull one node down outside a window of the midpoint: high only inside it. */
function windowCircuit(settings: WindowSettings, { ldrSide }: DetectorContext): DetectorCircuit {
  const { part, topOhms, middleOhms, bottomOhms, pullUpOhms } = settings;
  const offset = {
    share: 1,
    offsetVolts: 0,
    offsetSpread: part.offsetVolts,
    driftVoltsPerKelvin: OFFSET_DRIFT,
  };
  const upper: Trip = { plus: 'mid', minus: 'ref.high', ...offset };
  const lower: Trip = { plus: 'mid', minus: 'ref', ...offset };
  const [below, inside, above] = [
    { upper: 'high', lower: 'low' },
    { upper: 'high', lower: 'high' },
    { upper: 'low', lower: 'high' },
  ] as const;
  const risesWithLight = ldrSide === 'top';
  const edges = risesWithLight ? [lower, upper] : [upper, lower];
  return {
    drafts: [
      resistor('reference-upper', 'supply', 'ref.high', topOhms),
      resistor('reference-middle', 'ref.high', 'ref', middleOhms),
      resistor('reference-lower', 'ref', GROUND, bottomOhms),
      ...comparators(part, [
        { key: 'upper', plus: 'ref.high', minus: 'mid', out: 'out' },
        { key: 'lower', plus: 'mid', minus: 'ref', out: 'out' },
      ]),
      resistor('pull-up', 'supply', 'out', pullUpOhms),
    ],
    switching: {
      out: 'out',
      states: risesWithLight ? [below, inside, above] : [above, inside, below],
      levels: ['low', 'high', 'low'],
      boundaries: edges.map((edge) => ({ sense: risesWithLight ? 1 : -1, rising: edge, falling: edge })),
    },
  };
}

/** The string for the goal's two lights. */
function sized(settings: WindowSettings, bench: DetectorBench<WindowSettings>): Sized<WindowSettings> | null {
  const { lux, offLux } = bench.goal;
  const other = offLux ?? lux * DEFAULT_WINDOW_RATIO;
  const search = stringFor(settings.part, bench, [lux, other]);
  if (!search.ok) return null;
  const [topOhms = 1, middleOhms = 1, bottomOhms = 1] = search.choice.ohms;
  return { settings: { ...settings, topOhms, middleOhms, bottomOhms }, goal: { offLux: other } };
}

/** The lower edge is the one at which it turns on as it gets lighter. */
function sayEdges({ lux, offLux }: GoalLights): readonly DetectorSaying<WindowSettings>[] {
  if (offLux === null || offLux > lux) return [];
  return [{ state: 'cannot', finding: { code: 'edges-reversed', lux, offLux }, fix: { kind: 'swap-edges' } }];
}

export const window: DetectorDefinition<WindowSettings> = {
  ...ONE_LIGHT,
  field: windowField,
  defaults: {
    kind: 'window',
    part: defaultComparator,
    topOhms: 10_000,
    middleOhms: 10_000,
    bottomOhms: 10_000,
    pullUpOhms: 10_000,
    output: INTO_TRANSISTOR,
  },
  circuit: windowCircuit,
  output: ({ output }) => output,
  withOutput: (settings, output) => ({ ...settings, output }),
  goal: { lights: 'window', asksOff: false },
  middleLux: (_, { lux, offLux }) => Math.sqrt(lux * (offLux ?? lux)),
  sizes: 'own',
  sized,
  fromMidpoints: (settings, bench, darkVolts, lightVolts) => {
    const { divider, curve } = bench;
    if (!betweenMidpoints(divider.supplyVolts, darkVolts, lightVolts, divider.lowVolts)) return null;
    const [lux, offLux] = lightsAtMidpoints(divider, curve, [darkVolts, lightVolts]) ?? [];
    if (lux === undefined || offLux === undefined) return null;
    const goal = { lux, offLux };
    const found = sized(settings, { ...bench, goal: { ...bench.goal, ...goal } });
    return { settings: found?.settings ?? settings, goal };
  },
  fitted: (settings, volts) => {
    const part = shippedComparators.find(
      (other) =>
        other.kind === settings.part.kind &&
        isRatedForSupply(other, volts) &&
        (other.inputHighVolts === 0 || volts > LOW_SUPPLY_VOLTS),
    );
    return part ? { ...settings, part } : settings;
  },
  // On between two lights is said as on in the light, and off again further up.
  started: (settings, { lux }) => ({
    settings,
    goal: { action: 'on-in-light', offLux: Number((lux * DEFAULT_WINDOW_RATIO).toPrecision(3)) },
  }),
  withComparator: (settings, part) => (part.kind === settings.part.kind ? { ...settings, part } : null),
  recommendedSizing: 'geometric-mean',
  findings: (settings, { goal, divider }, thresholds) => [
    ...sayEdges(goal),
    ...comparatorSayings(settings, divider.supplyVolts, thresholds, ({ kind }) => kind === 'open-collector'),
    ...bandSayings<WindowSettings>(goal, thresholds, { kind: 'resize', by: 'string' }),
  ],
  shortcomings: ['different-behaviour'],
};
