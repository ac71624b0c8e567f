import { isRatedForSupply, shippedComparators } from '../../parts/kinds/comparator';
import type { DetectorBench } from '../bench';
import { betweenMidpoints } from '../betweenMidpoints';
import { ONE_LIGHT, type DetectorDefinition } from '../definition';
import type { DetectorFix, DetectorSaying } from '../finding';
import { comparatorSayings } from '../sayings';
import { amplifierFor, changeCircuit, ofStock } from './circuit';
import { changeVerdict, firedSeconds, type ChangeVerdict } from './facts';
import { CHANGE_LIMITS, changeField, defaultChange, type ChangeSettings } from './settings';

/** So much more gain than just reaches the trigger. */
const GAIN_MARGIN = 1.5;
/** Up to here it wants inputs that work right up to the supply, in V. */
const LOW_SUPPLY_VOLTS = 5.5;

export const change: DetectorDefinition<ChangeSettings> = {
  ...ONE_LIGHT,
  field: changeField,
  defaults: defaultChange,
  circuit: changeCircuit,
  output: ({ output }) => output,
  withOutput: (settings, output) => ({ ...settings, output }),
  goal: { lights: 'start', asksOff: false },
  started: (settings, _, supplyVolts, stock) => ({ settings: ofStock(settings, supplyVolts, stock) }),
  sizes: 'none',
  fromMidpoints: (settings, bench, darkVolts, lightVolts) => {
    const { divider } = bench;
    if (!betweenMidpoints(divider.supplyVolts, darkVolts, lightVolts, divider.lowVolts)) return null;
    const jump = settings.gain * Math.abs(darkVolts - lightVolts);
    const wanted = Math.max(CHANGE_LIMITS.triggerVolts.min, Math.min(jump / 2, divider.supplyVolts / 2));
    return { settings: ofStock({ ...settings, triggerVolts: wanted }, divider.supplyVolts, bench.stock) };
  },
  fitted: (settings, volts) => {
    const part = shippedComparators.find(
      (other) =>
        other.kind === settings.part.kind &&
        isRatedForSupply(other, volts) &&
        (other.inputHighVolts === 0 || volts > LOW_SUPPLY_VOLTS),
    );
    return part ? { ...settings, part } : settings;
  },
  withComparator: (settings, part) => ({ ...settings, part }),
  recommendedSizing: 'equal-at-goal',
  findings: (settings, bench, thresholds) => [
    ...comparatorSayings(settings, bench.divider.supplyVolts, thresholds),
    ...sayAmplifier(settings, bench.divider.supplyVolts),
    ...sayChange(settings, bench),
  ],
  coupling: ({ farads, biasOhms, gain, triggerVolts }) => ({ farads, biasOhms, gain, triggerVolts }),
  onSeconds: (settings, bench) => {
    const seconds = firedSeconds(settings, bench);
    return Number.isFinite(seconds) ? seconds : null;
  },
};

/** A supply that is more, or less, than the amplifier works on; the comparator's own is told before. */
function sayAmplifier({ part }: ChangeSettings, volts: number): readonly DetectorSaying<ChangeSettings>[] {
  const amplifier = amplifierFor(volts);
  if (isRatedForSupply(amplifier, volts) || !isRatedForSupply(part, volts)) return [];
  const { minSupplyVolts: minVolts, maxSupplyVolts: maxVolts } = amplifier;
  return [{ state: 'cannot', finding: { code: 'comparator-supply', volts, minVolts, maxVolts } }];
}

/** A change that does not fire; what fires it alone: the amplifier by itself, or a lamp's ripple. */
function sayChange(
  settings: ChangeSettings,
  bench: DetectorBench<ChangeSettings>,
): readonly DetectorSaying<ChangeSettings>[] {
  const verdict = changeVerdict(settings, bench);
  const { fires, peakVolts, neededGain, rippleVolts, rippleFires, restVolts, maxRestVolts } = verdict;
  const { triggerVolts } = settings;
  const { supplyVolts } = bench.divider;
  const said: DetectorSaying<ChangeSettings>[] = [];
  if (!fires)
    said.push({
      state: 'cannot',
      finding: { code: 'change-misses', supplyVolts, peakVolts, triggerVolts, neededGain },
      fix: neededGain === null ? null : takeGain(settings, neededGain, bench),
    });
  const isAlways = restVolts >= triggerVolts;
  if (maxRestVolts >= triggerVolts)
    said.push({
      state: isAlways ? 'cannot' : 'look',
      finding: {
        code: 'rest-fires',
        ...{ restVolts: isAlways ? restVolts : maxRestVolts, triggerVolts, isAlways },
      },
      fix: overRest(settings, verdict, bench),
    });
  if (rippleFires) said.push({ state: 'look', finding: { code: 'ripple-fires', rippleVolts, triggerVolts } });
  return said;
}

/** The wanted change stands so many times over what is there in steady light, for a trigger to have room between them. */
const ROOM = 1.5;
/** Else the amplifier's input current goes through so much less, and the capacitor is as much larger. */
const LESS_OHMS = 10;

/** The wanted change makes so much of the supply behind the gain, at most. */
const GIVEN_SHARE = 0.5;

/** A gain that leaves the wanted change room, and a trigger midway between what that makes and what is there in steady light. */
function overRest(
  settings: ChangeSettings,
  { neededGain, restInputVolts }: ChangeVerdict,
  bench: DetectorBench<ChangeSettings>,
): DetectorFix<ChangeSettings> {
  const { supplyVolts } = bench.divider;
  const { biasOhms, farads } = settings;
  // What the change makes before the gain.
  const changeVolts = neededGain === null ? 0 : settings.triggerVolts / neededGain;
  const gain = Math.max(1, Math.min(settings.gain, (GIVEN_SHARE * supplyVolts) / changeVolts));
  const between = {
    gain,
    triggerVolts: gain * Math.sqrt(restInputVolts * changeVolts),
  };
  const eased = {
    biasOhms: Math.max(CHANGE_LIMITS.biasOhms.min, biasOhms / LESS_OHMS),
    farads: Math.min(CHANGE_LIMITS.farads.max, farads * LESS_OHMS),
  };
  const hasRoom = changeVolts > ROOM * restInputVolts;
  return {
    kind: 'set-detector',
    settings: hasRoom
      ? ofStock({ ...settings, ...between }, supplyVolts, bench.stock)
      : { ...settings, ...eased },
    resizes: false,
  };
}

function takeGain(
  settings: ChangeSettings,
  needed: number,
  { divider: { supplyVolts }, stock }: DetectorBench<ChangeSettings>,
): DetectorFix<ChangeSettings> | null {
  const wanted = { ...settings, gain: Math.max(1, needed * GAIN_MARGIN) };
  const { gain } = ofStock(wanted, supplyVolts, stock);
  if (gain > CHANGE_LIMITS.gain.max) return null;
  return {
    kind: 'set-detector',
    settings: { ...settings, gain },
    resizes: false,
  };
}
