import { ldrLimitsOf } from './ldrLimits';
import type { Project } from '../project/project';
import type { Advice, Finding, Fix, Step, StepState } from './advice';
import { driveAdvice, switchAdvice } from './adviseDrive';
import type { Design } from './analysis';
import { farApart } from './farApart';

/** γ outside these is rarely a photoresistor read right. */
const DEFAULT_GAMMA = { min: 0.4, max: 1.1 };

/** All that is worth telling about a design, worst first, then in the order of the steps. */
export function adviseOn(project: Project, design: Omit<Design, 'advice' | 'states'>): readonly Advice[] {
  const all = [
    ...measureAdvice(project, design),
    ...divideAdvice(project, design),
    ...switchAdvice(project, design),
    ...driveAdvice(project, design),
  ];
  const rank = { cannot: 0, look: 1 } as const;
  const isRooted = all.some(({ code }) => ROOTS.includes(code));
  return all
    .filter(({ code }) => !isRooted || !FOLLOWS.includes(code))
    .sort((one, other) => rank[one.state] - rank[other.state]);
}

/** Where one of these is wrong, the others only follow from it. */
const ROOTS: readonly Advice['code'][] = ['floating-ground', 'lifted-reference'];
const FOLLOWS: readonly Advice['code'][] = [
  'goal-out-of-reach',
  'never-switches',
  'reference-beyond',
  'off-goal',
  'load-not-saturated',
  'gate-too-low',
  'relay-not-pulled',
  'relay-never-drops-out',
];

/** The state of each step: the worst that its advice says. */
export function statesFrom(advice: readonly Advice[]): Readonly<Record<Step, StepState>> {
  const stateOf = (step: Step): StepState => advice.find((entry) => entry.step === step)?.state ?? 'in-order';
  return {
    measure: stateOf('measure'),
    divide: stateOf('divide'),
    switch: stateOf('switch'),
    drive: stateOf('drive'),
  };
}

type Found = Omit<Design, 'advice' | 'states'>;

function measureAdvice(project: Project, found: Found): readonly Advice[] {
  const step = 'measure';
  const { ldr, resolved, judgement } = found;
  const advice: Advice[] = [];
  const look = (finding: Finding) => advice.push({ step, state: 'look', ...finding });
  const usable = project.readings.filter(({ setAside }) => !setAside).length;
  if (ldr.source === 'typical') look({ code: 'typical-ldr', why: ldr.why, count: usable });
  if (ldr.source === 'bag') look({ code: 'bag-ldr', bagCount: ldr.bag.count });
  const wrong = judgement.flags.filter(({ code }) => code !== 'coarse');
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

function divideAdvice(project: Project, { exactFixed, action, half, range, candidates, sweep }: Found) {
  const step = 'divide';
  const found: Advice[] = [];
  const goalLux = project.goal.lux;
  if (action !== project.goal.action) {
    found.push({
      step,
      state: 'cannot',
      code: 'wrong-action',
      wanted: project.goal.action,
      fix: { kind: minChange(project) },
    });
  }
  // What fires on a change has no light of its own to be put at.
  const hasLight = project.detector.kind !== 'change';
  if (hasLight && !exactFixed.ok && exactFixed.reason === 'goal-out-of-reach') {
    found.push({ step, state: 'cannot', code: 'goal-out-of-reach', goalLux, reach: exactFixed.reach });
  }
  if (exactFixed.ok && candidates.length === 0) {
    found.push({ step, state: 'look', code: 'empty-stock', ohms: exactFixed.ohms });
  }
  const nearest = nearestCandidate(candidates, goalLux);
  const fix: { fix?: Fix } = fixFor(project, nearest?.ohms);
  if (!half.ok && exactFixed.ok) {
    const stays = half.reason === 'stays-above' ? 'on' : 'off';
    const { referenceVolts, midVolts } = sweep;
    const finding = referenceVolts
      ? ({
          code: 'reference-beyond',
          referenceVolts: referenceVolts[0] ?? 0,
          minVolts: Math.min(...midVolts),
          maxVolts: Math.max(...midVolts),
        } as const)
      : ({ code: 'never-switches', stays, range } as const);
    found.push({ step, state: 'cannot', ...finding, ...fix });
  }
  const isByFixed = fix.fix?.kind === 'take-fixed';
  const isNearest = isByFixed && nearest?.ohms === project.divider.fixedOhms;
  if (half.ok && !isNearest && exactFixed.ok && farApart(half.lux, goalLux)) {
    const ohms = nearest?.ohms ?? exactFixed.ohms;
    found.push({ step, state: 'look', code: 'off-goal', goalLux, switchLux: half.lux, ohms, ...fix });
  }
  const limits = ldrLimitsOf(project);
  if (sweep.worst.ldrWatts > limits.watts) {
    const { ldrWatts: watts, ldrWattsLux: lux } = sweep.worst;
    found.push({ step, state: 'look', code: 'ldr-warm', watts, maxWatts: limits.watts, lux });
  }
  if (sweep.worst.ldrVolts > limits.volts) {
    const { ldrVolts: volts } = sweep.worst;
    found.push({ step, state: 'cannot', code: 'ldr-over-voltage', volts, maxVolts: limits.volts });
  }
  return found;
}

/** What brings the switching light to the goal: codes or a string where those decide, else the nearest real resistor. */
function fixFor({ detector }: Project, ohms: number | undefined): { fix?: Fix } {
  if (detector.kind === 'controller') return { fix: { kind: 'take-codes' } };
  if (detector.kind === 'window' || detector.kind === 'ladder') return { fix: { kind: 'solve-string' } };
  return ohms === undefined ? {} : { fix: { kind: 'take-fixed', ohms } };
}

/** The least that turns the action round: two wires at a comparator, else the LDR on the divider's other side. */
function minChange({ divider, detector }: Project) {
  if (detector.kind === 'comparator') return 'swap-inputs';
  return divider.isDirect && detector.kind === 'transistor' ? 'use-divider' : 'swap-ldr-side';
}

/** The candidate whose switching light is nearest to the goal, as a ratio. */
export function nearestCandidate(candidates: Design['candidates'], goalLux: number) {
  const distance = (candidate: Design['candidates'][number]) =>
    candidate.switching.ok ? Math.abs(Math.log(candidate.switching.lux / goalLux)) : Infinity;
  return candidates.reduce<Design['candidates'][number] | undefined>(
    (best, candidate) => (best === undefined || distance(candidate) < distance(best) ? candidate : best),
    undefined,
  );
}
