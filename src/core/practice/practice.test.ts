import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { SettlingTracker } from '../live/settling';
import { readingOf, lux, measurementOf } from '../readings/testMeasurement';
import type { Reading } from '../readings/reading';
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

  it('names the reading that cost most', () => {
    const spoiled = clean.map((reading, index) =>
      index === 5 ? { ...reading, ohms: reading.ohms * 2 } : reading,
    );
    const judged = judgePractice(measurementOf(spoiled), curve);
    if (!judged.ok) throw new Error(judged.reason);
    expect(judged.result.costliest?.id).toBe('r5');
    expect(judged.result.costliest?.withoutMiss).toBeLessThan(judged.result.costliest?.miss ?? 0);
  });

  it('has nothing to say before there is a fit', () => {
    expect(judgePractice(measurementOf(clean.slice(0, 1)), curve)).toEqual({ ok: false, reason: 'no-fit' });
  });
});
