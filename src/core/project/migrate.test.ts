import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { defaultTimer } from '../parts/kinds/timer';
import { NEW_LDR } from '../readings/ldrPart';
import { DEFAULT_STOCK } from '../series/stock';
import { ON_THE_BENCH } from './built/siting';
import { NOT_BUILT } from './built/buildSettings';
import { NOT_CHECKED } from './built/checkSettings';
import { readProjectFile } from './file';
import { migrateProject, PROJECT_VERSION } from './migrate';
import { PLAIN_DRIVER, PLAIN_SUPPLY } from './newProject';
import { sampleProjects } from './samples';
import { sampleNamed } from './testSamples';
import { addVariant } from './variants';
import { recordIn } from '../testRecord';

const stored = readFileSync(new URL('fixtures/version1.json', import.meta.url), 'utf8');

describe('projects of older versions', () => {
  it('are read as what they were: version 1, as a file of that time stands', () => {
    const read = readProjectFile(stored);
    const today = sampleProjects.find((project) => project.id === 'sample-larder-telltale');
    expect(read).toEqual({
      ok: true,
      project: { ...today, meter: null, part: NEW_LDR, resistors: DEFAULT_STOCK },
      logs: [],
    });
  });

  it('are read as what they were: version 2, with a meter, an overrange reading and one set aside', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version2.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.meter).toBe('manual-2000');
    expect(
      read.project.readings.map(({ light, ohms, above, setAside }) => [light, ohms, above, setAside]),
    ).toEqual([
      [{ kind: 'lux', lux: 0.05 }, 2e7, true, false],
      [{ kind: 'lux', lux: 8 }, 15_900, false, false],
      [{ kind: 'lux', lux: 90 }, 3120, false, true],
    ]);
    expect(read.project).toMatchObject({ part: NEW_LDR, lightTolerance: 0, levels: [], plan: [], bag: null });
  });

  it('are read as what they were: version 3, with a named level, a lamp and a plan', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version3.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project).toMatchObject({
      levels: [{ id: 'hall', name: 'hall, evening', lux: 40 }],
      plan: [{ kind: 'lamp', metres: 0.5, layers: 1 }],
      divider: {
        fixedOhms: 1300,
        trimmer: null,
        ldrParallelOhms: null,
        ldrSeriesOhms: null,
        lights: null,
        ambientCelsius: 25,
      },
      resistors: DEFAULT_STOCK,
      midpoints: [],
    });
    expect(read.project.readings.at(-1)).toMatchObject({ above: true, rangeOhms: 2e7 });
  });

  it('are read as what they were: version 4, with one NPN and one LED baked in', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version4.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project).toMatchObject({
      divider: { trimmer: { trackOhms: 5000, endOhms: 470 }, ldrSeriesOhms: 100, isDirect: false },
      driver: { ...PLAIN_DRIVER, baseOhms: 470 },
      loads: [{ kind: 'led', wantedAmps: 0.008, seriesOhms: 390, inSeries: 1, strings: 1 }],
      ...PLAIN_SUPPLY,
      midpoints: [{ volts: 0.61 }],
    });
  });

  it('are read as what they were: version 5, where the transistor always decides', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version5.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    const today = sampleProjects.find((project) => project.id === 'sample-hedgehog-hut');
    // It had other names and was meant for a little more light then.
    const { id, name, part } = read.project;
    expect(read.project).toEqual({ ...today, id, name, part, goal: { ...today?.goal, lux: 6 } });
  });

  it('are read as what they were: version 6, with three variants, a one-shot, six loads and a supply of their own', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version6.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project).toMatchObject({
      variant: 'C',
      detector: { kind: 'controller', minOnSeconds: 10, maxPinAmps: 0.02 },
      driver: { kind: 'nmos', part: { name: 'Own FET', minThresholdVolts: 0.9, maxGateVolts: 20 } },
      outputStage: { kind: 'direct' },
      feedbackLux: 700,
      part: { maxVolts: 100, maxWatts: 0.05 },
      loadSupply: { volts: 9, commonGround: false, source: { kind: 'ideal' } },
    });
    expect(read.project.loads.map(({ kind }) => kind)).toEqual([
      'led',
      'buzzer',
      'relay',
      'module',
      'lamp',
      'motor',
    ]);
    expect(
      read.project.others.map(({ circuit }) => [circuit.detector.kind, circuit.outputStage.kind]),
    ).toEqual([
      ['comparator', 'one-shot'],
      ['timer', 'one-shot'],
    ]);
  });

  it('can be brought forward one version only', () => {
    const old = recordIn(JSON.parse(stored));
    const second = migrateProject(old.project, 1, 2);
    expect(second).toMatchObject({ meter: null });
    expect(second).not.toHaveProperty('part');
    expect(migrateProject(second, 2)).toEqual(migrateProject(old.project, 1));
  });

  it('are left alone at the present version', () => {
    expect(migrateProject(sampleProjects[0], PROJECT_VERSION)).toEqual(sampleProjects[0]);
  });

  it('are read as what they were: version 7, whole as it is today', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version7.json', import.meta.url), 'utf8'));
    const today = sampleProjects.find((project) => project.name === 'Seedling shelf');
    expect(read).toEqual({ ok: true, project: today, logs: [] });
  });

  it('are read as what they were: version 8, without trusted readings', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version8.json', import.meta.url), 'utf8'));
    const today = sampleProjects.find((project) => project.name === 'Seedling shelf');
    expect(read).toEqual({ ok: true, project: today, logs: [] });
  });

  it('are read as what they were: version 9, whose relays switch by themselves', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version9.json', import.meta.url), 'utf8'));
    const today = sampleProjects.find((project) => project.name === 'Seedling shelf');
    expect(read).toEqual({ ok: true, project: today, logs: [] });
  });

  it('are read as what they were: version 10, of which nothing was built yet', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version10.json', import.meta.url), 'utf8'));
    const today = sampleProjects.find((project) => project.name === 'Drying rack meter');
    expect(read).toEqual({ ok: true, project: today && addVariant()(today), logs: [] });
    expect(today?.build).toEqual(NOT_BUILT);
  });

  it('are read as what they were: version 11, of which nothing was measured yet', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version11.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.build).toEqual({ ...NOT_BUILT, ticked: ['R1'], copies: 2 });
    expect([read.project.check, read.project.others[0]?.circuit.check]).toEqual([NOT_CHECKED, NOT_CHECKED]);
  });

  it('are read as what they were: version 12, on the bench and not yet in its place', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version12.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.build).toEqual({ ...NOT_BUILT, ticked: ['R1'], copies: 2 });
    expect(read.project.others[0]?.circuit.build.siting).toEqual(ON_THE_BENCH);
    expect(read.project.loads).toMatchObject([{ kind: 'led', maxAmps: null }]);
  });

  it('are read as what they were: version 13, whose windows and ladders had no band', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version13.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.detector).toMatchObject({ kind: 'ladder', hysteresis: null });
    expect(read.project.others[0]?.circuit.detector).toMatchObject({ kind: 'window', hysteresis: null });
  });

  it('are read as what they were: version 14, whose ladders drove their loads direct', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version14.json', import.meta.url), 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.detector).toMatchObject({
      ...{ kind: 'ladder', hysteresis: { ratio: 1.3 }, pullUpOhms: 10_000 },
      output: { to: 'load', loadRail: 'supply' },
    });
  });

  it('are read as what they were: version 15, whose one-shots were all of one timer IC', () => {
    const read = readProjectFile(readFileSync(new URL('fixtures/version15.json', import.meta.url), 'utf8'));
    const today = sampleProjects.find((project) => project.name === 'Marble gate');
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(read.project.outputStage).toEqual({
      ...{ kind: 'one-shot', part: defaultTimer },
      ...{ ohms: 33_000, farads: 2.2e-6 },
    });
    expect(read.project.others[0]?.circuit.outputStage).toEqual(today?.outputStage);
  });

  it('have a ladder’s goal at the first of its steps, wherever it was dragged', () => {
    const ladder = sampleNamed('Drying rack meter');
    const dragged = { ...ladder, goal: { ...ladder.goal, lux: 77 } };
    expect(migrateProject(dragged, 15)).toEqual(ladder);
    const dark = { ...dragged, detector: { ...ladder.detector, moreIn: 'dark' } };
    expect(migrateProject(dark, 15)).toMatchObject({ goal: { lux: 45_000 } });
  });

  it('never make something valid of what is not', () => {
    for (const broken of [null, 5, [], { readings: 'none' }, { readings: [null, 3] }]) {
      const file = JSON.stringify({ format: 'yemko-project', version: 1, savedAt: '', project: broken });
      expect(readProjectFile(file)).toMatchObject({ ok: false, reason: 'damaged' });
    }
  });
});
