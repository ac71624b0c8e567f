import { useEffect } from 'react';
import type { Step } from '@/core/advise/advice';
import { DEFAULT_LIGHT, type LightRange } from '@/core/light/range';
import { useLightControls } from '../axis/useLightControls';
import { steps } from '../chain/SignalChain';
import { useLook } from '../theme/look';
import { useWorkbench } from './context';

interface Shortcuts {
  readonly range: LightRange | undefined;
  readonly onStep: (step: Step) => void;
  readonly onKeys: () => void;
  readonly onPalette: () => void;
}

/** The keys of the workbench. None of them fires while someone types or moves through a control of its own. */
export function useShortcuts({ range, onStep, onKeys, onPalette }: Shortcuts): void {
  const { session } = useWorkbench();
  const { look, change } = useLook();
  const { probeKey, goalKey } = useLightControls(range ?? DEFAULT_LIGHT);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (isDialogOpen()) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && key === 'k') {
        event.preventDefault();
        return onPalette();
      }
      if (command && (key === 'z' || key === 'y')) {
        // A half-typed text is undone first, by the field itself; what a field has handed over is the project's.
        if (isHalfTyped(event.target)) return;
        event.preventDefault();
        return key === 'y' || event.shiftKey ? session.redo() : session.undo();
      }
      if (isTyping(event.target) || command) return;
      const step = steps[Number(event.key) - 1];
      if (step && ownsDigits(event.target)) return;
      if (step) return onStep(step);
      if (event.key === '?') return onKeys();
      if (event.key.toLowerCase() === 'n') return change(look === 'day' ? 'dark-bench' : 'day');
      if (usesArrows(event.target) && !(event.shiftKey && isOnAxis(event.target))) return;
      const moved = event.shiftKey
        ? goalKey('lux', event.key, event.altKey)
        : probeKey(event.key, event.altKey);
      if (moved) event.preventDefault();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [session, onStep, onKeys, onPalette, probeKey, goalKey, look, change]);
}

/** A figure on a control that holds one is no step. */
const ownsDigits = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[role=spinbutton], [role=combobox], [role=listbox]') !== null;

/** Whether a key belongs to a field that someone types in. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof Element &&
    target.closest('input:not([type=radio]):not([type=checkbox]), textarea, [contenteditable=true]') !== null
  );
}

/** Whether something lies over the page that keys belong to. */
export function isDialogOpen(): boolean {
  return [...document.querySelectorAll('.ant-modal-wrap, .ant-drawer-open')].some(
    (layer) => layer instanceof HTMLElement && layer.style.display !== 'none',
  );
}

/** Whether a field holds text that has not been taken: it says so by `data-typed`; of others any text counts. */
export function isHalfTyped(target: EventTarget | null): boolean {
  if (!isTyping(target)) return false;
  if (!(target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement)) return true;
  const { typed } = target.dataset;
  return typed === undefined ? target.value !== '' : typed === 'yes';
}

/** The axis takes arrows alone; with Shift they are the goal’s, wherever the focus is. */
const isOnAxis = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[data-tour=axis]') !== null;

function usesArrows(target: EventTarget | null): boolean {
  const controls =
    '[role=radiogroup], [role=combobox], [role=listbox], [role=slider], [role=dialog], [role=menu], input';
  return target instanceof Element && target.closest(controls) !== null;
}
