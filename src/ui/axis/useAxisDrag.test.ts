// @vitest-environment happy-dom
import type { PointerEvent } from 'react';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { fractionOfLux, luxOfFraction } from '@/core/light/range';
import { dragHandlers } from './useAxisDrag';
import { passedOff } from '@/core/testRecord';

const range = { minLux: 0.1, maxLux: 1e5 };
const box = { left: 200, width: 600 };
const xOf = (lux: number) => box.left + fractionOfLux(lux, range) * box.width;
const luxAt = (x: number) => luxOfFraction((x - box.left) / box.width, range);

beforeAll(() => {
  vi.stubGlobal('requestAnimationFrame', (call: () => void) => (call(), 0));
  vi.stubGlobal('cancelAnimationFrame', () => undefined);
});
afterAll(() => vi.unstubAllGlobals());

/** A pointer on a handle at a light, or on the bare axis. */
function pointer(held?: () => number, pointerType = 'mouse') {
  const [moved, dropped]: number[][] = [[], []];
  const drag = dragHandlers(() => box, range, {
    onMove: (lux) => moved?.push(lux),
    onEnd: (lux) => dropped?.push(lux),
    held,
  });
  const element = { setPointerCapture: () => undefined, hasPointerCapture: () => true };
  const event = (clientX: number) =>
    passedOff<PointerEvent<HTMLElement>>({
      button: 0,
      clientX,
      pointerId: 1,
      pointerType,
      currentTarget: element,
    });
  return {
    moved,
    dropped,
    down: (x: number) => drag.onPointerDown(event(x)),
    move: (x: number) => drag.onPointerMove(event(x)),
    up: (x: number) => drag.onPointerUp(event(x)),
    cancel: () => drag.onPointerCancel(),
  };
}
const anyX = fc.double({ min: 250, max: 750, noNaN: true });
const beside = fc.double({ min: -60, max: 60, noNaN: true });

describe('a finger on the bare axis', () => {
  it('moves nothing while it may be about to scroll, and nothing once the page has scrolled', () => {
    const finger = pointer(undefined, 'touch');
    finger.down(500);
    finger.move(502);
    finger.cancel();
    expect([finger.moved, finger.dropped]).toEqual([[], []]);
  });

  it('drags sideways, and a tap goes there', () => {
    const finger = pointer(undefined, 'touch');
    finger.down(500);
    finger.move(530);
    finger.up(540);
    expect(finger.dropped?.[0]).toBeCloseTo(luxAt(540), 6);
    const tap = pointer(undefined, 'touch');
    tap.down(400);
    tap.up(401);
    expect(tap.moved?.[0]).toBeCloseTo(luxAt(401), 6);
  });
});

describe('a handle on the light axis', () => {
  it('is not moved by a click, wherever on it and however much the hand trembles', () => {
    fc.assert(
      fc.property(
        anyX,
        beside,
        fc.array(fc.double({ min: -3, max: 3, noNaN: true })),
        (line, off, shakes) => {
          const hand = pointer(() => luxAt(line));
          hand.down(line + off);
          for (const shake of shakes) hand.move(line + off + shake);
          hand.up(line + off + (shakes.at(-1) ?? 0));
          expect([hand.moved, hand.dropped]).toEqual([[], []]);
        },
      ),
    );
  });

  it('goes as far as the pointer goes, keeping its place under it', () => {
    fc.assert(
      fc.property(fc.double({ min: 400, max: 600, noNaN: true }), beside, beside, (line, off, by) => {
        const hand = pointer(() => luxAt(line));
        hand.down(line + off);
        hand.move(line + off + (by < 0 ? by - 6 : by + 6));
        hand.up(line + off + by);
        expect(xOf(hand.dropped?.[0] ?? NaN)).toBeCloseTo(line + by, 6);
      }),
    );
  });

  it('is what the bare axis is not: there the pointer’s own place is taken at once', () => {
    const hand = pointer();
    hand.down(500);
    hand.up(500);
    expect(xOf(hand.dropped?.[0] ?? NaN)).toBeCloseTo(500, 6);
  });
});
