import { ldrOhmsAt } from '../../ldr/curve';
import { isRatedForSupply, shippedComparators } from '../../parts/kinds/comparator';
import { branchOhms } from '../bareDivider';
import type { DetectorBench } from '../bench';
import { ONE_LIGHT, type DetectorDefinition } from '../definition';
import type { DetectorSaying } from '../finding';
import { bandSayings, comparatorSayings, MIN_BAND_RATIO, takeComparator } from '../sayings';
import type { Thresholds } from '../thresholds';
import { comparatorCircuit } from './circuit';
import { DEFAULT_HYSTERESIS } from './hysteresis';
import { referenceBetween } from './midpoints';
import { comparatorSettingsField, defaultComparatorSettings, type ComparatorSettings } from './settings';

/** What carries a voltage to an input carries so many times what the input takes, or is shifted by it. */
const BIAS_TIMES = 20;

export const comparator: DetectorDefinition<ComparatorSettings> = {
  ...ONE_LIGHT,
  field: comparatorSettingsField,
  defaults: defaultComparatorSettings,
  circuit: comparatorCircuit,
  output: ({ output }) => output,
  withOutput: (settings, output) => ({ ...settings, output }),
  lowVolts: ({ negativeVolts }) => 0 - negativeVolts,
  goal: { lights: 'one', asksOff: true },
  fromMidpoints: referenceBetween,
  fitted: (settings, volts) => {
    const { kind } = settings.part;
    const part = shippedComparators.find((other) => other.kind === kind && isRatedForSupply(other, volts));
    return part ? { ...settings, part } : settings;
  },
  withComparator: (settings, part) => ({ ...settings, part }),
  recommendedSizing: 'equal-at-goal',
  findings: (settings, bench, thresholds) => [
    ...comparatorSayings(settings, bench.divider.supplyVolts + settings.negativeVolts, thresholds),
    ...sayBias(settings, bench),
    ...sayBand(bench, thresholds),
  ],
  swapped: (settings) => ({ ...settings, sensorInput: settings.sensorInput === 'plus' ? 'minus' : 'plus' }),
};

function sayBand(
  { goal }: DetectorBench<ComparatorSettings>,
  thresholds: Thresholds,
): readonly DetectorSaying<ComparatorSettings>[] {
  const said = bandSayings<ComparatorSettings>(goal, thresholds, { kind: 'search-band' });
  const { bandRatio } = thresholds;
  if (said.length > 0 || bandRatio === null || bandRatio >= MIN_BAND_RATIO) return said;
  return [
    {
      state: 'look',
      finding: { code: 'no-hysteresis', ratio: bandRatio },
      fix: { kind: 'add-hysteresis', ratio: DEFAULT_HYSTERESIS },
    },
  ];
}

/** A reference or a divider too weak for the inputs' own current. */
function sayBias(
  settings: ComparatorSettings,
  { divider, curve, goal }: DetectorBench<ComparatorSettings>,
): readonly DetectorSaying<ComparatorSettings>[] {
  const { part, negativeVolts } = settings;
  const biasAmps = Math.abs(part.biasAmps);
  const { topOhms, bottomOhms } = settings.reference;
  const reference = divider.supplyVolts / ((topOhms ?? 0) + bottomOhms);
  const branch = branchOhms(ldrOhmsAt(curve, goal.lux), divider);
  const midpoint = (divider.supplyVolts + negativeVolts) / (divider.fixedOhms + branch);
  const [at, amps] =
    reference < midpoint ? (['reference', reference] as const) : (['midpoint', midpoint] as const);
  if (amps >= BIAS_TIMES * biasAmps) return [];
  const steadier = shippedComparators.find(
    (other) =>
      other.kind === part.kind &&
      amps >= BIAS_TIMES * Math.abs(other.biasAmps) &&
      isRatedForSupply(other, divider.supplyVolts + negativeVolts),
  );
  return [
    {
      state: 'look',
      finding: { code: 'bias-too-large', at, amps, biasAmps },
      fix: steadier ? takeComparator(settings, steadier) : null,
    },
  ];
}
