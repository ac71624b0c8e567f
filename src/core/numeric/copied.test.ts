import { describe, expect, it } from 'vitest';
import { copied } from './copied';

describe('a copy of figures', () => {
  it('is its own, however long and however many were made before and after it', () => {
    const lists = Array.from({ length: 300 }, (_, at) =>
      Float64Array.from({ length: at % 150 }, (_one, place) => at + place / 1000),
    );
    const copies = lists.map(copied);
    copies.forEach((copy, at) => {
      expect(copy).toEqual(lists[at]);
      copy.fill(-1);
    });
    lists.forEach((list, at) => {
      expect(list.every((value) => value >= at)).toBe(true);
    });
  });
});
