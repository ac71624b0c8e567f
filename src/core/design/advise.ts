import { ldrOhmsAt } from '../ldr/curve';
import { ldrLimitsOf } from './ldrLimits';
import { neighbours } from '../series/series';
import { stages } from '../stages/registry';
import type { Project } from '../project/project';
import type { Advice, Finding, Mend, Step, StepState } from './advice';
import type { Design } from './analysis';

/** How far the switching light may lie from the goal before it is said: about what a hand at a torch can set. */
const OFF_GOAL_RATIO = 1.1;
/** LED current this much over or under the wanted one is said. */
const LED_OVER = 1.15;
const LED_UNDER = 0.7;
/** γ outside these is rarely a photoresistor read right. */
const USUAL_GAMMA = { least: 0.4, most: 1.1 };

/** All that is worth telling about a design, worst first, then in the order of the steps. */
export function adviseOn(project: Project, design: Omit<Design, 'advice' | 'states'>): readonly Advice[] {
  const all = [
    ...measureAdvice(project, design),
    ...divideAdvice(project, design),
    ...switchAdvice(project, design),
    ...driveAdvice(project, design),
  ];
  const rank = { cannot: 0, look: 1 } as const;
  return all.sort((one, other) => rank[one.state] - rank[other.state]);
}

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
  const { least, most } = USUAL_GAMMA;
  if (!isImpossible && (curve.gamma < least || curve.gamma > most)) {
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
  const [leastLux, mostLux] =
    ldr.source === 'measured'
      ? [ldr.fit.leastLux, ldr.fit.mostLux]
      : [Math.min(...lights), Math.max(...lights)];
  if (ldr.source === 'typical' || ldr.source === 'bag' || lights.length === 0) return null;
  return goal.lux < leastLux || goal.lux > mostLux ? { leastLux, mostLux } : null;
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
      mend: { kind: 'swap-ldr-side' },
    });
  }
  if (!exactFixed.ok && exactFixed.reason === 'goal-out-of-reach') {
    found.push({ step, state: 'cannot', code: 'goal-out-of-reach', goalLux, reach: exactFixed.reach });
  }
  if (exactFixed.ok && candidates.length === 0) {
    found.push({ step, state: 'look', code: 'empty-drawer', ohms: exactFixed.ohms });
  }
  const nearest = nearestCandidate(candidates, goalLux);
  const mend: { mend?: Mend } = nearest ? { mend: { kind: 'take-fixed', ohms: nearest.ohms } } : {};
  if (!half.ok && exactFixed.ok) {
    const stays = half.reason === 'stays-above' ? 'on' : 'off';
    found.push({ step, state: 'cannot', code: 'never-switches', stays, range, ...mend });
  }
  const isNearest = nearest?.ohms === project.divider.fixedOhms;
  if (half.ok && !isNearest && exactFixed.ok && farApart(half.lux, goalLux)) {
    const ohms = nearest?.ohms ?? exactFixed.ohms;
    found.push({ step, state: 'look', code: 'off-goal', goalLux, switchLux: half.lux, ohms, ...mend });
  }
  const limits = ldrLimitsOf(project);
  if (sweep.worst.ldrWatts > limits.watts) {
    const { ldrWatts: watts, ldrWattsLux: lux } = sweep.worst;
    found.push({ step, state: 'look', code: 'ldr-warm', watts, mostWatts: limits.watts, lux });
  }
  if (sweep.worst.ldrVolts > limits.volts) {
    const { ldrVolts: volts } = sweep.worst;
    found.push({ step, state: 'cannot', code: 'ldr-over-voltage', volts, mostVolts: limits.volts });
  }
  return found;
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

function farApart(one: number, other: number): boolean {
  return Math.max(one, other) / Math.min(one, other) > OFF_GOAL_RATIO;
}

function switchAdvice(project: Project, design: Found): readonly Advice[] {
  const step = 'switch';
  const found: Advice[] = [];
  const { drive, series, sweep } = design;
  const { baseAmps, forcedBeta, leastBeta, guaranteedAmps, fullAmps } = drive;
  const { limits } = stages[project.stage.kind];
  // A load that the supply cannot light is the drive's own matter: no base current would help it.
  if (!drive.holdsFullyOn && series.ok) {
    const mend = lighterLoad(project, design);
    const figures = { baseAmps, forcedBeta, leastBeta, guaranteedAmps, fullAmps };
    found.push({ step, state: 'cannot', code: 'load-not-held', ...figures, ...mend });
  } else if (series.ok && forcedBeta > leastBeta / 2) {
    found.push({ step, state: 'look', code: 'little-drive-in-hand', forcedBeta, leastBeta });
  }
  if (sweep.worst.baseAmps > limits.baseAmps) {
    const { baseAmps: amps, baseAmpsLux: lux } = sweep.worst;
    // Half the limit at the most, even with the LDR as good as a wire.
    const ohms = neighbours(project.divider.supplyVolts / (limits.baseAmps / 2), 'E12').above;
    const mend: Mend = { kind: 'take-base', ohms };
    found.push({
      step,
      state: 'look',
      code: 'base-over-current',
      amps,
      mostAmps: limits.baseAmps,
      lux,
      mend,
    });
  }
  return found;
}

/** What a load needs in hand to be held after the divider has been sized for it anew. */
const LIGHTER_MARGIN = 1.3;
/** A base that is half way to full load, in V. */
const USUAL_BASE_VOLTS = 0.65;
/** Under this an LED is hardly seen. */
const LEAST_LED_AMPS = 0.0005;

/**
 * A load that the least gain could hold, the divider sized for it. With the LDR below, all that R1 carries at the goal
 * (the LDR's current and the base's, for half the load) goes to the base in the dark: `I = βmin·(I_LDR + I/2β)`.
 */
function lighterLoad(project: Project, { ldr, drive, action }: Found): { mend?: Mend } {
  const { betas } = stages[project.stage.kind];
  const ldrAmps = USUAL_BASE_VOLTS / ldrOhmsAt(ldr.curve, project.goal.lux);
  const held =
    action === 'on-in-dark'
      ? (betas.least * ldrAmps) / (1 - betas.least / (2 * betas.typical))
      : drive.guaranteedAmps;
  const decade = 10 ** Math.floor(Math.log10(held / LIGHTER_MARGIN));
  const amps = Number((Math.floor(held / LIGHTER_MARGIN / decade) * decade).toPrecision(1));
  return amps >= LEAST_LED_AMPS && amps < project.load.wantedAmps
    ? { mend: { kind: 'lighten-load', amps } }
    : {};
}

function driveAdvice(project: Project, { drive, series }: Found): readonly Advice[] {
  const step = 'drive';
  const { wantedAmps, seriesOhms } = project.load;
  const { limits } = stages[project.stage.kind];
  if (!series.ok) {
    if (series.reason === 'not-converged') return [];
    const { supplyVolts } = project.divider;
    return [
      { step, state: 'cannot', code: 'supply-below-led', supplyVolts, neededVolts: series.neededVolts },
    ];
  }
  const found: Advice[] = [];
  const amps = drive.fullAmps;
  if (amps > limits.loadAmps) {
    found.push({ step, state: 'cannot', code: 'load-above-transistor', amps, mostAmps: limits.loadAmps });
  }
  const better = neighbours(series.exactOhms, 'E24').above;
  const mend: { mend?: Mend } = better === seriesOhms ? {} : { mend: { kind: 'take-series', ohms: better } };
  if (amps > wantedAmps * LED_OVER) {
    found.push({ step, state: 'cannot', code: 'led-over-current', amps, wantedAmps, ...mend });
  } else if (amps < wantedAmps * LED_UNDER) {
    found.push({ step, state: 'look', code: 'led-under-current', amps, wantedAmps, ...mend });
  }
  return found;
}
