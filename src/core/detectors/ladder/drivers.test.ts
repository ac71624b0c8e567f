import { describe, expect, it } from 'vitest';
import { analyse } from '../../design';
import { transistorKinds } from '../../drivers/kinds';
import { defaultTransistor } from '../../drivers/registry';
import { DesignCircuit } from '../../analyse/designCircuit';
import { partsOfKind } from '../../parts/find';
import { changeDetector } from '../../project/detectorEdits';
import { changeDivider, takeTransistor, together } from '../../project/edits';
import type { Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { measuredLdr } from '../../readings/ldrOf';
import { changeEdgeBand } from '../../size/edgeBand';
import { driveThrough } from '../../size/driveThrough';
import { sizeDetector } from '../../size/resize';
import { detectorOf } from '../registry';
import { inOrderOfComing } from './definition';

const rack = sampleProjects.find(({ id }) => id === 'sample-drying-rack');
if (!rack) throw new Error('no rack');

const ladderIn = (project: Project) => {
  const settings = detectorOf(project.detector, 'ladder');
  if (!settings) throw new Error('no ladder');
  return settings;
};

/** How many loads have more than half of their full current at a light, coming from the dark. */
function countOn(project: Project, lux: number): number {
  const live = DesignCircuit.of(project, measuredLdr(project).model);
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const settled = live.settle(0, lux);
  if (!settled) throw new Error('no operating point');
  const { full } = analysis.design;
  return full.loadAmps.filter((amps, index) => settled.readout.loadAmpsOf(index) > amps / 2).length;
}

const ways = transistorKinds.flatMap((kind) =>
  (['light', 'dark'] as const).flatMap((moreIn) =>
    (['top', 'bottom'] as const).map((ldrSide) => ({ kind, moreIn, ldrSide })),
  ),
);

describe('a ladder whose steps drive a transistor each', () => {
  it.each(ways)(
    'has as many loads on as steps have come: $kind, more in the $moreIn, LDR at the $ldrSide',
    (way) => {
      const { kind, moreIn, ldrSide } = way;
      const project = together(
        driveThrough('transistor'),
        takeTransistor(defaultTransistor(kind)),
        changeDetector('ladder', { moreIn }),
        changeDivider({ ldrSide }),
        sizeDetector,
      )(rack);
      const lights = inOrderOfComing(ladderIn(project)).map(({ lux }) => lux);
      const further = moreIn === 'light' ? 1.25 : 1 / 1.25;
      lights.forEach((lux, index) => {
        expect(countOn(project, lux / further)).toBe(index);
        expect(countOn(project, lux * further)).toBe(index + 1);
      });
    },
  );

  it('has a transistor, a base resistor and, with open collectors, a pull-up for each', () => {
    const project = driveThrough('transistor')(rack);
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    const { assembly, drive } = analysis.design;
    const steps = ladderIn(project).stepLux.length;
    const { parts } = assembly;
    const count = (role: string) => parts.filter((part) => part.role === role).length;
    expect(partsOfKind(parts, 'bipolar')).toHaveLength(steps);
    expect([count('base'), count('load')]).toEqual([steps, steps]);
    expect(count('pull-up')).toBe(ladderIn(project).part.kind === 'open-collector' ? steps : 0);
    // Each is asked for its own load alone.
    expect(drive.switches).toBe(steps);
    expect(drive.forcedBeta).toBeCloseTo(drive.fullAmps / steps / drive.baseAmps, 9);
  });

  it('has both lights of each step where its band asks for them', () => {
    const project = together(driveThrough('transistor'), changeEdgeBand(1.3))(rack);
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    inOrderOfComing(ladderIn(project)).forEach(({ lux, index }) => {
      const { rising, falling } = analysis.design.thresholds?.boundaries[index] ?? {};
      if (!rising?.ok || !falling?.ok) throw new Error('not passed');
      expect(Math.abs(Math.log(rising.lux / lux))).toBeLessThan(0.1);
      expect(Math.abs(Math.log(rising.lux / falling.lux / 1.3))).toBeLessThan(0.09);
    });
  });

  it('leaves a dot’s outputs on their loads, which hang between two of them', () => {
    const project = together(changeDetector('ladder', { shows: 'dot' }), driveThrough('transistor'))(rack);
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(analysis.design.assembly.driver).toBeNull();
  });
});
