import { useRef, type PointerEvent, type RefObject } from 'react';
import { luxOfFraction, type LightRange } from '@/core/light/range';

interface AxisDrag {
  readonly onMove: (lux: number) => void;
  readonly onEnd?: (lux: number) => void;
}

/**
 * Pointer handlers that turn a drag over the axis into light, at most once a frame.
 * @param plot the element whose width is the axis
 */
export function useAxisDrag(
  plot: RefObject<HTMLElement | null>,
  range: LightRange,
  { onMove, onEnd }: AxisDrag,
) {
  const frame = useRef(0);
  const last = useRef<number | null>(null);

  const luxAt = (clientX: number): number | null => {
    const box = plot.current?.getBoundingClientRect();
    if (!box || box.width === 0) return null;
    const fraction = Math.min(1, Math.max(0, (clientX - box.left) / box.width));
    return luxOfFraction(fraction, range);
  };
  const schedule = (lux: number | null) => {
    if (lux === null) return;
    last.current = lux;
    if (frame.current !== 0) return;
    frame.current = requestAnimationFrame(() => {
      frame.current = 0;
      if (last.current !== null) onMove(last.current);
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
      cancelAnimationFrame(frame.current);
      frame.current = 0;
      const lux = luxAt(event.clientX) ?? last.current;
      if (lux === null) return;
      onMove(lux);
      onEnd?.(lux);
    },
    onPointerCancel: () => {
      cancelAnimationFrame(frame.current);
      frame.current = 0;
      if (last.current !== null) onEnd?.(last.current);
    },
  };
}
