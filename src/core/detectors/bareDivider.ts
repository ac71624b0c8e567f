import { partIn } from '../parts/find';
import type { Part } from '../parts/part';
import type { LdrSide } from '../drivers/kinds';

/** What stands beside an LDR; `null` for nothing. */
export interface Beside {
  readonly ldrParallelOhms: number | null;
  readonly ldrSeriesOhms: number | null;
}

/** A divider as its closed forms need it: ideal rails and nothing on the midpoint. */
export interface BareDivider extends Beside {
  readonly ldrSide: LdrSide;
  readonly fixedOhms: number;
  readonly supplyVolts: number;
  /** Lower rail against 0 V: 0 or less; 0 where it is not said. */
  readonly lowVolts?: number;
}

/** The LDR with what stands beside it, in Ω. */
export function branchOhms(ldrOhms: number, { ldrParallelOhms, ldrSeriesOhms }: Beside): number {
  const across = ldrParallelOhms === null ? ldrOhms : 1 / (1 / ldrOhms + 1 / ldrParallelOhms);
  return across + (ldrSeriesOhms ?? 0);
}

/** The LDR's own resistance within a branch: the inverse of {@link branchOhms}. `null` where no resistance gives that. */
export function ldrOhmsWithin(branch: number, { ldrParallelOhms, ldrSeriesOhms }: Beside): number | null {
  const across = branch - (ldrSeriesOhms ?? 0);
  const siemens = 1 / across - (ldrParallelOhms === null ? 0 : 1 / ldrParallelOhms);
  return across > 0 && siemens > 0 ? 1 / siemens : null;
}

/** The midpoint of a bare divider, `V·Rlow/(Rhigh + Rlow)`, in V against 0 V. */
export function bareMidVolts(divider: BareDivider, ldrOhms: number): number {
  const { supplyVolts, lowVolts = 0, fixedOhms, ldrSide } = divider;
  const branch = branchOhms(ldrOhms, divider);
  const lower = ldrSide === 'bottom' ? branch : fixedOhms;
  return lowVolts + ((supplyVolts - lowVolts) * lower) / (branch + fixedOhms);
}

/** The LDR's resistance that gives a bare midpoint: the inverse of {@link bareMidVolts}. `null` where none does. */
export function ldrOhmsAtMid(divider: BareDivider, midVolts: number): number | null {
  const { supplyVolts, lowVolts = 0, fixedOhms, ldrSide } = divider;
  const [above, below] = [supplyVolts - midVolts, midVolts - lowVolts];
  if (!(above > 0 && below > 0)) return null;
  return ldrOhmsWithin(
    ldrSide === 'bottom' ? (fixedOhms * below) / above : (fixedOhms * above) / below,
    divider,
  );
}

/** What a midpoint's own resistance is towards what it feeds: both branches side by side, in Ω. */
export function sourceOhms(divider: Beside & { readonly fixedOhms: number }, ldrOhms: number): number {
  return 1 / (1 / branchOhms(ldrOhms, divider) + 1 / divider.fixedOhms);
}

/** The rail under a divider, against 0 V: that of a negative supply where there is one. */
export function lowVoltsOf(parts: readonly Part[]): number {
  return partIn(parts, 'supply', 'negative-supply')?.volts ?? 0;
}
