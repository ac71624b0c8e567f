import { someProject } from './advise/testProjects';
import { detectorOf } from './detectors/registry';
import { loadOf } from './loads/registry';
import { uniforms } from './numeric/random';
import {
  changeDetector,
  changeOutputStage,
  changeBeam,
  changeFeedbackLight,
  swapInputs,
} from './project/detectorEdits';
import { changeDivider, changeGoal, changeLoad, type Edit } from './project/edits';
import { checkProject, type Project } from './project/project';
import { changeSteps } from './size/changeSteps';
import { resized } from './size/resize';

/** What comes of chance, from numbers of 0 up to 1. */
function chanceOf(uniform: () => number) {
  return {
    is: (share: number) => uniform() < share,
    between: (min: number, max: number) => Number((min * (max / min) ** uniform()).toPrecision(3)),
    of: <T>(first: T, ...others: readonly T[]): T =>
      [first, ...others][Math.floor(uniform() * (others.length + 1))] ?? first,
  };
}
type Chance = ReturnType<typeof chanceOf>;

/** As someone would type it. */
const rounded = (lux: number) => Number(lux.toPrecision(3));

/** What is seldom set about the divider, the goal and the loads. */
function aboutIt({ loads }: Project, { is, between, of }: Chance): readonly Edit[] {
  const hasRelay = loadOf(loads[0], 'relay') !== null;
  const second = { coilVolts: 12, coilOhms: 120, supplyVolts: of(12, 9), contactAmps: 20 };
  return [
    ...(is(0.2) ? [changeDivider({ ldrParallelOhms: between(1e4, 1e6) })] : []),
    ...(is(0.2) ? [changeDivider({ ldrSeriesOhms: between(100, 1e4) })] : []),
    ...(is(0.2) ? [changeDivider({ ambientCelsius: of(0, 10, 40, 60) })] : []),
    ...(is(0.25) ? [offLight(between(1.05, 5))] : []),
    ...(hasRelay && is(0.4) ? [changeLoad({ contact: 'nc' })] : []),
    ...(hasRelay && is(0.3) ? [changeLoad({ second })] : []),
    ...(is(0.2) ? [ownLight(between(0.01, 3))] : []),
    ...(is(0.15) ? [beam(between(0.1, 2), between(0.3, 10))] : []),
  ];
}

const offLight =
  (times: number): Edit =>
  (project) =>
    changeGoal({
      offLux: rounded(project.goal.lux * (project.goal.action === 'on-in-dark' ? times : 1 / times)),
    })(project);
const ownLight =
  (times: number): Edit =>
  (project) =>
    changeFeedbackLight(project.goal.lux * times)(project);
const beam =
  (room: number, added: number): Edit =>
  (project) =>
    changeBeam({ ambientLux: project.goal.lux * room, beamLux: project.goal.lux * added })(project);

/** What is seldom set of what switches. */
function ofDetector({ detector, outputStage }: Project, { is, between, of }: Chance): readonly Edit[] {
  const edits: Edit[] = [];
  const comparator = detectorOf(detector, 'comparator');
  if (comparator) {
    const trimmer = { trackOhms: 10_000, degrees: of(270, 3600), position: between(0.05, 1) };
    const feedback = { feedbackOhms: between(1e4, 1e6), sensorOhms: of(null, 10_000, 47_000) };
    if (is(0.3)) edits.push(swapInputs);
    if (is(0.3))
      edits.push(changeDetector('comparator', { reference: { ...comparator.reference, trimmer } }));
    if (is(0.2)) edits.push(changeDetector('comparator', feedback));
    if (is(0.15)) edits.push(changeDetector('comparator', { negativeVolts: of(3, 5, 9) }));
  }
  if (detectorOf(detector, 'timer')) {
    const control = { ohms: between(1000, 1e5), to: of<'ground' | 'supply'>('ground', 'supply') };
    if (is(0.3)) edits.push(changeDetector('timer', { control }));
    if (is(0.2)) edits.push(changeDetector('timer', { pulse: { ohms: 1e5, farads: 1e-5 } }));
  }
  edits.push(
    changeDetector('controller', { samples: of(1, 4, 16), minOnSeconds: of(0, 1, 30) }),
    changeDetector('change', {
      gain: between(2, 500),
      triggerVolts: between(0.1, 3),
      farads: of(1e-7, 1e-6, 1e-5),
    }),
    changeDetector('ladder', { shows: of('fill', 'fill', 'dot'), moreIn: of('light', 'dark') }),
    // As the panel does: the goal is the first step to come.
    (project) => changeSteps(detectorOf(project.detector, 'ladder')?.stepLux ?? [])(project),
  );
  if (outputStage.kind === 'one-shot')
    edits.push(changeOutputStage({ ...outputStage, ohms: between(1e4, 1e6), farads: between(1e-7, 1e-5) }));
  return edits;
}

/**
 * For tests: a random project with what people seldom set set as well: resistors about the LDR, warmth, a trimmer, a band or two
 * supplies of a comparator, a timer's control pin, a program's figures, light of its own, a beam. The same seed gives the same one.
 */
export function unusualProject(seed: number): Project {
  const chance = chanceOf(uniforms(seed * 7 + 1));
  const start = someProject(seed);
  const edits = [
    ...ofDetector(start, chance),
    ...aboutIt(start, chance),
    ...(chance.is(0.3) ? [resized] : []),
    // On outside its edges.
    ...(detectorOf(start.detector, 'window') && chance.is(0.4)
      ? [changeOutputStage({ kind: 'inverted' })]
      : []),
  ];
  // What a project cannot hold is left out.
  return edits.reduce((project, edit) => {
    const next = edit(project);
    return checkProject(next).ok ? next : project;
  }, start);
}
