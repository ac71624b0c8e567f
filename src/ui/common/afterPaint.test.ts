// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { afterPaint } from './afterPaint';

const frames: FrameRequestCallback[] = [];
beforeEach(() => {
  vi.useFakeTimers();
  frames.length = 0;
  vi.stubGlobal('requestAnimationFrame', (frame: FrameRequestCallback) => frames.push(frame));
  vi.stubGlobal('cancelAnimationFrame', (id: number) => delete frames[id - 1]);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
const draw = () => frames.splice(0).forEach((frame) => frame?.(0));

describe('what follows a key', () => {
  it('is done once, after the frame that shows the key', () => {
    const act = vi.fn();
    afterPaint(act);
    expect(act).not.toHaveBeenCalled();
    draw();
    expect(act).not.toHaveBeenCalled();
    vi.runAllTimers();
    window.dispatchEvent(new Event('pagehide'));
    expect(act).toHaveBeenCalledTimes(1);
  });

  it('is done at once and only once when the page goes before, and before what stores the last moment', () => {
    const order: string[] = [];
    const store = () => order.push('stored');
    window.addEventListener('pagehide', store);
    afterPaint(() => order.push('done'));
    window.dispatchEvent(new Event('pagehide'));
    draw();
    vi.runAllTimers();
    window.removeEventListener('pagehide', store);
    expect(order).toEqual(['done', 'stored']);
  });

  it('does not wait for a frame where the page is hidden', () => {
    const act = vi.fn();
    afterPaint(act);
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
    window.dispatchEvent(new Event('visibilitychange'));
    expect(act).toHaveBeenCalledTimes(1);
    vi.restoreAllMocks();
  });
});
