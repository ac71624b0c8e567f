import fc from 'fast-check';
import { mapReadings } from '../project/testReadings';
import { describe, expect, it } from 'vitest';
import { changeDivider, changeGoal, changeLoad } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { analyse } from './analyse';
import { editFor } from './mend';

const [platform, , stair] = sampleProjects as readonly [Project, Project, Project];

const ledOf = ({ loads: [load] }: Project) => {
  if (load?.kind !== 'led') throw new Error('no LED');
  return load;
};

/** Applies the first mend offered, again and again, as someone would who presses each button. */
function mendAll(project: Project, rounds = 8): { project: Project; codes: readonly string[] } {
  let design = project;
  for (let round = 0; round < rounds; round++) {
    const analysis = analyse(design);
    if (!analysis.ok) throw new Error(analysis.reason);
    const next = analysis.design.advice.find((entry) => entry.mend);
    if (!next?.mend) return { project: design, codes: analysis.design.advice.map((entry) => entry.code) };
    design = editFor(next.mend)(design);
  }
  throw new Error('the mends never come to an end');
}

describe('the buttons of advice', () => {
  it('put a wrong action right', () => {
    const mended = mendAll(changeGoal({ action: 'on-in-light' })(platform));
    expect(mended.project.divider.ldrSide).toBe('top');
    // What is left is true and has no button: above, this low LDR gets V²/4R from 6 V.
    expect(mended.codes).toEqual(['ldr-warm']);
  });

  it('bring a resistor that is off the goal back to it', () => {
    const mended = mendAll(changeDivider({ fixedOhms: 47_000 })(platform));
    expect(mended.project.divider.fixedOhms).toBe(6800);
    expect(mended.codes).toEqual([]);
  });

  it('bring an LED with too much current back to what is wanted', () => {
    const mended = mendAll(changeLoad({ seriesOhms: 47 })(platform));
    expect(ledOf(mended.project).seriesOhms).toBe(330);
  });

  it('lead the dim stair marker to a load that its divider can hold', () => {
    const mended = mendAll(stair);
    expect(mended.codes.filter((code) => code !== 'little-drive-in-hand')).toEqual([]);
    expect(ledOf(mended.project).wantedAmps).toBeLessThan(ledOf(stair).wantedAmps);
  });
});

describe('lightening a load', () => {
  it('holds at once, for any measured LDR and any goal that leaves an LED to be seen', () => {
    const anyDim = fc.record({
      lux: fc.double({ min: 1, max: 30, noNaN: true }),
      r10: fc.double({ min: 3000, max: 40_000, noNaN: true }),
      supply: fc.double({ min: 4, max: 12, noNaN: true }),
    });
    let offered = 0;
    fc.assert(
      fc.property(anyDim, ({ lux, r10, supply }) => {
        const other = mapReadings(stair, (light) => ({ ohms: r10 * (light / 10) ** -0.7 }));
        const project = changeDivider({ supplyVolts: supply })(changeGoal({ lux })(other));
        const analysis = analyse(project);
        if (!analysis.ok) throw new Error(analysis.reason);
        const weak = analysis.design.advice.find((entry) => entry.code === 'load-not-held');
        if (!weak?.mend) return;
        offered += 1;
        const after = analyse(editFor(weak.mend)(project));
        expect(after.ok && after.design.drive.holdsFullyOn).toBe(true);
      }),
      { numRuns: 100, seed: 8 },
    );
    expect(offered).toBeGreaterThan(30);
  });
});
