import { useMemo, type PointerEvent, type RefObject } from 'react';
import { luxOfFraction, type LightRange } from '@/core/light/range';

interface AxisDrag {
  readonly onMove: (lux: number) => void;
  readonly onEnd?: (lux: number) => void;
}

/**
 * Pointer handlers that turn a drag over the axis into light, at most once a frame; the same ones as long as range and moves
 * are the same.
 * @param plot the element whose width is the axis
 */
export function useAxisDrag(plot: RefObject<HTMLElement | null>, range: LightRange, moves: AxisDrag) {
  return useMemo(() => dragHandlers(plot, range, moves), [plot, range, moves]);
}

function dragHandlers(plot: RefObject<HTMLElement | null>, range: LightRange, { onMove, onEnd }: AxisDrag) {
  let frame = 0;
  let last: number | null = null;

  const luxAt = (clientX: number): number | null => {
    const box = plot.current?.getBoundingClientRect();
    if (!box || box.width === 0) return null;
    const fraction = Math.min(1, Math.max(0, (clientX - box.left) / box.width));
    return luxOfFraction(fraction, range);
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

  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      schedule(luxAt(event.clientX));
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) schedule(luxAt(event.clientX));
    },
    onPointerUp: (event: PointerEvent<HTMLElement>) => {
      if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
      cancelAnimationFrame(frame);
      frame = 0;
      const lux = luxAt(event.clientX) ?? last;
      if (lux === null) return;
      onMove(lux);
      onEnd?.(lux);
    },
    onPointerCancel: () => {
      cancelAnimationFrame(frame);
      frame = 0;
      if (last !== null) onEnd?.(last);
    },
  };
}
