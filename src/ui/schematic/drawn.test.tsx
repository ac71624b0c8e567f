import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { someProject } from '@/core/advise/testProjects';
import { probeOf } from '@/core/analyse/probe';
import { analyse } from '@/core/design';
import { detectorKinds } from '@/core/detectors/kinds';
import { defaultOutputStages, outputStageKinds } from '@/core/detectors/outputStage/outputStage';
import { transistorKinds } from '@/core/drivers/kinds';
import { defaultTransistor } from '@/core/drivers/registry';
import { loadKinds } from '@/core/loads/kinds';
import { defaultLoads } from '@/core/loads/registry';
import { defaultSource } from '@/core/loads/supply';
import { changeDetector, changeOutput, changeOutputStage } from '@/core/project/detectorEdits';
import {
  addLoad,
  changeBaseResistor,
  changeDivider,
  changeDriver,
  changeLoadSupply,
  changeTrimmer,
  takeLoad,
  takeTransistor,
  together,
  type Edit,
} from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { chooseDetector } from '@/core/size/chooseDetector';
import { changeEdgeBand } from '@/core/size/edgeBand';
import { promised, runs } from '@/core/testRuns';
import { unusualProject } from '@/core/testUnusual';
import { detectorDrawing } from './detectors/registry';
import { layoutOf } from './layout';
import { OtherParts } from './others/OtherParts';
import { isOneOf, keysOf } from '@/core/record';

const [platform] = sampleProjects;

/** A project's drawing at its goal as text, with what it is drawn from; `null` where there is no analysis. */
function markupOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const { design } = analysis;
  const probe = probeOf(project)(project.goal.lux);
  if (!probe) return null;
  const { Drawing, places } = detectorDrawing(project.detector);
  const place = layoutOf(design.assembly, places);
  const markup = renderToStaticMarkup(
    <svg>
      <Drawing design={design} probe={probe} place={place} />
      <OtherParts places={place.others} />
    </svg>,
  );
  return { design, place, markup };
}

/** A line of text on a drawing: from its left to its right end, and its baseline. */
interface Line {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly y: number;
}

/** How wide a letter is, by what it is written in; in a browser they were found to differ from it by less than 3 %. */
const LETTER = { name: 7.6, value: 7.9, tag: 7.55 } as const;
const attribute = (text: string, name: string) => new RegExp(` ${name}="([^"]*)"`).exec(text)?.[1];

/** All lines of text on a drawing, with those of a label that stands on one line as one. */
function linesOn(markup: string): readonly Line[] {
  return [...markup.matchAll(/<text([^>]*)>(.*?)<\/text>/g)].flatMap(([, head = '', inner = '']): Line[] => {
    const spans = [...inner.matchAll(/<tspan([^>]*)>(.*?)<\/tspan>/g)].map(([, own = '', text = '']) => ({
      own,
      text,
    }));
    const rows: { own: string; text: string }[] = [];
    for (const span of spans.length > 0 ? spans : [{ own: '', text: inner }]) {
      const last = rows.at(-1);
      if (last && attribute(span.own, 'dx') !== undefined) last.text += ` ${span.text}`;
      else rows.push(span);
    }
    return rows.map(({ own, text }, row) => {
      const x = Number(attribute(own, 'x') ?? attribute(head, 'x'));
      const kind = attribute(own, 'class') ?? attribute(head, 'class') ?? 'value';
      if (!isOneOf(keysOf(LETTER), kind)) throw new Error(kind);
      const width = LETTER[kind] * text.length;
      const anchor = attribute(head, 'text-anchor') ?? 'start';
      const from = anchor === 'end' ? x - width : anchor === 'middle' ? x - width / 2 : x;
      return { text, from, to: from + width, y: Number(attribute(head, 'y')) + 15 * row };
    });
  });
}

/** Whether two lines of text lie on one another by more than a hair. */
const areOverlaid = (one: Line, other: Line) =>
  Math.abs(one.y - other.y) < 7 && Math.min(one.to, other.to) - Math.max(one.from, other.from) > 4;

/** The designators on a project's drawing, and those of its parts, each sorted. */
function namesOf(project: Project) {
  const found = markupOf(project);
  if (!found) return null;
  const { design, markup } = found;
  expect(markup).not.toMatch(/NaN|undefined|Infinity/);
  const drawn = [...markup.matchAll(/data-part="([^"]+)"/g)].map(([, name]) => name ?? '');
  const parts = design.assembly.parts.map(({ designator }) => designator);
  return { drawn: [...new Set(drawn)].sort(), parts: [...parts].sort() };
}

const expectDrawn = (project: Project) => {
  const names = namesOf(project);
  if (names) expect(names.drawn).toEqual(names.parts);
  return names !== null;
};

describe('the drawing of a circuit', () => {
  it('has exactly the designators of its parts, for every detector × driver × load × supply', () => {
    let count = 0;
    for (const detector of detectorKinds)
      for (const driver of transistorKinds)
        for (const load of loadKinds)
          for (const supply of [null, { ...defaultSource('adapter', 12), commonGround: true }]) {
            // The whole product takes a minute: a tenth of it, another one for each.
            if (runs(100) < 100 && count++ % 10 !== 0) continue;
            const edit = together(
              takeTransistor(defaultTransistor(driver)),
              chooseDetector(detector),
              takeLoad(defaultLoads[load]),
              changeLoadSupply(supply),
            );
            expectDrawn(edit(platform));
          }
    promised('drawing: detector × driver × load × supply', 490, 'all of 490');
  });

  it('names the shares at which a timer goes over, and calls it a one-shot where it is one itself', () => {
    const timer = chooseDetector('timer')(platform);
    const shown = (...edits: readonly Edit[]) => markupOf(together(...edits)(timer))?.markup ?? '';
    const control = changeDetector('timer', { control: { ohms: 10_000, to: 'ground' } });
    const pulse = changeDetector('timer', { pulse: { ohms: 1e6, farads: 1e-6 } });
    const behind = changeOutputStage(defaultOutputStages['one-shot']);
    expect(shown()).toMatch(/>timer<.*>⅓ ⅔</);
    expect(shown(behind)).toMatch(/>timer<.*>⅓ ⅔</);
    expect(shown(pulse)).toMatch(/>one-shot<.*>⅓</);
    expect(shown(control)).toMatch(/>timer<.*>25 50 %</);
    expect(shown(control, pulse)).toMatch(/>one-shot<.*>25 %</);
  });

  it('has an inverter behind a timer’s own pulse, which a P-type switch needs', () => {
    const pulse = { ohms: 100_000, farads: 1e-6 };
    for (const driver of transistorKinds)
      for (const kind of outputStageKinds)
        expectDrawn(
          together(
            takeTransistor(defaultTransistor(driver)),
            chooseDetector('timer'),
            changeDetector('timer', { pulse }),
            changeOutputStage(defaultOutputStages[kind]),
          )(platform),
        );
  });

  it('has them whatever else is put in: a trimmer, resistors about the LDR, an output stage, an own output', () => {
    const ohms = fc
      .double({ min: 2, max: 6, noNaN: true })
      .map((power) => Number((10 ** power).toPrecision(3)));
    const anyEdit = fc.oneof<fc.Arbitrary<Edit>[]>(
      fc.constantFrom(...detectorKinds).map((kind) => chooseDetector(kind)),
      fc.constantFrom(...transistorKinds).map((kind) => takeTransistor(defaultTransistor(kind))),
      fc.constantFrom(...loadKinds).map((kind) => takeLoad(defaultLoads[kind])),
      fc.constantFrom(...outputStageKinds).map((kind) => changeOutputStage(defaultOutputStages[kind])),
      fc.constantFrom('transistor' as const, 'load' as const).map((to) => changeOutput({ to })),
      fc.constantFrom('ground' as const, 'supply' as const).map((loadRail) => changeOutput({ loadRail })),
      fc.option(ohms).map((releaseOhms) => changeOutput({ releaseOhms })),
      fc.option(ohms).map((ldrSeriesOhms) => changeDivider({ ldrSeriesOhms })),
      fc.option(ohms).map((ldrParallelOhms) => changeDivider({ ldrParallelOhms })),
      fc.option(ohms).map((baseOhms) => changeBaseResistor(baseOhms)),
      fc.constantFrom(0, 470).map((endOhms) => changeTrimmer({ trackOhms: 47_000, endOhms, degrees: 270 })),
      fc.constantFrom('collector' as const, 'emitter' as const).map((place) => changeDriver({ place })),
      fc.constantFrom('top' as const, 'bottom' as const).map((ldrSide) => changeDivider({ ldrSide })),
      fc.option(ohms).map((feedbackOhms) => changeDetector('comparator', { feedbackOhms })),
      fc.constantFrom(0, 6).map((negativeVolts) => changeDetector('comparator', { negativeVolts })),
      fc.constant(changeDetector('timer', { pulse: { ohms: 100_000, farads: 1e-6 } })),
      fc.constant(changeDetector('timer', { control: { ohms: 10_000, to: 'ground' } })),
      fc.option(fc.constantFrom(1.1, 1.5)).map((ratio) => changeEdgeBand(ratio)),
      fc.constantFrom('fill' as const, 'dot' as const).map((shows) => changeDetector('ladder', { shows })),
    );
    let drawn = 0;
    fc.assert(
      fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 8 }), (edits) => {
        drawn += Number(expectDrawn(together(...edits)(platform)));
      }),
      { numRuns: runs(2000), seed: 51 },
    );
    promised('drawing: designators are the parts’', drawn, '2 000 random circuits');
    expect(drawn).toBeGreaterThan(runs(2000) / 2);
  });

  it('has no text beyond its edges, and hardly any on another', () => {
    const pairs = loadKinds.map((kind, index) => [kind, loadKinds[(index + 3) % loadKinds.length]!] as const);
    const projects = [
      ...sampleProjects,
      ...pairs.map(([one, other]) =>
        together(takeLoad(defaultLoads[one]), addLoad(defaultLoads[other]))(platform),
      ),
      ...Array.from({ length: runs(4000) }, (_, seed) => (seed % 2 ? unusualProject : someProject)(seed)),
    ];
    let drawn = 0;
    const [beyond, overlaid]: [string[], string[]] = [[], []];
    for (const [index, project] of projects.entries()) {
      const found = markupOf(project);
      if (!found) continue;
      drawn += 1;
      const lines = linesOn(found.markup);
      for (const { text, from, to } of lines)
        if (from < -2 || to > found.place.width + 2) beyond.push(`${index} ${project.name}: ${text}`);
      const pair = lines.flatMap((one, at) => {
        const other = lines.slice(at + 1).find((each) => areOverlaid(one, each));
        return other ? [`${index} ${project.name}: ${one.text} | ${other.text}`] : [];
      })[0];
      if (pair) overlaid.push(pair);
    }
    promised('drawings without text beyond their edges', `${drawn - beyond.length} of ${drawn}`, 'all');
    promised('drawings without text on text', `${drawn - overlaid.length} of ${drawn}`, '≥ 99 %');
    expect(drawn).toBeGreaterThan(30);
    expect(beyond).toEqual([]);
    expect(overlaid.length / drawn, overlaid.join('; ')).toBeLessThanOrEqual(0.01);
  });
});
