import { REFERENCE_LUX, ldrOhmsAt, type LdrCurve } from './curve';

/** Which floors the curve has. */
export const floorKinds = ['power', 'dark', 'bright', 'both'] as const;
export type FloorKind = (typeof floorKinds)[number];

export const hasDarkFloor = (kind: FloorKind) => kind === 'dark' || kind === 'both';
export const hasBrightFloor = (kind: FloorKind) => kind === 'bright' || kind === 'both';

/** @param theta ln R10, γ, ln Rdark, ln Rbright; what the kind lacks is not looked at */
export function curveOf(kind: FloorKind, theta: ArrayLike<number>): LdrCurve {
  const [lnR10 = 0, gamma = 0, lnDark = 0, lnBright = 0] = Array.from(theta);
  return {
    r10Ohms: Math.exp(lnR10),
    gamma,
    darkOhms: hasDarkFloor(kind) ? Math.exp(lnDark) : null,
    brightOhms: hasBrightFloor(kind) ? Math.exp(lnBright) : 0,
  };
}

/** Derivatives of ln R at a light by ln R10, γ, ln Rdark and ln Rbright; 0 for a floor that the curve lacks. */
export function lnOhmsGradient(curve: LdrCurve, lux: number): readonly [number, number, number, number] {
  const x = Math.log(lux / REFERENCE_LUX);
  const light = Math.exp(curve.gamma * x) / curve.r10Ohms;
  const dark = curve.darkOhms === null ? 0 : 1 / curve.darkOhms;
  const ohms = ldrOhmsAt(curve, lux);
  const share = 1 / ((light + dark) ** 2 * ohms);
  return [light * share, -x * light * share, dark * share, curve.brightOhms / ohms];
}
