import { normals } from '../numeric/random';
import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { SettlingTracker } from '../live/settling';
import { readingOf, lux, measurementOf } from '../readings/testMeasurement';
import type { Reading } from '../readings/reading';
import { runs } from '../testRuns';
import { Bench, controlsFrom, FIRST_CONTROLS, hiddenLdr } from './bench';
import { judgePractice } from './judgePractice';

/** Sets the lamp up, waits until the tracker says settled, and takes what the meters show. */
function capture(bench: Bench, lampMetres: number, index: number): Reading {
  bench.controls = { ...bench.controls, lampMetres };
  const tracker = new SettlingTracker();
  for (let at = 0; at < 60_000; at += 200) {
    bench.advance(0.2);
    const shown = bench.read();
    const sample = { at, ohms: shown.ohms, above: shown.above, rangeOhms: shown.rangeOhms, lux: shown.lux };
    if (tracker.push(sample).settled) {
      return readingOf(`r${index}`, lux(shown.lux), shown.ohms, { rangeOhms: shown.rangeOhms });
    }
  }
  throw new Error(`never settled at ${lampMetres} m`);
}

describe('the simulated bench', () => {
  it('measured at six distances gives a fit near its hidden figures, whichever LDR it hides', () => {
    let near = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const bench = new Bench(seed);
      bench.controls = { ...FIRST_CONTROLS, roomLux: 0.1 };
      const readings = [0.2, 0.35, 0.7, 1.2, 2.2, 4].map((metres, index) => capture(bench, metres, index));
      const judged = judgePractice(
        measurementOf(readings, { meter: 'manual-2000', lightTolerance: 0.05 }),
        bench.hidden.curve,
      );
      if (!judged.ok) throw new Error(judged.reason);
      if (judged.result.isNear) near += 1;
    }
    expect(near).toBeGreaterThanOrEqual(37);
  });

  it('gives the same day for the same seed', () => {
    const run = () => {
      const bench = new Bench(7);
      bench.advance(0.7);
      bench.controls = { ...bench.controls, lampOn: false };
      bench.advance(1.3);
      return bench.read();
    };
    expect(run()).toEqual(run());
    expect(hiddenLdr(7)).not.toEqual(hiddenLdr(8));
  });

  it('does not settle beside a flickering screen, and goes over range when covered', () => {
    const bench = new Bench(3);
    bench.controls = { ...bench.controls, lampOn: false, screenOn: true };
    const tracker = new SettlingTracker();
    let settled = false;
    for (let at = 0; at < 20_000; at += 200) {
      bench.advance(0.2);
      settled ||= tracker.push({ at, ...bench.read() }).settled;
    }
    expect(settled).toBe(false);
    bench.controls = { ...bench.controls, screenOn: false, covered: true, roomLux: 0, rangeOhms: 200_000 };
    bench.advance(60);
    expect(bench.read()).toMatchObject({ above: true, ohms: 200_000 });
  });

  it('is harder at dusk, and with a worn meter', () => {
    const dusk = new Bench(5);
    dusk.controls = { ...FIRST_CONTROLS, difficulty: 'dusk', lampOn: false, roomLux: 60 };
    const before = dusk.luxNow();
    for (let i = 0; i < 20; i++) dusk.advance(30);
    expect(dusk.luxNow()).toBeLessThan(before / 4);
    const worn = new Bench(5);
    const fresh = new Bench(5);
    worn.controls = { ...FIRST_CONTROLS, difficulty: 'worn-meter' };
    let off = 0;
    for (let i = 0; i < 300; i++) {
      worn.advance(1);
      fresh.advance(1);
      if (worn.read().above) off += 1;
    }
    expect(off).toBeGreaterThan(15);
    expect(off).toBeLessThan(45);
    expect(worn.read().ohms / fresh.read().ohms).toBeGreaterThan(1.03);
  });

  it('takes only controls that are what they should be', () => {
    expect(controlsFrom({ lampMetres: 1 }, FIRST_CONTROLS)).toEqual({ ...FIRST_CONTROLS, lampMetres: 1 });
    const refused: unknown[] = [
      null,
      [],
      { lampMetres: 0 },
      { lampMetres: '1' },
      { covered: 1 },
      { meter: 'x' },
      { roomLux: NaN },
      { dim: 1 },
      { rangeOhms: -1 },
    ];
    for (const change of refused) expect(controlsFrom(change, FIRST_CONTROLS)).toBeNull();
  });
});

describe('the judgement of a practice', () => {
  const { curve } = hiddenLdr(5);
  const clean = [0.5, 2, 8, 30, 120, 500].map((value, index) =>
    readingOf(`r${index}`, lux(value), ldrOhmsAt(curve, value)),
  );

  const judged = (readings: Parameters<typeof measurementOf>[0], change = {}) => {
    const found = judgePractice(measurementOf(readings, change), curve);
    if (!found.ok) throw new Error(found.reason);
    return found.result;
  };

  it('says what each reading cost or gained: every one of a good set gains', () => {
    const good = judged(
      clean.map((reading, index) => ({ ...reading, ohms: reading.ohms * (1 + 0.02 * (-1) ** index) })),
    );
    expect(good.worth).toHaveLength(6);
    expect(good.habit).toBeNull();
    const off = clean.map((reading, index) =>
      index === 5 ? { ...reading, ohms: reading.ohms * 1.13 } : reading,
    );
    expect(judged(off).worth[0]?.id).toBe('r5');
    expect(judged(off).worth[0]?.gain).toBeLessThan(0);
  });

  it('names the one habit whose change would have helped most', () => {
    const change = (index: number, part: Partial<(typeof clean)[number]>) =>
      clean.map((reading, at) => (at === index ? { ...reading, ...part } : reading));
    const unsettled = change(0, { ohms: clean[0]!.ohms * 0.7, unsettledStd: 0.12 });
    expect(judged(unsettled).habit).toMatchObject({ code: 'let-it-settle', ids: ['r0'] });
    const shadow = clean.map((reading, index) => ({
      ...reading,
      ohms: reading.ohms * ([0.84, 0.9, 1, 1, 1.1, 1.17][index] ?? 1),
    }));
    expect(judged(shadow).habit).toMatchObject({ code: 'steady-the-light', ids: ['r0', 'r1', 'r4', 'r5'] });
    expect(judged(shadow).habit?.thenMiss).toBeLessThan(judged(shadow).miss);
    const narrow = [20, 30, 45].map((value, index) =>
      readingOf(`n${index}`, lux(value), ldrOhmsAt(curve, value) * [1.06, 1, 0.95][index]!),
    );
    expect(judged(narrow).habit?.code).toBe('spread-the-lights');
  });

  it('never promises a habit that would not have helped', () => {
    const normal = normals(6);
    for (let round = 0; round < runs(60, 5); round++) {
      const readings = clean.map((reading, index) => ({
        ...reading,
        ohms: reading.ohms * Math.exp(0.08 * normal()) * (round % 3 === 0 && index === round % 6 ? 10 : 1),
        unsettledStd: round % 4 === 1 && index === 2 ? 0.1 : 0,
      }));
      const { habit, miss } = judged(readings);
      if (habit && habit.ids.length > 0) expect(habit.thenMiss).toBeLessThan(miss);
    }
  });

  it('has nothing to say before there is a fit', () => {
    expect(judgePractice(measurementOf(clean.slice(0, 1)), curve)).toEqual({ ok: false, reason: 'no-fit' });
  });
});
