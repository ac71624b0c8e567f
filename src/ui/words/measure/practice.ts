import { precise } from '@/core/quantity/notation';
import type { Difficulty } from '@/core/practice/bench';
import type { HabitCode } from '@/core/practice/habits';
import type { Habit } from '@/core/practice/judgePractice';
import { percent } from '../figures';

export const difficultyNames: Readonly<Record<Difficulty, string>> = {
  lab: 'a steady lab',
  dusk: 'a living room at dusk, a screen on',
  'worn-meter': 'a meter with a low battery, a loose lead',
};

const habits: Readonly<Record<HabitCode, string>> = {
  'let-it-settle': 'Wait for the settled mark before you take a figure',
  'check-the-lead': 'Look at the leads before you believe an OL',
  'mind-the-prefix': 'Read the unit with the figure: Ω, kΩ or MΩ',
  'steady-the-light':
    'Keep the light still while you read: no screen, no shadow, the same place for LDR and light meter',
  'turn-the-range': 'Turn the range down until the display is full of digits',
  'spread-the-lights':
    'Spread the lights: a hundredfold between the darkest and the brightest tells the slope',
  'read-more': 'Take a few readings more: from five on, one bad one no longer counts',
};

/** The one habit to change, and what it would have brought. @param nameOf the light of a reading */
export function habitSentence(
  { code, ids, thenMiss }: Habit,
  miss: number,
  nameOf: (id: string) => string,
): string {
  if (ids.length === 0) return `${habits[code]}.`;
  const names = ids.slice(0, 3).map(nameOf).join(', ');
  const more = ids.length > 3 ? ` and ${ids.length - 3} more` : '';
  return `${habits[code]} (${names}${more}). The fit would have been ${percent(1 - thenMiss / miss)} nearer.`;
}

/** What the fit would be without a reading. @param gain by how much the miss would grow */
export function worthText(gain: number, miss: number): string {
  if (!Number.isFinite(gain)) return 'no fit at all';
  const share = Math.abs(gain) / Math.max(miss, 0.01);
  if (share < 0.02) return 'the same';
  const size = share > 3 ? `${precise(share + 1, 2)} times` : percent(share);
  return gain > 0 ? `${size} farther off` : `${size} nearer`;
}
