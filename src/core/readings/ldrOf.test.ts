import { describe, expect, it } from 'vitest';
import { addReading, chooseMeter, deleteReading, setReadingAside } from '../project/readingEdits';
import { sampleProjects } from '../project/samples';
import { TYPICAL_LDR } from '../ldr/typical';
import { ASSUMED_GAMMA } from '../light/scale';
import { HAND_SCATTER } from './commonErrors';
import { LEVEL_STD, ldrOf, measuredLdr, observationOf, residualsOf } from './ldrOf';
import type { Measurement, Reading, ReadingLight } from './reading';
import { resolveLights } from './resolveLights';
import { lux, measurementOf, readingOf, rung } from './testMeasurement';

const platform = sampleProjects[0];
const slipped = addReading({ id: 'slip', light: { kind: 'lux', lux: 20 }, ohms: 187 })(platform);

describe('what a project knows of its LDR', () => {
  it('leaves a reading that is set aside out of the fit, as if it were not there', () => {
    const aside = ldrOf(setReadingAside('slip', true)(slipped));
    expect(aside.curve).toEqual(ldrOf(deleteReading('slip')(slipped)).curve);
    // A slip hardly moves the curve, but it is there.
    expect(ldrOf(slipped).curve.gamma).not.toBe(aside.curve.gamma);
    expect(ldrOf(slipped).curve.gamma).toBeCloseTo(aside.curve.gamma, 2);
  });

  it('tells how far each lies off the curve, the one set aside too', () => {
    const project = setReadingAside('slip', true)(slipped);
    const residuals = residualsOf(project);
    expect(residuals).toHaveLength(8);
    expect(Math.exp(residuals[7] ?? 0)).toBeCloseTo(0.1, 2);
  });

  it('takes an overrange reading as “above this” and has no residual for it', () => {
    const dark = addReading({ id: 'dark', light: { kind: 'lux', lux: 0.02 }, ohms: 4e5, above: true })(
      platform,
    );
    const model = ldrOf(dark);
    expect(model.source === 'measured' && model.fit.aboveCount).toBe(1);
    expect(residualsOf(dark)[7]).toBeNull();
  });

  it('weighs readings by their meter', () => {
    const coarse = addReading({ id: 'coarse', light: { kind: 'lux', lux: 100_000 }, ohms: 8 })(platform);
    const known = ldrOf(chooseMeter('manual-2000')(coarse));
    const unknown = ldrOf(chooseMeter(null)(coarse));
    expect(known.curve.gamma).not.toBe(unknown.curve.gamma);
    expect(ldrOf(coarse)).toBe(ldrOf(coarse));
  });
});

describe('the error of a reading', () => {
  const sigmaOf = (
    light: ReadingLight,
    change: Partial<Reading> = {},
    meter: Measurement['meter'] = null,
  ) => {
    const measurement = measurementOf([readingOf('a', light, 9000, change)], {
      meter,
      levels: [{ id: 'hall', name: 'hall', lux: 60 }],
      lightLdr: { name: 'First', curve: TYPICAL_LDR, pivotLux: 30, pivotStd: 0.1, tiltStd: 0.05 },
    });
    return (slope: number) =>
      observationOf(measurement, resolveLights(measurement), 0, { slopeAt: () => slope }).sigma;
  };

  it('is a hand’s, with that of its light by how steep the curve is there', () => {
    for (const slope of [0.5, 0.8]) {
      expect(sigmaOf(lux(5))(slope)).toBeCloseTo(HAND_SCATTER, 12);
      expect(sigmaOf({ kind: 'level', level: 'hall' })(slope)).toBeCloseTo(
        Math.hypot(HAND_SCATTER, LEVEL_STD * slope),
        12,
      );
      expect(sigmaOf(rung(0.25))(slope) ** 2 - HAND_SCATTER ** 2).toBeCloseTo(
        4 * (sigmaOf(rung(0.5))(slope) ** 2 - HAND_SCATTER ** 2),
        12,
      );
      expect(sigmaOf(rung(0.25))(slope)).toBeGreaterThan(1.0001 * HAND_SCATTER);
      expect(sigmaOf({ kind: 'ldr', ohms: 4000 })(slope)).toBeCloseTo(
        Math.hypot(HAND_SCATTER, (HAND_SCATTER / ASSUMED_GAMMA) * slope),
        12,
      );
    }
  });

  it('has besides what the meter’s digits and an LDR that still settles add', () => {
    const plain = sigmaOf(lux(5))(0.7);
    const settling = sigmaOf(lux(5), { unsettledStd: 0.1 })(0.7);
    expect(settling).toBeCloseTo(Math.hypot(plain, 0.1), 12);
    // 9 kΩ of 2 MΩ in 1999 steps of 1 kΩ: a few counts are a tenth and more.
    const coarse = sigmaOf(lux(5), { rangeOhms: 2e6 }, 'manual-2000')(0.7);
    const fine = sigmaOf(lux(5), { rangeOhms: 20_000 }, 'manual-2000')(0.7);
    expect(coarse).toBeGreaterThan(1.3 * plain);
    expect(fine).toBeGreaterThan(plain);
    expect(fine).toBeLessThan(1.1 * plain);
  });

  it('of lights that all share is not counted as each reading’s own', () => {
    const measurement = measurementOf(
      [3, 10, 40, 160].map((light) => readingOf(`r${light}`, lux(light), 14_000 * (light / 10) ** -0.7)),
      { lightTolerance: 0.2 },
    );
    const { common, used, model } = measuredLdr(measurement);
    expect(used).toEqual([0, 1, 2, 3]);
    // The meter's factor moves all of them alike: it is in no reading's own error, nor among what the fit tells apart.
    expect(common).toEqual([]);
    if (model.source !== 'measured') throw new Error(model.source);
    expect(model.lightStd).toBeCloseTo(0.1, 12);
    const exact = measuredLdr({ ...measurement, lightTolerance: 0 }).model;
    if (exact.source !== 'measured') throw new Error(exact.source);
    expect(model.fit.residualStd).toBe(exact.fit.residualStd);
    expect(model.curve).toEqual(exact.curve);
  });

  it('leaves a reading with the lamp off out, where no ladder tells how much light that is', () => {
    const readings = [3, 40, 160].map((light) =>
      readingOf(`r${light}`, lux(light), 14_000 * (light / 10) ** -0.7),
    );
    const off = readingOf('off', { kind: 'lamp-off' }, 9e5);
    expect(measuredLdr(measurementOf([...readings, off])).used).toEqual([0, 1, 2]);
    const residuals = residualsOf(measurementOf([...readings, off]));
    expect(residuals[3]).toBeNull();
    expect(residuals.slice(0, 3).every((one) => one !== null && Math.abs(one) < 0.01)).toBe(true);
    const named = measurementOf([readingOf('a', { kind: 'level', level: 'gone' }, 4000)]);
    expect(residualsOf(named)).toEqual([null]);
    expect(measuredLdr(named)).toMatchObject({ used: [], common: [], model: { source: 'named' } });
  });
});
