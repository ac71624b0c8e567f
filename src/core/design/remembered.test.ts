import { describe, expect, it } from 'vitest';
import { memoized } from './remembered';

describe('what is remembered', () => {
  it('is made once while all that it is of stays the same, and anew when one part is another', () => {
    let made = 0;
    const ask = memoized<number>();
    const [one, other] = [{}, {}];
    expect([ask([one, 5], () => ++made), ask([one, 5], () => ++made)]).toEqual([1, 1]);
    expect([ask([one, 6], () => ++made), ask([other, 6], () => ++made)]).toEqual([2, 3]);
    expect(ask([one, 5], () => ++made)).toBe(4);
  });

  it('is not mistaken for that of fewer parts', () => {
    const ask = memoized<string>();
    ask([1, 2], () => 'two');
    expect(ask([1], () => 'one')).toBe('one');
    expect(ask([1, undefined], () => 'none')).toBe('none');
  });

  it('holds for NaN too, and for an answer of null', () => {
    let made = 0;
    const ask = memoized<null>();
    const make = () => {
      made++;
      return null;
    };
    expect([ask([NaN], make), ask([NaN], make), made]).toEqual([null, null, 1]);
  });
});
