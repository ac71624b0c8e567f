import { describe, expect, it } from 'vitest';
import { prepare, type Observation } from './observation';
import { LDR_PRIORS } from './priors';

const plain: Observation = { lux: 100, ohms: 2000, sigma: 0.03, above: false };

describe('readings as a fit goes over them', () => {
  it('are logarithms about 10 lx, with what is over range and what is trusted marked', () => {
    const over: Observation = { lux: 1, ohms: 2e6, sigma: 0.1, above: true, trusted: true };
    const { count, parameters, x, y, sigma, lnSigma, above, trusted } = prepare([plain, over], [], {
      hasPriors: true,
    });
    expect([count, parameters]).toEqual([2, 4]);
    expect(x[0]).toBeCloseTo(Math.log(10), 12);
    expect(x[1]).toBeCloseTo(-Math.log(10), 12);
    expect(y[0]).toBeCloseTo(Math.log(2000), 12);
    expect([...sigma]).toEqual([0.03, 0.1]);
    expect(lnSigma[1]).toBeCloseTo(Math.log(0.1), 12);
    expect([[...above], [...trusted]]).toEqual([
      [0, 1],
      [0, 1],
    ]);
  });

  it('are moved by each common error as they say, and by none where they say nothing', () => {
    const moved: Observation = { ...plain, lightShifts: [1, 0.5], ohmsShifts: [0, -2] };
    const found = prepare([plain, moved], [{ std: 0.1 }, { mean: 0.2, std: 0.5 }], { hasPriors: true });
    expect(found.parameters).toBe(6);
    expect([...found.lightShifts]).toEqual([0, 0, 1, 0.5]);
    expect([...found.ohmsShifts]).toEqual([0, 0, 0, -2]);
    expect([...found.priorMean].slice(4)).toEqual([0, 0.2]);
    expect(found.priorWeight[4]).toBeCloseTo(100, 9);
    expect(found.priorWeight[5]).toBeCloseTo(4, 12);
  });

  it('have what LDRs usually are beside them, or only themselves', () => {
    const { priorMean, priorWeight } = prepare([plain], [], { hasPriors: true });
    const { gamma, lnDark, lnBright } = LDR_PRIORS;
    expect([...priorMean]).toEqual([0, gamma.mean, lnDark.mean, lnBright.mean]);
    for (const [at, { std }] of [gamma, lnDark, lnBright].entries())
      expect(priorWeight[at + 1]! * std * std).toBeCloseTo(1, 12);
    expect([...prepare([plain], [], { hasPriors: false }).priorWeight]).toEqual([0, 0, 0, 0]);
  });
});
