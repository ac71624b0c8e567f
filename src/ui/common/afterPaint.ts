/**
 * Does something once what has been typed or pressed is on the screen: the next frame is drawn first, however long it takes.
 */
export function afterPaint(act: () => void): void {
  requestAnimationFrame(() => setTimeout(act));
}
