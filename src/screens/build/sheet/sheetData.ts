import { group } from 'd3-array';
import { cautionsOf } from '@/core/advise/cautions';
import { probeOf } from '@/core/analyse/probe';
import { inOrder, isTransistor } from '@/core/build/pieces';
import type { BuildStep } from '@/core/build/steps';
import type { Design } from '@/core/design';
import { detectorOf } from '@/core/detectors/registry';
import { partsOfKind } from '@/core/parts/find';
import { leadsOf } from '@/core/parts/footprint';
import { trackParts } from '@/core/parts/kinds/trimmer';
import type { Part } from '@/core/parts/part';
import type { Project } from '@/core/project/project';
import { sitingNotes } from '@/core/siting/notes';
import { wireColorOf } from '@/ui/build/wireColors';
import { checkText, partLineText, stepText } from '@/ui/words/building';
import { insteadOfLight } from '@/ui/words/detectors';
import { ohms, partOhms, partVolts, percent, volts } from '@/ui/words/figures';
import { keyFigure } from '@/ui/words/keyFigures';
import { lightText } from '@/ui/words/light';
import { cautionTexts } from '@/ui/words/names';
import { actionText, switchingText } from '@/ui/words/goal';
import { buildWords } from '@/ui/words/panels/build';
import { sitingNoteText, sitingTexts } from '@/ui/words/siting';
import { partLinesOf } from '../useBuild';

/** A table of a sheet: its head, then its rows. */
export interface SheetTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** All that a build sheet says, in words: the page and the PDF are made from it. */
export interface SheetData {
  readonly name: string;
  readonly summary: string;
  /** The light at which the schematic's meters show what they do is in it. */
  readonly schematicTitle: string;
  readonly parts: SheetTable;
  readonly steps: readonly { readonly text: string; readonly isCheck: boolean }[];
  readonly testPoints: SheetTable;
  readonly settings: readonly string[];
  readonly cautions: readonly string[];
}

/** Test points are told at a third of the goal's light, and at three times it. */
const APART = 3;

/** @param probeLux the light at which the schematic is shown */
export function sheetData(
  project: Project,
  design: Design,
  steps: readonly BuildStep[],
  probeLux: number,
): SheetData {
  const { meter, build } = project;
  return {
    name: project.name,
    summary: summaryOf(project, design),
    schematicTitle: `${buildWords.schematic}, as meters show at ${lightText(design.resolved.scale)(probeLux)}`,
    parts: partsTable(project, design),
    steps: steps.map((step) => ({
      isCheck: step.kind === 'check',
      text:
        step.kind === 'check'
          ? checkText(step.check, meter)
          : stepText(step, step.kind === 'wire' ? wireColorOf(step.net, build.wires) : null),
    })),
    testPoints: testPointTable(project, design),
    settings: settingsOf(project, design),
    cautions: [
      ...cautionsOf(project).map((caution) => cautionTexts[caution]),
      ...sitingNotes(project, design).map((note) => sitingNoteText(note, lightText(design.resolved.scale))),
    ],
  };
}

function summaryOf(project: Project, design: Design): string {
  const { figure, note } = keyFigure('switch', project, design);
  const supply = suppliesText(project);
  const when = actionText(project, design.action);
  // What answers to a change has how large that is for its figure.
  const isChange = insteadOfLight(project.detector, project.divider.ldrSide) !== null;
  const does = isChange ? `${when} of ${figure}` : `${when}, ${switchingText(project, design)}`;
  return `${does} (${note}); ${supply}`;
}

/** What it runs on: the sensor's side, and the load where that has a supply of its own. */
function suppliesText({ divider, loadSupply }: Project): string {
  const supply = `${partVolts(divider.supplyVolts)} supply`;
  return loadSupply ? `${supply}, ${partVolts(loadSupply.volts)} for the load` : supply;
}

function partsTable(project: Project, design: Design): SheetTable {
  return {
    head: [
      ...[buildWords.designators, buildWords.what, buildWords.value, buildWords.marked],
      ...[buildWords.tolerance, buildWords.atLeast, buildWords.wanted],
    ],
    rows: partLinesOf(project, design).map((line) => {
      const { designators, what, value, marked, tolerance, rated } = partLineText(line);
      return [designators, what, value, marked, tolerance, rated, String(line.wanted)];
    }),
  };
}

function testPointTable(project: Project, design: Design): SheetTable {
  const light = lightText(design.resolved.scale);
  const lights = [project.goal.lux / APART, project.goal.lux * APART];
  const probe = probeOf(project);
  const probed = lights.map((lux) => probe(lux));
  return {
    head: ['', ...lights.map((lux) => `at ${light(lux)}`)],
    rows: [
      ['LDR', ...probed.map((at) => (at ? ohms(at.ldrOhms) : '–'))],
      ...design.assembly.testPoints.map(({ id }) => [
        id,
        ...probed.map((at) => (at ? volts(at.testPointVolts[id] ?? 0) : '–')),
      ]),
    ],
  };
}

/** Transistors’ legs as they stand, with the flat side towards you; those that have them alike together. */
function legsTexts(parts: readonly Part[], { legs }: Project['build']): readonly string[] {
  const order = (part: Part) =>
    inOrder(leadsOf(part), legs)
      .map(({ name }) => name)
      .join(' · ');
  return [...group(parts.filter(isTransistor), order)].map(
    ([text, alike]) =>
      `${alike.map(({ designator }) => designator).join(', ')}: ${text}, the flat side towards you.`,
  );
}

/** What is to be set: trimmers, the controller's codes, and transistors' legs. */
function settingsOf(project: Project, { assembly }: Design): readonly string[] {
  const controller = detectorOf(project.detector, 'controller');
  return [
    ...partsOfKind(assembly.parts, 'trimmer').map((part) => {
      const { upper, lower } = trackParts(part);
      const which = `${part.designator}, ${partOhms(part.trackOhms)}`;
      return part.role === 'fixed-trimmer'
        ? `${which}: ${percent(1 - part.position)} of its track in use, ${ohms(upper)} from its upper end (pin 1) to its slider.`
        : `${which}: slider at ${percent(part.position)} of its travel, ${ohms(lower)} to its lower end (pin 3).`;
    }),
    ...(controller ? [`Codes: on at ${controller.onCode}, off at ${controller.offCode}.`] : []),
    ...legsTexts(assembly.parts, project.build),
    ...sitingTexts(project.build.siting),
  ];
}
