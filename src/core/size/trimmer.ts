import { ldrOhmsBand } from '../ldr/model';
import { ldrOhmsAt } from '../ldr/curve';
import { valuesIn, type ResistorStock } from '../series/stock';
import type { Ok, Refused } from '../result';
import type { LdrModel } from '../ldr/model';
import type { Trimmer } from '../project/project';

/** A trimmer with its end resistor, and where on its travel the wanted value lies. */
export interface TrimmerChoice extends Trimmer {
  /** 0 at the end resistor alone, 1 with the whole track. */
  readonly position: number;
  /** Whether its travel reaches the wanted value for every LDR of the spread. */
  readonly covers: boolean;
}

/** Where a trimmer stands on its travel when R1 has a value: 0 at the end resistor alone, 1 with the whole track. */
export function trimmerPosition({ endOhms, trackOhms }: Trimmer, fixedOhms: number): number {
  return (fixedOhms - endOhms) / trackOhms;
}

/** What R1 is with the trimmer at a place on its travel, in Ω, to four digits; never under 1 Ω. */
export function ohmsAtPosition({ endOhms, trackOhms }: Trimmer, position: number): number {
  return Number(Math.max(1, endOhms + position * trackOhms).toPrecision(4));
}

/** Nearer to an end of its travel than this a trimmer is hard to set. */
const EDGE = 0.1;
const SINGLE_TURN_DEGREES = 270;

/** The fixed resistor for the low and for the high end of the LDR's 95 % spread: it goes with the LDR's resistance. */
export function fixedSpread(
  ldr: LdrModel,
  goalLux: number,
  exactOhms: number,
): { low: number; high: number } {
  const middle = ldrOhmsAt(ldr.curve, goalLux);
  const { low, high } = ldrOhmsBand(ldr, goalLux);
  return { low: (exactOhms * low) / middle, high: (exactOhms * high) / middle };
}

/**
 * The trimmer and end resistor out of a drawer that set a value best: the travel covers the spread, the wanted value lies
 * near the middle, and the track is no longer than it must be, so that a degree is fine.
 * @returns `empty-drawer` without trimmers; `out-of-reach` where none can be set to the value at all
 */
export function chooseTrimmer(
  stock: ResistorStock,
  exactOhms: number,
  spread: { readonly low: number; readonly high: number },
): Ok<{ choice: TrimmerChoice }> | Refused<'empty-stock' | 'out-of-reach'> {
  if (stock.trimmerOhms.length === 0) return { ok: false, reason: 'empty-stock' };
  const ends = [0, ...valuesIn(stock)];
  const choices = stock.trimmerOhms.flatMap((trackOhms) => {
    const ideal = Math.max(0, exactOhms - trackOhms / 2);
    return ends
      .filter((endOhms) => endOhms === 0 || (endOhms > ideal / 1.6 && endOhms < ideal * 1.6))
      .map((endOhms): TrimmerChoice => ({
        trackOhms,
        endOhms,
        degrees: SINGLE_TURN_DEGREES,
        position: (exactOhms - endOhms) / trackOhms,
        covers: endOhms <= spread.low && endOhms + trackOhms >= spread.high,
      }))
      .filter(({ position }) => position >= EDGE && position <= 1 - EDGE);
  });
  if (choices.length === 0) return { ok: false, reason: 'out-of-reach' };
  const cost = ({ covers, trackOhms, position }: TrimmerChoice) =>
    (covers ? 0 : 100) + Math.log(trackOhms / exactOhms) + 6 * Math.abs(position - 0.5);
  const choice = choices.reduce((best, candidate) => (cost(candidate) < cost(best) ? candidate : best));
  return { ok: true, choice };
}
