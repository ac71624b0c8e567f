import { describe, expect, it } from 'vitest';
import { gradientFor, isFloorSeen } from './fitBand';
import { fitLdr, type Alternative, type LdrFit } from './fitLdr';
import { floorKinds, lnOhmsGradient, type FloorKind } from './kinds';
import { LDR_PRIORS } from './priors';
import { TYPICAL_LDR } from './typical';

const readings = [2, 20, 200, 2000].map((lux) => ({
  ...{ lux, ohms: 14_000 * (lux / 10) ** -0.7 },
  ...{ sigma: 0.03, above: false },
}));

/** A fit with other beliefs in the kinds. @param std of ln Rdark and ln Rbright in each @param common so many common errors */
function believing(
  beliefs: Readonly<Partial<Record<FloorKind, number>>>,
  std: { readonly dark: number; readonly bright: number },
  common = 0,
): LdrFit {
  const found = fitLdr(readings);
  if (!found.ok) throw new Error(found.reason);
  const p = 4 + common;
  const covariance = new Float64Array(p * p);
  covariance[2 * p + 2] = std.dark ** 2;
  covariance[3 * p + 3] = std.bright ** 2;
  const alternatives = floorKinds.flatMap((kind): Alternative[] => {
    const weight = beliefs[kind];
    return weight === undefined ? [] : [{ kind, curve: TYPICAL_LDR, weight, covariance }];
  });
  return { ...found.fit, alternatives };
}

describe('a floor of the curve', () => {
  const sure = { dark: 0.4 * LDR_PRIORS.lnDark.std, bright: 0.4 * LDR_PRIORS.lnBright.std };

  it('is seen where the kinds that have it are believed in four times of five and it is known by halves', () => {
    const fit = believing({ dark: 0.6, both: 0.25, power: 0.15 }, sure);
    expect([isFloorSeen(fit, 'dark'), isFloorSeen(fit, 'bright')]).toEqual([true, false]);
    const other = believing({ bright: 0.3, both: 0.5, power: 0.2 }, sure);
    expect([isFloorSeen(other, 'dark'), isFloorSeen(other, 'bright')]).toEqual([false, true]);
    const both = believing({ both: 0.9, power: 0.1 }, sure, 2);
    expect([isFloorSeen(both, 'dark'), isFloorSeen(both, 'bright')]).toEqual([true, true]);
  });

  it('is not where it is hardly believed, or no better known than of any LDR', () => {
    expect(isFloorSeen(believing({ dark: 0.5, both: 0.25, power: 0.25 }, sure), 'dark')).toBe(false);
    const vague = { dark: 0.6 * LDR_PRIORS.lnDark.std, bright: 0.6 * LDR_PRIORS.lnBright.std };
    const fit = believing({ both: 1 }, vague);
    expect([isFloorSeen(fit, 'dark'), isFloorSeen(fit, 'bright')]).toEqual([false, false]);
    expect(isFloorSeen(believing({ power: 1 }, sure), 'dark')).toBe(false);
    // Each by its own figure.
    const dark = believing({ both: 1 }, { dark: sure.dark, bright: vague.bright });
    expect([isFloorSeen(dark, 'dark'), isFloorSeen(dark, 'bright')]).toEqual([true, false]);
    const bright = believing({ both: 1 }, { dark: vague.dark, bright: sure.bright }, 1);
    expect([isFloorSeen(bright, 'dark'), isFloorSeen(bright, 'bright')]).toEqual([false, true]);
  });
});

describe('how a curve moves with what a fit knows', () => {
  it('does not move with a common error: it is told at its own light', () => {
    const own = lnOhmsGradient(TYPICAL_LDR, 50);
    expect(gradientFor(TYPICAL_LDR, 50, new Float64Array(16))).toEqual([...own]);
    expect(gradientFor(TYPICAL_LDR, 50, new Float64Array(36))).toEqual([...own, 0, 0]);
  });
});
