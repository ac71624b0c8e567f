import { describe, expect, it } from 'vitest';
import { uniforms } from '../numeric/random';
import { findCrossing } from '../light/crossing';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { sizeDesign } from '../size/sized';
import { promised, runs } from '../testRuns';
import { DesignCircuit } from './designCircuit';
import { cornerSpread, stabilityOf } from './stability';

const platform = sampleNamed('Platform lamps');

function spreadOf(project: Project) {
  const sized = sizeDesign(project);
  if (!sized.ok) throw new Error(sized.reason);
  const { design } = sized;
  const spread = cornerSpread(project, design, stabilityOf(project, design));
  if (!spread || !design.half.ok) throw new Error('does not switch');
  return { ...spread, design, half: design.half.lux };
}

describe('where a design may switch', () => {
  it('narrows as better resistors are bought, and holds its own light', () => {
    const widths = (['E12', 'E24', 'E96'] as const).map((series) => {
      const project = chooseDetector('comparator')({
        ...platform,
        resistors: { ...platform.resistors, series },
      });
      const { lowLux, highLux, half } = spreadOf(project);
      expect(half).toBeGreaterThan(lowLux);
      expect(half).toBeLessThan(highLux);
      return Math.log(highLux / lowLux);
    });
    expect(widths[0]).toBeGreaterThan(widths[1] ?? 0);
    expect(widths[1]).toBeGreaterThan(widths[2] ?? 0);
  });

  it('covers what is built of parts as they come, on a supply and in weather as they are', () => {
    const draw = uniforms(11);
    const even = (low: number, high: number) => low + (high - low) * draw();
    let [built, within] = [0, 0];
    for (const kind of ['transistor', 'comparator', 'timer', 'controller'] as const) {
      const project = chooseDetector(kind)(platform);
      const { lowLux, highLux, design } = spreadOf(project);
      for (let index = 0; index < runs(8000) / 4; index++) {
        const ohms = Object.fromEntries(
          design.assembly.parts.flatMap((part) =>
            part.kind === 'resistor' ? [[part.designator, part.ohms * even(0.9, 1.1)]] : [],
          ),
        );
        const { lowShare, highShare } = project.source;
        const volts = project.divider.supplyVolts * even(lowShare, highShare);
        const conditions = { ohms, celsius: even(0, 50), supplyVolts: { supply: volts } };
        const circuit = DesignCircuit.of(project, design.ldr, conditions, design.assembly);
        const point = findCrossing((lux) => circuit.over(design.drive.switchAmps, lux), design.range);
        built += 1;
        within += Number(point.ok && point.lux >= lowLux && point.lux <= highLux);
      }
    }
    const share = within / built;
    promised('built designs that switch between the ends told', `${(100 * share).toFixed(1)} %`, '≥ 95 %');
    expect(share).toBeGreaterThan(0.94);
  });
});
