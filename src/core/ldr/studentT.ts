/** 97.5 % points of Student's t for 1–30 degrees of freedom (standard table). */
const TABLE = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131,
  2.12, 2.11, 2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
];

/**
 * The factor that turns a standard error into half a 95 % interval.
 * @param degrees of freedom, a whole number from 1; above 30 by the first terms of the Cornish–Fisher expansion
 * @returns exact to 0.001
 */
export function studentT975(degrees: number): number {
  const tabled = TABLE[degrees - 1];
  if (tabled !== undefined) return tabled;
  const z = 1.959964;
  return z + (z ** 3 + z) / (4 * degrees) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * degrees ** 2);
}
