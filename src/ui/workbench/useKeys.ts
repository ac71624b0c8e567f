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
      if (!call || belongsToControl(event)) return;
      event.preventDefault();
      call();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
}

/** Enter and space do what the control does that has the focus. */
function belongsToControl({ key, target }: KeyboardEvent): boolean {
  if (!(target instanceof Element)) return false;
  const pressed = 'button, a, summary, [role=button], [role=combobox], [role=switch]';
  if (key === 'Enter') return target.closest(pressed) !== null;
  return key === ' ' && target.closest(`${pressed}, input`) !== null;
}
