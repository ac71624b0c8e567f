import { isNothing } from '../analyse/analysis';
import { ldrLimitsOf } from '../analyse/ldrLimits';
import { detectorDefinition } from '../detectors/registry';
import { farApart } from '../light/farApart';
import { trimmerReaches } from '../project/edits';
import type { Project } from '../project/project';
import { atOrAbove } from '../series/stock';
import { ohmsForGoal } from '../size/sized';
import {
  sayInto,
  type Advice,
  type Finding,
  type FindingCode,
  type Fix,
  type Step,
  type StepState,
  type Found,
} from './advice';
import { driveAdvice } from './adviseDrive';
import { switchAdvice } from './adviseSwitch';

/** γ outside these is rarely a photoresistor read right. */
const DEFAULT_GAMMA = { min: 0.4, max: 1.1 };

/** All that can be said of a design, in the order of the steps; what only follows from something else with it. */
export function allAdvice(project: Project, design: Found): readonly Advice[] {
  return [
    ...measureAdvice(project, design),
    ...divideAdvice(project, design),
    ...switchAdvice(project, design),
    ...driveAdvice(project, design),
  ];
}

/** All that is worth saying about a design, worst first, then in the order of the steps. */
export function adviseOn(project: Project, design: Found): readonly Advice[] {
  const all = allAdvice(project, design);
  const rank = { cannot: 0, look: 1 } as const;
  const following = new Set(all.flatMap(({ code }) => FOLLOWS[code] ?? []));
  return all
    .filter(({ code }) => !following.has(code))
    .sort((one, other) => rank[one.state] - rank[other.state] || causeRank(one) - causeRank(other));
}

/** What is a cause of others comes before them: wiring, then supplies and loads, parts, thresholds, and last what only follows. */
const CAUSES: readonly FindingCode[] = [
  ...(['floating-ground', 'direct-dead', 'loads-disagree', 'sides-disagree'] as const),
  ...(['tone-into-stage', 'tone-shared', 'lifted-reference', 'edges-reversed'] as const),
  ...([
    'cells-disagree',
    'controller-supply',
    'comparator-supply',
    'stage-supply',
    'code-out-of-range',
  ] as const),
  ...([
    'supply-below-led',
    'load-starved',
    'load-over-voltage',
    'led-over-maximum',
    'led-over-current',
  ] as const),
  ...(['module-wrong-side', 'wrong-action', 'load-above-transistor', 'inrush-above-transistor'] as const),
  ...([
    'output-over-current',
    'output-over-volts',
    'base-reversed',
    'stage-below-ground',
    'load-reversed',
    'supply-fed-back',
    'input-out-of-range',
    'reference-beyond',
  ] as const),
  ...([
    'goal-out-of-reach',
    'never-switches',
    'stays-off',
    'never-releases',
    'load-not-saturated',
    'gate-too-low',
  ] as const),
  ...(['tone-without-source', 'solenoid-held-on', 'on-briefly'] as const),
  ...(['led-under-current', 'buzzer-quiet', 'tone-off-resonance', 'step-off', 'off-goal'] as const),
];
/** All that is said of a design rests on the readings: what is odd about them comes before everything. */
function causeRank({ step, code }: Advice): number {
  if (step === 'measure') return -1;
  return CAUSES.includes(code) ? CAUSES.indexOf(code) : CAUSES.length;
}

/** What says nothing of its own where nothing leads to the base, or no current can come back. */
const FOLLOWS_DEAD: readonly FindingCode[] = [
  'goal-out-of-reach',
  'never-switches',
  'stays-off',
  'reference-beyond',
  'off-goal',
  'wrong-action',
  'stays-lit',
  'load-not-saturated',
  'gate-too-low',
  'relay-not-pulled',
  'relay-never-drops-out',
];

/** Where one of these is wrong, what it stands before only follows from it. */
const FOLLOWS: Readonly<Partial<Record<FindingCode, readonly FindingCode[]>>> = {
  'floating-ground': FOLLOWS_DEAD,
  // That it never turns off is what is said of it.
  'lifted-reference': [...FOLLOWS_DEAD, 'never-releases'],
  'direct-dead': FOLLOWS_DEAD,
  // A supply that lets its voltage down drives nothing fully.
  'supply-over-limit': FOLLOWS_DEAD.filter((code) => code !== 'wrong-action'),
  // A coil alone switches where it pulls in: both say the same.
  'relay-not-pulled': ['never-switches'],
  'sides-disagree': ['module-wrong-side'],
  'loads-disagree': ['load-starved', 'load-over-voltage', 'load-low', 'supply-below-led', 'pin-over-voltage'],
};

/** The state of each step: the worst that its advice says. */
export function statesFrom(advice: readonly Advice[]): Readonly<Record<Step, StepState>> {
  const stateOf = (step: Step): StepState => advice.find((entry) => entry.step === step)?.state ?? 'in-order';
  return {
    measure: stateOf('measure'),
    divide: stateOf('divide'),
    switch: stateOf('switch'),
    drive: stateOf('drive'),
    try: stateOf('try'),
    build: stateOf('build'),
    check: stateOf('check'),
  };
}

function measureAdvice(project: Project, found: Found): readonly Advice[] {
  const { ldr, resolved, judgement } = found;
  const advice: Advice[] = [];
  const say = sayInto(advice, 'measure');
  const look = (finding: Finding) => say('look', finding);
  const usable = project.readings.filter(({ setAside }) => !setAside).length;
  const ofChange = detectorDefinition(project.detector).sizes === 'none';
  if (ldr.source === 'typical') look({ code: 'typical-ldr', why: ldr.why, count: usable, ofChange });
  if (ldr.source === 'bag') look({ code: 'bag-ldr', bagCount: ldr.bag.count });
  const wrong = judgement.flags.filter(({ code }) => code !== 'coarse' && code !== 'unsettled');
  if (wrong[0]) look({ code: 'odd-readings', count: wrong.length, first: wrong[0] });
  for (const flag of judgement.set) look(flag);
  if (ldr.source === 'measured') measuredAdvice(found, ldr, look);
  const outside = goalOutside(project, found);
  if (outside) look({ code: 'goal-outside-readings', goalLux: project.goal.lux, ...outside });
  if (isLadder(project) && resolved.background === null) look({ code: 'background-unread' });
  return advice;
}

function measuredAdvice(
  { resolved, judgement }: Found,
  { curve, fit }: Extract<Found['ldr'], { source: 'measured' }>,
  look: (finding: Finding) => void,
) {
  const isImpossible = judgement.set.some(({ code }) => code === 'gamma-impossible');
  const { min, max } = DEFAULT_GAMMA;
  if (!isImpossible && (curve.gamma < min || curve.gamma > max)) {
    look({ code: 'gamma-unusual', gamma: curve.gamma });
  }
  if (resolved.assumesGamma) look({ code: 'layers-alone' });
  if (fit.count === 2) look({ code: 'two-readings' });
}

function isLadder({ readings }: Project): boolean {
  const rungs = readings.filter(({ light, setAside }) => light.kind === 'lamp' && !setAside);
  return rungs.length > 1;
}

/** The lights that were read, where the goal lies outside them. */
function goalOutside({ goal }: Project, { ldr, resolved }: Found) {
  const lights = resolved.lights.filter((light) => light !== null);
  const [minLux, maxLux] =
    ldr.source === 'measured' ? [ldr.fit.minLux, ldr.fit.maxLux] : [Math.min(...lights), Math.max(...lights)];
  if (ldr.source === 'typical' || ldr.source === 'bag' || lights.length === 0) return null;
  return goal.lux < minLux || goal.lux > maxLux ? { minLux, maxLux } : null;
}

function divideAdvice(project: Project, found: Found): readonly Advice[] {
  const advice: Advice[] = [];
  const say = sayInto(advice, 'divide');
  const { exactFixed, action, half, range, candidates, extremes, assembly, drive } = found;
  const { goal, divider, detector } = project;
  const goalLux = goal.lux;
  if (action !== goal.action)
    say(
      'cannot',
      { code: 'wrong-action', wanted: goal.action, meant: detectorDefinition(detector).goal.lights },
      leastChange(project),
    );
  // What fires on a change has no light of its own to be put at; nor has a load that gets nothing anyway, as is said of it.
  const getsNothing = assembly.switching === null && isNothing(drive.fullAmps);
  const hasLight = detectorDefinition(detector).sizes !== 'none' && !getsNothing;
  const beyond = half.ok ? null : referenceBeyond(extremes);
  if (hasLight && !beyond && !exactFixed.ok && exactFixed.reason === 'goal-out-of-reach')
    say('cannot', { code: 'goal-out-of-reach', goalLux, reach: exactFixed.reach });
  if (exactFixed.ok && candidates.length === 0) say('look', { code: 'empty-stock', ohms: exactFixed.ohms });
  const wantedOhms = ohmsForGoal(project, { exactFixed, candidates });
  const fix = fixFor(project, wantedOhms);
  if (beyond && hasLight) say('cannot', beyond, fix);
  else if (!half.ok && exactFixed.ok)
    say(
      'cannot',
      { code: 'never-switches', stays: half.reason === 'stays-above' ? 'on' : 'off', range },
      fix,
    );
  const { thresholds } = found;
  if (half.ok && thresholds?.goalEnd === 'off' && !thresholds.turnOn.ok)
    say('cannot', { code: 'stays-off', offLux: half.lux, range }, fix);
  const isSet = fix?.kind === 'take-fixed' && wantedOhms === divider.fixedOhms;
  // Of a ladder each step has a finding of its own.
  const isOneLight = detectorDefinition(detector).goal.lights !== 'steps';
  if (half.ok && isOneLight && exactFixed.ok && farApart(half.lux, goalLux, isSet ? STOCK_STEP : undefined)) {
    const ohms = isSet ? exactFixed.ohms : (wantedOhms ?? exactFixed.ohms);
    // Where a trimmer is turned to it no resistor is missing.
    const isTurned = divider.trimmer !== null && trimmerReaches(divider.trimmer, exactFixed.ohms);
    const isNearest = isSet && !isTurned;
    say('look', { code: 'off-goal', goalLux, switchLux: half.lux, ohms, isNearest }, isSet ? null : fix);
  }
  const limits = ldrLimitsOf(project);
  const { ldrWatts: watts, ldrWattsLux: lux, ldrVolts: volts } = extremes.worst;
  if (watts > limits.watts)
    say(
      'look',
      { code: 'ldr-warm', watts, maxWatts: limits.watts, lux },
      { kind: 'ldr-series', ohms: coolingOhms(project, limits.watts) },
    );
  if (volts > limits.volts) say('cannot', { code: 'ldr-over-voltage', volts, maxVolts: limits.volts });
  return advice;
}

/** So much of its rating an LDR makes at most behind a resistor that cools it. */
const COOL_SHARE = 0.8;

/** In series with an LDR, whatever else stands there: where both have the same resistance the LDR gets warmest, `(V/2)²/R`. */
function coolingOhms({ divider, resistors }: Project, maxWatts: number): number {
  const exact = divider.supplyVolts ** 2 / (4 * COOL_SHARE * maxWatts);
  return atOrAbove(resistors, exact)?.ohms ?? Number(exact.toPrecision(2));
}

/** Lights of two neighbours in a usual stock lie not so far apart. */
const STOCK_STEP = 1.3;

/** A reference that the midpoint never comes to; `null` where it does, or nothing is held against one. */
function referenceBeyond({ referenceVolts: held, midpoint }: Found['extremes']): Finding | null {
  if (held === null) return null;
  const { leastVolts, mostVolts } = midpoint;
  if (held > leastVolts && held < mostVolts) return null;
  return { code: 'reference-beyond', referenceVolts: held, minVolts: leastVolts, maxVolts: mostVolts };
}

/** What brings the switching light to the goal: the detector's own values where those do it, else the nearest real resistor. */
function fixFor({ detector }: Project, ohms: number | undefined): Fix | null {
  if (detectorDefinition(detector).sizes === 'own')
    return { kind: 'resize', by: detectorDefinition(detector).sizedBy };
  return ohms === undefined ? null : { kind: 'take-fixed', ohms };
}

/** The least that turns the action round: two wires at a comparator, else the LDR on the divider's other side. */
function leastChange({ divider, detector }: Project): Fix {
  const definition = detectorDefinition(detector);
  const swapped = definition.swapped(detector);
  if (swapped) return { kind: 'set-detector', settings: swapped, resizes: true };
  return { kind: divider.isDirect && !definition.output(detector) ? 'use-divider' : 'swap-ldr-side' };
}
