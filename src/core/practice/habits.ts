import { ldrOhmsAt, type LdrCurve } from '../ldr/curve';
import { SLIP_FACTORS } from '../ldr/priors';
import { meterOf, rangeOf } from '../meter/meter';
import { isCoarse } from '../meter/shown';
import type { MeasuredLdr } from '../readings/ldrOf';
import type { Measurement, Reading } from '../readings/reading';
import { at } from '../result';

/** What a person could do otherwise, each with the readings that show it. */
export type HabitCode =
  | 'let-it-settle'
  | 'check-the-lead'
  | 'mind-the-prefix'
  | 'steady-the-light'
  | 'turn-the-range'
  | 'spread-the-lights'
  | 'read-more';

/** A figure this far off the true one, in ln R, was not read in the light that is noted. */
const UNSTEADY = 0.08;
/** A slip lies this near to whole decades. */
const SLIPPED = 0.25;

/** What each reading shows of a habit, held against the truth; `null` for a good one. Shape: readings. */
export function faultsOf(
  { readings, meter: ref }: Measurement,
  { resolved }: MeasuredLdr,
  hidden: LdrCurve,
): readonly (HabitCode | null)[] {
  return readings.map((reading, index) => {
    const lux = at(resolved.lights, index);
    if (lux === null || reading.setAside || reading.light.kind === 'lamp-off') return null;
    return faultOf(reading, ldrOhmsAt(hidden, lux), ref);
  });
}

function faultOf(
  { ohms, above, unsettledStd, rangeOhms }: Reading,
  trueOhms: number,
  ref: Measurement['meter'],
) {
  const off = Math.log(ohms / trueOhms);
  if (above) return off > UNSTEADY ? 'check-the-lead' : null;
  if (SLIP_FACTORS.some((factor) => Math.abs(off - Math.log(factor)) < SLIPPED)) return 'mind-the-prefix';
  if (unsettledStd > 0) return 'let-it-settle';
  const meter = ref && meterOf(ref);
  const range = meter && rangeOf(meter, rangeOhms);
  if (
    meter &&
    range &&
    isCoarse(meter, range, ohms) &&
    meter.ranges.some(({ fullOhms }) => fullOhms > ohms && fullOhms < range.fullOhms)
  )
    return 'turn-the-range';
  return Math.abs(off) > UNSTEADY ? 'steady-the-light' : null;
}
