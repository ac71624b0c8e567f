import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** What is told to the window when there is another amount of room: canvases fit themselves to it at once. */
export const ROOM_CHANGED = 'yemko-room';

/**
 * Whether the page is on its way to paper. It is then laid out as wide as paper (`html[data-paper]` in the style sheets) and in
 * the look of the day before anything is printed, so that a canvas, which no style sheet reaches, is drawn anew at that size.
 */
export function useOnPaper(): boolean {
  const [isOnPaper, setOnPaper] = useState(false);
  useEffect(() => {
    const set = (isOn: boolean) => () => {
      document.documentElement.toggleAttribute('data-paper', isOn);
      flushSync(() => setOnPaper(isOn));
      window.dispatchEvent(new Event(ROOM_CHANGED));
    };
    const [before, after] = [set(true), set(false)];
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return isOnPaper;
}
