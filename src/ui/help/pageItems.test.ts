// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inAMoment, whenThere } from './pageItems';
import { passedOff } from '@/core/testRecord';

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  document.body.innerHTML = '';
});

/** Puts a button on the page that counts as seen, as nothing is laid out here. */
function addButton(name: string): void {
  document.body.innerHTML = `<main><button>${name}</button></main>`;
  const button = document.querySelector('button');
  if (button) button.getClientRects = () => passedOff([{}]);
}

describe('what the palette goes to', () => {
  it('is taken up when it comes up, and missed where it does not', () => {
    const [then, missing] = [vi.fn(), vi.fn()];
    whenThere('Run the day', then, missing);
    vi.advanceTimersByTime(500);
    addButton('Run the day');
    vi.advanceTimersByTime(100);
    expect(then).toHaveBeenCalledTimes(1);
    whenThere('Not there', then, missing);
    vi.advanceTimersByTime(5000);
    expect(missing).toHaveBeenCalledTimes(1);
  });

  it('is waited for as long as what it belongs to is still being worked out', () => {
    const [then, missing] = [vi.fn(), vi.fn()];
    document.body.innerHTML = '<main><div class="ant-skeleton ant-skeleton-active"></div></main>';
    whenThere('Done, next', then, missing);
    vi.advanceTimersByTime(30_000);
    expect(missing).not.toHaveBeenCalled();
    addButton('Done, next');
    vi.advanceTimersByTime(100);
    expect(then).toHaveBeenCalledTimes(1);
  });

  it.each(['keydown', 'pointerdown'])('is left alone where someone does something else: %s', (deed) => {
    const [then, missing] = [vi.fn(), vi.fn()];
    whenThere('Run the day', then, missing);
    document.dispatchEvent(new Event(deed));
    addButton('Run the day');
    vi.advanceTimersByTime(5000);
    expect(then).not.toHaveBeenCalled();
    expect(missing).not.toHaveBeenCalled();
  });

  it.each(['keydown', 'pointerdown'])('is not begun after that: %s', (deed) => {
    const [left, done] = [vi.fn(), vi.fn()];
    inAMoment(left);
    document.dispatchEvent(new Event(deed));
    inAMoment(done);
    vi.advanceTimersByTime(100);
    expect(left).not.toHaveBeenCalled();
    expect(done).toHaveBeenCalledTimes(1);
  });
});
