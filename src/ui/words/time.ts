import { fixed, precise } from '@/core/quantity/notation';
import { formatQuantity, GAP } from '@/core/quantity/format';

/** A span of time as one says it: `12 s`, `3 min 05 s`, `2 h 10 min`. @param milliseconds 0 or more */
export function spanText(milliseconds: number): string {
  const seconds = Math.round(Math.max(0, milliseconds) / 1000);
  if (seconds < 60) return `${seconds}${GAP}s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes}${GAP}min${GAP}${String(seconds % 60).padStart(2, '0')}${GAP}s`;
  return `${Math.floor(minutes / 60)}${GAP}h${GAP}${String(minutes % 60).padStart(2, '0')}${GAP}min`;
}

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** A time of day with its seconds. */
export const clockText = (at: number) => clock.format(at);

/** A rate of change: `+3.2 %/min`. */
export function rateText(percentPerMinute: number): string {
  const size = Math.abs(percentPerMinute);
  const figure = fixed(size, size >= 100 ? 0 : 1);
  if (size < 0.05) return `0${GAP}%/min`;
  return `${percentPerMinute < 0 ? '−' : '+'}${figure}${GAP}%/min`;
}

/** A life of a battery: `14 hours`, `9 days`, `5 months`. */
export function hoursText(hours: number): string {
  if (hours < 48) return `${precise(hours, 2)} hours`;
  const days = hours / 24;
  if (days < 60) return `${fixed(days, 0)} days`;
  return days < 3650 ? `${fixed(days / 30.4, 0)} months` : 'over ten years';
}

/** A pulse or a change as short or long as it is: `33 ms`, `1.5 s`, `3 min 20 s`. @param seconds above 0 */
export function timeText(seconds: number): string {
  return seconds < 100 ? formatQuantity(seconds, 's', { digits: 3, trim: true }) : spanText(seconds * 1000);
}
