import type { Siting } from '../project/built/siting';
import type { DaySettings } from '../simulate/day/daySettings';

/** A day as it comes to the LDR where it goes: what its window or tube keeps off is shaded too. Lamps and cars are told at the LDR. */
export function sitedDay(day: DaySettings, { clearShare }: Siting): DaySettings {
  if (clearShare === 1) return day;
  return { ...day, shade: 1 - (1 - day.shade) * clearShare };
}
