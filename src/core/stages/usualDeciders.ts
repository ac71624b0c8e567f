import { usualComparator } from './comparators';
import type {
  ChangeSettings,
  ComparatorSettings,
  ControllerSettings,
  DeciderKind,
  DeciderOutput,
  DeciderSettings,
  LadderSettings,
  TimerSettings,
  WindowSettings,
} from './decider';
import { usualTimer } from './timers';

/** An output into the transistor of the stage. */
export const USUAL_OUTPUT: DeciderOutput = { to: 'transistor', loadRail: 'supply', releaseOhms: null };

/** A comparator with its reference at half the supply, the sensor at its plus input, no hysteresis yet. */
export const usualComparatorSettings: ComparatorSettings = {
  kind: 'comparator',
  part: usualComparator(),
  sensorInput: 'plus',
  reference: { topOhms: 10_000, bottomOhms: 10_000, trimmer: null },
  feedbackOhms: null,
  sensorOhms: null,
  pullUpOhms: 10_000,
  negativeVolts: 0,
  output: USUAL_OUTPUT,
};

const STRAIGHT: DeciderOutput = { to: 'load', loadRail: 'supply', releaseOhms: null };

const usualWindow: WindowSettings = {
  kind: 'window',
  part: usualComparator(),
  topOhms: 10_000,
  middleOhms: 10_000,
  bottomOhms: 10_000,
  pullUpOhms: 10_000,
  output: USUAL_OUTPUT,
};

const usualLadder: LadderSettings = {
  kind: 'ladder',
  part: usualComparator(),
  stringOhms: [10_000, 10_000, 10_000, 10_000, 10_000, 10_000],
  stepLux: [10, 30, 100, 300, 1000],
  shows: 'fill',
  moreIn: 'light',
  output: STRAIGHT,
};

const usualTimerSettings: TimerSettings = {
  kind: 'timer',
  part: usualTimer(),
  control: null,
  matters: 'on',
  pulse: null,
  output: USUAL_OUTPUT,
};

const usualController: ControllerSettings = {
  kind: 'controller',
  bits: 10,
  refVolts: null,
  onCode: 512,
  offCode: 448,
  onWhen: 'above',
  samples: 8,
  leastOnSeconds: 10,
  mostPinAmps: 0.02,
  output: USUAL_OUTPUT,
};

const usualChange: ChangeSettings = {
  kind: 'change',
  part: usualComparator(),
  farads: 1e-6,
  biasOhms: 470_000,
  gain: 20,
  triggerVolts: 1,
  dimming: 0.3,
  seconds: 0.3,
  rippleShare: 0.2,
  output: USUAL_OUTPUT,
};

/** What each way of deciding starts with. */
export const usualDeciders: Readonly<Record<DeciderKind, DeciderSettings>> = {
  transistor: { kind: 'transistor' },
  comparator: usualComparatorSettings,
  window: usualWindow,
  ladder: usualLadder,
  timer: usualTimerSettings,
  controller: usualController,
  change: usualChange,
};
