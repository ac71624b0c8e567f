import {
  comparatorField,
  defaultComparator,
  isRatedForSupply,
  shippedComparators,
} from '../../parts/kinds/comparator';
import { GROUND } from '../../circuit/netlist';
import { exactly, oneOf, within, type Infer } from '../../schema';
import type { DetectorBench, GoalLights, Sized } from '../bench';
import type { DetectorSaying } from '../finding';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorContext, type DetectorDefinition } from '../definition';
import { comparators, resistor } from '../drafts';
import { bandedString, type BandedString, type WantedEdge } from '../bandedString';
import { edgeBandField, edgeBandOf, edgeUnits } from '../edgeBand';
import { DETECTOR_OHMS, INTO_TRANSISTOR, outputField } from '../fields';
import { lightsAtMidpoints } from '../lightsAt';
import { bandSayings, comparatorSayings, edgeBandSayings } from '../sayings';
import { stringFor } from '../string';
import type { DetectorCircuit } from '../switching';
import type { Thresholds } from '../thresholds';

/** A window has two. */
const EDGES = 2;

export const windowField = exactly({
  kind: oneOf('window'),
  part: comparatorField,
  /** The string from the supply down: to the upper threshold, to the lower one, to 0 V. */
  topOhms: within(DETECTOR_OHMS),
  middleOhms: within(DETECTOR_OHMS),
  bottomOhms: within(DETECTOR_OHMS),
  pullUpOhms: within(DETECTOR_OHMS),
  /** At either edge; its comparators are the upper and the lower one. */
  hysteresis: edgeBandField({ min: EDGES, max: EDGES }),
  output: outputField,
});

/** Two comparators on one string, their open collectors joined: on only between two lights. */
export type WindowSettings = Infer<typeof windowField>;

/** How wide a band either edge begins with. */
const DEFAULT_EDGE_RATIO = 1.2;
/** How wide a window is until someone says, as a ratio of lights. */
export const DEFAULT_WINDOW_RATIO = 4;
/** Up to here both edges of a window want inputs that work right up to the supply, in V. */
const LOW_SUPPLY_VOLTS = 5.5;

/** Two comparators whose open collectors pull one node down outside a window of the midpoint: high only inside it. */
function windowCircuit(settings: WindowSettings, { ldrSide }: DetectorContext): DetectorCircuit {
  const { part, topOhms, middleOhms, bottomOhms, pullUpOhms, hysteresis } = settings;
  const units = edgeUnits(
    [
      { key: 'upper', plus: 'ref.high', minus: 'mid', out: 'out' },
      { key: 'lower', plus: 'mid', minus: 'ref', out: 'out' },
    ],
    part,
    hysteresis,
  );
  const [upper, lower] = units.map(({ trip }) => trip);
  const [below, inside, above] = [
    { upper: 'high', lower: 'low' },
    { upper: 'high', lower: 'high' },
    { upper: 'low', lower: 'high' },
  ] as const;
  const risesWithLight = ldrSide === 'top';
  const edges = (risesWithLight ? [lower, upper] : [upper, lower]).flatMap((edge) => edge ?? []);
  return {
    drafts: [
      resistor('reference-upper', 'supply', 'ref.high', topOhms),
      resistor('reference-middle', 'ref.high', 'ref', middleOhms),
      resistor('reference-lower', 'ref', GROUND, bottomOhms),
      ...comparators(
        part,
        units.map(({ unit }) => unit),
      ),
      ...units.flatMap(({ drafts }) => drafts),
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
  const goal = { offLux: other };
  if (settings.hysteresis) {
    const banded = withBandAt(settings, bench, lux, other);
    if (banded) return { settings: banded, goal };
  }
  const search = stringFor(settings.part, bench, [lux, other]);
  if (!search.ok) return null;
  return { settings: withString(settings, search.choice.ohms), goal };
}

function withString(
  settings: WindowSettings,
  [topOhms = 1, middleOhms = 1, bottomOhms = 1]: readonly number[],
) {
  return { ...settings, topOhms, middleOhms, bottomOhms };
}

/** String and feedback for both edges as it gets lighter, and the way back by the band's ratio darker. */
function withBandAt(
  settings: WindowSettings,
  bench: DetectorBench<WindowSettings>,
  lux: number,
  offLux: number,
): WindowSettings | null {
  const { topOhms, middleOhms, bottomOhms, hysteresis, part } = settings;
  if (!hysteresis) return null;
  const risesWithLight = bench.divider.ldrSide === 'top';
  // As it gets lighter; of one that is on outside as it gets darker.
  const way = bench.isOn[0] ? 'falling' : 'rising';
  const edges = [Math.min(lux, offLux), Math.max(lux, offLux)].map((each, boundary): WantedEdge => {
    // The midpoint passes the lower comparator first where it rises with light.
    const isLower = (boundary === 0) === risesWithLight;
    return {
      ...{ boundary, lux: each, way, out: 'out' },
      ...(isLower
        ? { tap: 'ref', place: 0, takesMid: true, index: 1 }
        : { tap: 'ref.high', place: 1, takesMid: false, index: 0 }),
    };
  });
  const withParts = (parts: BandedString) => ({
    ...withString(settings, parts.stringOhms),
    hysteresis: parts.hysteresis,
  });
  const start = { stringOhms: [topOhms, middleOhms, bottomOhms], hysteresis };
  const found = bandedString(part, bench, edges, start, withParts);
  return found && withParts(found);
}

/** The lower edge is the one at which it turns on as it gets lighter. */
function sayEdges({ lux, offLux }: GoalLights): readonly DetectorSaying<WindowSettings>[] {
  if (offLux === null || offLux > lux) return [];
  return [{ state: 'cannot', finding: { code: 'edges-reversed', lux, offLux }, fix: { kind: 'swap-edges' } }];
}

/** Both edges chatter under a lamp's ripple where they have no band. */
function sayEdgeBand(
  { hysteresis }: WindowSettings,
  thresholds: Thresholds,
): readonly DetectorSaying<WindowSettings>[] {
  if (hysteresis) return edgeBandSayings(hysteresis.ratio, thresholds, 'cannot');
  const { turnOn, turnOff } = thresholds;
  if (!turnOn.ok || !turnOff.ok) return [];
  return [
    {
      state: 'look',
      finding: { code: 'no-edge-band' },
      fix: { kind: 'edge-band', ratio: DEFAULT_EDGE_RATIO },
    },
  ];
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
    hysteresis: null,
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
  edgeBand: ({ hysteresis }) => hysteresis?.ratio ?? null,
  withEdgeBand: (settings, ratio) => ({
    ...settings,
    hysteresis: ratio === null ? null : edgeBandOf(ratio, EDGES),
  }),
  recommendedSizing: 'geometric-mean',
  findings: (settings, { goal, divider }, thresholds) => [
    ...sayEdges(goal),
    ...comparatorSayings(settings, divider.supplyVolts, thresholds, ({ kind }) => kind === 'open-collector'),
    ...bandSayings<WindowSettings>(goal, thresholds, { kind: 'resize', by: 'string' }),
    ...sayEdgeBand(settings, thresholds),
  ],
};
