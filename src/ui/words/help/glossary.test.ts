import { describe, expect, it } from 'vitest';
import { glossary, searchedTerms, termIn } from './glossary';

describe('the glossary', () => {
  it('explains each term once, in one to three sentences', () => {
    const names = glossary.flatMap(({ term, also = [] }) => [term, ...also]);
    const lower = glossary.map(({ term }) => term.toLowerCase());
    expect(new Set(lower).size).toBe(lower.length);
    expect(names.every((name) => name.trim() === name)).toBe(true);
    for (const { means } of glossary) {
      expect(means).toMatch(/^\p{Lu}.*\.$/u);
      expect(means.length).toBeLessThan(260);
    }
  });

  it('finds the longest term that a label holds as a whole word', () => {
    expect(termIn('Forced β')?.term).toBe('Forced β');
    expect(termIn('Transition band')?.term).toBe('Transition band');
    expect(termIn('Least band')?.term).toBe('Hysteresis');
    expect(termIn('Midpoint at A')?.term).toBe('Divider');
    expect(termIn('Contraband cargo')).toBeNull();
    expect(termIn('Flux')).toBeNull();
  });

  it('is searched by every word', () => {
    expect(searchedTerms('relay coil').map(({ term }) => term)).toEqual(['Drop-out', 'Pull-in']);
    expect(searchedTerms('')).toHaveLength(glossary.length);
    expect(searchedTerms('xyzzy')).toEqual([]);
  });
});
