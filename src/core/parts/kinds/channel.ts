import type { Grade, Net, PartBase, PartKindDefinition } from '../base';

/** A logic-level MOSFET as a datasheet tells it; of a P-channel one every voltage without its sign. */
export interface ChannelModel {
  readonly minThresholdVolts: number;
  readonly typicalThresholdVolts: number;
  readonly maxThresholdVolts: number;
  /** Resistance when on, with {@link ON_GATE_VOLTS} at the gate. */
  readonly onOhms: number;
  readonly maxGateVolts: number;
  readonly maxAmps: number;
  readonly maxVolts: number;
  readonly maxWatts: number;
}

export interface ChannelPart extends PartBase {
  readonly kind: 'mosfet';
  readonly polarity: 'n' | 'p';
  readonly model: ChannelModel;
  readonly drain: Net;
  readonly gate: Net;
  readonly source: Net;
}

/** The gate voltage for which on-resistances of logic-level parts are given. */
export const ON_GATE_VOLTS = 4.5;

/** Threshold of a grade: the weakest part has the highest. */
export function thresholdOf(
  { minThresholdVolts, typicalThresholdVolts, maxThresholdVolts }: ChannelModel,
  grade: Grade,
): number {
  return { min: maxThresholdVolts, typical: typicalThresholdVolts, max: minThresholdVolts }[grade];
}

/**
 * A MOSFET's on-resistance shared between its channel and a floor that no gate voltage lowers: half each with the typical
 * threshold and {@link ON_GATE_VOLTS} at the gate. `k = 2/(Ron·(Vgs − Vt))`.
 */
export function channelOf({ onOhms, typicalThresholdVolts }: ChannelModel): {
  readonly ampsPerVoltSquared: number;
  readonly floorOhms: number;
} {
  const over = Math.max(0.5, ON_GATE_VOLTS - typicalThresholdVolts);
  return { ampsPerVoltSquared: 2 / (onOhms * over), floorOhms: onOhms / 2 };
}

export const channelKind: PartKindDefinition<ChannelPart> = {
  letter: 'Q',
  pins: ({ drain, gate, source }) => [
    { name: 'gate', net: gate, isRequired: true },
    { name: 'drain', net: drain, isRequired: true },
    { name: 'source', net: source, isRequired: true },
  ],
  elements: ({ designator, polarity, model, drain, gate, source }, { celsius, grade }) => {
    const { ampsPerVoltSquared, floorOhms } = channelOf(model);
    const channel = `${designator}.channel`;
    return [
      { kind: 'resistor', name: `${designator}.floor`, a: drain, b: channel, ohms: floorOhms },
      {
        kind: polarity === 'n' ? 'nmos' : 'pmos',
        name: designator,
        drain: channel,
        gate,
        source,
        thresholdVolts: thresholdOf(model, grade),
        ampsPerVoltSquared,
        celsius,
      },
    ];
  },
  tolerance: ({ model }) => ({
    low: model.minThresholdVolts / model.typicalThresholdVolts - 1,
    high: model.maxThresholdVolts / model.typicalThresholdVolts - 1,
  }),
  rating: ({ model: { maxWatts: watts, maxVolts: volts, maxAmps: amps } }) => ({ watts, volts, amps }),
  outputs: () => [],
};
