import { describe, expect, it } from 'vitest';
import { cssVariables, lookChoiceOf, lookOf, looks, palettes, SYSTEM_RULES, type Palette } from './tokens';

/** Relative luminance of a colour, as WCAG reckons it. */
function luminance(hex: string): number {
  const channels = [1, 3, 5].map((start) => parseInt(hex.slice(start, start + 2), 16) / 255);
  const [red = 0, green = 0, blue = 0] = channels.map((value) =>
    value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4,
  );
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function contrast(one: string, other: string): number {
  const [lighter = 0, darker = 0] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (lighter + 0.05) / (darker + 0.05);
}

/** Every pair of words and ground that stands on the screen. */
const pairs: readonly (readonly [keyof Palette, keyof Palette])[] = [
  ['ink', 'paper'],
  ['ink', 'card'],
  ['ink', 'accentSoft'],
  ['ink', 'amberPale'],
  ['ink', 'brickSoft'],
  ['inkSoft', 'paper'],
  ['inkSoft', 'card'],
  ['inkSoft', 'accentSoft'],
  ['inkSoft', 'brickSoft'],
  ['inkSoft', 'amberPale'],
  ['hint', 'card'],
  ['brick', 'card'],
  ['tealInk', 'card'],
  ['amberInk', 'card'],
  ['onNight', 'night'],
  ['onNightSoft', 'night'],
  ['onNightBrick', 'night'],
  ['card', 'ink'],
];

describe.each(looks)('the %s look', (look) => {
  it('has contrast enough for every pair of words and ground (WCAG AA)', () => {
    const palette = palettes[look];
    for (const [words, ground] of pairs) {
      expect({ words, ground, enough: contrast(palette[words], palette[ground]) >= 4.5 }).toEqual({
        words,
        ground,
        enough: true,
      });
    }
  });

  it('is written whole into the rules for a page that hangs on the system, if it is the dark one', () => {
    for (const [name, value] of Object.entries(cssVariables(look)))
      if (value.startsWith('#'))
        expect(SYSTEM_RULES.includes(`${name}: ${value} !important`)).toBe(look === 'dark-bench');
  });

  it('gives every colour as a custom property', () => {
    const variables = cssVariables(look);
    expect(variables['--ink-soft']).toBe(palettes[look].inkSoft);
    for (const value of Object.values(palettes[look])) expect(value).toMatch(/^#[0-9A-F]{6}$/);
    expect(Object.keys(variables)).toHaveLength(Object.keys(palettes[look]).length + 2);
  });
});

describe('the dark bench', () => {
  it('is dim and red: no colour of it has more green or blue than a third of its red, and none is bright', () => {
    for (const value of Object.values(palettes['dark-bench'])) {
      const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((start) =>
        parseInt(value.slice(start, start + 2), 16),
      );
      expect(Math.max(green, blue)).toBeLessThanOrEqual(Math.max(8, red * 0.55));
      expect(luminance(value)).toBeLessThan(0.4);
    }
  });
});

describe('the look that a cookie names', () => {
  it('is by day where it names none', () => {
    expect(lookChoiceOf('dark-bench')).toBe('dark-bench');
    expect([undefined, '', 'neon'].map(lookChoiceOf)).toEqual(['day', 'day', 'day']);
    expect([true, false].map((isDark) => lookOf('system', isDark))).toEqual(['dark-bench', 'day']);
    expect(lookOf('day', true)).toBe('day');
  });
});
