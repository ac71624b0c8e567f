import type { Circuit } from '../circuit/circuit';
import { BIPOLAR_FIGURES, CHANNEL_FIGURES, type CircuitValues } from '../circuit/values';
import type { LdrCurve } from '../ldr/curve';
import type { Factor } from './factors';

/** No resistor is less than this share of what it says, however wide its tolerance. */
const LEAST_SHARE = 0.001;
/** No LDR's resistance falls with the light by less. */
const LEAST_GAMMA = 0.05;

/** What an element's figure becomes: so many times what it was, or so many volts more. */
type Figure =
  | { readonly of: 'siemens' | 'gain' | 'saturation'; readonly element: string; readonly times: number }
  | { readonly of: 'threshold'; readonly element: string; readonly volts: number };

/** One build: what each factor makes of it. */
export interface Drawn {
  readonly figures: readonly Figure[];
  readonly supplies: readonly {
    readonly of: 'supply' | 'load-supply';
    readonly feed: string;
    /** Of its open voltage. */
    readonly share: number;
  }[];
  readonly curve: LdrCurve;
  /** Where its comparators' offset lies in the lot, in what the offset's spread is given in. */
  readonly offset: number;
  /** What the light meter is off by, as a ratio. */
  readonly lightTimes: number;
  /** From −1, the coldest, to 1, the warmest. */
  readonly warmth: number;
}

/** Puts each factor at its draw. @param draws shape: factors, or more @param curve the typical LDR's */
export function drawnOf(factors: readonly Factor[], draws: ArrayLike<number>, curve: LdrCurve): Drawn {
  let [lnLdr, slope, lightTimes, offset, warmth] = [0, 0, 1, 0, -1];
  const figures: Figure[] = [];
  const supplies: Drawn['supplies'][number][] = [];
  const of = (elements: readonly string[], figure: (element: string) => Figure) => {
    for (const element of elements) figures.push(figure(element));
  };
  factors.forEach((factor, at) => {
    const by = draws[at] ?? 0;
    switch (factor.of) {
      case 'ldr':
        lnLdr = factor.std * by;
        break;
      case 'ldr-slope':
        slope = factor.std * by;
        break;
      case 'light-meter':
        lightTimes = Math.exp(factor.std * by);
        break;
      case 'resistor': {
        const times = 1 / Math.max(LEAST_SHARE, 1 + factor.tolerance * by);
        of(factor.elements, (element) => ({ of: 'siemens', element, times }));
        break;
      }
      case 'gain': {
        const times = Math.exp((factor.lnMiddle + factor.lnHalf * by) / factor.elements.length);
        of(factor.elements, (element) => ({ of: 'gain', element, times }));
        break;
      }
      case 'base-volts': {
        const times = Math.exp(factor.lnStd * by);
        of(factor.elements, (element) => ({ of: 'saturation', element, times }));
        break;
      }
      case 'gate-threshold': {
        const volts = between(factor.low, factor.high, by);
        of(factor.elements, (element) => ({ of: 'threshold', element, volts }));
        break;
      }
      case 'offset':
      case 'thresholds':
        offset = by;
        break;
      case 'supply':
      case 'load-supply': {
        const { of: which, feed, lowShare, highShare } = factor;
        supplies.push({ of: which, feed, share: between(lowShare, highShare, by) });
        break;
      }
      case 'warmth':
        warmth = by;
    }
  });
  return {
    ...{ figures, supplies, offset, lightTimes, warmth },
    curve: {
      ...curve,
      r10Ohms: curve.r10Ohms * Math.exp(lnLdr),
      gamma: Math.max(LEAST_GAMMA, curve.gamma + slope),
    },
  };
}

/** @param by −1 for the low end, 1 for the high one */
const between = (low: number, high: number, by: number) => (low + high) / 2 + (by * (high - low)) / 2;

const GROUPS = {
  siemens: 'resistors',
  gain: 'bipolars',
  saturation: 'bipolars',
  threshold: 'channels',
} as const satisfies Record<Figure['of'], string>;

/** Puts a build's figures into the values that its circuit is solved with: those of elements that a fault has left in it. */
export function applyFigures(circuit: Circuit, values: CircuitValues, figures: readonly Figure[]): void {
  for (const figure of figures) {
    const entry = circuit.elementIndex.get(figure.element);
    if (entry?.kind !== GROUPS[figure.of]) continue;
    const { index } = entry;
    switch (figure.of) {
      case 'siemens':
        values.siemens[index]! *= figure.times;
        break;
      case 'gain':
        values.bipolars[index * BIPOLAR_FIGURES + 1]! *= figure.times;
        break;
      case 'saturation':
        values.bipolars[index * BIPOLAR_FIGURES]! *= figure.times;
        break;
      case 'threshold':
        values.channels[index * CHANNEL_FIGURES]! += figure.volts;
    }
  }
}
