import { thresholdAt } from '../circuit/fieldEffect';
import { GROUND } from '../circuit/netlist';
import { thresholdOf } from '../parts/kinds/channel';
import { exactly, oneOf, within, type Infer } from '../schema';
import type { DriverDefinition, DriverFacts, DriverSaying, DriverSetting } from './definition';
import { TRANSISTOR_LIMITS as LIMITS, transistorFields } from './limits';
import { isRising, ratingSayings, wiringSayings } from './shared';

/** A logic-level MOSFET of a kind as a datasheet tells it; of a P-channel one every voltage without its sign. */
export const channelField = <K extends string>(kind: K) =>
  exactly({
    ...transistorFields,
    kind: oneOf(kind),
    minThresholdVolts: within(LIMITS.thresholdVolts),
    typicalThresholdVolts: within(LIMITS.thresholdVolts),
    maxThresholdVolts: within(LIMITS.thresholdVolts),
    /** Resistance when on, with 4.5 V at the gate. */
    onOhms: within(LIMITS.onOhms),
    maxGateVolts: within(LIMITS.maxGateVolts),
  });

export type ChannelTransistor<K extends string> = Infer<ReturnType<typeof channelField<K>>>;

/** For a moment a MOSFET takes about four times its continuous current (usual of datasheets). */
const PEAK_TIMES = 4;
/** A gate is driven hard with this or with the divider's whole supply, whichever is more, in V. */
const HARD_GATE_VOLTS = 10;

interface ChannelOptions<K extends string> {
  readonly kind: K;
  readonly polarity: 'n' | 'p';
  readonly shipped: readonly [ChannelTransistor<K>, ...ChannelTransistor<K>[]];
}

/** Both channels alike: what tells them apart is data. */
export function channelDriver<K extends string>({
  kind,
  polarity,
  shipped,
}: ChannelOptions<K>): DriverDefinition<ChannelTransistor<K>> {
  const larger = (amps: number) => shipped.find(({ maxAmps }) => maxAmps >= amps) ?? null;
  return {
    field: channelField(kind),
    polarity,
    control: 'gate',
    ends: { collector: 'drain', emitter: 'source' },
    shipped,
    directSide: null,
    part: (model, place, { control, out, far }) => {
      const [drain, source] = place === 'collector' ? [out, far] : [far, out];
      return { kind: 'mosfet', role: 'driver', polarity, model, drain, gate: control, source };
    },
    lessDrive: [],
    spread: 'threshold',
    hardDrive: (_, place, sensorVolts, loadVolts) => {
      if (place === 'emitter') return { volts: polarity === 'n' ? 'supply' : GROUND };
      const over = Math.max(HARD_GATE_VOLTS, sensorVolts);
      return { volts: polarity === 'n' ? over : loadVolts - over };
    },
    beta: () => null,
    thresholdVolts: (model, grade, celsius) => thresholdAt(thresholdOf(model, grade), celsius),
    findings: (model, facts, setting) => [
      ...wiringSayings(polarity, facts, setting),
      ...gateSayings(model, facts, setting),
      ...ratingSayings(model, facts, {
        larger,
        heat: 'transistor',
        peakTimes: PEAK_TIMES,
        passesAmps: Infinity,
      }),
    ],
    trouble: ({ minThresholdVolts, typicalThresholdVolts, maxThresholdVolts }) =>
      isRising(minThresholdVolts, typicalThresholdVolts, maxThresholdVolts) ? null : 'threshold-order',
    measured: (designator) => ({ kind: 'channel', names: [designator], base: null }),
  };
}

/** Whether the gate gets what the load asks of it, and no more than it is rated for. */
function gateSayings(
  model: ChannelTransistor<string>,
  { gateVolts, guaranteedAmps, fullAmps, saturates, worst, ...facts }: DriverFacts,
  { canLight }: DriverSetting,
): readonly DriverSaying[] {
  const said: DriverSaying[] = [];
  if (!saturates && canLight)
    said.push({
      state: 'cannot',
      finding: {
        code: 'gate-too-low',
        gateVolts: gateVolts ?? 0,
        maxThresholdVolts: facts.maxThresholdVolts ?? model.maxThresholdVolts,
        guaranteedAmps,
        fullAmps,
      },
    });
  const { maxGateVolts } = model;
  if (worst.controlVolts > maxGateVolts)
    said.push({
      state: 'cannot',
      finding: { code: 'gate-over-volts', volts: worst.controlVolts, maxVolts: maxGateVolts },
    });
  return said;
}
