import { setSupply, type Circuit } from '../../circuit/circuit';
import type { Supply } from '../../circuit/netlist';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, type CircuitValues } from '../../circuit/values';
import type { LdrCurve } from '../../ldr/curve';
import type { Net } from '../../parts/base';
import type { Factor } from '../../spread/factors';
import type { Draw } from '../draws';

/**
 * Puts what each factor makes of a build into the values that its circuit is solved with.
 * @param values of the circuit as it is meant; changed
 * @returns its LDR's curve, and where its comparators' offset lies in the lot
 */
export function applyFactors(
  circuit: Circuit,
  values: CircuitValues,
  supplies: readonly Supply[],
  { factors, curve }: { readonly factors: readonly Factor[]; readonly curve: LdrCurve },
  draw: Draw,
): { readonly curve: LdrCurve; readonly offset: number } {
  let [lnLdr, slope, offset] = [0, 0, 0];
  factors.forEach((factor, at) => {
    const by = draw[at] ?? 0;
    switch (factor.of) {
      case 'ldr':
        lnLdr = factor.std * by;
        return;
      case 'ldr-slope':
        slope = factor.std * by;
        return;
      case 'resistor':
        for (const index of indexes(circuit, factor.elements, 'resistors'))
          values.siemens[index]! /= Math.max(0.01, 1 + factor.tolerance * by);
        return;
      case 'gain':
        for (const index of indexes(circuit, factor.elements, 'bipolars'))
          values.bipolars[index * BIPOLAR_FIGURES + 1]! *= Math.exp(
            (factor.lnMiddle + factor.lnHalf * by) / factor.elements.length,
          );
        return;
      case 'base-volts':
        for (const index of indexes(circuit, factor.elements, 'bipolars'))
          values.bipolars[index * BIPOLAR_FIGURES]! *= Math.exp(factor.lnStd * by);
        return;
      case 'gate-threshold':
        for (const index of indexes(circuit, factor.elements, 'channels'))
          values.channels[index * CHANNEL_FIGURES]! +=
            (factor.low + factor.high) / 2 + (by * (factor.high - factor.low)) / 2;
        return;
      case 'offset':
        offset = by;
        return;
      case 'supply':
      case 'load-supply': {
        const share =
          (factor.lowShare + factor.highShare) / 2 + (by * (factor.highShare - factor.lowShare)) / 2;
        const feed = feedOf(supplies, factor.feed);
        if (feed) setSupply(circuit, values, feed.node, feed.volts * share);
        return;
      }
      case 'light-meter':
      case 'warmth':
    }
  });
  return {
    offset,
    curve: {
      ...curve,
      r10Ohms: curve.r10Ohms * Math.exp(lnLdr),
      gamma: Math.max(0.05, curve.gamma + slope),
    },
  };
}

const indexes = (
  circuit: Circuit,
  names: readonly string[],
  kind: 'resistors' | 'bipolars' | 'channels',
): readonly number[] =>
  names.flatMap((name) => {
    const entry = circuit.elementIndex.get(name);
    return entry?.kind === kind ? [entry.index] : [];
  });

/** An ideal supply has its feed behind its leads here. */
const feedOf = (supplies: readonly Supply[], feed: Net): Supply | undefined =>
  supplies.find(({ node }) => node === feed || node === `${feed}.open`);
