import { describe, expect, it } from 'vitest';
import { addReading, chooseMeter, deleteReading, setReadingAside } from '../project/readingEdits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { ldrOf, residualsOf } from './ldrOf';

const platform = sampleProjects[0] as Project;
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
