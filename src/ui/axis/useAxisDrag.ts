import { useMemo, type PointerEvent, type RefObject } from 'react';
import { fractionOfLux, luxOfFraction, type LightRange } from '@/core/light/range';

interface AxisDrag {
  readonly onMove: (lux: number) => void;
  readonly onEnd?: (lux: number) => void;
  /**
   * The light of what is held, where a handle is dragged: it keeps its place under the pointer, and a press that moves it hardly
   * at all moves nothing. Without it the pointer's own place is taken at once.
   */
  readonly held?: () => number;
}

/** A handle is not dragged before the pointer has gone so many pixels. */
const SLACK_PIXELS = 4;

/**
 * Pointer handlers that turn a drag over the axis into light, at most once a frame; the same ones as long as range and moves
 * are the same.
 * @param plot the element whose width is the axis
 */
export function useAxisDrag(plot: RefObject<HTMLElement | null>, range: LightRange, moves: AxisDrag) {
  return useMemo(
    () => dragHandlers(() => plot.current?.getBoundingClientRect(), range, moves),
    [plot, range, moves],
  );
}

/** @param box where the axis stands on the screen */
export function dragHandlers(
  box: () => Pick<DOMRect, 'left' | 'width'> | undefined,
  range: LightRange,
  { onMove, onEnd, held }: AxisDrag,
) {
  let frame = 0;
  let last: number | null = null;
  /** Where a handle was taken, and the place of its line then, in pixels of the screen. */
  let grip: { readonly pointer: number; readonly line: number } | null = null;
  let isDragged = false;
  /** Where a finger came down beside a handle: until it goes sideways it may be about to scroll. */
  let finger: number | null = null;

  const lightAt = (clientX: number): number | null => {
    const place = box();
    if (!place || place.width === 0) return null;
    const x = grip ? grip.line + clientX - grip.pointer : clientX;
    return luxOfFraction(Math.min(1, Math.max(0, (x - place.left) / place.width)), range);
  };
  const schedule = (lux: number | null) => {
    if (lux === null) return;
    last = lux;
    if (frame !== 0) return;
    frame = requestAnimationFrame(() => {
      frame = 0;
      if (last !== null) onMove(last);
    });
  };
  const take = (clientX: number) => {
    const place = box();
    isDragged = !held;
    grip =
      held && place
        ? { pointer: clientX, line: place.left + fractionOfLux(held(), range) * place.width }
        : null;
  };
  const end = () => {
    cancelAnimationFrame(frame);
    frame = 0;
  };

  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      last = null;
      take(event.clientX);
      finger = event.pointerType === 'touch' && !held ? event.clientX : null;
      if (finger !== null) isDragged = false;
      if (isDragged) schedule(lightAt(event.clientX));
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
      const from = grip?.pointer ?? finger;
      isDragged ||= from !== null && Math.abs(event.clientX - from) >= SLACK_PIXELS;
      if (isDragged) schedule(lightAt(event.clientX));
    },
    onPointerUp: (event: PointerEvent<HTMLElement>) => {
      if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
      end();
      // A tap beside a handle goes there; a swipe has been taken away by now and scrolled the page.
      const lux = isDragged || finger !== null ? (lightAt(event.clientX) ?? last) : null;
      if (lux === null) return;
      onMove(lux);
      onEnd?.(lux);
    },
    onPointerCancel: () => {
      end();
      if (last !== null) onEnd?.(last);
    },
  };
}
