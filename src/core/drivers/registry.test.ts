import { describe, expect, it } from 'vitest';
import { betaOf } from '../parts/kinds/bipolar';
import { channelOf, thresholdOf } from '../parts/kinds/channel';
import { transistorKinds } from './kinds';
import { nmosDriver } from './nmos';
import { npnDriver } from './npn';
import {
  defaultTransistor,
  drivers,
  isHighSide,
  otherPolarity,
  shippedTransistors,
  transistorFor,
  transistorTrouble,
} from './registry';

const [npn] = npnDriver.shipped;
const [mos] = nmosDriver.shipped;

describe('the list of transistors', () => {
  it('has a default one of each kind, all with figures in order', () => {
    for (const kind of transistorKinds) expect(defaultTransistor(kind).kind).toBe(kind);
    for (const part of shippedTransistors) expect(transistorTrouble({ ...part, name: 'x' })).toBeNull();
    expect(new Set(shippedTransistors.map(({ id }) => id)).size).toBe(shippedTransistors.length);
  });

  it('gives the smallest that carries a current, and none where there is none', () => {
    expect(transistorFor('npn', 0.1)?.id).toBe('small-npn');
    expect(transistorFor('npn', 0.5)?.id).toBe('medium-npn');
    expect(transistorFor('npn', 2)).toBeNull();
    expect(transistorFor('nmos', 2)?.id).toBe('power-nmos');
    expect(transistorFor('pmos', 2)?.id).toBe('power-pmos');
  });

  it('knows which of a lot is the weakest: least β, highest threshold', () => {
    expect(betaOf(npn, 'min')).toBeLessThan(betaOf(npn, 'max'));
    expect(thresholdOf(mos, 'min')).toBeGreaterThan(thresholdOf(mos, 'max'));
  });

  it('shares a MOSFET’s on-resistance between channel and floor', () => {
    const { ampsPerVoltSquared, floorOhms } = channelOf(mos);
    const channel = 1 / (ampsPerVoltSquared * (4.5 - mos.typicalThresholdVolts));
    expect(channel + floorOhms).toBeCloseTo(mos.onOhms, 9);
  });

  it('says what does not go together in a custom part', () => {
    expect(transistorTrouble(npn)).toBe('unnamed');
    expect(transistorTrouble({ ...npn, name: 'mine', minBeta: 300 })).toBe('beta-order');
    expect(transistorTrouble({ ...mos, name: 'mine', minThresholdVolts: 3 })).toBe('threshold-order');
  });

  it('has polarity as data: the load under a P at its usual end, and the same make the other way round', () => {
    for (const kind of transistorKinds) {
      expect(isHighSide(kind, 'collector')).toBe(drivers[kind].polarity === 'p');
      expect(isHighSide(kind, 'emitter')).toBe(drivers[kind].polarity === 'n');
      for (const polarity of ['n', 'p'] as const) {
        const other = otherPolarity(kind, polarity);
        expect(drivers[other].polarity).toBe(polarity);
        expect(drivers[other].control).toBe(drivers[kind].control);
      }
    }
  });

  it('drives hard with a tenth of the load current into a base, and 10 V at a gate', () => {
    const base = npnDriver.hardDrive(npnDriver.shipped[0], 'collector', 12, 12);
    expect('amps' in base && base.amps(1)).toBeCloseTo(0.1, 12);
    // A part that has not that gain gets twice what it needs.
    const weak = npnDriver.hardDrive({ ...npnDriver.shipped[0], typicalBeta: 6 }, 'collector', 12, 12);
    expect('amps' in weak && weak.amps(1)).toBeCloseTo(1 / 3, 12);
    // On a supply below it still 10 V, above it all of the supply.
    const gateVolts = (supplyVolts: number) => {
      const gate = nmosDriver.hardDrive(nmosDriver.shipped[0], 'collector', supplyVolts, supplyVolts);
      return 'volts' in gate && gate.volts;
    };
    expect(gateVolts(5)).toBe(10);
    expect(gateVolts(12)).toBe(12);
  });
});
