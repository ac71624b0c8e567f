import { addReading, changeDivider, takeSource, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { partIn } from '../parts/find';
import type { Assembly } from '../operate/assembly';
import type { Sharpened } from './adopt';
import { OVER_OHMS, type Answer } from '../faults/probe';
import type { TestLight } from '../faults/testLights';

/** Something that was measured and can take the place of what was guessed. */
export interface Adoption {
  readonly what: 'supply' | 'fixed' | 'ldr';
  readonly designator: string;
  /** V or Ω. */
  readonly before: number;
  readonly after: number;
  /** As a share, one deviation: of what was guessed, and of what is known now. */
  readonly stdBefore: number;
  readonly stdAfter: number;
  readonly edit: Edit;
}

/** What is known so much better is worth taking over. */
const WORTH = 0.75;
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
): readonly Adoption[] {
  return [
    ...supplyAdoption(project, answers, known ?? []),
    ...fixedAdoption(project, assembly, known ?? []),
    ...ldrAdoptions(project, assembly, lights, answers),
  ];
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

function fixedAdoption(
  { divider }: Project,
  { parts }: Pick<Assembly, 'parts'>,
  known: readonly Sharpened[],
): readonly Adoption[] {
  const fixed = partIn(parts, 'resistor', 'fixed');
  const found = known.find(
    ({ factor }) => factor.of === 'resistor' && factor.designator === fixed?.designator,
  );
  if (!fixed || divider.trimmer || found?.factor.of !== 'resistor' || found.std > WORTH * found.priorStd)
    return [];
  const { tolerance } = found.factor;
  const after = Number((divider.fixedOhms * (1 + tolerance * found.mean)).toPrecision(4));
  return [
    {
      ...{ what: 'fixed', designator: fixed.designator, before: divider.fixedOhms, after },
      ...{ stdBefore: tolerance * found.priorStd, stdAfter: tolerance * found.std },
      edit: changeDivider({ fixedOhms: after }),
    },
  ];
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
