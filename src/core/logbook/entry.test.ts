import { describe, expect, it } from 'vitest';
import { checked } from '../schema';
import { changedValues, lastWorking, logbookEntryField, searched, type LogbookEntry } from './entry';

const entry = (at: number, change: Partial<LogbookEntry> = {}): LogbookEntry => ({
  ...{ id: `e${at}`, projectId: 'p', at, kind: 'note', text: '', figures: [], outcome: 'open' },
  ...{ values: ['R1=10 kΩ', 'supply=6 V'], photos: [] },
  ...change,
});

describe('a logbook', () => {
  it('takes what it makes, and nothing with a key or a length of its own', () => {
    expect(checked(logbookEntryField, entry(5), 'entry').ok).toBe(true);
    expect(checked(logbookEntryField, { ...entry(5), more: 1 }, 'entry').ok).toBe(false);
    expect(checked(logbookEntryField, entry(5, { text: 'x'.repeat(5000) }), 'entry').ok).toBe(false);
    expect(
      checked(logbookEntryField, entry(5, { photos: ['a', 'b', 'c', 'd', 'e', 'f', 'g'] }), 'entry').ok,
    ).toBe(false);
  });

  it('holds an entry against the last that worked before it', () => {
    const entries = [
      entry(1, { outcome: 'works' }),
      entry(2, { outcome: 'works' }),
      entry(3, { outcome: 'fails' }),
      entry(9, { outcome: 'works' }),
    ];
    expect(lastWorking(entries, entry(5))?.at).toBe(2);
    expect(lastWorking(entries, entry(1))).toBeNull();
    expect(changedValues(['R1=10 kΩ', 'a=1'], ['R1=22 kΩ', 'b=2'])).toEqual([
      { name: 'R1', from: '10 kΩ', to: '22 kΩ' },
      { name: 'a', from: '1', to: null },
      { name: 'b', from: null, to: '2' },
    ]);
  });

  it('finds entries by all words of a search, in whatever case', () => {
    const entries = [
      entry(1, { text: 'The LED flickers at dusk' }),
      entry(2, { text: 'dusk again', kind: 'check' }),
    ];
    expect(searched(entries, 'DUSK led').map(({ at }) => at)).toEqual([1]);
    expect(searched(entries, 'check').map(({ at }) => at)).toEqual([2]);
    expect(searched(entries, '  ')).toHaveLength(2);
  });
});
