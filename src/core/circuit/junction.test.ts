import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  criticalVolts,
  DOWN_SHARE,
  limitBoldly,
  limitedExp,
  limitJunctionStep,
  saturationAmpsAt,
  thermalVolts,
} from './junction';

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

  it('goes up at once to the critical voltage and no farther than its tangent, down by the logarithm to what its tangent leaves of the current', () => {
    const vt = thermalVolts(25);
    const critical = criticalVolts(vt, 2e-14);
    const bold = (wanted: number, before: number) => limitBoldly(wanted, before, vt, critical);
    // From nothing and from reverse; far above, by the logarithm; to what is near, as wanted.
    for (const before of [-5, 0, 0.3]) expect(bold(6, before)).toBe(critical);
    expect(bold(6, 0.75)).toBeCloseTo(0.75 + vt * Math.log(1 + 5.25 / vt), 12);
    expect(bold(0.75 + 1.9 * vt, 0.75)).toBe(0.75 + 1.9 * vt);
    expect(bold(0.5, 0)).toBe(0.5);
    // Down: a thousandth of the current is ln 1000 emission voltages below; half of it as wanted; less than none along the tangent.
    for (const before of [critical + 0.3, critical - 0.2]) {
      expect(bold(before - 0.999 * vt, before)).toBeCloseTo(before - Math.log(1000) * vt, 9);
      expect(bold(before - 0.999 * DOWN_SHARE * vt, before)).toBe(before - 0.999 * DOWN_SHARE * vt);
    }
    // What is left is not known to the last digits: so far down as it is.
    for (const lost of [1, 1 + 1e-6, 1 - 1e-9])
      expect(bold(0.7 - lost * vt, 0.7)).toBeCloseTo(0.7 + Math.log(1e-5) * vt, 9);
    expect(bold(0.7 - 1.001 * vt, 0.7)).toBe(Math.min(critical, 0.7 - 1.001 * vt));
    expect(bold(critical + 0.1, critical + 0.4)).toBe(critical);
    expect(bold(-3, critical + 0.4)).toBe(-3);
  });

  it('takes exponentials below nothing for nothing just where that changes no current', () => {
    for (const x of [-39, -40.5, -80]) expect(limitedExp(x) - 1).toBe(Math.exp(x) - 1);
    expect(limitedExp(-39)).toBe(Math.exp(-39));
    expect(limitedExp(-41)).toBe(0);
  });
});
