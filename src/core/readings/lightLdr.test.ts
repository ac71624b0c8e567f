import { describe, expect, it } from 'vitest';
import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { fitErrors, lnOhmsBand, lnOhmsVariance } from '../ldr/model';
import { normals } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { measuredLdr } from './ldrOf';
import { lightLdrOf } from './lightLdrOf';
import { lux, measurementOf, readingOf } from './testMeasurement';

const reference: LdrCurve = { r10Ohms: 11_000, gamma: 0.66, darkOhms: 5e6, brightOhms: 45 };
const other: LdrCurve = { r10Ohms: 19_000, gamma: 0.74, darkOhms: 3e6, brightOhms: 70 };
const lights = [1.5, 6, 24, 96, 384, 1500];

/** The first LDR is measured with a light meter that may be off by a tenth, the second with the first. */
function byAnother(seed: number) {
  const normal = normals(seed);
  const meter = Math.exp(0.05 * normal());
  const read = (curve: LdrCurve, light: number) => ldrOhmsAt(curve, light) * Math.exp(0.03 * normal());
  const first = measuredLdr(
    measurementOf(
      lights.map((light, index) => readingOf(`a${index}`, lux(light * meter), read(reference, light))),
      { lightTolerance: 0.1 },
    ),
  );
  const lightLdr = lightLdrOf('First', first.model);
  if (!lightLdr) throw new Error('no light meter');
  const second = measurementOf(
    lights.map((light, index) =>
      readingOf(`b${index}`, { kind: 'ldr', ohms: read(reference, light) }, read(other, light)),
    ),
    { lightLdr },
  );
  return { first, lightLdr, second: measuredLdr(second) };
}

describe('an LDR as light meter', () => {
  it('puts the next one on lux, and hands its own doubt on', () => {
    const { first, second } = byAnother(5);
    expect(second.resolved.scale).toBe('lux');
    if (second.model.source !== 'measured' || first.model.source !== 'measured')
      throw new Error('not measured');
    expect(fitErrors(second.model.fit).lnR10).toBeGreaterThan(0.05);
    expect(lnOhmsBand(second.model, 24)).toBeGreaterThan(lnOhmsBand(first.model, 24, 'meter'));
  });

  it('knows itself in the middle of its readings as well as its meter and its fit do, and less well away from there', () => {
    const { first, lightLdr } = byAnother(5);
    const { model } = first;
    if (model.source !== 'measured') throw new Error(model.source);
    expect(lightLdr.pivotLux).toBeCloseTo(Math.sqrt(model.fit.minLux * model.fit.maxLux), 9);
    expect(lightLdr.pivotLux).toBeGreaterThan(24);
    expect(lightLdr.pivotLux).toBeLessThan(96);
    // A tenth at two deviations is the meter's; the readings' own doubt, as light, comes to it.
    expect(lightLdr.pivotStd).toBeGreaterThan(0.05);
    const own = Math.sqrt(lightLdr.pivotStd ** 2 - 0.05 ** 2);
    expect(own * model.curve.gamma).toBeCloseTo(Math.sqrt(lnOhmsVariance(model, lightLdr.pivotLux)), 3);
    expect(lightLdr.tiltStd).toBeCloseTo(model.fit.gammaStdError / model.curve.gamma, 12);
  });

  it('covers the truth of the next one', () => {
    const sets = runs(400);
    let [r10, gamma] = [0, 0];
    for (let seed = 1; seed <= sets; seed++) {
      const { model } = byAnother(seed).second;
      if (model.source !== 'measured') continue;
      if (Math.abs(Math.log(model.curve.r10Ohms / other.r10Ohms)) <= lnOhmsBand(model, 10)) r10 += 1;
      if (Math.abs(model.curve.gamma - other.gamma) <= fitErrors(model.fit).gamma) gamma += 1;
    }
    promised(
      'LDR as light meter: 95 % intervals of R10 and γ of the next',
      `${((100 * r10) / sets).toFixed(1)}, ${((100 * gamma) / sets).toFixed(1)}`,
      '≥ 91',
    );
    expect(r10 / sets).toBeGreaterThanOrEqual(sets < 400 ? 0.8 : 0.91);
    expect(gamma / sets).toBeGreaterThanOrEqual(sets < 400 ? 0.8 : 0.91);
  });

  it('is none without lux, and its readings have no light once it is taken away', () => {
    expect(lightLdrOf('No', measuredLdr(measurementOf([])).model)).toBeNull();
    const { resolved } = measuredLdr(measurementOf([readingOf('a', { kind: 'ldr', ohms: 5000 }, 900)]));
    expect(resolved.lights).toEqual([null]);
  });
});
