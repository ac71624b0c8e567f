import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { defaultDetectors, detectorDefinition } from '../detectors/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { changeDetector, changeOutputStage, takeDetector } from '../project/detectorEdits';
import { takeSource } from '../project/edits';
import { chooseDetector } from '../size/chooseDetector';
import { resized } from '../size/resize';
import { describe, expect, it } from 'vitest';
import { runs } from '../testRuns';
import { sampleProjects } from '../project/samples';
import { checkProject } from '../project/project';
import { compareIds, compareOne, inOrderOfUse, madeBy } from './compare';

describe.each(sampleProjects.map((project) => [project.name, project] as const))(
  'the ways for %s',
  (_, sample) => {
    const rows = compareIds.map((id) => compareOne(sample, id));

    it('all have a solution, keep the goal, and are whole projects', () => {
      rows.forEach((row, index) => {
        if (!row) throw new Error(`no ${compareIds[index]}`);
        expect(checkProject(row.project)).toMatchObject({ ok: true });
        expect(row.project.goal.lux).toBe(sample.goal.lux);
        expect(row.parts).toBeGreaterThan(0);
        expect(row.idleAmps).toBeGreaterThan(0);
      });
    });

    it('differ as they do: a transistor is soft, a comparator snaps, feedback has a band and a timer’s is wide', () => {
      const of = (id: (typeof compareIds)[number]) => rows[compareIds.indexOf(id)]!;
      expect(of('comparator').softBand).toBe(1);
      expect(of('comparator').shortcomings).toContain('no-band');
      expect(of('hysteresis').bandRatio).toBeGreaterThan(1.15);
      const isOneLight = detectorDefinition(sample.detector).goal.lights === 'one';
      expect(of('hysteresis').shortcomings).toEqual(isOneLight ? [] : ['different-behaviour']);
      expect(of('timer').bandRatio).toBeGreaterThan(4);
      expect(of('npn').softBand ?? Infinity).toBeGreaterThan(1.3);
      expect(Math.abs(of('comparator').perTenCelsius ?? 1)).toBeLessThan(0.001);
      expect(of('nmos').idleAmps).toBeLessThan(of('timer').idleAmps);
      for (const id of ['window', 'ladder', 'change'] as const)
        expect(of(id).shortcomings).not.toContain('not-saturated');
    });
  },
);

describe('a way that the project has already', () => {
  const own = takeDetector({
    ...defaultDetectors.timer,
    part: { ...defaultDetectors.timer.part, id: 'mine', name: 'Mine' },
  });
  const pulsed = changeOutputStage({ ...defaultOutputStages['one-shot'], ohms: 1e5 });

  it('keeps its own part; what follows a detector stays where the other may be followed too', () => {
    const project = pulsed(own(sampleProjects[0]));
    expect(madeBy(project, 'timer')).toBe(project);
    expect(madeBy(project, 'comparator').outputStage).toEqual(project.outputStage);
    expect(madeBy(project, 'npn').outputStage).toEqual({ kind: 'direct' });
  });

  it('is a comparator with and without its band', () => {
    const plain = chooseDetector('comparator')(sampleProjects[0]);
    const banded = madeBy(plain, 'hysteresis');
    expect(madeBy(plain, 'comparator')).toBe(plain);
    expect(madeBy(banded, 'hysteresis')).toBe(banded);
    expect(madeBy(banded, 'comparator').detector).toMatchObject({ feedbackOhms: null });
  });
});

describe('where a way turns on and off', () => {
  it('is told as such, whichever of the two the goal is about', () => {
    const timer = chooseDetector('timer')(sampleProjects[0]);
    for (const matters of ['on', 'off'] as const) {
      const row = compareOne(resized(changeDetector('timer', { matters })(timer)), 'timer');
      if (!row?.onLux || !row.offLux) throw new Error('no lights');
      // On in the dark: it turns off where it is brighter.
      expect(row.offLux / row.onLux).toBeGreaterThan(4);
      expect(row.goalLux).toBe(matters === 'on' ? row.onLux : row.offLux);
      expect(row.goalLux! / timer.goal.lux).toBeGreaterThan(0.8);
      expect(row.goalLux! / timer.goal.lux).toBeLessThan(1.25);
    }
  });
});

describe('the order of the rows', () => {
  it('has what cannot work last, with why', () => {
    const project = takeSource(IDEAL_SOURCE, 12)(sampleProjects[0]);
    const rows = inOrderOfUse(
      compareIds.flatMap((id) => compareOne(project, id) ?? []),
      project.goal.lux,
    );
    const controller = rows.find(({ id }) => id === 'controller');
    expect(controller?.cannot?.code).toBe('controller-supply');
    const firstBad = rows.findIndex(({ cannots }) => cannots > 0);
    expect(rows.slice(firstBad).every(({ cannots }) => cannots > 0)).toBe(true);
    expect(rows[0]?.asksOther).toBe(false);
  });

  it('has what does another job after what does this one, and never calls it without drawbacks', () => {
    let [windows, others] = [0, 0];
    for (const base of sampleProjects.slice(0, runs(4, 4, 1)))
      for (const kind of ['transistor', 'window', 'ladder', 'change'] as const) {
        const project = chooseDetector(kind)(base);
        const { lights } = detectorDefinition(project.detector).goal;
        const rows = inOrderOfUse(
          compareIds.flatMap((id) => compareOne(project, id) ?? []),
          project.goal.lux,
        );
        const isOther = (row: (typeof rows)[number]) =>
          detectorDefinition(row.project.detector).goal.lights !== lights;
        for (const row of rows)
          expect([kind, row.id, row.shortcomings.includes('different-behaviour')]).toEqual([
            kind,
            row.id,
            isOther(row),
          ]);
        const working = rows.filter(({ cannots, asksOther }) => cannots === 0 && !asksOther);
        const firstOther = working.findIndex(isOther);
        if (firstOther >= 0) expect(working.slice(firstOther).every(isOther)).toBe(true);
        if (kind === 'window' && working.some((row) => !isOther(row))) windows += 1;
        others += rows.filter(isOther).length;
      }
    expect(windows).toBeGreaterThan(0);
    expect(others).toBeGreaterThan(8);
  });
});
