import { fractionOfLux, luxOfFraction, type LightRange } from '@/core/light/range';

/** One press of an arrow moves the probe by this share of a decade; with Alt by a tenth of it. */
const FINE = 1 / 48;

/**
 * The light after a key: arrows by a small step, page keys by a third of a decade, Home and End to the ends.
 * @returns lux inside the range, or `null` for a key that moves nothing
 */
export function luxAfterKey(key: string, lux: number, range: LightRange, alt = false): number | null {
  const decade = 1 / Math.log10(range.maxLux / range.minLux);
  const step = FINE * decade * (alt ? 0.1 : 1);
  const moves: Readonly<Record<string, number>> = {
    ArrowLeft: -step,
    ArrowDown: -step,
    ArrowRight: step,
    ArrowUp: step,
    PageDown: -decade / 3,
    PageUp: decade / 3,
    Home: -Infinity,
    End: Infinity,
  };
  const move = moves[key];
  if (move === undefined) return null;
  return luxOfFraction(Math.min(1, Math.max(0, fractionOfLux(lux, range) + move)), range);
}

/** A goal has three significant figures: nobody means 12.3457 lx. */
export function roundGoal(lux: number): number {
  return Number(lux.toPrecision(3));
}
