import isEqual from 'fast-deep-equal/es6/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse } from '../../design';
import { cannotsOf, someProject } from '../../advise/testProjects';
import { defaultLoads } from '../../loads/registry';
import { checkProject, type Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { sampleNamed } from '../../project/testSamples';
import { chooseDetector } from '../../size/chooseDetector';
import { changeEdgeBand } from '../../size/edgeBand';
import { changeDetector } from '../../project/detectorEdits';
import { runs } from '../../testRuns';
import { machineOf, type Machine } from '../machine';
import { burstsOf } from './bursts';
import { cureEdit, curesOfDay } from './cureDay';
import { dayLight } from './dayLight';
import { dayReport } from './dayReport';
import { DEFAULT_DAY, isDate, weathers, type DaySettings } from './daySettings';
import { clouds, headlights } from './disturbances';
import { goalAtTime, luxAtTime } from './goalByTime';
import { hoursAtLight, hoursBetween } from './hours';
import { lightOfLog, trackOf } from './recorded';
import { rippleShareLeft } from './rippleLeft';
import { runTrack } from './runDay';
import { clearLight } from './sky';
import { yearOf } from './year';

const platform = sampleNamed('Platform lamps');
const quiet: DaySettings = { ...DEFAULT_DAY, weather: 'clear' };

function machineFor(project: Project): Machine {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return machineOf(project, analysis.design);
}

function reportOf(project: Project, day: DaySettings) {
  const found = dayReport(project, { day, track: null });
  if (!found.ok) throw new Error(found.reason);
  return found.report;
}

describe('the light of a day', () => {
  it('is the same for the same seed, and another for another', () => {
    const day: DaySettings = { ...DEFAULT_DAY, leaves: true, headlights: 10 };
    const [one, again, other] = [dayLight(day), dayLight(day), dayLight({ ...day, seed: 2 })];
    expect(isEqual(again, one)).toBe(true);
    expect(isEqual(other.lux, one.lux)).toBe(false);
  });

  it('goes on in time and is never less than nothing, in any place, weather and season', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom(...weathers),
        fc.constantFrom('outdoors' as const, 'window' as const),
        (latitude, longitude, month, weather, spot) => {
          const date = `2026-${String(month).padStart(2, '0')}-15`;
          const { seconds, lux } = dayLight({
            ...DEFAULT_DAY,
            latitude,
            longitude,
            date,
            weather,
            spot,
            leaves: true,
          });
          expect(seconds.every((time, index) => index === 0 || time > seconds[index - 1]!)).toBe(true);
          expect(lux.every((light) => light > 0 && light < 200_000)).toBe(true);
        },
      ),
      { numRuns: runs(60), seed: 3 },
    );
  });

  it('is darker under clouds than under a clear sky, and brightest where the window looks at the sun', () => {
    const noon = 11.4 * 3600;
    const { lux, seconds } = dayLight({ ...DEFAULT_DAY, weather: 'broken' });
    const tooBright = [...seconds.entries()].filter(([index, time]) => {
      const { sun, sky } = clearLight(DEFAULT_DAY, time);
      return !(lux[index]! < (sun + sky) * 1.05 + 0.01);
    });
    expect(tooBright).toEqual([]);
    const facing = (degrees: number) => clearLight({ ...DEFAULT_DAY, facing: degrees }, noon).sun;
    expect(facing(180)).toBeGreaterThan(1.3 * facing(90));
    expect(facing(0)).toBe(0);
  });

  it('has clouds and cars as the physics says they are', () => {
    for (const { from, fullFrom, fullTo, to, depth } of clouds(7)) {
      expect(fullFrom - from).toBeGreaterThanOrEqual(2);
      expect(to - fullTo).toBeLessThanOrEqual(20);
      expect(depth).toBeGreaterThanOrEqual(0.5);
      expect(depth).toBeLessThanOrEqual(0.85);
    }
    const cars = headlights(7, 30);
    expect(cars.length).toBeGreaterThan(24 * 30 * 0.7);
    for (const { from, to, depth } of cars) {
      expect(to - from).toBeGreaterThanOrEqual(2);
      expect(to - from).toBeLessThanOrEqual(6);
      expect(depth).toBeGreaterThanOrEqual(5);
      expect(depth).toBeLessThanOrEqual(50);
    }
    expect(headlights(7, 0)).toEqual([]);
  });

  it('knows the days of the calendar', () => {
    expect(isDate('2028-02-29')).toBe(true);
    for (const wrong of ['2026-02-29', '2026-13-01', '', '26-1-1', '1800-01-01'])
      expect(isDate(wrong)).toBe(false);
  });
});

describe('a design through a day', () => {
  it('turns on and off once on a clear day, at its own lights', () => {
    const report = reportOf(platform, quiet);
    const analysis = analyse(platform);
    if (!analysis.ok || !analysis.design.half.ok) throw new Error('no design');
    const { lux } = analysis.design.half;
    expect(report.switchedAt.length).toBe(2);
    expect(report.startsOn).toBe(true);
    for (const light of report.switchedLux) expect(light / lux).toBeCloseTo(1, 2);
    expect(report.bursts).toEqual([]);
    expect(report.onSeconds + (report.switchedAt[1]! - report.switchedAt[0]!)).toBeCloseTo(86_400, 3);
  });

  it('has as many switchings as it says, on and off by turns, and never shorter than it is', () => {
    for (const sample of sampleProjects) {
      const { switchedAt, wholeSeconds, onSeconds } = reportOf(sample, DEFAULT_DAY);
      expect(wholeSeconds).toBe(86_400);
      expect(onSeconds).toBeLessThanOrEqual(86_400.001);
      expect(switchedAt.every((time, index) => index === 0 || time >= switchedAt[index - 1]!)).toBe(true);
    }
  });

  it('names leaves where it chatters under them, and nothing where it is quiet', () => {
    const plain = { ...chooseDetector('comparator')(platform), feedbackLux: 0 };
    const windy: DaySettings = { ...quiet, leaves: true, shade: 0.995, seed: 4 };
    const { bursts } = reportOf(plain, windy);
    expect(bursts.length).toBeGreaterThan(0);
    expect(bursts.every(({ cause }) => cause === 'leaves')).toBe(true);
    expect(reportOf(plain, { ...windy, leaves: false }).bursts).toEqual([]);
  });

  it('names its own light where that makes it blink', () => {
    const own = { ...chooseDetector('comparator')(platform), feedbackLux: 40 };
    const { bursts } = reportOf(own, quiet);
    expect(bursts[0]?.cause).toBe('own-light');
  });

  it('names a lamp’s ripple where it reaches over both thresholds, and not once they lie apart', () => {
    const plain = { ...chooseDetector('comparator')(platform), feedbackLux: 0 };
    const lamp = { fromMinutes: 1200, toMinutes: 1380, lux: 65.5, rippleShare: 1 };
    const bursts = reportOf(plain, { ...quiet, lamps: [lamp] }).bursts;
    expect(bursts.some(({ cause }) => cause === 'ripple')).toBe(true);
    expect(rippleShareLeft(1, 100, 0.04)).toBeCloseTo(1 / Math.hypot(1, 2 * Math.PI * 4), 9);
  });

  it('is cured by the least hysteresis that leaves it quiet, tried with real parts', () => {
    const plain = { ...chooseDetector('comparator')(platform), feedbackLux: 0 };
    const windy: DaySettings = { ...quiet, leaves: true, shade: 0.995, seed: 4 };
    const cures = curesOfDay(plain, windy);
    expect(cures[0]?.bursts).toBe(0);
    const [first] = cures;
    if (!first) throw new Error('no cure');
    const { cure, project } = first;
    expect(reportOf(cureEdit(cure)(plain), windy).bursts).toEqual([]);
    expect(project.goal.lux).toBe(plain.goal.lux);
    expect(curesOfDay(project, windy)).toEqual([]);
  });

  it.each(['window', 'ladder'] as const)('is cured by a band at each edge of a %s', (kind) => {
    const plain = changeEdgeBand(null)({ ...chooseDetector(kind)(platform), feedbackLux: 0 });
    const windy: DaySettings = { ...quiet, leaves: true, shade: 0.9, seed: 4 };
    const before = reportOf(plain, windy).bursts.length;
    expect(before).toBeGreaterThan(0);
    const [found] = curesOfDay(plain, windy);
    expect(found?.cure.kind).toBe('edge-band');
    expect(found?.bursts).toBeLessThan(before);
    if (!found) throw new Error('no cure');
    expect(reportOf(cureEdit(found.cure)(plain), windy).bursts).toHaveLength(found.bursts);
    // A narrower one than that which is there is none.
    for (const { cure } of curesOfDay(found.project, windy))
      if (cure.kind === 'edge-band' && found.cure.kind === 'edge-band')
        expect(cure.ratio).toBeGreaterThan(found.cure.ratio);
  });

  it('is cured in its program by averaging, a delay or two lights further apart', () => {
    const base = { ...chooseDetector('controller')(platform), feedbackLux: 0 };
    const hasty = changeDetector('controller', { samples: 1, minOnSeconds: 0 })(base);
    const windy: DaySettings = { ...quiet, leaves: true, shade: 0.995, seed: 4 };
    const before = reportOf(hasty, windy).bursts.length;
    expect(before).toBeGreaterThan(0);
    const cures = curesOfDay(hasty, windy);
    expect(cures.length).toBeGreaterThan(0);
    for (const { bursts } of cures) expect(bursts).toBeLessThan(before);
  });

  it('is cured by a program in the place of what no band makes quiet', () => {
    const project = someProject(30);
    const cures = curesOfDay(project, { ...quiet, headlights: 8, seed: 30 });
    expect(project.detector.kind).toBe('transistor');
    expect(
      cures.map(({ cure, bursts }) => [cure.kind, 'isReplaced' in cure && cure.isReplaced, bursts]),
    ).toEqual([
      ['averaging', true, 0],
      ['min-on', true, 0],
    ]);
    for (const { project: cured } of cures) expect(cured.detector.kind).toBe('controller');
  });

  it('is cured by nothing that cannot work, and left with less chatter by each, in any project', () => {
    const days = [DEFAULT_DAY, { ...quiet, leaves: true, shade: 0.98 }, { ...quiet, headlights: 8 }];
    let offered = 0;
    for (let seed = 1; seed <= runs(400, 200, 3); seed++) {
      const project = someProject(seed);
      const day: DaySettings = { ...days[seed % days.length]!, seed };
      const found = dayReport(project, { day, track: null });
      // A ripple is judged besides, and stays what it is.
      if (!found.ok || found.report.bursts.length === 0) continue;
      const before = cannotsOf(project);
      for (const { cure, bursts, project: cured } of curesOfDay(project, day)) {
        offered += 1;
        const taken = cureEdit(cure)(project);
        expect(taken).toEqual(cured);
        expect(checkProject(taken).ok).toBe(true);
        expect(taken.goal.lux).toBe(project.goal.lux);
        const then = dayReport(taken, { day, track: null });
        expect(then.ok && then.report.bursts.length).toBe(bursts);
        expect(bursts).toBeLessThan(found.report.bursts.length);
        for (const [code, count] of cannotsOf(taken))
          expect(count, `${seed} ${cure.kind} ${code}`).toBeLessThanOrEqual(before.get(code) ?? 0);
      }
    }
    expect(offered).toBeGreaterThan(0);
  });

  it('counts the steps of a ladder, and chatters only where it goes to and fro over the same one', () => {
    const ladder = sampleNamed('Drying rack meter');
    const clear = reportOf(ladder, quiet);
    expect(clear.stepMoves).toBeGreaterThan(2);
    expect(clear.bursts).toEqual([]);
    const windy = reportOf(ladder, { ...quiet, leaves: true, seed: 4 });
    expect(windy.stepMoves!).toBeGreaterThan(clear.stepMoves!);
    expect(windy.bursts.length).toBeGreaterThan(0);
    expect(reportOf(platform, quiet).stepMoves).toBeNull();
  });

  it('counts what loads take beside the circuit, idle and on', () => {
    const [supply] = reportOf(platform, quiet).coulombs;
    const module = { ...defaultLoads.module, idleAmps: 0, onAmps: 0 };
    const bare = { ...platform, loads: [module] };
    const own = { ...platform, loads: [{ ...module, idleAmps: 0.002, onAmps: 0.07 }] };
    const [without, withIt] = [reportOf(bare, quiet), reportOf(own, quiet)];
    const more = 0.07 * without.onSeconds + 0.002 * (86_400 - without.onSeconds);
    expect((withIt.coulombs.at(-1)! - without.coulombs.at(-1)!) / more).toBeCloseTo(1, 6);
    expect(supply).toBeGreaterThan(0);
  });

  it('counts what each module of a ladder takes for as long as that one is on', () => {
    const rack = sampleNamed('Drying rack meter');
    const module = { ...defaultLoads.module, idleAmps: 0, onAmps: 0 };
    const reportWith = (load: typeof module) => reportOf({ ...rack, loads: [load] }, quiet);
    const without = reportWith(module);
    const added = (idleAmps: number, onAmps: number) =>
      reportWith({ ...module, idleAmps, onAmps }).coulombs.at(-1)! - without.coulombs.at(-1)!;
    const steps = without.contactMoves.length;
    expect(steps).toBe(5);
    // Five that are idle all day; on, the first is so for longest and the others for less.
    expect(added(0.002, 0.002) / (5 * 0.002 * without.wholeSeconds)).toBeCloseTo(1, 6);
    expect(added(0, 0.07)).toBeGreaterThan(1.2 * 0.07 * without.onSeconds);
    expect(added(0, 0.07)).toBeLessThan(5 * 0.07 * without.onSeconds);
  });

  it('is meant for a time of the clock as well as for a light', () => {
    const moved = goalAtTime(quiet, 18 * 60)(platform);
    expect(moved.goal.lux / luxAtTime(quiet, 18 * 60)).toBeCloseTo(1, 2);
    const { switchedAt } = reportOf(moved, quiet);
    expect(Math.abs(switchedAt[1]! / 3600 - 18)).toBeLessThan(0.1);
  });
});

describe('how long a day the light is where', () => {
  it('makes the whole day, most of it dark in winter', () => {
    const range = { minLux: 0.1, maxLux: 100_000 };
    const hours = (date: string) => hoursAtLight(dayLight({ ...quiet, date }), range, 24);
    const winter = hours('2026-12-21');
    expect(winter.reduce((sum, one) => sum + one.hours, 0)).toBeCloseTo(24, 6);
    expect(winter[0]!.hours).toBeGreaterThan(hours('2026-06-21')[0]!.hours + 4);
    expect(winter.at(-1)!.toLux).toBeCloseTo(100_000, 3);
  });

  it('is told between any two lights as if gone through second by second', () => {
    const track = dayLight({ ...DEFAULT_DAY, weather: 'broken' });
    const { seconds, lux } = track;
    // Every second of the day, its light by the logarithm between two moments.
    let after = 1;
    const each = Float64Array.from({ length: 86_400 }, (_, second) => {
      while (after < seconds.length - 1 && seconds[after]! <= second + 0.5) after++;
      const [from, to] = [seconds[after - 1]!, seconds[after]!];
      return lux[after - 1]! * (lux[after]! / lux[after - 1]!) ** ((second + 0.5 - from) / (to - from));
    });
    for (const [from, to] of [
      [0, 20],
      [20, 60],
      [3000, 3200],
      [500, Infinity],
      [0, Infinity],
    ] as const) {
      const counted = each.filter((light) => light >= from && light < to).length / 3600;
      expect(Math.abs(hoursBetween(track, from, to) - counted)).toBeLessThan(0.01);
    }
  });
});

describe('chatter', () => {
  it('is four switchings or more, each within two minutes of the last', () => {
    expect(burstsOf([1, 2, 3])).toEqual([]);
    expect(burstsOf([1, 2, 3, 4, 150, 300])).toEqual([{ from: 1, to: 4, count: 4, cause: null }]);
    expect(burstsOf([0, 130, 260, 390])).toEqual([]);
  });
});

describe('a year', () => {
  it('has a day for each of its days, polar day and night among them said', () => {
    const lights = { onLux: 20, offLux: 40, isOnInDark: true };
    const here = yearOf({ ...quiet, spot: 'outdoors', shade: 0 }, lights, 10);
    for (const { clear, overcast } of here) {
      expect(clear.stays).toBeNull();
      // Under clouds it turns on earlier and off later.
      expect(overcast.on!).toBeLessThanOrEqual(clear.on!);
      expect(overcast.off!).toBeGreaterThanOrEqual(clear.off!);
    }
    const north = yearOf({ ...quiet, latitude: 72, longitude: 25, spot: 'outdoors', shade: 0 }, lights, 5);
    expect(north.some(({ clear }) => clear.stays === 'off')).toBe(true);
    expect(north.some(({ clear }) => clear.stays === 'on')).toBe(true);
    expect(yearOf({ ...quiet, date: '2028-01-01' }, lights, 366)).toHaveLength(1);
  });
});

describe('a recorded light', () => {
  it('takes the place of a day’s, from its first point on', () => {
    const found = trackOf({ seconds: [100, 101, 102, 1000], lux: [500, 500, 5, 5] });
    if (!found.ok) throw new Error(found.reason);
    expect(found.gaps).toBe(1);
    const run = runTrack(machineFor(platform), found.track);
    expect(run.switchedAt.length).toBe(1);
    expect(run.switchedAt[0]).toBeGreaterThan(1);
    expect(run.wholeSeconds).toBe(900);
  });

  it('is refused with a reason where there is none, or its time goes back', () => {
    expect(trackOf({ seconds: [], lux: [] })).toEqual({ ok: false, reason: 'empty' });
    expect(trackOf({ seconds: [5], lux: [1] })).toEqual({ ok: false, reason: 'too-short' });
    expect(trackOf({ seconds: [1, 3, 2], lux: [1, 1, 1] })).toEqual({
      ok: false,
      reason: 'backward',
      index: 2,
    });
    expect(trackOf({ seconds: [1, NaN, 2], lux: [1, 1, 1] })).toMatchObject({ reason: 'backward' });
  });

  it('comes from a log of resistances by the LDR’s curve', () => {
    const { curve } = machineFor(platform);
    const { seconds, lux } = lightOfLog(curve, [0, 1000, 2000], [702, 331, 0]);
    expect(seconds).toEqual([0, 1]);
    expect(lux[1]! / lux[0]!).toBeGreaterThan(2);
  });
});
