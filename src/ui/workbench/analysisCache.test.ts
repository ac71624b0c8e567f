import { describe, expect, it } from 'vitest';
import { changeDivider, together } from '@/core/project/edits';
import { changeMeasurement } from '@/core/project/readingEdits';
import { sampleProjects } from '@/core/project/samples';
import { addVariant } from '@/core/project/variants';
import { fromDark } from '@/core/operate/operate';
import { analysisBeside, analysisOf, probedAt } from './analysisCache';

const [platform] = sampleProjects;
if (!platform) throw new Error('no sample');
const two = together(addVariant(), changeDivider({ fixedOhms: 1000 }))(platform);

describe('what follows from a project', () => {
  it('is found once for each of its states', () => {
    expect(analysisOf(platform)).toBe(analysisOf(platform));
    expect(analysisOf(two)).not.toBe(analysisOf(platform));
  });

  it('is kept for a variant beside while the open one changes', () => {
    const before = analysisBeside(two, 'A');
    const after = analysisBeside(changeDivider({ fixedOhms: 2000 })(two), 'A');
    expect(before).not.toBeNull();
    expect(after).toBe(before);
  });

  it('is found anew for a variant beside when what all share has changed', () => {
    const before = analysisBeside(two, 'A');
    const readings = two.readings.map((reading) => ({ ...reading, ohms: reading.ohms * 2 }));
    const after = analysisBeside(changeMeasurement({ readings })(two), 'A');
    const half = (analysis: typeof before) =>
      analysis?.ok && analysis.design.half.ok ? analysis.design.half.lux : NaN;
    // An LDR of twice the resistance needs more light for the same midpoint.
    expect(half(after)).toBeGreaterThan(half(before) * 1.1);
  });

  it('has nothing beside where there is no such variant', () => {
    expect(analysisBeside(two, 'C')).toBeNull();
    expect(analysisBeside(platform, 'A')).toBeNull();
  });

  it('answers the last light asked for from memory, and another light or state anew', () => {
    expect(probedAt(platform, 50, fromDark)).toBe(probedAt(platform, 50, fromDark));
    expect(probedAt(platform, 60, fromDark)).not.toBe(probedAt(platform, 50, fromDark));
  });

  it('says within a band what it was before: on when it comes from the dark, off from the light', () => {
    const shelf = sampleProjects.find(({ id }) => id === 'sample-seedling-shelf');
    if (!shelf) throw new Error('no sample');
    const [onLux, offLux] = [shelf.goal.lux, shelf.goal.offLux ?? 0];
    const inside = Math.sqrt(onLux * offLux);
    const fromTheLight = probedAt(shelf, offLux * 3, fromDark)?.state ?? fromDark;
    const amps = [fromDark, fromTheLight, fromDark].map(
      (from) => probedAt(shelf, inside, from)?.loadAmps ?? NaN,
    );
    expect(amps[0]).toBeGreaterThan(0.029);
    expect(amps[1]).toBeLessThan(1e-6);
    expect(Math.abs((amps[2] ?? 0) - (amps[0] ?? 0))).toBeLessThan(1e-9);
  });
});
