import { describe, expect, it } from 'vitest';
import { MIN_BAG } from '../ldr/bag';
import { spreadOfSaved } from '../readings/bagOfSaved';
import { savedLdrOf } from './savedLdr';
import { addReading, changeMeasurement, changeReading, readNextLdr, takeLdr } from './readingEdits';
import { sampleProjects } from './samples';

const project = sampleProjects[0];

describe('the stock', () => {
  it('keeps an LDR once, however often it is put there, and takes it back as it was', () => {
    const first = savedLdrOf(project, [], 'a', 1);
    const added = addReading({ id: 'late', light: { kind: 'lux', lux: 7 }, ohms: 4000 })(project);
    const again = savedLdrOf(added, [first], 'b', 2);
    expect([first.id, again.id]).toEqual(['a', 'a']);
    const back = takeLdr(again.part, again.measurement)(project);
    expect(back.readings).toEqual(added.readings);
    expect(back.part).toEqual(project.part);
    expect(back.divider).toEqual(project.divider);
  });

  it('has a spread from three LDRs on', () => {
    const scaled = [1, 1.1, 0.9].map((factor, index) => {
      const [first] = project.readings;
      const readings = project.readings.map((reading) => ({
        ...reading,
        id: `${reading.id}-${index}`,
        ohms: reading.ohms * factor,
      }));
      expect(first).toBeDefined();
      return savedLdrOf(changeMeasurement({ readings })(project), [], `ldr${index}`, index);
    });
    expect(spreadOfSaved(scaled.slice(0, 2))).toEqual({ ok: false, reason: 'too-few', min: MIN_BAG });
    const spread = spreadOfSaved(scaled);
    if (!spread.ok) throw new Error(spread.reason);
    expect(spread.spread.lnR10Std).toBeCloseTo(0.1, 2);
    expect(spread.spread.gammaStd).toBeCloseTo(0, 3);
  });
});

describe('another LDR at the same lights', () => {
  it('is planned at each light once, without those set aside, under the next name', () => {
    const [first, second] = project.readings;
    if (!first || !second) throw new Error('readings');
    const repeated = addReading({ id: 'again', light: first.light, ohms: first.ohms })(project);
    const next = readNextLdr(changeReading(second.id, { setAside: true })(repeated));
    expect(next.readings).toEqual([]);
    expect(next.plan).toEqual(
      project.readings.filter(({ id }) => id !== second.id).map(({ light }) => light),
    );
    expect(next.part.name).toBe(`${project.part.name} 2`);
    expect(readNextLdr(next).part.name).toBe(`${project.part.name} 3`);
  });
});
