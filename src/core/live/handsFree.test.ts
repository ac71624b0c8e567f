import { describe, expect, it } from 'vitest';
import { planLadder } from '../light/ladder';
import { measuredLdr } from '../readings/ldrOf';
import type { Reading, ReadingLight } from '../readings/reading';
import { lux, measurementOf, readingOf, rung } from '../readings/testMeasurement';
import { Bench, FIRST_CONTROLS } from '../practice/bench';
import { HANDS_FREE_START, handsFreeStep, type HandsFreeState } from './handsFree';
import type { MeterSample } from './sample';
import { SettlingTracker } from './settling';
import { settledValue } from './settledValue';

/** A person with both hands at the lamp: sets what is asked for a moment after it is asked. */
function ladderWithoutKeys(seed: number) {
  const bench = new Bench(seed);
  const tracker = new SettlingTracker();
  const plan: ReadingLight[] = [
    { kind: 'lamp-off' },
    ...planLadder(0.25, 7, 0.02).metres.map((metres) => rung(metres)),
  ];
  const readings: Reading[] = [];
  let state: HandsFreeState = HANDS_FREE_START;
  let askedAt = 0;
  let anchor: MeterSample | null = null;
  for (let at = 0; at < 300_000; at += 200) {
    const [light] = plan;
    if (!light) break;
    if (at - askedAt > 1500) {
      bench.controls = {
        ...FIRST_CONTROLS,
        roomLux: 0.05,
        lampOn: light.kind === 'lamp',
        lampMetres: light.kind === 'lamp' ? light.metres : 1,
      };
    }
    bench.advance(0.2);
    const sample: MeterSample = { at, ...bench.read() };
    const step = handsFreeStep(state, sample, tracker.push(sample), light);
    state = step.state;
    if (!step.takes) continue;
    const { ohms, above, rangeOhms } = sample;
    readings.push(readingOf(`r${readings.length}`, light, ohms, { above, rangeOhms }));
    if (light.kind === 'lamp' && light.metres > 0.4 && !anchor) anchor = sample;
    plan.shift();
    askedAt = at;
  }
  if (anchor) readings.push(readingOf('anchor', lux(anchor.lux ?? NaN), anchor.ohms));
  return { bench, readings, left: plan.length };
}

describe('measuring with both hands at the lamp', () => {
  it('reads a ladder of 8 rungs without a key: R10 within 3 %, γ within 0.02', () => {
    for (const seed of [3, 8, 21]) {
      const { bench, readings, left } = ladderWithoutKeys(seed);
      expect(left).toBe(0);
      expect(readings).toHaveLength(10);
      const { model } = measuredLdr(measurementOf(readings, { meter: 'manual-2000', lampMetres: 0.01 }));
      const { r10Ohms, gamma } = bench.hidden.curve;
      // The bench's own light meter is off by a few per cent; what the ladder adds must be small beside that.
      expect(Math.abs(model.curve.gamma - gamma)).toBeLessThan(0.02);
      expect(Math.abs(Math.log(model.curve.r10Ohms / r10Ohms))).toBeLessThan(0.03);
    }
  });

  const resting = { settled: true, ratePerSecond: 0 };
  const moving = { settled: false, ratePerSecond: 0.1 };
  const sampleOf = (at: number, ohms: number, above = false): MeterSample => ({
    at,
    ohms,
    above,
    rangeOhms: null,
    lux: null,
  });
  const taken = { sample: sampleOf(0, 1000), light: rung(0.25) };

  it('waits for the light to change, then for rest', () => {
    let state: HandsFreeState = { phase: 'set', taken, restingSince: null };
    const next = (at: number, ohms: number, settling = resting) => {
      const step = handsFreeStep(state, sampleOf(at, ohms), settling, rung(0.35));
      state = step.state;
      return [step.takes, state.phase];
    };
    expect(next(1000, 1010)).toEqual([false, 'set']);
    expect(next(2000, 1500, moving)).toEqual([false, 'settle']);
    expect(next(3000, 1600)).toEqual([false, 'settle']);
    expect(next(3500, 1600)).toEqual([true, 'set']);
  });

  it('does not take a light that went the wrong way', () => {
    const state: HandsFreeState = { phase: 'set', taken, restingSince: null };
    const step = handsFreeStep(state, sampleOf(9000, 600), resting, rung(0.35));
    expect([step.takes, step.state.phase]).toEqual([false, 'wrong-way']);
    const back = handsFreeStep(step.state, sampleOf(9200, 1700), moving, rung(0.35));
    expect(back.state.phase).toBe('settle');
  });

  it('takes over range where it stays there, and the same light again at once', () => {
    let state: HandsFreeState = { phase: 'set', taken, restingSince: null };
    let takes = false;
    for (let at = 0; at <= 5000 && !takes; at += 500)
      ({ state, takes } = handsFreeStep(state, sampleOf(at, 2e7, true), moving, { kind: 'lamp-off' }));
    expect(takes).toBe(true);
    const again = handsFreeStep(
      { phase: 'settle', taken, restingSince: 0 },
      sampleOf(900, 1001),
      resting,
      rung(0.25),
    );
    expect(again.takes).toBe(true);
  });
});

describe('a figure that is still settling', () => {
  const tail = (from: number, to: number, tau: number, seconds: number) =>
    Array.from({ length: Math.round(seconds / 0.2) + 1 }, (_, i): MeterSample => {
      const t = i * 0.2;
      const ohms = Math.exp(Math.log(to) + Math.log(from / to) * Math.exp(-t / tau));
      return { at: t * 1000, ohms, above: false, rangeOhms: null, lux: null };
    });

  it('is told where it comes to rest, with an error that holds it', () => {
    for (const [from, to, tau] of [
      [20_000, 60_000, 2],
      [50_000, 20_000, 1.2],
      [9000, 10_000, 3.4],
    ] as const) {
      const value = settledValue(tail(from, to, tau, 4));
      expect(value && Math.abs(Math.log(value.ohms / to))).toBeLessThan(2.5 * (value?.std ?? 0) + 0.01);
      expect(value && Math.abs(Math.log(value.ohms / to))).toBeLessThan(0.1);
    }
  });

  it('has none where it runs on, over range, or with hardly a sample', () => {
    const running = Array.from({ length: 20 }, (_, i) => ({
      at: i * 200,
      ohms: 1000 * Math.exp(0.3 * i * 0.2),
      above: false,
      rangeOhms: null,
      lux: null,
    }));
    expect(settledValue(running)).toBeNull();
    expect(settledValue(running.slice(0, 3))).toBeNull();
    expect(settledValue([{ at: 0, ohms: 2e6, above: true, rangeOhms: null, lux: null }])).toBeNull();
  });
});
