import { describe, expect, it } from 'vitest';
import { sizingMethodIds } from '@/core/detectors/definition';
import type { MidpointCause } from '@/core/analyse/midpoints';
import { combinationText, midpointSentence, sizingNames, sizingRefusals, sizingWhen } from './dividing';

const plain = (text: string) => text.replaceAll('\u00a0', ' ');

describe('the divider in words', () => {
  it('puts a combination together as one does', () => {
    expect(plain(combinationText({ ohms: 12_000, how: 'single', parts: [12_000] }))).toBe('12 kΩ');
    expect(plain(combinationText({ ohms: 12_200, how: 'series', parts: [10_000, 2200] }))).toBe(
      '10 kΩ + 2.2 kΩ',
    );
    expect(plain(combinationText({ ohms: 5000, how: 'parallel', parts: [10_000, 10_000] }))).toBe(
      '10 kΩ ∥ 10 kΩ',
    );
  });

  it('has a name and a line for every sizing method', () => {
    for (const id of sizingMethodIds) {
      expect(sizingNames[id].length).toBeGreaterThan(3);
      expect(sizingWhen[id]).toMatch(/\.$/);
    }
    expect(new Set(Object.values(sizingRefusals)).size).toBe(3);
  });

  it('names every cause of a wrong midpoint in a sentence of its own', () => {
    const causes: readonly MidpointCause[] = [
      { code: 'upper-open' },
      { code: 'lower-open' },
      { code: 'swapped' },
      { code: 'fixed-slipped', factor: 10 },
      { code: 'fixed-slipped', factor: 0.1 },
      { code: 'base-open' },
      { code: 'other-light', ldrOhms: 4700 },
    ];
    const sentences = causes.map((cause) => plain(midpointSentence(cause)));
    expect(new Set(sentences).size).toBe(causes.length);
    expect(sentences[6]).toContain('4.70 kΩ');
    for (const sentence of sentences) expect(sentence).toMatch(/\.$/);
  });
});
