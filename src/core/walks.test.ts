import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { adviseOn } from './advise/advise';
import { editFor } from './advise/fixes';
import { detectorKinds } from './detectors/kinds';
import { defaultOutputStages, outputStageKinds } from './detectors/outputStage/outputStage';
import { defaultDetectors } from './detectors/registry';
import { shippedTransistors } from './drivers/registry';
import { loadKinds } from './loads/kinds';
import { ledKinds, type LedKindId } from './loads/led';
import { defaultLoads } from './loads/registry';
import { batteryKinds, defaultSource, sourceKinds } from './loads/supply';
import { boardIds } from './board/board';
import { changeBuild, tickStep } from './project/built/buildEdits';
import { forgetAnswers, noteAnswer, noteSymptom } from './project/built/checkEdits';
import { symptoms } from './project/built/checkSettings';
import { wireColors } from './project/built/buildSettings';
import * as detectorEdits from './project/detectorEdits';
import * as edits from './project/edits';
import {
  addReading,
  changeMeasurement,
  deleteReading,
  readNextLdr,
  setReadingAside,
} from './project/readingEdits';
import { newProject } from './project/newProject';
import { checkProject, LIMITS, midLimits, type Project } from './project/project';
import { sampleProjects } from './project/samples';
import { addVariant, dropVariant, openVariant } from './project/variants';
import { judge } from './readings/judge';
import { chooseDetector } from './size/chooseDetector';
import { changeSteps } from './size/changeSteps';
import { changeEdgeBand } from './size/edgeBand';
import { EDGE_RATIO } from './detectors/edgeBand';
import { sizeDesign } from './size/sized';
import { resized, sizeDetector } from './size/resize';
import { takeMidpoints } from './size/takeMidpoints';
import { promised, runs } from './testRuns';

type Limits = { readonly min: number; readonly max: number };

/** What a field lets through: any value within its limits, its ends included. */
const within = ({ min, max }: Limits) =>
  fc.oneof(
    fc.constantFrom(min, max),
    fc.double({ min: 0, max: 1, noNaN: true }).map((share) => {
      const spread = min > 0 ? min * (max / min) ** share : min + share * (max - min);
      return Math.min(max, Math.max(min, Number(spread.toPrecision(4))));
    }),
  );
const orNone = (limits: Limits) => fc.option(within(limits));
const side = fc.constantFrom('top' as const, 'bottom' as const);
const action = fc.constantFrom('on-in-dark' as const, 'on-in-light' as const);
const anyId = fc.stringMatching(/^[a-z0-9]{6,10}$/);
const lux = within({ min: 0.001, max: 1e5 });

const { detectorOhms: ohms, load: load_ } = LIMITS;
type Walk = fc.Arbitrary<edits.Edit>;

/** Every edit that the interface has, with whatever its fields let through. */
const anyEdit: Walk = fc.oneof<Walk[]>(
  action.map((to) => edits.changeGoal({ action: to })),
  lux.map((goal) => edits.changeGoal({ lux: goal })),
  fc.option(lux).map((offLux) => edits.changeGoal({ offLux })),
  within(LIMITS.supplyVolts).map((supplyVolts) => edits.changeDivider({ supplyVolts })),
  within(LIMITS.fixedOhms).map((fixedOhms) => edits.setFixed(fixedOhms)),
  side.map((ldrSide) => edits.changeDivider({ ldrSide })),
  orNone(LIMITS.fixedOhms).map((ldrSeriesOhms) => edits.changeDivider({ ldrSeriesOhms })),
  orNone(LIMITS.fixedOhms).map((ldrParallelOhms) => edits.changeDivider({ ldrParallelOhms })),
  fc.constant(edits.swapLdrSide),
  fc.boolean().map((isDirect) => edits.driveDirectly(isDirect)),
  fc
    .record(
      {
        trackOhms: within(LIMITS.trackOhms),
        endOhms: within(LIMITS.endOhms),
        degrees: within(LIMITS.degrees),
      },
      { noNullPrototype: true },
    )
    .map((trimmer) => edits.changeTrimmer(trimmer)),
  fc.constant(edits.changeTrimmer(null)),
  orNone(LIMITS.baseOhms).map((baseOhms) => edits.changeBaseResistor(baseOhms)),
  fc.constantFrom('collector' as const, 'emitter' as const).map((place) => edits.changeDriver({ place })),
  fc.constantFrom(...shippedTransistors).map((part) => edits.takeTransistor(part)),
  fc
    .tuple(fc.constantFrom(...loadKinds), fc.nat(5))
    .map(([kind, index]) => edits.takeLoad(defaultLoads[kind], index)),
  fc.constantFrom(...loadKinds).map((kind) => edits.addLoad(defaultLoads[kind])),
  fc.nat(5).map((index) => edits.removeLoad(index)),
  fc
    .tuple(fc.constantFrom<LedKindId>('own', ...ledKinds.map(({ id }) => id)), fc.nat(5))
    .map(([led, index]) => edits.chooseLed(led, index)),
  fc
    .tuple(within(load_.seriesOhms), fc.nat(5))
    .map(([value, index]) => edits.changeLoad({ seriesOhms: value }, index)),
  fc
    .tuple(within(load_.volts), fc.nat(5))
    .map(([value, index]) => edits.changeLoad({ ratedVolts: value }, index)),
  within(load_.coilOhms).map((value) => edits.changeLoad({ coilOhms: value })),
  within(load_.pullOhms).map((value) => edits.changeLoad({ pullOhms: value })),
  fc
    .tuple(fc.constantFrom(...sourceKinds), within(LIMITS.supplyVolts))
    .map(([kind, volts]) => edits.takeSource(defaultSource(kind, volts).source, volts)),
  fc
    .tuple(fc.constantFrom(...batteryKinds), fc.integer(LIMITS.supply.cells))
    .map(([{ id }, cells]) => defaultSource('battery', 5, id, cells))
    .map(({ source, volts }) => edits.takeSource(source, volts)),
  fc
    .option(fc.tuple(fc.constantFrom(...sourceKinds), within(LIMITS.supplyVolts), fc.boolean()))
    .map((own) =>
      edits.changeLoadSupply(
        own && { ...defaultSource(own[0], own[1]), volts: own[1], commonGround: own[2] },
      ),
    ),
  within({ min: 0, max: 1 }).map((share) => edits.changeDarkShare(share)),
  fc
    .constantFrom('E6' as const, 'E12' as const, 'E24' as const, 'E96' as const)
    .map((series) => edits.changeResistors({ series })),
  fc.constantFrom(...detectorKinds).map((kind) => chooseDetector(kind)),
  fc.constantFrom(...detectorKinds).map((kind) => detectorEdits.takeDetector(defaultDetectors[kind])),
  fc.constant(detectorEdits.swapInputs),
  fc.constant(sizeDetector),
  fc.constant(resized),
  fc.constantFrom('transistor' as const, 'load' as const).map((to) => detectorEdits.changeOutput({ to })),
  fc
    .constantFrom('ground' as const, 'supply' as const)
    .map((loadRail) => detectorEdits.changeOutput({ loadRail })),
  orNone(ohms).map((releaseOhms) => detectorEdits.changeOutput({ releaseOhms })),
  fc
    .constantFrom(...outputStageKinds)
    .map((kind) => detectorEdits.changeOutputStage(defaultOutputStages[kind])),
  orNone(ohms).map((feedbackOhms) => detectorEdits.changeDetector('comparator', { feedbackOhms })),
  orNone(ohms).map((sensorOhms) => detectorEdits.changeDetector('comparator', { sensorOhms })),
  within(LIMITS.negativeVolts).map((negativeVolts) =>
    detectorEdits.changeDetector('comparator', { negativeVolts }),
  ),
  fc.array(lux, { minLength: 2, maxLength: 8 }).map((steps) => changeSteps(steps)),
  orNone(EDGE_RATIO).map((ratio) => changeEdgeBand(ratio)),
  within(LIMITS.feedbackLux).map((light) => detectorEdits.changeFeedbackLight(light)),
  fc
    .option(fc.tuple(lux, lux))
    .map((beam) => detectorEdits.changeBeam(beam && { ambientLux: beam[0], beamLux: beam[1] })),
  fc
    .tuple(anyId, lux, within(LIMITS.readingOhms))
    .map(([id, light, read]) => addReading({ id, light: { kind: 'lux', lux: light }, ohms: read })),
  fc.nat(9).map((at) => (project: Project) => deleteReading(project.readings[at]?.id ?? '')(project)),
  fc.tuple(fc.nat(9), fc.boolean()).map(
    ([at, setAside]) =>
      (project: Project) =>
        setReadingAside(project.readings[at]?.id ?? '', setAside)(project),
  ),
  within(LIMITS.lightTolerance).map((lightTolerance) => changeMeasurement({ lightTolerance })),
  fc.constant(readNextLdr),
  fc.option(fc.constantFrom(...boardIds)).map((board) => changeBuild({ board, layout: null })),
  fc.integer(LIMITS.build.copies).map((copies) => changeBuild({ copies })),
  fc
    .tuple(
      fc.constantFrom('volts mid 0', 'ohms R1 0', 'load 1', 'look touching '),
      fc.option(fc.double({ min: -20, max: 1e12, noNaN: true })),
    )
    .map(([probe, value]) => noteAnswer(probe, value)),
  fc
    .tuple(fc.constantFrom(...symptoms), fc.boolean())
    .map(([symptom, isThere]) => noteSymptom(symptom, isThere)),
  fc.constant(forgetAnswers),
  fc
    .tuple(fc.constantFrom('p:R1@a1,b2', 'c:rails-apart'), fc.boolean())
    .map(([key, isDone]) => tickStep(key, isDone, new Set(['p:R1@a1,b2', 'c:rails-apart']))),
  fc
    .constantFrom(...wireColors)
    .map((plus) => (project: Project) => changeBuild({ wires: { ...project.build.wires, plus } })(project)),
  fc.constant(addVariant()),
  fc.constantFrom('A' as const, 'B' as const, 'C' as const).map((name) => openVariant(name)),
  fc.constantFrom('A' as const, 'B' as const, 'C' as const).map((name) => dropVariant(name)),
  fc
    .tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([one, other]) => (project: Project) => {
      const { min, max } = midLimits(project);
      return takeMidpoints(project, min + one * (max - min), min + other * (max - min))?.(project) ?? project;
    }),
  // A button of the advice, whichever is offered.
  fc.nat(9).map((at) => (project: Project) => {
    const sized = sizeDesign(project);
    if (!sized.ok) return project;
    const fixes = adviseOn(project, { ...sized.design, judgement: judge(project) }).flatMap(({ fix }) =>
      fix ? [fix] : [],
    );
    const fix = fixes[at % Math.max(1, fixes.length)];
    return fix ? editFor(fix)(project) : project;
  }),
);

describe('any walk through the edits that the interface has', () => {
  it('leaves a project that its schema takes, step by step', () => {
    let steps = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...sampleProjects, newProject('n', 'New')),
        fc.array(anyEdit, { minLength: 30, maxLength: 30 }),
        (start, walk) => {
          walk.reduce<Project>((project, edit) => {
            const next = edit(project);
            const checked = checkProject(next);
            if (!checked.ok) throw new Error(`damaged at ${checked.path}`);
            steps += 1;
            return next;
          }, start);
        },
      ),
      { numRuns: Math.ceil(runs(5000, 60) / (runs(5000, 60) < 5000 ? 4 : 1)), seed: 61, endOnFailure: true },
    );
    promised('walks: edits that leave a sound project', steps, '5 000 walks of 30');
    expect(steps).toBeGreaterThan(500);
  });
});
