/** The 97.5 % points for 1 to 60 degrees of freedom, held to the area under the curve by a test: a package for them would be a twelfth of the first page. */
// prettier-ignore
const POINTS: readonly number[] = [
  12.70620473617, 4.302652729749, 3.182446305284, 2.776445105198, 2.570581835636, 2.446911851145,
  2.364624251593, 2.306004135204, 2.262157162798, 2.228138851986, 2.200985160092, 2.178812829667,
  2.160368656463, 2.144786687918, 2.131449545560, 2.119905299221, 2.109815577833, 2.100922040241,
  2.093024054408, 2.085963447266, 2.079613844728, 2.073873067904, 2.068657610419, 2.063898561628,
  2.059538552753, 2.055529438643, 2.051830516480, 2.048407141795, 2.045229642133, 2.042272456301,
  2.039513446396, 2.036933343460, 2.034515297449, 2.032244509318, 2.030107928250, 2.028094000980,
  2.026192463029, 2.024394163912, 2.022690920037, 2.021075390306, 2.019540970441, 2.018081702818,
  2.016692199228, 2.015367574444, 2.014103388881, 2.012895598919, 2.011740513730, 2.010634757624,
  2.009575237129, 2.008559112101, 2.007583770316, 2.006646805062, 2.005745995318, 2.004879288188,
  2.004044783289, 2.003240718848, 2.002465459291, 2.001717484145, 2.000995378088, 2.000297822014,
];

/** The 97.5 % point of the normal distribution. */
const Z = 1.959963984540054;
/** Coefficients of 1/ν, 1/ν² … of the expansion of Student's quantile about the normal one (Abramowitz and Stegun, 26.7.5). */
const EXPANSION: readonly number[] = [
  (Z ** 3 + Z) / 4,
  (5 * Z ** 5 + 16 * Z ** 3 + 3 * Z) / 96,
  (3 * Z ** 7 + 19 * Z ** 5 + 17 * Z ** 3 - 15 * Z) / 384,
  (79 * Z ** 9 + 776 * Z ** 7 + 1482 * Z ** 5 - 1920 * Z ** 3 - 945 * Z) / 92_160,
];

/**
 * The factor that turns a standard error into half a 95 % interval: the 97.5 % point of Student's t, to 1e-9.
 * @param degrees of freedom, a whole number from 1
 */
export function studentT975(degrees: number): number {
  return (
    POINTS[degrees - 1] ??
    EXPANSION.reduce((sum, coefficient, index) => sum + coefficient / degrees ** (index + 1), Z)
  );
}
