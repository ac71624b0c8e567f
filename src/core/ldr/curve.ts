/** Figures of a photoresistor's static curve. */
export interface LdrCurve {
  /** Resistance at 10 lx in Ω, above 0. */
  readonly r10Ohms: number;
  /** Slope of ln R against ln E, without its minus sign; 0.2–1.5, usually 0.5–0.9. */
  readonly gamma: number;
  /** Resistance in complete dark in Ω; `null` for a pure power law that rises without end. */
  readonly darkOhms: number | null;
  /** Contact resistance left in the brightest light, in Ω; 0 for a pure power law. */
  readonly brightOhms: number;
}

/** The light at which R10 is told. */
export const REFERENCE_LUX = 10;

/**
 * Resistance at a light: `Rbright + 1 / (1/Rdark + (E/10 lx)^γ / R10)`: conductance by photons on top of a dark
 * conductance, in series with the contacts. (Usual photoresistor power law with its two floors.)
 *
 * @param lux above 0
 * @returns Ω, falling strictly with light
 * @example ldrOhmsAt({ r10Ohms: 8760, gamma: 0.5923, darkOhms: 923000, brightOhms: 164 }, 147) // 1943.36
 */
export function ldrOhmsAt(curve: LdrCurve, lux: number): number {
  const darkSiemens = curve.darkOhms === null ? 0 : 1 / curve.darkOhms;
  const rise = Math.exp(curve.gamma * Math.log(lux / REFERENCE_LUX));
  return curve.brightOhms + 1 / (darkSiemens + rise / curve.r10Ohms);
}

/**
 * The light at which the curve has a resistance: the inverse of {@link ldrOhmsAt}, in closed form.
 *
 * @param ohms above 0
 * @returns lux, or `null` where no light gives this resistance (at or under the bright floor, at or over the dark one)
 */
export function ldrLuxAt(curve: LdrCurve, ohms: number): number | null {
  const photoOhms = ohms - curve.brightOhms;
  if (!(photoOhms > 0)) return null;
  const photoSiemens = 1 / photoOhms - (curve.darkOhms === null ? 0 : 1 / curve.darkOhms);
  if (!(photoSiemens > 0)) return null;
  return REFERENCE_LUX * (photoSiemens * curve.r10Ohms) ** (1 / curve.gamma);
}
