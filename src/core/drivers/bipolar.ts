import { GROUND } from '../circuit/netlist';
import { atOrAbove, nearestOhms } from '../series/stock';
import { betaOf, firstOf } from '../parts/kinds/bipolar';
import { exactly, oneOf, within, type Infer } from '../schema';
import type { DriverDefinition, DriverFacts, DriverSaying, DriverSetting } from './definition';
import type { DriverFix } from './finding';
import type { TransistorKind } from './kinds';
import { TRANSISTOR_LIMITS as LIMITS, transistorFields } from './limits';
import { isRising, ratingSayings, wiringSayings } from './shared';

/** A bipolar transistor of a kind as a datasheet tells it. A Darlington's β is that of the pair. */
export const bipolarField = <K extends string>(kind: K) =>
  exactly({
    ...transistorFields,
    kind: oneOf(kind),
    /** Transport saturation current at 25 °C, in A. */
    saturationAmps: within(LIMITS.saturationAmps),
    minBeta: within(LIMITS.beta),
    typicalBeta: within(LIMITS.beta),
    maxBeta: within(LIMITS.beta),
    maxBaseAmps: within(LIMITS.maxBaseAmps),
  });

export type BipolarTransistor<K extends string> = Infer<ReturnType<typeof bipolarField<K>>>;

export const smallBipolar = {
  name: '',
  saturationAmps: 2e-14,
  minBeta: 100,
  typicalBeta: 200,
  maxBeta: 400,
  maxAmps: 0.2,
  maxBaseAmps: 0.02,
  maxVolts: 40,
  maxWatts: 0.5,
} as const;
export const mediumBipolar = {
  name: '',
  saturationAmps: 1e-13,
  minBeta: 60,
  typicalBeta: 130,
  maxBeta: 250,
  maxAmps: 1,
  maxBaseAmps: 0.1,
  maxVolts: 60,
  maxWatts: 0.8,
} as const;

/** A switch counts as driven hard when its base has a tenth of the load's current (the usual rule for saturation). */
const HARD_FORCED_BETA = 10;
/** A Darlington needs far less. */
const HARD_DARLINGTON_BETA = 250;
/** A part of less gain than that gets so many times what it needs. */
const HARD_MARGIN = 2;
/** No supply gives more than through so much, in Ω. */
const HARD_OHMS = 0.1;

interface BipolarOptions<K extends string> {
  readonly kind: K;
  readonly polarity: 'n' | 'p';
  readonly isDarlington?: boolean;
  readonly lessDrive?: readonly TransistorKind[];
  readonly shipped: readonly [BipolarTransistor<K>, ...BipolarTransistor<K>[]];
  /** A larger part of another kind, where the list of this kind ends. */
  readonly beyond: (amps: number) => {
    readonly id: string;
    readonly name: string;
    readonly maxAmps: number;
    readonly maxVolts: number;
    readonly maxWatts: number;
  } | null;
}

/** All bipolar switches alike: what tells them apart is data. */
export function bipolarDriver<K extends string>({
  kind,
  polarity,
  isDarlington = false,
  lessDrive = [],
  shipped,
  beyond,
}: BipolarOptions<K>): DriverDefinition<BipolarTransistor<K>> {
  const larger = (amps: number) => shipped.find(({ maxAmps }) => maxAmps >= amps) ?? beyond(amps);
  return {
    field: bipolarField(kind),
    polarity,
    control: 'base',
    ends: { collector: 'collector', emitter: 'emitter' },
    shipped,
    directSide: polarity === 'n' ? 'top' : 'bottom',
    part: (model, place, { control, out, far }) => {
      const [collector, emitter] = place === 'collector' ? [out, far] : [far, out];
      return {
        kind: 'bipolar',
        role: 'driver',
        polarity,
        isDarlington,
        model,
        collector,
        base: control,
        emitter,
      };
    },
    lessDrive,
    spread: 'beta',
    hardDrive: ({ typicalBeta }, place, sensorVolts) => {
      if (place === 'emitter') return { volts: polarity === 'n' ? 'supply' : GROUND };
      const usual = isDarlington ? HARD_DARLINGTON_BETA : HARD_FORCED_BETA;
      const beta = Math.min(usual, typicalBeta / HARD_MARGIN);
      return { amps: (loadAmps) => Math.min(loadAmps, sensorVolts / HARD_OHMS) / beta };
    },
    beta: betaOf,
    thresholdVolts: () => null,
    findings: (model, facts, setting) => {
      // What its base takes too much heats it as well: that is told of the base.
      const isOfLoad = facts.worst.baseAmps > model.maxBaseAmps;
      return [
        ...wiringSayings(polarity, facts, setting),
        ...driveSayings(polarity, model, facts, setting),
        ...ratingSayings(model, facts, {
          larger,
          heat: isOfLoad ? 'load' : 'transistor',
          peakTimes: PEAK_TIMES,
          passesAmps: model.maxBeta * facts.worst.baseAmps,
        }),
      ];
    },
    trouble: ({ minBeta, typicalBeta, maxBeta }) =>
      isRising(minBeta, typicalBeta, maxBeta) ? null : 'beta-order',
    measured: (designator) =>
      isDarlington
        ? { kind: 'bipolar', names: [designator, firstOf({ designator })], base: firstOf({ designator }) }
        : { kind: 'bipolar', names: [designator], base: designator },
  };
}

/** A base that is pulled further past its emitter than this may break down, and than that does, in V. */
const REVERSE_VOLTS = { some: 5, all: 7 } as const;
/** For a moment a bipolar transistor takes about twice its continuous current (usual of datasheets). */
const PEAK_TIMES = 2;
/** With less than so many times the base current that the least gain asks for there is little in hand; so many times are put in, for a resistor is only to be had near what is wanted. */
const MARGIN = 2;
const BASE_TIMES = 2.4;

/** Whether the base gets what the load asks of it, and no more than it is rated for. */
function driveSayings(
  polarity: 'n' | 'p',
  model: BipolarTransistor<string>,
  facts: DriverFacts,
  setting: DriverSetting,
): readonly DriverSaying[] {
  const said: DriverSaying[] = [];
  const minBeta = facts.minBeta ?? model.minBeta;
  const { baseAmps, guaranteedAmps, fullAmps, worst } = facts;
  const forcedBeta = fullAmps / Math.max(baseAmps, 1e-12);
  // Forwards a base never gets beyond a volt: what is more is the other way.
  if (worst.controlVolts > REVERSE_VOLTS.some)
    said.push({
      state: worst.controlVolts > REVERSE_VOLTS.all ? 'cannot' : 'look',
      finding: { code: 'base-reversed', volts: worst.controlVolts, isApart: setting.loadVolts !== null },
    });
  if (!facts.saturates && setting.canLight) {
    const finding = {
      code: 'load-not-saturated',
      baseAmps,
      forcedBeta,
      minBeta,
      guaranteedAmps,
      fullAmps,
    } as const;
    const fix = setting.output ? strongerBase(polarity, model, facts, setting) : setting.lighterLoad;
    said.push({ state: 'cannot', finding, fix });
  } else if (setting.canLight && setting.place === 'collector' && forcedBeta > minBeta / MARGIN)
    said.push({
      state: 'look',
      finding: { code: 'little-drive-margin', forcedBeta, minBeta },
      fix: strongerBase(polarity, model, facts, setting),
    });
  if (worst.baseAmps > model.maxBaseAmps) {
    const { baseAmps: amps, baseAmpsLux: lux } = worst;
    // Half the limit at the most, even with the LDR as good as a wire.
    const least = setting.sensorVolts / (model.maxBaseAmps / 2);
    const ohms = atOrAbove(setting.stock, least)?.ohms ?? Number(least.toPrecision(2));
    const fix: DriverFix | null = setting.isDirect ? null : { kind: 'take-base', ohms };
    said.push({
      state: 'look',
      finding: {
        code: 'base-over-current',
        ...{ amps, maxAmps: model.maxBaseAmps, lux },
        by: setting.isDirect ? 'r1' : setting.baseOhms === null ? 'nothing' : 'base',
      },
      fix,
    });
  }
  return said;
}

/**
 * The resistor before a base that an output drives, for more current into it than now: what the output holds back by itself is told by
 * what flows now. None where the output is too weak for it.
 */
function strongerBase(
  polarity: 'n' | 'p',
  { minBeta, maxBaseAmps }: BipolarTransistor<string>,
  { baseAmps, fullAmps }: DriverFacts,
  { output, baseOhms, sensorVolts, stock }: DriverSetting,
): DriverFix | null {
  if (!output || baseOhms === null) return null;
  const amps = (BASE_TIMES * fullAmps) / minBeta;
  if (amps > Math.min(output.maxAmps, maxBaseAmps)) return null;
  const heldBack = Math.max(0, polarity === 'p' ? output.onVolts : sensorVolts - output.onVolts);
  const exact = (baseOhms * baseAmps + heldBack) / amps - heldBack / baseAmps;
  if (!(exact > 0)) return null;
  const ohms = nearestOhms(stock, exact);
  return ohms < baseOhms ? { kind: 'take-base', ohms } : null;
}
