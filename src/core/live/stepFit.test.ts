import { describe, expect, it } from 'vitest';
import { ohmsOfState, settledLdr, stepLdr, type LdrDynamics } from '../ldr/dynamics';
import { TYPICAL_LDR } from '../ldr/typical';
import { normals } from '../numeric/random';
import { stepAnswer } from './stepFit';
import { stretchOf } from './stretch';

const dynamics: LdrDynamics = { riseSeconds: 0.032, fallSeconds: 0.071, tailShare: 0.1, tailSeconds: 1.8 };

/** A log of a lamp that is switched: dark, light at 2 s, dark at 14 s. */
function switched(gap: number, noise = 0) {
  const normal = normals(4);
  const count = Math.round(26 / gap);
  const [at, ohms] = [new Float64Array(count), new Float64Array(count)];
  let state = settledLdr(TYPICAL_LDR, 5);
  for (let i = 0; i < count; i++) {
    const seconds = i * gap;
    state = stepLdr(state, TYPICAL_LDR, dynamics, seconds > 2 && seconds <= 14 ? 200 : 5, gap);
    at[i] = 1e12 + seconds * 1000;
    ohms[i] = ohmsOfState(state, dynamics) * Math.exp(noise * normal());
  }
  return { at, ohms, above: new Uint8Array(count) };
}

describe('a step of light in a log', () => {
  it('gives the rise and the fall of the LDR, the slow tail apart', () => {
    const log = switched(0.005, 0.001);
    const rise = stepAnswer(log, 1e12, 1e12 + 10_000);
    const fall = stepAnswer(log, 1e12 + 8000, 1e12 + 26_000);
    if (!rise.ok || !fall.ok) throw new Error('no answer');
    expect(rise.answer).toMatchObject({ toward: 'light', isResolved: true });
    expect(rise.answer.seconds / 0.032).toBeGreaterThan(0.8);
    expect(rise.answer.seconds / 0.032).toBeLessThan(1.25);
    expect(fall.answer).toMatchObject({ toward: 'dark', isResolved: true });
    expect(fall.answer.seconds / 0.071).toBeGreaterThan(0.75);
    expect(fall.answer.seconds / 0.071).toBeLessThan(1.3);
    expect(fall.answer.tailSeconds).toBeGreaterThan(0.9);
    expect(fall.answer.tailSeconds).toBeLessThan(4);
  });

  it('is told to be faster than the samples where it is', () => {
    const slow = stepAnswer(switched(0.2), 1e12, 1e12 + 10_000);
    if (!slow.ok) throw new Error(slow.reason);
    expect(slow.answer.isResolved).toBe(false);
    expect(slow.answer.seconds).toBeCloseTo(0.2, 3);
  });

  it('is none where nothing moves, or hardly anything follows', () => {
    const log = switched(0.05);
    expect(stepAnswer(log, 1e12, 1e12 + 1800)).toEqual({ ok: false, reason: 'no-step' });
    expect(stepAnswer(log, 1e12 + 1500, 1e12 + 2200)).toEqual({ ok: false, reason: 'too-few' });
    expect(
      stepAnswer({ at: new Float64Array(), ohms: new Float64Array(), above: new Uint8Array() }, 0, 1),
    ).toEqual({
      ok: false,
      reason: 'no-step',
    });
  });
});

describe('a stretch of a log', () => {
  const log = {
    at: Float64Array.of(0, 1000, 2000, 3000),
    ohms: Float64Array.of(1000, 1100, 1050, 2e6),
    above: Uint8Array.of(0, 0, 0, 1),
  };
  it('reads its middle figure, and how far it moved', () => {
    expect(stretchOf(log, 0, 2000)).toMatchObject({ ohms: 1050, above: false, count: 3 });
    expect(stretchOf(log, 0, 2000)?.std).toBeGreaterThan(0.04);
    expect(stretchOf(log, 3000, 4000)).toMatchObject({ ohms: 2e6, above: true });
    expect(stretchOf(log, 1000, 1000)).toMatchObject({ ohms: 1100, std: 0 });
    expect(stretchOf(log, 9000, 9999)).toBeNull();
  });
});
