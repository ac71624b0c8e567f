import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_DYNAMICS, dynamicsOf, lagSecondsOf } from '../ldr/dynamics';
import { defaultLoads } from '../loads/registry';
import { newProject } from '../project/newProject';
import { wantedBand } from './wantedBand';

const project = newProject('n', 'N');
const { part, loads } = project;
const goal = { ...project.goal, action: 'on-in-dark' as const, lux: 50 };
const calm = { shadowShare: 0, rippleShare: 0 };
const shares = fc.double({ min: 0, max: 0.9, noNaN: true });

describe('the band that is wanted', () => {
  it('is none in calm light, and a shadow’s own where only that passes', () => {
    expect(wantedBand({ goal, feedbackLux: 0, part, loads }, calm).minRatio).toBeCloseTo(1, 12);
    expect(
      wantedBand({ goal, feedbackLux: 0, part, loads }, { ...calm, shadowShare: 0.2 }).minRatio,
    ).toBeCloseTo(1.25, 9);
  });

  it('is never less with more of any unrest, and asks for a little more than the least', () => {
    fc.assert(
      fc.property(shares, shares, shares, (shadowShare, rippleShare, more) => {
        const plain = wantedBand({ goal, feedbackLux: 0, part, loads }, { shadowShare, rippleShare });
        const shadier = wantedBand(
          { goal, feedbackLux: 0, part, loads },
          { shadowShare: shadowShare + (0.95 - shadowShare) * more, rippleShare },
        );
        const shinier = wantedBand(
          { goal, feedbackLux: 100 * more, part, loads },
          { shadowShare, rippleShare },
        );
        expect(shadier.minRatio).toBeGreaterThanOrEqual(plain.minRatio);
        expect(shinier.minRatio).toBeGreaterThanOrEqual(plain.minRatio);
        expect(plain.askedRatio).toBeGreaterThan(plain.minRatio);
      }),
    );
  });

  it('turns off at more light where it is on in the dark, and at less where it is on in the light', () => {
    const unrest = { shadowShare: 0.5, rippleShare: 0 };
    expect(wantedBand({ goal, feedbackLux: 0, part, loads }, unrest).offLux).toBeCloseTo(100, 9);
    const inLight = { ...goal, action: 'on-in-light' as const };
    expect(wantedBand({ goal: inLight, feedbackLux: 0, part, loads }, unrest).offLux).toBeCloseTo(25, 9);
  });

  it('does not count its own light where that only holds it on', () => {
    const inLight = { ...goal, action: 'on-in-light' as const };
    expect(wantedBand({ goal: inLight, feedbackLux: 500, part, loads }, calm).minRatio).toBeCloseTo(1, 12);
    expect(wantedBand({ goal, feedbackLux: 50, part, loads }, calm).minRatio).toBeCloseTo(2, 12);
  });

  it('counts it the other way round where it shines on a contact that is closed without its coil', () => {
    const relay = [{ ...defaultLoads.relay, contact: 'nc' as const }];
    const inLight = { ...goal, action: 'on-in-light' as const };
    expect(wantedBand({ goal, feedbackLux: 500, part, loads: relay }, calm).minRatio).toBeCloseTo(1, 12);
    const band = wantedBand({ goal: inLight, feedbackLux: 20, part, loads: relay }, calm);
    // Off at 30 lx it adds 20, and is just back at the 50 where the coil pulls in.
    expect(band.offLux).toBeCloseTo(30, 9);
  });

  it('is less under a rippling lamp with a slow LDR than with a fast one', () => {
    const ripple = { shadowShare: 0, rippleShare: 0.8 };
    const band = (riseSeconds: number) =>
      wantedBand(
        { goal, feedbackLux: 0, part: { ...part, riseSeconds, fallSeconds: riseSeconds }, loads },
        ripple,
      ).minRatio;
    expect(band(0.1)).toBeLessThan(band(0.01));
    expect(band(0.01)).toBeLessThan(band(0.0001));
    expect(band(0.0001)).toBeLessThan(1.4 / 0.6 + 1e-9);
  });
});

describe('how fast an LDR is', () => {
  it('is as it was timed, and as usual where nobody has', () => {
    expect(dynamicsOf({ riseSeconds: null, fallSeconds: null })).toEqual(DEFAULT_DYNAMICS);
    const timed = dynamicsOf({ riseSeconds: 0.01, fallSeconds: null });
    expect([timed.riseSeconds, timed.fallSeconds]).toEqual([0.01, DEFAULT_DYNAMICS.fallSeconds]);
  });

  it('has one figure for both ways between the two', () => {
    expect(lagSecondsOf({ ...DEFAULT_DYNAMICS, riseSeconds: 0.01, fallSeconds: 0.04 })).toBeCloseTo(0.02, 12);
  });
});
