import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { criticalVolts, limitedExp, limitJunctionStep, saturationAmpsAt, thermalVolts } from './junction';

describe('a junction', () => {
  it('has the thermal voltage of its temperature', () => {
    expect(thermalVolts(25)).toBeCloseTo(0.025693, 6);
  });

  it('makes a forward voltage fall by about 2 mV for each degree', () => {
    const voltsFor = (celsius: number) =>
      thermalVolts(celsius) * Math.log(0.001 / saturationAmpsAt(2e-14, celsius));
    const slope = (voltsFor(35) - voltsFor(25)) / 10;
    expect(slope).toBeLessThan(-0.0015);
    expect(slope).toBeGreaterThan(-0.0025);
    expect(saturationAmpsAt(2e-14, 25)).toBeCloseTo(2e-14, 20);
  });

  it('never overflows on the way to a solution', () => {
    expect(Number.isFinite(limitedExp(1e6))).toBe(true);
    expect(limitedExp(1)).toBe(Math.E);
    expect(limitedExp(121)).toBeGreaterThan(limitedExp(119));
  });

  it('holds steps above the critical voltage, and leaves all others alone', () => {
    const vt = thermalVolts(25);
    const critical = criticalVolts(vt, 2e-14);
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: -5, max: 1, noNaN: true }),
        (wanted, before) => {
          const taken = limitJunctionStep(wanted, before, vt, critical);
          if (wanted <= critical) expect(taken).toBe(wanted);
          else expect(taken).toBeLessThanOrEqual(wanted);
          // From a conducting junction the step upwards goes by the logarithm.
          if (before > 0 && wanted > critical && wanted - before > 2 * vt) {
            expect(taken - before).toBeLessThan(wanted - before);
          }
        },
      ),
    );
  });
});
