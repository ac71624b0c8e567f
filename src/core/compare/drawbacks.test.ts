import { describe, expect, it } from 'vitest';
import { IDEAL_SOURCE } from '../loads/supply';
import { stabilityOf } from '../analyse/stability';
import { detectorDefinition } from '../detectors/registry';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, changeGoal, takeSource, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { sizeDesign } from '../size/sized';
import { compareIds, compareOne, type Compared } from './compare';

const rowsOf = (project: Project): readonly Compared[] =>
  compareIds.flatMap((id) => compareOne(project, id) ?? []);

describe('the drawbacks of a way', () => {
  it('are just those that its own figures tell, whatever is asked of it', () => {
    const seen = new Map<string, Set<boolean>>();
    const holds = (row: Compared, code: Compared['shortcomings'][number], isSo: boolean) => {
      expect(row.shortcomings.includes(code), `${row.project.name} ${row.id} ${code}`).toBe(isSo);
      seen.set(code, (seen.get(code) ?? new Set()).add(isSo));
    };
    const far = (one: number, other: number) => Math.abs(Math.log(one / other)) > Math.log(1.1);
    const asked = [
      sampleProjects[1],
      // Far too much before its LDR for any light to count.
      changeDivider({ ldrSeriesOhms: 1e6 })(sampleProjects[0]),
      changeGoal({ offLux: 6 * sampleProjects[0].goal.lux })(sampleProjects[0]),
    ];
    for (const row of asked.flatMap(rowsOf)) {
      const { project, goalLux, offLux, bandRatio, softBand, perTenCelsius, perVolt } = row;
      const definition = detectorDefinition(project.detector);
      const isOneLight = definition.goal.lights === 'one';
      if (row.id !== 'change') holds(row, 'out-of-reach', goalLux === null);
      holds(row, 'soft', project.detector.kind === 'transistor' && (softBand === null || softBand > 1.3));
      holds(row, 'no-band', isOneLight && (bandRatio ?? 1) < 1.03);
      const drifts = [perTenCelsius, perVolt].some((share) => share !== null && Math.abs(share) > 0.05);
      holds(row, 'drifts', isOneLight && drifts);
      const wanted = project.goal.offLux;
      const misses = wanted !== null && (offLux === null || far(offLux, wanted));
      holds(row, 'misses-off', isOneLight && misses);
      for (const own of definition.shortcomings) expect(row.shortcomings).toContain(own);
      if (project.name !== sampleProjects[1].name) continue;
      const design = sizeDesign(project);
      if (!design.ok) throw new Error(design.reason);
      const stability = stabilityOf(project, design.design);
      const told = [stability.perTenCelsius, stability.driftPerTen, stability.perVolt];
      expect([perTenCelsius, row.driftPerTen, perVolt]).toEqual(
        told.map((ratio) => (ratio === null ? null : ratio - 1)),
      );
    }
    for (const [code, values] of seen) expect([code, values.size]).toEqual([code, 2]);
  });

  it('are of what hears changes that it is never fired by the one wanted, or is by nothing at all', () => {
    const own = together(takeSource(IDEAL_SOURCE, 12), chooseDetector('change'))(sampleNamed('Marble gate'));
    const wanted = { dimming: 0.5, seconds: 0.1, biasOhms: 100_000 } as const;
    const of = (settings: Parameters<typeof changeDetector<'change'>>[1]) =>
      compareOne(together(changeDetector('change', settings))(own), 'change')?.shortcomings;
    expect(of({ ...wanted, gain: 50, triggerVolts: 3 })).not.toContain('out-of-reach');
    expect(of({ ...wanted, gain: 1, triggerVolts: 11 })).toContain('out-of-reach');
    // 45 nA into the amplifier through 100 kΩ stand at 0.2 V behind the gain, in steady light.
    expect(of({ ...wanted, gain: 50, triggerVolts: 0.1 })).toContain('out-of-reach'); // prettier-ignore
  });
});
