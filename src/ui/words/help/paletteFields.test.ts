import { describe, expect, it } from 'vitest';
import { measureWords } from '../panels/measure';
import { paletteFields } from './paletteFields';

describe('the palette', () => {
  it('knows what comes up only once a log is begun', () => {
    const names = [
      measureWords.endTheLog,
      measureWords.nameOfThe,
      measureWords.noteOfThe,
      measureWords.stretchFrom,
      measureWords.stretchTo,
      measureWords.lightOfStretch,
      measureWords.takeAsReading,
      measureWords.findStep,
    ];
    for (const name of names)
      expect(paletteFields).toContainEqual({ name, step: 'measure', way: 'Time log' });
  });
});
