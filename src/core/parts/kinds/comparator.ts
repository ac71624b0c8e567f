import { GROUND } from '../../circuit/netlist';
import type { Element } from '../../circuit/netlist';
import { exactly, idField, oneOf, text, within, type Infer } from '../../schema';
import { outputElements } from '../output';
import {
  NOT_RATED,
  outputKinds,
  type Grade,
  type Net,
  type PartBase,
  type PartKindDefinition,
  type Pin,
} from '../base';

/** What each figure of a part may be. */
export const COMPARATOR_LIMITS = {
  offsetVolts: { min: 0, max: 0.1 },
  biasAmps: { min: -1e-5, max: 1e-5 },
  inputVolts: { min: -1, max: 6 },
  restVolts: { min: 0, max: 5 },
  outputOhms: { min: 1, max: 10_000 },
  maxAmps: { min: 0.0005, max: 3 },
  idleAmps: { min: 0, max: 0.1 },
  supplyVolts: { min: 0.8, max: 80 },
  nameLength: 40,
} as const;

/** What every detector in an IC is told by: its output, its inputs' current, its own, and its supply. */
export const icFields = {
  id: idField,
  /** As its owner calls it; empty for one of the list, which the words name. */
  name: text(COMPARATOR_LIMITS.nameLength),
  /** Current out of each input, in A; negative for inputs that take it. */
  biasAmps: within(COMPARATOR_LIMITS.biasAmps),
  lowVolts: within(COMPARATOR_LIMITS.restVolts),
  highVolts: within(COMPARATOR_LIMITS.restVolts),
  outputOhms: within(COMPARATOR_LIMITS.outputOhms),
  maxAmps: within(COMPARATOR_LIMITS.maxAmps),
  /** Its own current, in A. */
  idleAmps: within(COMPARATOR_LIMITS.idleAmps),
  /** What the supply may be, rail to rail, in V. */
  minSupplyVolts: within(COMPARATOR_LIMITS.supplyVolts),
  maxSupplyVolts: within(COMPARATOR_LIMITS.supplyVolts),
};

export const comparatorField = exactly({
  ...icFields,
  kind: oneOf(...outputKinds),
  /** Most input offset, either way, in V. */
  offsetVolts: within(COMPARATOR_LIMITS.offsetVolts),
  /** The inputs work from so far above the lower rail to so far below the upper one, in V; negative for beyond it. */
  inputLowVolts: within(COMPARATOR_LIMITS.inputVolts),
  inputHighVolts: within(COMPARATOR_LIMITS.inputVolts),
});

/** A comparator, or an op-amp used as one, as a datasheet tells it. */
export type ComparatorModel = Infer<typeof comparatorField>;

/** Kinds of part with the figures that parts of that sort share closely enough; the first is taken first. */
export const shippedComparators: readonly ComparatorModel[] = [
  { id: 'open-collector', name: '', kind: 'open-collector', offsetVolts: 0.005, biasAmps: 25e-9, inputLowVolts: 0, inputHighVolts: 1.5, lowVolts: 0.06, highVolts: 0, outputOhms: 30, maxAmps: 0.016, idleAmps: 0.0008, minSupplyVolts: 2, maxSupplyVolts: 36 },
  { id: 'rail-to-rail', name: '', kind: 'push-pull', offsetVolts: 0.005, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.005, highVolts: 0.005, outputOhms: 45, maxAmps: 0.02, idleAmps: 0.00005, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
  { id: 'open-drain', name: '', kind: 'open-collector', offsetVolts: 0.006, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.005, highVolts: 0, outputOhms: 50, maxAmps: 0.02, idleAmps: 0.00005, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
  { id: 'op-amp', name: '', kind: 'bipolar', offsetVolts: 0.006, biasAmps: 80e-9, inputLowVolts: 2, inputHighVolts: 2, lowVolts: 1.8, highVolts: 1.4, outputOhms: 75, maxAmps: 0.02, idleAmps: 0.0017, minSupplyVolts: 7, maxSupplyVolts: 36 },
  { id: 'single-supply-op-amp', name: '', kind: 'bipolar', offsetVolts: 0.007, biasAmps: 45e-9, inputLowVolts: 0, inputHighVolts: 1.5, lowVolts: 0.05, highVolts: 1.4, outputOhms: 100, maxAmps: 0.02, idleAmps: 0.0007, minSupplyVolts: 3, maxSupplyVolts: 32 },
  { id: 'rail-op-amp', name: '', kind: 'push-pull', offsetVolts: 0.003, biasAmps: 1e-12, inputLowVolts: 0, inputHighVolts: 0, lowVolts: 0.01, highVolts: 0.01, outputOhms: 60, maxAmps: 0.02, idleAmps: 0.0003, minSupplyVolts: 1.8, maxSupplyVolts: 5.5 },
]; // prettier-ignore

/** Why a part typed from a datasheet is none yet; `null` where it is one. */
export function icTrouble({
  name,
  minSupplyVolts,
  maxSupplyVolts,
}: Pick<ComparatorModel, 'name' | 'minSupplyVolts' | 'maxSupplyVolts'>): 'unnamed' | 'supply-order' | null {
  if (name.trim() === '') return 'unnamed';
  return minSupplyVolts < maxSupplyVolts ? null : 'supply-order';
}

/** A part of the list; a caller's mistake asserts. */
export function shippedComparator(id: string): ComparatorModel {
  const found = shippedComparators.find((model) => model.id === id);
  if (!found) throw new Error(`no comparator ${id} is shipped`);
  return found;
}

export const defaultComparator = shippedComparator('open-collector');

/** Whether a part works between rails so far apart. */
export function isRatedForSupply(
  { minSupplyVolts, maxSupplyVolts }: Pick<ComparatorModel, 'minSupplyVolts' | 'maxSupplyVolts'>,
  volts: number,
): boolean {
  return volts >= minSupplyVolts && volts <= maxSupplyVolts;
}

/** Offset of a grade: the typical part has none, the ends of the lot have the most either way. */
export function offsetOf({ offsetVolts }: Pick<ComparatorModel, 'offsetVolts'>, grade: Grade): number {
  return { min: -offsetVolts, typical: 0, max: offsetVolts }[grade];
}

/** How far an input offset goes off with warmth, either way, in V/K: the most that datasheets of such parts tell (5–15 µV/K). */
export const OFFSET_DRIFT = 15e-6;

/** One comparator or amplifier of a package. */
export interface ComparatorUnit {
  /** What the states of a circuit call its output. */
  readonly key: string;
  readonly plus: Net;
  readonly minus: Net;
  readonly out: Net;
}

/** A package of one, two or four comparators or amplifiers on one pair of supply pins. */
export interface ComparatorPart extends PartBase {
  readonly kind: 'comparator';
  readonly model: ComparatorModel;
  /** Those in use, in order; the rest of the package is tied off. */
  readonly units: readonly ComparatorUnit[];
  /** How many the package has. */
  readonly unitCount: number;
  readonly top: Net;
  readonly bottom: Net;
}

/** Open collectors are sold in twos and fours, the others also by themselves. */
const packagesOf = ({ kind }: ComparatorModel): readonly number[] =>
  kind === 'open-collector' ? [2, 4] : [1, 2, 4];

/** The packages that hold so many: fours while more are wanted, then the smallest that holds the rest. */
export function packagesFor(model: ComparatorModel, count: number): readonly number[] {
  const sizes = packagesOf(model);
  const largest = Math.max(...sizes);
  const packages: number[] = [];
  for (let left = count; left > 0; left -= packages.at(-1) ?? left)
    packages.push(sizes.find((size) => size >= left) ?? largest);
  return packages;
}

/** What a unit's elements' names begin with. */
const unitName = (designator: string, index: number) => `${designator}.${index + 1}`;

/** An unused one has an input on either rail, so that its output rests, and its output open (as datasheets ask). */
function unusedPins({ units, unitCount, top, bottom }: ComparatorPart): readonly Pin[] {
  return Array.from({ length: unitCount - units.length }, (_, index) => {
    const number = units.length + index + 1;
    return [
      { name: `${number}+`, net: bottom, isRequired: true },
      { name: `${number}−`, net: top, isRequired: true },
      { name: `${number} out`, net: null, isRequired: false },
    ];
  }).flat();
}

export const comparatorKind: PartKindDefinition<ComparatorPart> = {
  letter: 'IC',
  pins: (part) => [
    { name: 'V+', net: part.top, isRequired: true },
    { name: part.bottom === GROUND ? '0 V' : 'V−', net: part.bottom, isRequired: true },
    ...part.units.flatMap(({ plus, minus, out }, index) => [
      { name: `${index + 1}+`, net: plus, isRequired: true },
      { name: `${index + 1}−`, net: minus, isRequired: true },
      { name: `${index + 1} out`, net: out, isRequired: true },
    ]),
    ...unusedPins(part),
  ],
  elements: ({ designator, model, units, top, bottom }) =>
    units.flatMap(({ plus, minus, out }, index): readonly Element[] => {
      const name = unitName(designator, index);
      return [
        ...outputElements(name, model, { top, bottom, out }),
        { kind: 'current', name: `${name}.plus`, from: top, to: plus, amps: model.biasAmps },
        { kind: 'current', name: `${name}.minus`, from: top, to: minus, amps: model.biasAmps },
        { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: model.idleAmps },
      ];
    }),
  tolerance: () => null,
  rating: ({ model }) => ({ ...NOT_RATED, volts: model.maxSupplyVolts, amps: model.maxAmps }),
  outputs: ({ designator, model, units }) =>
    units.map(({ key }, index) => ({ key, name: unitName(designator, index), figures: model })),
};
