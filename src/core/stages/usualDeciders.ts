import { defaultComparator } from './comparators';
import type {
  ChangeSettings,
  ComparatorSettings,
  ControllerSettings,
  DetectorKind,
  DetectorOutput,
  DetectorSettings,
  LadderSettings,
  TimerSettings,
  WindowSettings,
} from './decider';
import { defaultTimer } from './timers';

/** An output into the transistor of the stage. */
export const DEFAULT_OUTPUT: DetectorOutput = { to: 'transistor', loadRail: 'supply', releaseOhms: null };

/** A comparator with its reference at half the supply, the sensor at its plus input, no hysteresis yet. */
export const defaultComparatorSettings: ComparatorSettings = {
  kind: 'comparator',
  part: defaultComparator(),
  sensorInput: 'plus',
  reference: { topOhms: 10_000, bottomOhms: 10_000, trimmer: null },
  feedbackOhms: null,
  sensorOhms: null,
  pullUpOhms: 10_000,
  negativeVolts: 0,
  output: DEFAULT_OUTPUT,
};

const DIRECT: DetectorOutput = { to: 'load', loadRail: 'supply', releaseOhms: null };

const defaultWindow: WindowSettings = {
  kind: 'window',
  part: defaultComparator(),
  topOhms: 10_000,
  middleOhms: 10_000,
  bottomOhms: 10_000,
  pullUpOhms: 10_000,
  output: DEFAULT_OUTPUT,
};

const defaultLadder: LadderSettings = {
  kind: 'ladder',
  part: defaultComparator(),
  stringOhms: [10_000, 10_000, 10_000, 10_000, 10_000, 10_000],
  stepLux: [10, 30, 100, 300, 1000],
  shows: 'fill',
  moreIn: 'light',
  output: DIRECT,
};

const defaultTimerSettings: TimerSettings = {
  kind: 'timer',
  part: defaultTimer(),
  control: null,
  matters: 'on',
  pulse: null,
  output: DEFAULT_OUTPUT,
};

const defaultController: ControllerSettings = {
  kind: 'controller',
  bits: 10,
  refVolts: null,
  onCode: 512,
  offCode: 448,
  onWhen: 'above',
  samples: 8,
  minOnSeconds: 10,
  maxPinAmps: 0.02,
  output: DEFAULT_OUTPUT,
};

const defaultChange: ChangeSettings = {
  kind: 'change',
  part: defaultComparator(),
  farads: 1e-6,
  biasOhms: 470_000,
  gain: 20,
  triggerVolts: 1,
  dimming: 0.3,
  seconds: 0.3,
  rippleShare: 0.2,
  output: DEFAULT_OUTPUT,
};

/** What each way of deciding starts with. */
export const defaultDetectors: Readonly<Record<DetectorKind, DetectorSettings>> = {
  transistor: { kind: 'transistor' },
  comparator: defaultComparatorSettings,
  window: defaultWindow,
  ladder: defaultLadder,
  timer: defaultTimerSettings,
  controller: defaultController,
  change: defaultChange,
};
