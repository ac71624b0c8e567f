/**
 * Does something once what has been typed or pressed is on the screen: the next frame is drawn first, however long it takes. A page
 * that is left before does it at once, so that nothing is lost.
 */
export function afterPaint(act: () => void): void {
  const once = () => {
    window.removeEventListener('pagehide', once, { capture: true });
    window.removeEventListener('visibilitychange', onHidden, { capture: true });
    clearTimeout(timer);
    cancelAnimationFrame(frame);
    act();
  };
  // A page that is hidden draws no frame. What stores the last moment listens as well: this comes before it.
  const onHidden = () => document.visibilityState === 'hidden' && once();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const frame = requestAnimationFrame(() => (timer = setTimeout(once)));
  window.addEventListener('pagehide', once, { capture: true });
  window.addEventListener('visibilitychange', onHidden, { capture: true });
}
