import { eachOhms } from '../parts/kinds/resistor';
import { TRANSISTOR_LIMITS } from '../drivers/limits';
import type { TransistorModel } from '../drivers/registry';
import { changeDivider, takeSource, takeTransistor, type Edit } from '../project/edits';
import { addReading } from '../project/readingEdits';
import { checkProject, type Project } from '../project/project';
import { partIn } from '../parts/find';
import type { Assembly } from '../operate/assembly';
import type { Resistance, Sharpened } from './adopt';
import { OVER_OHMS, probeKey, type Answer } from '../faults/probe';
import { bestRange, readingSigma, type Meter } from '../meter/meter';
import type { TestPoint } from './testPoints';
import type { TestLight } from '../faults/testLights';

/** Something that was measured and can take the place of what was guessed. */
export interface Adoption {
  readonly what: 'supply' | 'resistor' | 'gain' | 'ldr';
  readonly designator: string;
  /** V, Ω, or a current gain. */
  readonly before: number;
  readonly after: number;
  /** As a share, one deviation: of what was guessed, and of what is known now. */
  readonly stdBefore: number;
  readonly stdAfter: number;
  readonly edit: Edit;
}

/** What the design and the words of its parts add to what was measured. */
interface Around {
  /** What was measured with the power off ({@link resistancesBy}). */
  readonly resistances: readonly Resistance[];
  /** Gives a resistor so many times its value, by its designator; `null` where the design has no place for it. */
  readonly editOf: (designator: string, times: number) => Edit | null;
  /** What a transistor is called that has been measured. */
  readonly measuredName: (part: TransistorModel) => string;
}

const ALONE_IN_THE_CORE: Around = {
  resistances: [],
  editOf: () => null,
  measuredName: ({ name }) => name,
};

/** What is known twice as close is worth taking over; what was taken over already the same figures tell no closer by so much. */
const WORTH = 0.5;
/** A value that is off by less than so many deviations is the one that was said. */
const SAME = 0.5;
/** A supply that differs by more than this from what was said is another. */
const OTHER_VOLTS = 0.01;

/**
 * What measurements would change of a project, each by itself.
 * @param lights those in lux; none where the project's lights are on another scale
 */
export function adoptionsOf(
  project: Project,
  assembly: Pick<Assembly, 'parts'>,
  lights: readonly TestLight[],
  answers: readonly Answer[],
  known: readonly Sharpened[] | null,
  around: Partial<Around> = {},
): readonly Adoption[] {
  const { resistances, editOf, measuredName } = { ...ALONE_IN_THE_CORE, ...around };
  return [
    ...supplyAdoption(project, answers, known ?? []),
    ...resistorAdoptions(project, assembly, known ?? [], resistances, editOf),
    ...gainAdoption(project, known ?? [], measuredName),
    ...ldrAdoptions(project, assembly, lights, answers),
    // A figure that no project may have, such as 49 V, is told by the test point alone.
  ].filter(({ edit }) => checkProject(edit(project)).ok);
}

function supplyAdoption(
  { divider, source }: Project,
  answers: readonly Answer[],
  known: readonly Sharpened[],
): readonly Adoption[] {
  const before = divider.supplyVolts;
  const found = known.find(({ factor }) => factor.of === 'supply');
  if (found?.factor.of === 'supply' && found.std < WORTH * found.priorStd) {
    const half = (found.factor.highShare - found.factor.lowShare) / 2;
    const share = (found.factor.lowShare + found.factor.highShare) / 2 + half * found.mean;
    const std = half * found.std;
    if (Math.abs(share - 1) < SAME * std) return [];
    const after = Number((before * share).toPrecision(4));
    const kept = { ...source, lowShare: 1 - 2 * std, highShare: 1 + 2 * std };
    return [
      {
        ...{ what: 'supply', designator: 'BT1', before, after },
        ...{ stdBefore: half * found.priorStd, stdAfter: std },
        edit: takeSource(kept, after),
      },
    ];
  }
  const measured = answers.find(({ probe }) => probe.kind === 'volts' && probe.net === 'supply');
  if (!measured || found || source.ohms > 1 || Math.abs(measured.value / before - 1) < OTHER_VOLTS) return [];
  return [
    {
      ...{ what: 'supply', designator: 'BT1', before, after: measured.value, stdBefore: 0, stdAfter: 0.005 },
      edit: takeSource(source, measured.value),
    },
  ];
}

/** Nothing lies beside a resistor in the circuit where it should show its own value within this share. */
const ALONE = 0.01;
/** What is off by more than this factor is another resistor, and a matter for the fault finder. */
const OTHER_RESISTOR = 1.3;

/** Resistors that were measured with the power off, where nothing else in the circuit lies beside them. */
export function resistancesBy(
  meter: Meter,
  { parts }: Pick<Assembly, 'parts'>,
  points: readonly Pick<TestPoint, 'key' | 'expected'>[],
  answers: readonly Answer[],
  tolerance: number,
): readonly Resistance[] {
  return answers.flatMap(({ probe, value }): Resistance[] => {
    if (probe.kind !== 'ohms') return [];
    const part = parts.find(({ designator }) => designator === probe.designator);
    const point = points.find(({ key }) => key === probeKey(probe));
    const range = bestRange(meter, value);
    if (part?.kind !== 'resistor' || !point || !range) return [];
    const ohms = eachOhms(part);
    if (Math.abs(point.expected / ohms - 1) > ALONE) return [];
    if (Math.abs(Math.log(value / ohms)) > Math.log(OTHER_RESISTOR)) return [];
    const stdAfter = readingSigma(meter, range, value);
    // A tolerance is where an even spread ends.
    const stdBefore = tolerance / Math.sqrt(3);
    return [{ designator: part.designator, ohms: Number(value.toPrecision(4)), stdBefore, stdAfter }];
  });
}

/** Each resistor that is known closer than its tolerance, where the design has a place for its value. */
function resistorAdoptions(
  { divider }: Project,
  { parts }: Pick<Assembly, 'parts'>,
  known: readonly Sharpened[],
  measured: readonly Resistance[],
  editOf: Around['editOf'],
): readonly Adoption[] {
  const byOhms = new Set(measured.map(({ designator }) => designator));
  const inferred = known.flatMap(({ factor, mean, std, priorStd }): Resistance[] => {
    if (factor.of !== 'resistor' || byOhms.has(factor.designator)) return [];
    const { designator, tolerance } = factor;
    const part = parts.find((each) => each.designator === designator);
    if (part?.kind !== 'resistor') return [];
    const ohms = Number((eachOhms(part) * (1 + tolerance * mean)).toPrecision(4));
    return [{ designator, ohms, stdBefore: tolerance * priorStd, stdAfter: tolerance * std }];
  });
  return [...measured, ...inferred].flatMap(
    ({ designator, ohms: after, stdBefore, stdAfter }): Adoption[] => {
      const part = parts.find((each) => each.designator === designator);
      if (part?.kind !== 'resistor' || stdAfter > WORTH * stdBefore) return [];
      const before = eachOhms(part);
      // What it is said to be is as near as can be told.
      if (Math.abs(after / before - 1) < SAME * stdAfter) return [];
      const isFixed = part.role === 'fixed';
      if (isFixed && divider.trimmer) return [];
      const edit = isFixed ? changeDivider({ fixedOhms: after }) : editOf(designator, after / before);
      return edit ? [{ what: 'resistor', designator, before, after, stdBefore, stdAfter, edit }] : [];
    },
  );
}

const MEASURED_ID = 'measured-';

/** The gain of the transistor that is there, in place of what its datasheet leaves open. */
function gainAdoption(
  { driver: { part } }: Project,
  known: readonly Sharpened[],
  measuredName: Around['measuredName'],
): readonly Adoption[] {
  // What was measured is in it already: it says nothing new the second time.
  if (!('typicalBeta' in part) || part.id.startsWith(MEASURED_ID)) return [];
  return known.flatMap(({ factor, mean, std, priorStd }): Adoption[] => {
    if (factor.of !== 'gain' || std > WORTH * priorStd) return [];
    const { designator, lnMiddle, lnHalf } = factor;
    const bounded = (beta: number) =>
      Number(Math.min(TRANSISTOR_LIMITS.beta.max, Math.max(TRANSISTOR_LIMITS.beta.min, beta)).toPrecision(3));
    const after = bounded(part.typicalBeta * Math.exp(lnMiddle + lnHalf * mean));
    if (Math.abs(Math.log(after / part.typicalBeta)) < SAME * lnHalf * std) return [];
    const far = Math.exp(2 * lnHalf * std);
    const measured = {
      ...part,
      id: `${MEASURED_ID}${designator}-${Math.round(after)}`,
      name: measuredName(part).slice(0, TRANSISTOR_LIMITS.nameLength),
      minBeta: bounded(after / far),
      typicalBeta: after,
      maxBeta: bounded(after * far),
    };
    return [
      {
        ...{ what: 'gain', designator, before: part.typicalBeta, after, edit: takeTransistor(measured) },
        ...{ stdBefore: lnHalf * priorStd, stdAfter: lnHalf * std },
      },
    ];
  });
}

/** An LDR that was measured in a light that is known is one reading more. */
function ldrAdoptions(
  project: Project,
  { parts }: Pick<Assembly, 'parts'>,
  lights: readonly TestLight[],
  answers: readonly Answer[],
): readonly Adoption[] {
  const ldr = partIn(parts, 'ldr', 'ldr');
  return answers.flatMap(({ probe, value }): Adoption[] => {
    if (probe.kind !== 'ohms' || probe.designator !== ldr?.designator || value >= OVER_OHMS / 2) return [];
    const light = lights[probe.light];
    if (!light?.isOwn || project.readings.some(({ id }) => id === `check-${light.name}`)) return [];
    return [
      {
        ...{
          what: 'ldr',
          designator: ldr.designator,
          before: NaN,
          after: value,
          stdBefore: 0,
          stdAfter: light.std,
        },
        edit: addReading({ id: `check-${light.name}`, light: { kind: 'lux', lux: light.lux }, ohms: value }),
      },
    ];
  });
}
