import { useEffect, useRef } from 'react';
import { isDialogOpen, isTyping } from './useShortcuts';

/** Single keys of a view, such as `h` to hold. None fires while someone types, or together with Ctrl. */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  const present = useRef(keys);
  useEffect(() => {
    present.current = keys;
  });
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || isDialogOpen()) return;
      const call = present.current[event.key.toLowerCase()];
      if (!call) return;
      event.preventDefault();
      call();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
}
