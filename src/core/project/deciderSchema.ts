import { array, string } from 'yup';
import { idSchema, nullOr, oneOf, wholeWithin, within, withinOrNone } from '../readings/schema';
import type { OutputStage } from '../stages/after';
import { CHANGE_LIMITS } from '../stages/change';
import { COMPARATOR_LIMITS as PART, outputKinds } from '../stages/comparators';
import { CONTROLLER_LIMITS } from '../stages/controller';
import type { DetectorKind, DetectorOutput, GoalEnd } from '../stages/decider';
import { ONE_SHOT_LIMITS } from '../stages/oneShot';
import { LADDER_STEPS } from '../stages/ladder';
import { byKind, exactly } from './driveSchema';

const ohms = { min: 1, max: 1e8 };

/** What every decider in an IC is told by. */
const icFigures = {
  id: idSchema,
  name: string().defined().max(PART.nameLength),
  biasAmps: within(PART.biasAmps),
  lowVolts: within(PART.restVolts),
  highVolts: within(PART.restVolts),
  outputOhms: within(PART.outputOhms),
  maxAmps: within(PART.maxAmps),
  idleAmps: within(PART.idleAmps),
  minSupplyVolts: within(PART.supplyVolts),
  maxSupplyVolts: within(PART.supplyVolts),
};

/** A comparator with all its figures. */
export const comparatorSchema = exactly({
  ...icFigures,
  kind: oneOf(...outputKinds),
  offsetVolts: within(PART.offsetVolts),
  inputLowVolts: within(PART.inputVolts),
  inputHighVolts: within(PART.inputVolts),
});

const outputSchema = exactly({
  to: oneOf<DetectorOutput['to']>('transistor', 'load'),
  loadRail: oneOf<DetectorOutput['loadRail']>('ground', 'supply'),
  releaseOhms: withinOrNone(ohms),
});

const trimmerSchema = exactly({
  trackOhms: within({ min: 10, max: 1e7 }),
  degrees: within({ min: 90, max: 9000 }),
  position: within({ min: 0, max: 1 }),
});

const referenceSchema = exactly({
  topOhms: withinOrNone(ohms),
  bottomOhms: within(ohms),
  trimmer: nullOr(trimmerSchema),
});

const timerSchema = exactly({
  ...icFigures,
  stringOhms: within({ min: 1000, max: 1e6 }),
  thresholdShare: within({ min: 0, max: 0.2 }),
});

/** What decides, by its kind. */
export const detectorSchema = byKind<DetectorKind>({
  transistor: exactly({ kind: oneOf('transistor') }),
  comparator: exactly({
    kind: oneOf('comparator'),
    part: comparatorSchema,
    sensorInput: oneOf('plus', 'minus'),
    reference: referenceSchema,
    feedbackOhms: withinOrNone(ohms),
    sensorOhms: withinOrNone(ohms),
    pullUpOhms: within(ohms),
    negativeVolts: within({ min: 0, max: 30 }),
    output: outputSchema,
  }),
  window: exactly({
    kind: oneOf('window'),
    part: comparatorSchema,
    topOhms: within(ohms),
    middleOhms: within(ohms),
    bottomOhms: within(ohms),
    pullUpOhms: within(ohms),
    output: outputSchema,
  }),
  ladder: exactly({
    kind: oneOf('ladder'),
    part: comparatorSchema,
    stringOhms: array(within(ohms))
      .required()
      .min(LADDER_STEPS.min + 1)
      .max(LADDER_STEPS.max + 1),
    stepLux: array(within({ min: 1e-9, max: 1e9 }))
      .required()
      .min(LADDER_STEPS.min)
      .max(LADDER_STEPS.max),
    shows: oneOf('fill', 'dot'),
    moreIn: oneOf('light', 'dark'),
    output: outputSchema,
  }),
  timer: exactly({
    kind: oneOf('timer'),
    part: timerSchema,
    control: nullOr(exactly({ ohms: within(ohms), to: oneOf('ground', 'supply') })),
    matters: oneOf<GoalEnd>('on', 'off'),
    pulse: nullOr(exactly({ ohms: within(ONE_SHOT_LIMITS.ohms), farads: within(ONE_SHOT_LIMITS.farads) })),
    output: outputSchema,
  }),
  controller: exactly({
    kind: oneOf('controller'),
    bits: wholeWithin(CONTROLLER_LIMITS.bits),
    refVolts: withinOrNone(CONTROLLER_LIMITS.refVolts),
    onCode: wholeWithin(CONTROLLER_LIMITS.code),
    offCode: wholeWithin(CONTROLLER_LIMITS.code),
    onWhen: oneOf('above', 'below'),
    samples: wholeWithin(CONTROLLER_LIMITS.samples),
    minOnSeconds: within(CONTROLLER_LIMITS.minOnSeconds),
    maxPinAmps: within(CONTROLLER_LIMITS.maxPinAmps),
    output: outputSchema,
  }),
  change: exactly({
    kind: oneOf('change'),
    part: comparatorSchema,
    farads: within(CHANGE_LIMITS.farads),
    biasOhms: within(CHANGE_LIMITS.biasOhms),
    gain: within(CHANGE_LIMITS.gain),
    triggerVolts: within(CHANGE_LIMITS.triggerVolts),
    dimming: within(CHANGE_LIMITS.dimming),
    seconds: within(CHANGE_LIMITS.seconds),
    rippleShare: within(CHANGE_LIMITS.rippleShare),
    output: outputSchema,
  }),
});

/** What follows the decider. */
export const outputStageSchema = byKind<OutputStage['kind']>({
  direct: exactly({ kind: oneOf('direct') }),
  inverted: exactly({ kind: oneOf('inverted') }),
  'one-shot': exactly({
    kind: oneOf('one-shot'),
    ohms: within(ONE_SHOT_LIMITS.ohms),
    farads: within(ONE_SHOT_LIMITS.farads),
  }),
  toggle: exactly({ kind: oneOf('toggle') }),
});
