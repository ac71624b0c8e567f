import { farApart } from '../../light/farApart';
import { isRatedForSupply, shippedComparators } from '../../parts/kinds/comparator';
import { possibleLight } from '../../light/range';
import type { DetectorBench, GoalLights, Sized } from '../bench';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorDefinition } from '../definition';
import type { DetectorSaying } from '../finding';
import { lightsAtMidpoints } from '../lightsAt';
import { comparatorSayings, edgeBandSayings } from '../sayings';
import { stringFor } from '../string';
import type { Thresholds } from '../thresholds';
import { bandedString, type BandedString, type WantedEdge } from '../bandedString';
import { edgeBandOf, type EdgeBand } from '../edgeBand';
import { ladderCircuit, ladderEdge, ladderLoads, ladderOutput } from './circuit';
import { defaultLadder, ladderField, type LadderSettings } from './settings';

/** How far apart a ladder's steps are until someone says, as a ratio of lights, and how many there are. */
const DEFAULT_STEP_RATIO = 2;
const DEFAULT_STEPS = 5;

/** Another set of lights for a ladder's steps; the goal is the first one to come. Its string stays until it is sized. */
export function withSteps(settings: LadderSettings, stepLux: readonly number[]): Sized<LadderSettings> {
  const rising = stepLux.map(possibleLight).sort((one, other) => one - other);
  const first = settings.moreIn === 'light' ? rising[0] : rising[rising.length - 1];
  const ohms = settings.stringOhms;
  const stringOhms =
    ohms.length === rising.length + 1
      ? ohms
      : Array.from({ length: rising.length + 1 }, () => ohms[ohms.length - 1] ?? 10_000);
  const { hysteresis: band } = settings;
  const isAsMany = band?.feedbackOhms.length === rising.length;
  const hysteresis = band && !isAsMany ? edgeBandOf(band.ratio, rising.length) : band;
  return {
    settings: { ...settings, stepLux: rising, stringOhms, hysteresis },
    goal: first ? { lux: first } : {},
  };
}

/** Moved again and again by keys, steps still keep their distances. */
const MOVED_DIGITS = 4;

/** All steps as far apart as they are, the first of them at a light. */
function movedTo(settings: LadderSettings, lux: number): LadderSettings {
  const [first] = inOrderOfComing(settings);
  if (!first || first.lux === lux) return settings;
  const times = lux / first.lux;
  const stepLux = settings.stepLux.map((each, index) =>
    index === first.index ? lux : possibleLight(Number((each * times).toPrecision(MOVED_DIGITS))),
  );
  return { ...settings, stepLux: stepLux.sort((one, other) => one - other) };
}

/** The string for the lights wanted. */
function sized(settings: LadderSettings, bench: DetectorBench<LadderSettings>): Sized<LadderSettings> | null {
  if (settings.hysteresis) {
    const banded = withBandAt(settings, settings.hysteresis, bench);
    if (banded) return { settings: banded };
  }
  const search = stringFor(settings.part, bench, settings.stepLux);
  return search.ok ? { settings: { ...settings, stringOhms: search.choice.ohms } } : null;
}

/** String and feedback with which each step comes at its light, and goes by the band's ratio on the way back. */
function withBandAt(
  settings: LadderSettings,
  hysteresis: EdgeBand,
  bench: DetectorBench<LadderSettings>,
): LadderSettings | null {
  const { stepLux, stringOhms, part, moreIn } = settings;
  const wired = { ldrSide: bench.divider.ldrSide, onLevel: bench.onLevel };
  const edges = inOrderOfComing(settings).map(({ lux, index, step }): WantedEdge => ({
    ...{ boundary: index, lux, way: wayOf(moreIn) },
    ...ladderEdge(settings, wired, step),
  }));
  const withParts = (parts: BandedString) => ({ ...settings, ...parts });
  const found =
    stringOhms.length === stepLux.length + 1
      ? bandedString(part, bench, edges, { stringOhms, hysteresis }, withParts)
      : null;
  return found && withParts(found);
}

/** Which way a step's light is passed when it comes. */
const wayOf = (moreIn: LadderSettings['moreIn']) => (moreIn === 'light' ? 'rising' : 'falling');

/** Steps on either side of the goal, with a part whose inputs work right up to a low supply. */
function started(settings: LadderSettings, { action, lux }: GoalLights, supplyVolts: number) {
  const moreIn = action === 'on-in-light' ? 'light' : 'dark';
  const way = moreIn === 'light' ? 1 : -1;
  const steps = Array.from({ length: DEFAULT_STEPS }, (_, step) =>
    Number((lux * DEFAULT_STEP_RATIO ** (way * step)).toPrecision(2)),
  );
  const wide = shippedComparators.find(
    ({ inputHighVolts, maxSupplyVolts }) => inputHighVolts === 0 && maxSupplyVolts >= supplyVolts,
  );
  return withSteps({ ...settings, moreIn, part: wide ?? settings.part }, steps);
}

export const ladder: DetectorDefinition<LadderSettings> = {
  ...ONE_LIGHT,
  field: ladderField,
  defaults: defaultLadder,
  circuit: ladderCircuit,
  output: ladderOutput,
  withOutput: (settings, output) => ({ ...settings, output }),
  outputChoices: ({ shows }) => ({ transistor: shows === 'fill', rail: false }),
  takesOutputStage: false,
  loadOutputs: ladderLoads,
  goal: { lights: 'steps', asksOff: false },
  middleLux: ({ stepLux }) =>
    Math.exp(stepLux.reduce((total, lux) => total + Math.log(lux), 0) / stepLux.length),
  sizes: 'own',
  sized,
  fromMidpoints: (settings, bench, darkVolts, lightVolts) => {
    const { divider, curve } = bench;
    if (!betweenMidpoints(divider.supplyVolts, darkVolts, lightVolts, divider.lowVolts)) return null;
    const [first, last] = lightsAtMidpoints(divider, curve, [darkVolts, lightVolts]) ?? [];
    if (first === undefined || last === undefined) return null;
    const steps = settings.stepLux.length;
    const even = Array.from({ length: steps }, (_, step) =>
      Number((first * (last / first) ** (step / (steps - 1))).toPrecision(3)),
    );
    const wanted = withSteps(settings, even);
    return {
      ...wanted,
      settings: sized(wanted.settings, bench.with(wanted.settings))?.settings ?? wanted.settings,
    };
  },
  fitted: (settings, volts) => {
    const { kind } = settings.part;
    const part = shippedComparators.find((other) => other.kind === kind && isRatedForSupply(other, volts));
    return part ? { ...settings, part } : settings;
  },
  started,
  // The steps as many times darker as they were brighter than the first one.
  swapped: (settings) => {
    const first = (settings.moreIn === 'light' ? settings.stepLux[0] : settings.stepLux.at(-1)) ?? 1;
    const mirrored = settings.stepLux
      .map((lux) => possibleLight(Number(((first * first) / lux).toPrecision(3))))
      .reverse();
    return { ...settings, moreIn: settings.moreIn === 'light' ? 'dark' : 'light', stepLux: mirrored };
  },
  withComparator: (settings, part) => ({ ...settings, part }),
  atGoal: movedTo,
  withLights: (settings, moved) => ({
    ...settings,
    stepLux: settings.stepLux.map(moved).sort((one, other) => one - other),
  }),
  wantedLights: ({ stepLux }) => stepLux,
  edgeBand: ({ hysteresis }) => hysteresis?.ratio ?? null,
  withEdgeBand: (settings, ratio) => ({
    ...settings,
    hysteresis: ratio === null ? null : edgeBandOf(ratio, settings.stepLux.length),
  }),
  withLoadsApart: (settings) => (settings.shows === 'dot' ? { ...settings, shows: 'fill' } : null),
  recommendedSizing: 'geometric-mean',
  findings: (settings, bench, thresholds) => [
    ...comparatorSayings(settings, bench.divider.supplyVolts, thresholds),
    ...saySteps(settings, bench, thresholds),
    ...sayDot(settings, thresholds),
    ...edgeBandSayings<LadderSettings>(settings.hysteresis?.ratio ?? null, thresholds),
  ],
};

/** The steps as they come, numbered as the drawing numbers them: the first to come is 1. `index` is the place in `stepLux`. */
export function inOrderOfComing({ stepLux, moreIn }: Pick<LadderSettings, 'stepLux' | 'moreIn'>) {
  const rising = stepLux.map((lux, index) => ({ lux, index }));
  const coming = moreIn === 'light' ? rising : rising.reverse();
  return coming.map((one, place) => ({ ...one, step: place + 1 }));
}

/** Beside its neighbour a load glows from here on, and is on with it from there, as shares of its current. */
const [GLOWS_SHARE, SHINES_SHARE] = [0.02, 0.1];

/** A dot whose loads pass on to each other what should flow through one alone. */
function sayDot(
  settings: LadderSettings,
  { besideShare: share }: Thresholds,
): readonly DetectorSaying<LadderSettings>[] {
  if (share <= GLOWS_SHARE) return [];
  return [
    {
      state: share > SHINES_SHARE ? 'cannot' : 'look',
      finding: { code: 'dot-smears', share },
      fix: { kind: 'set-detector', settings: { ...settings, shows: 'fill' }, resizes: false },
    },
  ];
}

/** The step of a ladder that lies furthest from where it is wanted. */
function saySteps(
  settings: LadderSettings,
  { range }: Pick<DetectorBench<LadderSettings>, 'range'>,
  { boundaries }: Thresholds,
): readonly DetectorSaying<LadderSettings>[] {
  const steps = inOrderOfComing(settings).map(({ lux: wantedLux, index, step }) => {
    const point = boundaries[index]?.[wayOf(settings.moreIn)];
    const lux = point?.ok ? point.lux : null;
    return {
      rung: step,
      wantedLux,
      lux,
      off: lux === null ? Infinity : Math.abs(Math.log(lux / wantedLux)),
    };
  });
  const { rung, wantedLux, lux } = steps.reduce((most, each) => (each.off > most.off ? each : most));
  if (lux !== null && !farApart(lux, wantedLux)) return [];
  // Of one that is wanted beyond the axis nobody can say that it never comes.
  const isWithin = wantedLux >= range.minLux && wantedLux <= range.maxLux;
  return [
    {
      state: lux === null && isWithin ? 'cannot' : 'look',
      finding: { code: 'step-off', rung, wantedLux, lux },
      fix: { kind: 'resize', by: 'string' },
    },
  ];
}
