import { copied } from '../numeric/copied';
import { assert } from '../result';
import { channelFigures } from './fieldEffect';
import { criticalVolts, saturationAmpsAt, thermalVolts } from './junction';
import type { Element } from './netlist';

/**
 * The figures that a circuit is solved with, apart from its topology: an argument of every solve. Shapes: as the circuit's lists of
 * elements, so many figures each.
 */
export interface CircuitValues {
  /** Of ground and supplies, by node number; 0 for unknown nodes. */
  readonly fixedVolts: Float64Array;
  readonly siemens: Float64Array;
  readonly sourceAmps: Float64Array;
  /** {@link DIODE_FIGURES} each: saturation current, emission voltage n·Vt, critical voltage. */
  readonly diodes: Float64Array;
  /** {@link BIPOLAR_FIGURES} each: saturation current, forward β, reverse β, thermal voltage, critical voltage. */
  readonly bipolars: Float64Array;
  /** {@link CHANNEL_FIGURES} each: threshold, k in A/V², knee in V. */
  readonly channels: Float64Array;
  /** {@link LAMP_FIGURES} each: hot conductance, rated voltage. */
  readonly lamps: Float64Array;
}

export const DIODE_FIGURES = 3;
export const BIPOLAR_FIGURES = 5;
export const CHANNEL_FIGURES = 3;
export const LAMP_FIGURES = 2;

type Counts = Readonly<
  Record<'resistors' | 'sources' | 'diodes' | 'bipolars' | 'channels' | 'lamps', number>
>;

export function emptyValues(nodes: number, counts: Counts): CircuitValues {
  return {
    fixedVolts: new Float64Array(nodes),
    siemens: new Float64Array(counts.resistors),
    sourceAmps: new Float64Array(counts.sources),
    diodes: new Float64Array(counts.diodes * DIODE_FIGURES),
    bipolars: new Float64Array(counts.bipolars * BIPOLAR_FIGURES),
    channels: new Float64Array(counts.channels * CHANNEL_FIGURES),
    lamps: new Float64Array(counts.lamps * LAMP_FIGURES),
  };
}

/** Values of one's own, to be changed without changing those. */
export function copyValues(values: CircuitValues): CircuitValues {
  const { fixedVolts, siemens, sourceAmps, diodes, bipolars, channels, lamps } = values;
  return {
    fixedVolts: copied(fixedVolts),
    siemens: copied(siemens),
    sourceAmps: copied(sourceAmps),
    diodes: copied(diodes),
    bipolars: copied(bipolars),
    channels: copied(channels),
    lamps: copied(lamps),
  };
}

/** Writes an element's figures at its number among those of its group. */
export function writeElement(values: CircuitValues, element: Element, index: number): void {
  switch (element.kind) {
    case 'resistor':
      assert(element.ohms > 0, () => `${element.name} needs a resistance above 0`);
      values.siemens[index] = 1 / element.ohms;
      return;
    case 'current':
      values.sourceAmps[index] = element.amps;
      return;
    case 'diode': {
      const emission = element.ideality * thermalVolts(element.celsius);
      values.diodes.set(
        [element.saturationAmps, emission, criticalVolts(emission, element.saturationAmps)],
        index * DIODE_FIGURES,
      );
      return;
    }
    case 'npn':
    case 'pnp': {
      const thermal = thermalVolts(element.celsius);
      const amps = saturationAmpsAt(element.saturationAmps, element.celsius);
      values.bipolars.set(
        [amps, element.forwardBeta, element.reverseBeta, thermal, criticalVolts(thermal, amps)],
        index * BIPOLAR_FIGURES,
      );
      return;
    }
    case 'nmos':
    case 'pmos': {
      const { thresholdVolts, ampsPerVoltSquared, kneeVolts } = channelFigures(element);
      values.channels.set([thresholdVolts, ampsPerVoltSquared, kneeVolts], index * CHANNEL_FIGURES);
      return;
    }
    case 'lamp':
      values.lamps.set([element.ratedAmps / element.ratedVolts, element.ratedVolts], index * LAMP_FIGURES);
  }
}
