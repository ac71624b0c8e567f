import type { CircuitAnalysis } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import { detectorDefinition } from '../detectors/registry';
import { changeDivider } from '../project/edits';
import { exactly, listOf, oneOf, wholeWithin, type Infer } from '../schema';
import type { Project } from '../project/project';

/** What can be asked of a design before it is shown. */
export const questionKinds = ['on-or-off', 'darker', 'midpoint', 'which-way', 'count', 'inputs'] as const;
export type QuestionKind = (typeof questionKinds)[number];

/** A question with what is offered, and which of that is right. */
export interface Question {
  readonly kind: QuestionKind;
  /** The light that it is about, in lx. */
  readonly lux: number;
  /** It has been dark before, or bright. */
  readonly from: 'dark' | 'bright';
  /** Volts for a midpoint, a count for a ladder, else codes that the words turn into sentences. */
  readonly options: readonly (number | OptionCode)[];
  readonly right: number;
  /** Figures that the reason is told with. */
  readonly facts: {
    readonly midVolts: number;
    readonly referenceVolts: number | null;
    readonly switchLux: number | null;
  };
}
export type OptionCode =
  | 'on'
  | 'off'
  | 'turns-on'
  | 'turns-off'
  | 'stays'
  | 'up'
  | 'down'
  | 'nothing'
  | 'plus'
  | 'minus';

/** How near to its switching light a question is, as a ratio, from the easiest on. */
const DISTANCES = [20, 8, 4, 2.2, 1.5] as const;
/** Wrong midpoints lie so far off, as shares of the supply. */
const OFF = [0.12, 0.25, 0.4] as const;
/** R1 is turned by so much to see which way it goes. */
const TURN = 1.3;
/** A switching light that moves by less than this, in ln lx, does not move. */
const SEEN = 0.02;

/** Kinds that a design can be asked at all. */
export function kindsFor(
  project: Project,
  { thresholds, half, assembly }: CircuitAnalysis,
): readonly QuestionKind[] {
  const definition = detectorDefinition(project.detector);
  const switches = thresholds ? thresholds.turnOn.ok : half.ok;
  const hasReference = assembly.testPoints.some(({ net }) => net === 'ref');
  return questionKinds.filter((kind) => {
    switch (kind) {
      case 'on-or-off':
      case 'darker':
        return (
          switches && !assembly.hasOwnOutputs && definition.sizes !== 'none' && thresholds?.isWindow !== true
        );
      case 'midpoint':
        return true;
      case 'which-way':
        return switches && definition.sizes === 'fixed' && !assembly.hasOwnOutputs;
      case 'count':
        return assembly.hasOwnOutputs && !assembly.isOneAtATime;
      case 'inputs':
        return switches && hasReference && !assembly.hasOwnOutputs && definition.sizes === 'fixed';
    }
  });
}

/**
 * A question of a kind about a design; `null` where the design cannot be asked that.
 * @param level 0 for the easiest, up to 4
 * @param draw numbers from 0 up to 1
 */
export function questionOf(
  project: Project,
  analysis: CircuitAnalysis,
  kind: QuestionKind,
  level: number,
  draw: () => number,
): Question | null {
  if (!kindsFor(project, analysis).includes(kind)) return null;
  const { ldr, assembly, range, thresholds, half } = analysis;
  const circuit = DesignCircuit.of(project, ldr, {}, assembly);
  const on = thresholds ? thresholds.turnOn : half;
  const switchLux = on.ok ? on.lux : null;
  const distance = DISTANCES[Math.min(DISTANCES.length - 1, Math.max(0, level))] ?? 2;
  const way = draw() < 0.5 ? -1 : 1;
  const about = switchLux ?? project.goal.lux;
  const lux = rounded(
    Math.min(range.maxLux, Math.max(range.minLux, about * distance ** (way * (0.7 + 0.3 * draw())))),
  );
  const from = draw() < 0.5 ? 'dark' : 'bright';
  const settled = circuit.settle(from === 'dark' ? 0 : circuit.brightest, lux);
  if (!settled) return null;
  const { readout, position } = settled;
  const midVolts = readout.volts('mid');
  const hasReference = assembly.testPoints.some(({ net }) => net === 'ref');
  const referenceVolts = hasReference ? readout.volts('ref') : null;
  const facts = { midVolts, referenceVolts, switchLux };
  const asked = { kind, lux, from, facts } as const;
  const isOn = assembly.switching
    ? (assembly.switching.isOn[position] ?? false)
    : readout.loadAmps() >= analysis.drive.switchAmps;
  const ofCodes = (options: readonly OptionCode[], right: OptionCode): Question => ({
    ...asked,
    options,
    right: options.indexOf(right),
  });
  switch (kind) {
    case 'on-or-off':
      return ofCodes(['on', 'off'], isOn ? 'on' : 'off');
    case 'darker':
      return ofCodes(
        ['turns-on', 'turns-off', 'stays'],
        analysis.action === 'on-in-dark' ? 'turns-on' : 'turns-off',
      );
    case 'midpoint':
      return { ...asked, ...midpointOptions(midVolts, project.divider.supplyVolts, draw) };
    case 'which-way': {
      const turned = changeDivider({ fixedOhms: project.divider.fixedOhms * TURN })(project);
      const other = DesignCircuit.of(turned, ldr);
      const there = other.crossing(analysis.drive.switchAmps, range);
      if (!half.ok || !there.ok) return null;
      const moved = Math.log(there.lux / half.lux);
      if (Math.abs(moved) < SEEN) return ofCodes(['up', 'down', 'nothing'], 'nothing');
      return ofCodes(['up', 'down', 'nothing'], moved < 0 ? 'up' : 'down');
    }
    case 'count': {
      const lit = assembly.loads.filter(
        (_, index) => readout.loadAmpsOf(index) > (analysis.loads[index]?.amps ?? 0) / 2,
      ).length;
      const options = Array.from({ length: assembly.loads.length + 1 }, (_, count) => count);
      return { ...asked, options, right: lit };
    }
    case 'inputs':
      return referenceVolts === null
        ? null
        : ofCodes(['plus', 'minus'], midVolts > referenceVolts ? 'plus' : 'minus');
  }
}

/** Four midpoints, the right one among them where chance puts it. */
function midpointOptions(volts: number, supplyVolts: number, draw: () => number) {
  const wrong = OFF.map((share, index) => {
    const sign = draw() < 0.5 === (index % 2 === 0) ? 1 : -1;
    const off = volts + sign * share * supplyVolts;
    return off > 0.02 && off < supplyVolts ? off : volts - sign * share * supplyVolts;
  }).filter((off) => off > 0 && off < supplyVolts);
  const options = [volts, ...wrong].sort((one, other) => one - other);
  return { options, right: options.indexOf(volts) };
}

const rounded = (lux: number) => Number(lux.toPrecision(2));

/** What is kept of how someone answers: for each kind how often in a row, and the day from which it is asked again. */
export const scoreField = exactly({
  kinds: listOf(
    exactly({
      kind: oneOf(...questionKinds),
      level: wholeWithin({ min: 0, max: 4 }),
      dueDay: wholeWithin({ min: 0, max: 1_000_000 }),
    }),
    { max: questionKinds.length },
  ),
  right: wholeWithin({ min: 0, max: 1e9 }),
  asked: wholeWithin({ min: 0, max: 1e9 }),
});
export type Scores = Infer<typeof scoreField>;
export const NO_SCORES: Scores = { kinds: [], right: 0, asked: 0 };

/** What has been answered right so often in a row is asked again after so many days. */
const DAYS = [0, 1, 3, 7, 14] as const;

const scoreOf = (scores: Scores, kind: QuestionKind) =>
  scores.kinds.find((one) => one.kind === kind) ?? { kind, level: 0, dueDay: 0 };

/** The scores after an answer: right is harder and later, wrong is easier and tomorrow again. @param today days since 1970 */
export function answered(scores: Scores, kind: QuestionKind, isRight: boolean, today: number): Scores {
  const { level } = scoreOf(scores, kind);
  const next = isRight ? Math.min(DAYS.length - 1, level + 1) : Math.max(0, level - 1);
  const dueDay = today + (isRight ? (DAYS[next] ?? 0) : 1);
  return {
    kinds: [...scores.kinds.filter((one) => one.kind !== kind), { kind, level: next, dueDay }],
    right: scores.right + Number(isRight),
    asked: scores.asked + 1,
  };
}

/** What is asked next: what is due first, then the least sure; never the same kind twice where there is another. */
export function nextKind(
  scores: Scores,
  kinds: readonly QuestionKind[],
  today: number,
  last: QuestionKind | null,
): { readonly kind: QuestionKind; readonly level: number } | null {
  const others = kinds.length > 1 ? kinds.filter((kind) => kind !== last) : kinds;
  const order = others
    .map((kind) => scoreOf(scores, kind))
    .sort(
      (one, other) => Number(one.dueDay > today) - Number(other.dueDay > today) || one.level - other.level,
    );
  const first = order[0];
  return first ? { kind: first.kind, level: first.level } : null;
}
