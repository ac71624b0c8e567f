import { describe, expect, it } from 'vitest';
import { betaOf, channelOf, partFor, partTrouble, shippedParts, thresholdOf, transistorKinds, defaultPart, type BipolarPart, type MosPart } from './transistors'; // prettier-ignore

const npn = defaultPart('npn') as BipolarPart;
const mos = defaultPart('nmos') as MosPart;

describe('the list of parts', () => {
  it('has a usual one of each kind, all with figures in order', () => {
    for (const kind of transistorKinds) expect(defaultPart(kind).kind).toBe(kind);
    for (const part of shippedParts) expect(partTrouble({ ...part, name: 'x' })).toBeNull();
    expect(new Set(shippedParts.map(({ id }) => id)).size).toBe(shippedParts.length);
  });

  it('gives the smallest that carries a current, and none where there is none', () => {
    expect(partFor('npn', 0.1)?.id).toBe('small-npn');
    expect(partFor('npn', 0.5)?.id).toBe('medium-npn');
    expect(partFor('npn', 2)).toBeNull();
    expect(partFor('nmos', 2)?.id).toBe('power-nmos');
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

  it('says what does not go together in an own part', () => {
    expect(partTrouble(npn)).toBe('unnamed');
    expect(partTrouble({ ...npn, name: 'mine', minBeta: 300 })).toBe('beta-order');
    expect(partTrouble({ ...mos, name: 'mine', minThresholdVolts: 3 })).toBe('threshold-order');
  });
});
