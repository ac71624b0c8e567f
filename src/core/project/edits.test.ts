import { describe, expect, it } from 'vitest';
import { loadKinds } from '../loads/kinds';
import { defaultLoads } from '../loads/registry';
import { defaultSource } from '../loads/supply';
import { defaultTransistor as defaultPart } from '../drivers/registry';
import * as edits from './edits';
import { addReading, changeReading, chooseMeter, deleteReading, setReadingAside } from './readingEdits';
import { newProject } from './newProject';
import { LIMITS, type Project, checkProject } from './project';
import { sampleProjects } from './samples';
const project = newProject('n', 'N');
const withReadings = edits.together(
  addReading({ id: 'a', light: { kind: 'lux', lux: 10 }, ohms: 12_000 }),
  addReading({ id: 'b', light: { kind: 'lux', lux: 100 }, ohms: 2400 }),
)(project);

describe('edits', () => {
  it('make a new project and leave the old one as it was', () => {
    const before = structuredClone(withReadings);
    const all: readonly edits.Edit[] = [
      edits.rename('M'),
      addReading({ id: 'c', light: { kind: 'lux', lux: 1 }, ohms: 50_000 }),
      changeReading('a', { ohms: 11_000 }),
      deleteReading('b'),
      setReadingAside('a', true),
      chooseMeter(null),
      edits.changeGoal({ lux: 5 }),
      edits.changeDivider({ fixedOhms: 1000 }),
      edits.swapLdrSide,
      edits.changeBaseResistor(470),
      edits.changeLoad({ wantedAmps: 0.002 }),
      edits.chooseLed('blue'),
      edits.takeTransistor(defaultPart('nmos')),
      edits.changeDriver({ place: 'emitter' }),
      edits.driveDirectly(true),
      ...loadKinds.map((kind) => edits.addLoad(defaultLoads[kind])),
      edits.takeLoad(defaultLoads.relay),
      edits.takeSource(defaultSource('battery', 6).source, 6),
      edits.changeLoadSupply({ volts: 12, source: defaultSource('adapter', 12).source, commonGround: true }),
      edits.changeDarkShare(0.3),
    ];
    for (const edit of all) {
      const outputStage = edit(withReadings);
      expect(outputStage).not.toEqual(before);
      expect(checkProject(outputStage).ok).toBe(true);
      expect(withReadings).toEqual(before);
    }
  });

  it('change only the reading they name', () => {
    const outputStage = changeReading('a', { light: { kind: 'lux', lux: 12 } })(withReadings);
    expect(outputStage.readings).toEqual([
      { ...withReadings.readings[0], light: { kind: 'lux', lux: 12 } },
      withReadings.readings[1],
    ]);
    expect(deleteReading('a')(withReadings).readings.map((reading) => reading.id)).toEqual(['b']);
  });

  it('take an LED’s usual figures with its kind, and keep them for an own one', () => {
    const blue = edits.chooseLed('blue')(project);
    expect(blue.loads[0]).toMatchObject({ led: 'blue', forwardVolts: 3, atAmps: 0.01 });
    expect(edits.chooseLed('own')(blue).loads[0]).toMatchObject({
      led: 'own',
      forwardVolts: 3,
      atAmps: 0.01,
    });
  });

  it('keep one load at least and six at most', () => {
    expect(edits.removeLoad(0)(project)).toEqual(project);
    const six = edits.together(...Array.from({ length: 8 }, () => edits.addLoad(defaultLoads.lamp)))(project);
    expect(six.loads).toHaveLength(6);
    expect(edits.removeLoad(0)(six).loads).toEqual(six.loads.slice(1));
  });

  it('drive directly only from the side where the LDR’s current reaches the base, and never a gate', () => {
    expect(edits.driveDirectly(true)(project).divider).toMatchObject({ isDirect: true, ldrSide: 'top' });
    const pnp = edits.takeTransistor(defaultPart('pnp'))(edits.driveDirectly(true)(project));
    expect(pnp.divider).toMatchObject({ isDirect: true, ldrSide: 'bottom' });
    expect(edits.takeTransistor(defaultPart('nmos'))(pnp).divider.isDirect).toBe(false);
  });

  it('keep the goal’s lights to what can be typed, whatever they follow from', () => {
    const { goal } = edits.changeGoal({ lux: 1e-30, offLux: 1e30 })(project);
    expect(goal).toMatchObject({ lux: LIMITS.light.min, offLux: LIMITS.light.max });
    expect(edits.changeGoal({ offLux: null })(project).goal.offLux).toBeNull();
  });

  it('swap the LDR there and back', () => {
    expect(edits.swapLdrSide(edits.swapLdrSide(project))).toEqual(project);
  });
});

describe('the schema', () => {
  it('takes every sample and a new project', () => {
    for (const valid of [...sampleProjects, project, withReadings]) expect(checkProject(valid).ok).toBe(true);
  });

  const bounds: readonly (readonly [string, { min: number; max: number }, (value: number) => Project])[] = [
    ['goal.lux', LIMITS.light, (lux) => ({ ...project, goal: { ...project.goal, lux } })],
    [
      'divider.supplyVolts',
      LIMITS.supplyVolts,
      (supplyVolts) => edits.changeDivider({ supplyVolts })(project),
    ],
    ['divider.fixedOhms', LIMITS.fixedOhms, (fixedOhms) => edits.changeDivider({ fixedOhms })(project)],
    ['driver.baseOhms', LIMITS.baseOhms, (baseOhms) => edits.changeBaseResistor(baseOhms)(project)],
    [
      'loads[0].forwardVolts',
      LIMITS.load.forwardVolts,
      (forwardVolts) => edits.changeLoad({ forwardVolts })(project),
    ],
    ['loads[0].atAmps', LIMITS.load.ratedAmps, (atAmps) => edits.changeLoad({ atAmps })(project)],
    ['loads[0].wantedAmps', LIMITS.load.ledAmps, (wantedAmps) => edits.changeLoad({ wantedAmps })(project)],
    [
      'loads[0].seriesOhms',
      LIMITS.load.seriesOhms,
      (seriesOhms) => edits.changeLoad({ seriesOhms })(project),
    ],
    [
      'readings[0].ohms',
      LIMITS.readingOhms,
      (ohms) => addReading({ id: 'a', light: { kind: 'lux', lux: 1 }, ohms })(project),
    ],
  ];
  it.each(bounds)('holds %s to its limits', (path, { min, max }, make) => {
    expect(checkProject(make(min)).ok).toBe(true);
    expect(checkProject(make(max)).ok).toBe(true);
    for (const bad of [min * 0.99, max * 1.01, NaN, Infinity, -1]) {
      expect(checkProject(make(bad))).toEqual({ ok: false, reason: 'damaged', path });
    }
  });
});
