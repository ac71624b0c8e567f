import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
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
import { detectorDrawing } from './detectors/registry';
import { layoutOf } from './layout';
import { OtherParts } from './OtherParts';

const [platform] = sampleProjects as readonly [Project];

/** The designators on a project's drawing, and those of its parts, each sorted. */
function namesOf(project: Project) {
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
});
