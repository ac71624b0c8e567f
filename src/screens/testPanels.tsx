import 'fake-indexeddb/auto';
import { act, configure, fireEvent, screen } from '@testing-library/react';
import { vi } from 'vitest';

/** For component tests: what a page without a browser lacks of one. */
export function stubBrowser(): void {
  // Whether something is hidden takes longer than all the rest, and nothing here is.
  configure({ defaultHidden: true });
  const ignore = () => undefined;
  vi.stubGlobal('matchMedia', (media: string) => ({
    matches: false,
    media,
    addListener: ignore,
    removeListener: ignore,
    addEventListener: ignore,
    removeEventListener: ignore,
  }));
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
}

/** A field by its label. Found by the label's text, which is many times quicker than by its role. */
export const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label, { selector: 'input' });

/** Puts a text into a field at once and leaves it by Enter. */
export function enter(label: string, text: string): void {
  fireEvent.change(field(label), { target: { value: text } });
  fireEvent.keyDown(field(label), { key: 'Enter' });
}

/** Presses a button by its name. Looked up by its text, which is many times quicker than by its role. */
export function press(name: string | RegExp): void {
  const named = (button: HTMLButtonElement) => button.getAttribute('aria-label') ?? button.textContent ?? '';
  const found = [...document.querySelectorAll('button')].find((button) =>
    typeof name === 'string' ? named(button).trim() === name : name.test(named(button)),
  );
  if (!found) throw new Error(`no button ${name}`);
  fireEvent.click(found);
}

/** What is said beside a field that does not take what was typed. */
export const alerts = () =>
  [...document.querySelectorAll('[role="alert"]')].map(({ textContent }) => textContent ?? '');

/** Picks an option of a list by its label. */
export function pick(label: string, option: string): void {
  fireEvent.mouseDown(screen.getByLabelText(label, { selector: 'input' }));
  const found = [...document.querySelectorAll('.ant-select-item-option')].find(
    (each) => each.getAttribute('title') === option,
  );
  if (!found) throw new Error(`no option ${option}`);
  fireEvent.click(found);
}

/** Waits until panels that follow the project after a pause have followed. */
export const settled = () => act(() => new Promise((resolve) => setTimeout(resolve, 250)));
