/** The best threshold between a midpoint measured in the dark and one in the light. */
export interface BetweenMidpoints {
  readonly volts: number;
  /** How far it is to either, in V. */
  readonly darkMarginVolts: number;
  readonly lightMarginVolts: number;
  /** By what ratio the LDR's resistance may move either way before it is passed: the same both ways. */
  readonly ohmsRatio: number;
}

/**
 * The voltage that leaves the LDR the same ratio of resistance both ways: where its resistance is the geometric mean of that
 * at the two midpoints, `V/(1 + √((V/Va − 1)(V/Vb − 1)))` for a bare divider, on whichever side the LDR is; all volts counted
 * from its lower rail.
 *
 * @param supplyVolts above both midpoints
 * @param lowVolts the divider's lower rail, 0 V or under it
 * @returns `null` where a midpoint is not between the rails, or they are the same
 * @example betweenMidpoints(5, 1, 4)?.volts // 2.5
 */
export function betweenMidpoints(
  supplyVolts: number,
  darkVolts: number,
  lightVolts: number,
  lowVolts = 0,
): BetweenMidpoints | null {
  const isInside = (volts: number) => volts > lowVolts && volts < supplyVolts;
  if (!isInside(darkVolts) || !isInside(lightVolts) || darkVolts === lightVolts) return null;
  const ratio = (volts: number) => (supplyVolts - volts) / (volts - lowVolts);
  const middle = Math.sqrt(ratio(darkVolts) * ratio(lightVolts));
  const volts = lowVolts + (supplyVolts - lowVolts) / (1 + middle);
  return {
    volts,
    darkMarginVolts: Math.abs(volts - darkVolts),
    lightMarginVolts: Math.abs(volts - lightVolts),
    ohmsRatio: Math.max(ratio(darkVolts), ratio(lightVolts)) / middle,
  };
}
