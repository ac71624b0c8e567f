import Papa from 'papaparse';
import type { Recorded } from '@/core/simulate/day/recorded';
import type { Ok, Refused } from '@/core/result';

/** A light read from a CSV file, with how many of its rows were left out. */
export type LightCsv =
  | Ok<{ readonly light: Recorded; readonly leftOut: number }>
  | Refused<'no-columns' | 'empty'>;

const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?$/;

/** A time as seconds: a count of them, a time of the clock, or a date with its time. */
function secondsOf(text: string): number {
  const typed = text.trim();
  const clock = CLOCK.exec(typed);
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3] ?? 0);
  if (typed === '') return NaN;
  const count = Number(typed.replace(',', '.'));
  return Number.isNaN(count) ? Date.parse(typed) / 1000 : count;
}

/**
 * A light over time: the first column a time, the second lx; a row that is none, such as the heads, is left out and counted.
 * Semicolons part columns where commas are decimal.
 */
export function lightOfCsv(text: string): LightCsv {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const seconds: number[] = [];
  const lux: number[] = [];
  for (const [time = '', light = ''] of data) {
    const [at, value] = [secondsOf(time), Number(light.trim().replace(',', '.'))];
    if (Number.isNaN(at) || light.trim() === '' || !(value >= 0)) continue;
    seconds.push(at);
    lux.push(value);
  }
  if (data.length > 0 && data.every((row) => row.length < 2)) return { ok: false, reason: 'no-columns' };
  if (seconds.length === 0) return { ok: false, reason: 'empty' };
  return { ok: true, light: { seconds, lux }, leftOut: data.length - seconds.length };
}
