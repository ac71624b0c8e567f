import fc from 'fast-check';
import { mapReadings } from '../project/testReadings';
import { describe, expect, it } from 'vitest';
import { changeDivider, changeGoal, changeLoad } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { analyse } from '../design';
import { editFor } from './fixes';
const [platform, , stair] = sampleProjects as readonly [Project, Project, Project];

const ledOf = ({ loads: [load] }: Project) => {
  if (load?.kind !== 'led') throw new Error('no LED');
  return load;
};

/** Applies the first mend offered, again and again, as someone would who presses each button. */
function fixAll(project: Project, rounds = 8): { project: Project; codes: readonly string[] } {
  let design = project;
  for (let round = 0; round < rounds; round++) {
    const analysis = analyse(design);
    if (!analysis.ok) throw new Error(analysis.reason);
    const next = analysis.design.advice.find((entry) => entry.fix);
    if (!next?.fix) return { project: design, codes: analysis.design.advice.map((entry) => entry.code) };
    design = editFor(next.fix)(design);
  }
  throw new Error('the mends never come to an end');
}

describe('the buttons of advice', () => {
  it('put a wrong action right', () => {
    const withFix = fixAll(changeGoal({ action: 'on-in-light' })(platform));
    expect(withFix.project.divider.ldrSide).toBe('top');
    // What is left is true and has no button: above, this low LDR gets V²/4R from 6 V.
    expect(withFix.codes).toEqual(['ldr-warm']);
  });

  it('bring a resistor that is off the goal back to it', () => {
    const withFix = fixAll(changeDivider({ fixedOhms: 47_000 })(platform));
    expect(withFix.project.divider.fixedOhms).toBe(6800);
    expect(withFix.codes).toEqual([]);
  });

  it('bring an LED with too much current back to what is wanted', () => {
    const withFix = fixAll(changeLoad({ seriesOhms: 47 })(platform));
    expect(ledOf(withFix.project).seriesOhms).toBe(330);
  });

  it('lead the dim stair marker to a load that its divider can hold', () => {
    const withFix = fixAll(stair);
    expect(withFix.codes.filter((code) => code !== 'little-drive-margin')).toEqual([]);
    expect(ledOf(withFix.project).wantedAmps).toBeLessThan(ledOf(stair).wantedAmps);
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
        const weak = analysis.design.advice.find((entry) => entry.code === 'load-not-saturated');
        if (!weak?.fix) return;
        offered += 1;
        const outputStage = analyse(editFor(weak.fix)(project));
        expect(outputStage.ok && outputStage.design.drive.saturates).toBe(true);
      }),
      { numRuns: 100, seed: 8 },
    );
    expect(offered).toBeGreaterThan(30);
  });
});
