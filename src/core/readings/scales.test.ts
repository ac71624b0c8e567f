import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { changeGoal } from '../project/edits';
import { addReading, addReadings, changeMeasurement, putLevel } from '../project/readingEdits';
import { newProject } from '../project/newProject';
import { checkProject, type Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { measuredLdr } from './ldrOf';
import { estimatedLightRatio, namedGoals, namedLightOf, namedOhmsAt } from './named';
import type { ReadingLight } from './reading';
import { repeatScatter, repeatsOf } from './repeats';
import { lux, measurementOf, readingOf, rung } from './testMeasurement';

const anyOhms = fc.double({ min: 2, max: 9e8, noNaN: true });

describe('a place on the axis without light figures', () => {
  it('turns into a resistance and back, exactly, and runs from high to low', () => {
    fc.assert(
      fc.property(anyOhms, anyOhms, (one, other) => {
        expect(namedOhmsAt(namedLightOf(one)) / one).toBeCloseTo(1, 9);
        if (one * (1 + 1e-9) < other) expect(namedLightOf(one)).toBeGreaterThan(namedLightOf(other));
      }),
    );
  });

  it('gives the ratio of two lights as an estimate that holds what a usual γ leaves open', () => {
    fc.assert(
      fc.property(anyOhms, anyOhms, (one, other) => {
        const { ratio, low, high } = estimatedLightRatio(one, other);
        expect(low).toBeLessThanOrEqual(ratio);
        expect(high).toBeGreaterThanOrEqual(ratio);
        expect(low).toBeGreaterThanOrEqual(1);
        expect(estimatedLightRatio(other, one)).toEqual({ ratio, low, high });
      }),
    );
  });
});

describe('a goal when the readings come onto another scale', () => {
  const project = { ...newProject('p', 'P'), meter: null };
  const ohmsAtGoal = (design: Project) => ldrOhmsAt(measuredLdr(design).model.curve, design.goal.lux);
  const scaleOf = (design: Project) => measuredLdr(design).resolved.scale;
  const named = addReadings([
    { id: 'a', light: { kind: 'level', level: 'hall' }, ohms: 16_000 },
    { id: 'b', light: { kind: 'level', level: 'desk' }, ohms: 1900 },
  ])({
    ...project,
    levels: [
      { id: 'hall', name: 'hall', lux: null },
      { id: 'desk', name: 'desk', lux: null },
    ],
  });

  it('keeps the LDR’s resistance: from lux to names, to lux again', () => {
    expect(scaleOf(project)).toBe('lux');
    expect(scaleOf(named)).toBe('ohms');
    expect(ohmsAtGoal(named) / ohmsAtGoal(project)).toBeCloseTo(1, 1);
    const lit = putLevel({ id: 'desk', name: 'desk', lux: 300 })(
      putLevel({ id: 'hall', name: 'hall', lux: 12 })(named),
    );
    expect(scaleOf(lit)).toBe('lux');
    expect(ohmsAtGoal(lit) / ohmsAtGoal(named)).toBeCloseTo(1, 2);
  });

  it('keeps it from a ladder to lux too, wherever it was', () => {
    const ladder = addReadings(
      [0.25, 0.5, 1, 2].map((metres, index) => ({
        id: `r${index}`,
        light: rung(metres),
        ohms: 2000 * 2.64 ** index,
      })),
    )(project);
    expect(scaleOf(ladder)).toBe('relative');
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 30, noNaN: true }), (light) => {
        const goal = changeGoal({ lux: light })(ladder);
        const anchored = addReading({ id: 'lux', light: lux(60), ohms: 2000 * 2.64 ** 2 })(goal);
        expect(scaleOf(anchored)).toBe('lux');
        expect(ohmsAtGoal(anchored) / ohmsAtGoal(goal)).toBeCloseTo(1, 1);
      }),
      { numRuns: 30 },
    );
  });
});

describe('every other light of a design when the readings come onto another scale', () => {
  it('is where the LDR has the resistance that it had: steps, a beam, its own, those of the divider and the bench', () => {
    const ladder = sampleNamed('Drying rack meter');
    const full: Project = {
      ...ladder,
      beam: { ambientLux: 300, beamLux: 900 },
      feedbackLux: 50,
      divider: { ...ladder.divider, lights: { darkLux: 20, brightLux: 4000 } },
      check: { ...ladder.check, darkLux: 5, brightLux: 800 },
    };
    const lightsOf = ({ goal, detector, beam, feedbackLux, divider, check }: Project) => [
      goal.lux,
      ...('stepLux' in detector ? detector.stepLux : []),
      ...(beam ? [beam.ambientLux, beam.ambientLux + beam.beamLux] : []),
      goal.lux + feedbackLux,
      ...(divider.lights ? [divider.lights.darkLux, divider.lights.brightLux] : []),
      ...[check.darkLux ?? 1, check.brightLux ?? 1],
    ];
    const readings = full.readings.map((reading, index) => ({
      ...reading,
      light: { kind: 'level', level: index < 2 ? 'hall' : 'yard' } as const,
    }));
    const levels = ['hall', 'yard'].map((id) => ({ id, name: id, lux: null }));
    const named = changeMeasurement({ levels, readings })(full);
    expect(measuredLdr(named).resolved.scale).toBe('ohms');
    expect(checkProject(named).ok).toBe(true);
    const [before, after] = [full, named].map((project) => measuredLdr(project).model.curve);
    if (!before || !after) throw new Error('no curve');
    const [was, is] = [lightsOf(full), lightsOf(named)];
    expect(is).toHaveLength(was.length);
    was.forEach((light, index) =>
      expect(Math.abs(Math.log(ldrOhmsAt(after, is[index] ?? 1) / ldrOhmsAt(before, light)))).toBeLessThan(
        0.03,
      ),
    );
  });
});

describe('readings at one and the same light', () => {
  it('are grouped in the order in which they came, with their scatter', () => {
    const groups = repeatsOf(
      measurementOf([
        readingOf('a', lux(10), 1000),
        readingOf('b', rung(0.5), 500),
        readingOf('c', lux(10), 1100),
        readingOf('d', rung(0.5, 1), 700),
        readingOf('e', lux(10), 5e6, { above: true }),
        readingOf('f', lux(10), 90, { setAside: true }),
      ]),
    );
    expect(groups.map(({ indices }) => indices)).toEqual([[0, 2, 4, 5], [1], [3]]);
    expect(groups[0]?.scatter).toBeCloseTo(Math.abs(Math.log(1.1)) / Math.SQRT2, 9);
    expect(groups[1]?.scatter).toBeNull();
  });

  it('do not scatter more for being told in another order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 100, max: 1e6, noNaN: true }), { minLength: 2, maxLength: 8 }),
        (values) => {
          const scatterOf = (ohms: readonly number[]) =>
            repeatsOf(measurementOf(ohms.map((value, index) => readingOf(`r${index}`, lux(5), value))))[0]
              ?.scatter ?? NaN;
          expect(scatterOf([...values].reverse())).toBeCloseTo(scatterOf(values), 9);
          expect(scatterOf(values)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

describe('goals without light figures', () => {
  it('stand at each reading and midway between neighbours, from the darkest on', () => {
    const level = (name: string): ReadingLight => ({ kind: 'level', level: name });
    const goals = namedGoals(
      measurementOf([
        readingOf('a', level('desk'), 1000),
        readingOf('b', level('hall'), 90_000),
        readingOf('c', level('covered'), 2e6, { above: true }),
        readingOf('d', level('desk'), 1000),
        readingOf('e', level('odd'), 7, { setAside: true }),
      ]),
    );
    expect(goals.map(({ ohms }) => ohms)).toEqual([90_000, 9490, 1000, 1000]);
    expect(goals[1]).toEqual({ ohms: 9490, light: level('hall'), midwayTo: level('desk') });
  });
});

describe('the scatter of repeats', () => {
  it('is pooled over the lights that were read twice', () => {
    const twice = (at: number, ratio: number) => [
      readingOf(`${at}a`, lux(at), 1000 * ratio),
      readingOf(`${at}b`, lux(at), 1000 / ratio),
    ];
    expect(repeatScatter(measurementOf([readingOf('a', lux(1), 5)]))).toBeNull();
    const pooled = repeatScatter(
      measurementOf([...twice(1, 1.1), ...twice(5, 1.02), readingOf('z', lux(9), 5)]),
    );
    const [wide, narrow] = [Math.log(1.1) * Math.SQRT2, Math.log(1.02) * Math.SQRT2];
    expect(pooled?.lights).toBe(2);
    expect(pooled?.scatter).toBeCloseTo(Math.hypot(wide, narrow) / Math.SQRT2, 9);
  });
});
