import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  channelAmps as ampsOf,
  channelFigures,
  channelSlope as slopeOf,
  lampCurrent as lampCurrentOf,
  lampSlope as lampSlopeOf,
  limitGateStep,
  type ChannelFigures,
} from './fieldEffect';

const mos = (celsius: number) =>
  channelFigures({
    kind: 'nmos',
    name: 'Q',
    drain: 'd',
    gate: 'g',
    source: 's',
    thresholdVolts: 1.5,
    ampsPerVoltSquared: 0.2,
    celsius,
  });
const channelAmps = ({ thresholdVolts, ampsPerVoltSquared, kneeVolts }: ChannelFigures, volts: number) =>
  ampsOf(thresholdVolts, ampsPerVoltSquared, kneeVolts, volts);
const channelSlope = ({ thresholdVolts, ampsPerVoltSquared, kneeVolts }: ChannelFigures, volts: number) =>
  slopeOf(thresholdVolts, ampsPerVoltSquared, kneeVolts, volts);
const lamp = { hotSiemens: 0.1 / 6, ratedVolts: 6 };
const lampCurrent = (of: typeof lamp, volts: number) => lampCurrentOf(of.hotSiemens, of.ratedVolts, volts);
const lampSlope = (of: typeof lamp, volts: number) => lampSlopeOf(of.hotSiemens, of.ratedVolts, volts);

describe('a MOSFET’s channel', () => {
  it('follows the square law well above its threshold, to the ohmic region and into saturation', () => {
    const cell = mos(25);
    const drainAmps = (vgs: number, vds: number) => channelAmps(cell, vgs) - channelAmps(cell, vgs - vds);
    const over = 3;
    expect(drainAmps(1.5 + over, 10)).toBeCloseTo(0.1 * over ** 2, 3);
    const vds = 0.5;
    expect(drainAmps(1.5 + over, vds)).toBeCloseTo(0.2 * (over * vds - vds ** 2 / 2), 3);
  });

  it('turns on by decades below it: ten times the current for some 90 mV', () => {
    const cell = mos(25);
    const volts = 0.9;
    const decade = 0.1 / Math.log10(channelAmps(cell, volts + 0.1) / channelAmps(cell, volts));
    expect(decade).toBeGreaterThan(0.08);
    expect(decade).toBeLessThan(0.1);
  });

  it('has the slope of its current, at every voltage', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 12, noNaN: true }), (volts) => {
        const [cell, step] = [mos(25), 1e-5];
        const slope = (channelAmps(cell, volts + step) - channelAmps(cell, volts - step)) / (2 * step);
        expect(Math.abs(channelSlope(cell, volts) - slope)).toBeLessThan(1e-6 + 1e-5 * slope);
      }),
    );
  });

  it('needs less at the gate when it is warm, and carries less when it is on', () => {
    expect(mos(75).thresholdVolts).toBeCloseTo(1.35, 9);
    expect(mos(75).ampsPerVoltSquared).toBeCloseTo(0.2 * (348.15 / 298.15) ** -1.5, 9);
    expect(mos(75).kneeVolts / mos(25).kneeVolts).toBeCloseTo(348.15 / 298.15, 9);
  });

  it('is stepped from off to on by no more than it can follow', () => {
    expect(limitGateStep(10, 0, 1.5)).toBeCloseTo(1.9, 9);
    expect(limitGateStep(10, 2.5, 1.5)).toBeCloseTo(3.5, 9);
    expect(limitGateStep(1, 0, 1.5)).toBe(1);
    expect(limitGateStep(-5, 4, 1.5)).toBeCloseTo(1.1, 9);
  });
});

describe('a filament', () => {
  it('passes through its rated point, has a tenth of its resistance when cold, and is odd and rising', () => {
    expect(lampCurrent(lamp, 6)).toBeCloseTo(0.1, 9);
    expect(lampCurrent(lamp, 1e-6) / 1e-6 / (0.1 / 6)).toBeCloseTo(10, 2);
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 12, noNaN: true }), (volts) => {
        expect(lampCurrent(lamp, -volts)).toBe(-lampCurrent(lamp, volts));
        const step = volts * 1e-5;
        const slope = (lampCurrent(lamp, volts + step) - lampCurrent(lamp, volts - step)) / (2 * step);
        expect(lampSlope(lamp, volts) / slope).toBeCloseTo(1, 4);
      }),
    );
  });
});
