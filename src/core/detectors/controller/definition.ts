import { GROUND } from '../../circuit/netlist';
import { ldrOhmsAt } from '../../ldr/curve';
import { MAX_CONTROLLER_VOLTS } from '../../parts/kinds/controllerBoard';
import { exactly, oneOf, wholeWithin, within, withinOrNone, type Infer } from '../../schema';
import { nearestOhms } from '../../series/stock';
import type { DetectorBench, Sized } from '../bench';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorContext, type DetectorDefinition } from '../definition';
import { INTO_TRANSISTOR, outputField } from '../fields';
import type { DetectorSaying } from '../finding';
import { bandSayings } from '../sayings';
import { otherLevel, type DetectorCircuit, type Trip } from '../switching';
import { adcCode, codesApart, codesFor, controllerFacts, MAX_SOURCE_OHMS } from './codes';

/** What each figure may be. */
export const CONTROLLER_LIMITS = {
  bits: { min: 6, max: 16 },
  refVolts: { min: 0.5, max: 6 },
  code: { min: 0, max: 65_535 },
  samples: { min: 1, max: 1000 },
  minOnSeconds: { min: 0, max: 86_400 },
  maxPinAmps: { min: 0.001, max: 0.1 },
} as const;

export const controllerField = exactly({
  kind: oneOf('controller'),
  bits: wholeWithin(CONTROLLER_LIMITS.bits),
  /** What full scale is, in V; `null` for its own supply. */
  refVolts: withinOrNone(CONTROLLER_LIMITS.refVolts),
  /** On at or past this code, off at or past that one. */
  onCode: wholeWithin(CONTROLLER_LIMITS.code),
  offCode: wholeWithin(CONTROLLER_LIMITS.code),
  /** On while the code is high, or while it is low. */
  onWhen: oneOf('above', 'below'),
  /** Readings that are averaged, and how long it stays on at least. */
  samples: wholeWithin(CONTROLLER_LIMITS.samples),
  minOnSeconds: within(CONTROLLER_LIMITS.minOnSeconds),
  /** Most current of a pin, in A. */
  maxPinAmps: within(CONTROLLER_LIMITS.maxPinAmps),
  output: outputField,
});

/** A microcontroller that reads the midpoint and drives a pin. */
export type ControllerSettings = Infer<typeof controllerField>;

/**
 * A microcontroller that compares its readings with two codes; its firmware drives the pin so that the load is on when it
 * should be.
 */
function controllerCircuit(
  settings: ControllerSettings,
  { ldrSide, onLevel }: DetectorContext,
): DetectorCircuit {
  const { bits, refVolts, onCode, offCode, onWhen, maxPinAmps } = settings;
  // The code is at least so high: from the voltage that just reads as it. Or at most: up to the next code's.
  const atLeast = (code: number): Trip => tripAt(code, refVolts, bits);
  const atMost = (code: number): Trip => tripAt(code + 1, refVolts, bits);
  const [on, off] =
    onWhen === 'above' ? [atLeast(onCode), atMost(offCode)] : [atMost(onCode), atLeast(offCode)];
  const sense = ldrSide === 'top' ? 1 : -1;
  const isOnInLight = (sense === 1) === (onWhen === 'above');
  const levels = isOnInLight ? [otherLevel[onLevel], onLevel] : [onLevel, otherLevel[onLevel]];
  return {
    drafts: [
      {
        kind: 'controller',
        role: 'detector',
        key: 'detector',
        maxPinAmps,
        input: 'mid',
        out: 'out',
        top: 'supply',
        bottom: GROUND,
      },
    ],
    switching: {
      out: 'out',
      states: levels.map((level) => ({ detector: level })),
      levels,
      boundaries: [isOnInLight ? { sense, rising: on, falling: off } : { sense, rising: off, falling: on }],
    },
  };
}

function tripAt(code: number, refVolts: number | null, bits: number): Trip {
  const share = code / 2 ** bits;
  return refVolts === null
    ? { plus: 'mid', minus: 'supply', share, offsetVolts: 0 }
    : { plus: 'mid', minus: GROUND, share: 0, offsetVolts: -share * refVolts };
}

/** Hysteresis about a measured threshold: so many codes, of a full scale of 1024. */
const CODES_APART = 24;

function codesAbout(settings: ControllerSettings, volts: number, supplyVolts: number): ControllerSettings {
  const { bits, refVolts, onWhen } = settings;
  const apart = Math.max(1, Math.round((CODES_APART * 2 ** bits) / 1024));
  const onCode = adcCode(volts, refVolts ?? supplyVolts, bits);
  const wanted = onWhen === 'above' ? onCode - apart : onCode + apart;
  return { ...settings, onCode, offCode: Math.min(2 ** bits - 1, Math.max(0, wanted)) };
}

/** The program takes a reading every 10 ms. */
const READING_SECONDS = 0.01;

export const controller: DetectorDefinition<ControllerSettings> = {
  ...ONE_LIGHT,
  makesTone: true,
  field: controllerField,
  defaults: {
    kind: 'controller',
    bits: 10,
    refVolts: null,
    onCode: 512,
    offCode: 448,
    onWhen: 'above',
    samples: 8,
    minOnSeconds: 10,
    maxPinAmps: 0.02,
    output: INTO_TRANSISTOR,
  },
  circuit: controllerCircuit,
  output: ({ output }) => output,
  withOutput: (settings, output) => ({ ...settings, output }),
  goal: { lights: 'one', asksOff: true },
  sizes: 'own',
  sizedBy: 'codes',
  sized: (settings, bench): Sized<ControllerSettings> | null => {
    const found = codesFor(settings, bench);
    return found && { settings: { ...settings, ...found.codes }, goal: { offLux: found.offLux } };
  },
  fromMidpoints: (settings, { divider }, darkVolts, lightVolts) => {
    const between = betweenMidpoints(divider.supplyVolts, darkVolts, lightVolts, divider.lowVolts);
    return between && { settings: codesAbout(settings, between.volts, divider.supplyVolts) };
  },
  swapped: (settings) => ({ ...settings, onWhen: settings.onWhen === 'above' ? 'below' : 'above' }),
  recommendedSizing: 'geometric-mean',
  findings: (settings, bench, thresholds) => [
    ...sayCodes(settings, bench),
    ...bandSayings<ControllerSettings>(bench.goal, thresholds, { kind: 'resize', by: 'codes' }),
  ],
  sampling: ({ samples, minOnSeconds }) => ({ readingSeconds: READING_SECONDS, samples, minOnSeconds }),
  shortcomings: ['needs-firmware'],
  spread: 'exact',
};

/** What a board with a microcontroller runs on. */
const BOARD_VOLTS = 5;

/** What a microcontroller cannot tell or not well. */
function sayCodes(
  settings: ControllerSettings,
  bench: DetectorBench<ControllerSettings>,
): readonly DetectorSaying<ControllerSettings>[] {
  const said: DetectorSaying<ControllerSettings>[] = [];
  const volts = bench.divider.supplyVolts;
  if (volts > MAX_CONTROLLER_VOLTS)
    said.push({
      state: 'cannot',
      finding: { code: 'controller-supply', volts, maxVolts: MAX_CONTROLLER_VOLTS },
      fix: { kind: 'lower-supply', volts: BOARD_VOLTS },
    });
  const { apart, wantedSamples, isWide } = codesApart(settings);
  if (!isWide)
    said.push({
      state: 'look',
      finding: { code: 'codes-close', apart, samples: settings.samples, wantedSamples },
      fix: {
        kind: 'set-detector',
        settings: { ...settings, samples: wantedSamples },
        resizes: false,
      },
    });
  const maxCode = 2 ** settings.bits - 1;
  const largest = Math.max(settings.onCode, settings.offCode);
  if (largest > maxCode)
    said.push({
      state: 'cannot',
      finding: { code: 'code-out-of-range', largest, maxCode },
      fix: { kind: 'resize', by: 'codes' },
    });
  const facts = controllerFacts(settings, bench);
  if (facts && facts.sourceOhms > MAX_SOURCE_OHMS)
    said.push({
      state: 'look',
      finding: { code: 'source-resistance', ohms: facts.sourceOhms, maxOhms: MAX_SOURCE_OHMS },
      fix: { kind: 'take-divider', ohms: lowFixedOhms(bench) },
    });
  return said;
}

/** So much below what a pin recommends its divider is put. */
const SOURCE_SHARE = 0.85;

/** R1 with which the divider's own resistance at the goal is low enough for a pin, in Ω. */
function lowFixedOhms({ curve, goal, stock }: DetectorBench<ControllerSettings>): number {
  const ldrOhms = ldrOhmsAt(curve, goal.lux);
  const wanted = SOURCE_SHARE * MAX_SOURCE_OHMS;
  return nearestOhms(stock, ldrOhms > wanted ? 1 / (1 / wanted - 1 / ldrOhms) : ldrOhms);
}
