import type { Element } from '../../circuit/netlist';
import type { Grade, Net, PartBase, PartKindDefinition } from '../base';

/** A bipolar transistor as a datasheet tells it. A Darlington's β is that of the pair. */
export interface BipolarModel {
  /** Transport saturation current at 25 °C, in A. */
  readonly saturationAmps: number;
  readonly minBeta: number;
  readonly typicalBeta: number;
  readonly maxBeta: number;
  readonly maxBaseAmps: number;
  /** Most load current, in A. */
  readonly maxAmps: number;
  /** Most voltage across the switch when it is off, in V. */
  readonly maxVolts: number;
  /** Most heat without a heat sink at 25 °C, in W. */
  readonly maxWatts: number;
}

export interface BipolarPart extends PartBase {
  readonly kind: 'bipolar';
  readonly polarity: 'n' | 'p';
  /** Two in one case, the first's emitter at the second's base. */
  readonly isDarlington: boolean;
  readonly model: BipolarModel;
  readonly collector: Net;
  readonly base: Net;
  readonly emitter: Net;
}

/** Reverse β, taken for every bipolar part. */
export const REVERSE_BETA = 4;

/** Current gain of a grade; of the pair for a Darlington. */
export function betaOf({ minBeta, typicalBeta, maxBeta }: BipolarModel, grade: Grade): number {
  return { min: minBeta, typical: typicalBeta, max: maxBeta }[grade];
}

/** What the first transistor of a Darlington is called among its elements. */
export const firstOf = ({ designator }: Pick<BipolarPart, 'designator'>) => `${designator}.first`;

export const bipolarKind: PartKindDefinition<BipolarPart> = {
  letter: 'Q',
  pins: ({ collector, base, emitter }) => [
    { name: 'emitter', net: emitter, isRequired: true },
    { name: 'base', net: base, isRequired: true },
    { name: 'collector', net: collector, isRequired: true },
  ],
  elements: (part, { celsius, grade }) => {
    const { designator, polarity, isDarlington, model, collector, base, emitter } = part;
    const beta = betaOf(model, grade);
    const one = (name: string, at: Net, to: Net, forwardBeta: number): Element => ({
      kind: polarity === 'n' ? 'npn' : 'pnp',
      name,
      collector,
      base: at,
      emitter: to,
      saturationAmps: model.saturationAmps,
      forwardBeta,
      reverseBeta: REVERSE_BETA,
      celsius,
    });
    if (!isDarlington) return [one(designator, base, emitter, beta)];
    // β of the pair is β² + 2β of two equal ones.
    const each = Math.sqrt(beta + 1) - 1;
    const inner = `${designator}.inner`;
    return [one(firstOf(part), base, inner, each), one(designator, inner, emitter, each)];
  },
  tolerance: ({ model }) => ({
    low: model.minBeta / model.typicalBeta - 1,
    high: model.maxBeta / model.typicalBeta - 1,
  }),
  rating: ({ model: { maxWatts: watts, maxVolts: volts, maxAmps: amps } }) => ({ watts, volts, amps }),
  outputs: () => [],
};
