/** Boltzmann's constant over the elementary charge, V/K. */
const BOLTZMANN_OVER_CHARGE = 8.617333262e-5;
const ZERO_CELSIUS = 273.15;
/** The temperature at which saturation currents are given, in K. */
const NOMINAL_KELVIN = 298.15;
/** Band gap used for the saturation current's rise with temperature, in eV. */
const BAND_GAP_EV = 1.11;
/** Above this exponent the exponential goes on as its tangent, so that nothing overflows on the way to a solution. */
const MAX_EXPONENT = 120;

/** Thermal voltage kT/q in V. */
export function thermalVolts(celsius: number): number {
  return BOLTZMANN_OVER_CHARGE * (celsius + ZERO_CELSIUS);
}

/**
 * Saturation current of a silicon junction at a temperature: `Is·(T/298.15)³·exp(Eg/k·(1/298.15 − 1/T))`. It makes
 * V_BE fall by about 2 mV/°C.
 * @param amps at 25 °C
 */
export function saturationAmpsAt(amps: number, celsius: number): number {
  const kelvin = celsius + ZERO_CELSIUS;
  const exponent = (BAND_GAP_EV / BOLTZMANN_OVER_CHARGE) * (1 / NOMINAL_KELVIN - 1 / kelvin);
  return amps * (kelvin / NOMINAL_KELVIN) ** 3 * Math.exp(exponent);
}

/** Below this exponent the exponential is nothing beside the 1 that is taken from it, to the last digit. */
const MIN_EXPONENT = -40;

/** `exp(x)`, continued as a straight line above a very large x, and nothing below a very small one. */
export function limitedExp(x: number): number {
  if (x < MIN_EXPONENT) return 0;
  return x < MAX_EXPONENT ? Math.exp(x) : Math.exp(MAX_EXPONENT) * (1 + x - MAX_EXPONENT);
}

/** The voltage at which a junction's exponential is steepest for Newton's purpose (critical voltage). */
export function criticalVolts(emissionVolts: number, saturationAmps: number): number {
  return emissionVolts * Math.log(emissionVolts / (Math.SQRT2 * saturationAmps));
}

/**
 * Holds a junction's step to what its exponential can follow (the usual junction limiting of circuit simulators):
 * above the critical voltage the step goes by the logarithm.
 */
export function limitJunctionStep(
  wanted: number,
  before: number,
  emissionVolts: number,
  critical: number,
): number {
  if (wanted <= critical || Math.abs(wanted - before) <= 2 * emissionVolts) return wanted;
  if (before <= 0) return emissionVolts * Math.log(wanted / emissionVolts);
  const growth = 1 + (wanted - before) / emissionVolts;
  return growth > 0 ? before + emissionVolts * Math.log(growth) : critical;
}

/** A step down by more than this share of the emission voltage, where it leaves any current, goes by the logarithm. */
export const DOWN_SHARE = 0.5;

/** What is left of a current is known to so much of it: less is lost in the last digits of the voltages. */
const LEAST_SHARE = 1e-5;

/**
 * The same with longer steps, which arrive in half as many and seldom not at all: up at once to the critical voltage, and down by the
 * logarithm where little of the current is left, which along the tangent would go by no more than the emission voltage each time.
 */
export function limitBoldly(wanted: number, before: number, emissionVolts: number, critical: number): number {
  /** The current there as a share of that before, along the tangent. */
  const share = 1 + (wanted - before) / emissionVolts;
  if (wanted < before) {
    if (share <= -LEAST_SHARE) return Math.min(wanted, critical);
    return share < 1 - DOWN_SHARE ? before + emissionVolts * Math.log(Math.max(share, LEAST_SHARE)) : wanted;
  }
  if (wanted <= critical || wanted - before <= 2 * emissionVolts) return wanted;
  return Math.max(before + emissionVolts * Math.log(share), critical);
}
