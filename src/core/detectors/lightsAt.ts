import { ldrLuxAt, type LdrCurve } from '../ldr/curve';
import { ldrOhmsAtMid, type BareDivider } from './bareDivider';

/** The lights at which a bare midpoint has these voltages, from dark to bright; `null` where one has none. */
export function lightsAtMidpoints(
  divider: BareDivider,
  curve: LdrCurve,
  volts: readonly number[],
): readonly number[] | null {
  const lights = volts.flatMap((each) => {
    const ldrOhms = ldrOhmsAtMid(divider, each);
    const lux = ldrOhms === null ? null : ldrLuxAt(curve, ldrOhms);
    return lux === null ? [] : [Number(lux.toPrecision(3))];
  });
  return lights.length === volts.length ? lights.sort((one, other) => one - other) : null;
}
