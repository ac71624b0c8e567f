// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepFocus } from './focusGoesOn';

let stop = () => {};
beforeEach(() => {
  vi.useFakeTimers();
  document.body.innerHTML = `<main><section><button id="a">A</button><button id="b">B</button><button id="c">C</button></section>
    <section><button id="d">D</button></section></main>`;
  stop = keepFocus(document);
});
afterEach(() => {
  stop();
  document.body.innerHTML = '';
  vi.useRealTimers();
});

const byId = (id: string) => {
  const found = document.querySelector<HTMLButtonElement>(`#${id}`);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const press = (key = 'Enter') => document.dispatchEvent(new KeyboardEvent('keydown', { key }));
/** Lets the page be looked at, as often as it changes. */
const settle = async () => {
  await Promise.resolve();
  vi.advanceTimersByTime(100);
  await Promise.resolve();
  vi.advanceTimersByTime(100);
};

describe('the focus', () => {
  it('goes to what follows in its panel when what had it is gone, else to what stood before', async () => {
    byId('b').focus();
    press();
    byId('b').remove();
    await settle();
    expect(document.activeElement?.id).toBe('c');
    byId('c').remove();
    await settle();
    expect(document.activeElement?.id).toBe('a');
  });

  it('comes back to what was only disabled for a while, if nothing else was taken', async () => {
    byId('d').focus();
    byId('d').disabled = true;
    byId('d').blur();
    await settle();
    byId('d').disabled = false;
    await settle();
    expect(['d', 'c']).toContain(document.activeElement?.id);
    expect(document.activeElement).not.toBe(document.body);
  });

  it('goes on from what is disabled before the browser takes it away', async () => {
    byId('b').focus();
    byId('b').disabled = true;
    await settle();
    expect(document.activeElement?.id).toBe('c');
  });

  it('stays where someone has put it, and is not taken by what changes elsewhere', async () => {
    byId('a').focus();
    byId('d').remove();
    await settle();
    expect(document.activeElement?.id).toBe('a');
    byId('a').blur();
    byId('b').remove();
    await settle();
    expect(document.activeElement).toBe(document.body);
  });

  it('is left alone by whoever has put it nowhere, also after it had been lost, and when the page goes on', async () => {
    byId('b').focus();
    byId('b').remove();
    await settle();
    expect(document.activeElement?.id).toBe('c');
    byId('c').blur();
    await settle();
    byId('d').remove();
    await settle();
    expect(document.activeElement).toBe(document.body);
    window.history.pushState(null, '', '/another');
    document.querySelector('main')?.replaceChildren(document.createElement('button'));
    await settle();
    expect(document.activeElement).toBe(document.body);
  });

  it('goes to the beginning of a page that was gone to, where what had it was left behind', async () => {
    byId('d').focus();
    window.history.pushState(null, '', '/third');
    const main = document.querySelector('main');
    if (main) main.innerHTML = '<section><button id="first">First</button><button>Second</button></section>';
    await settle();
    expect(document.activeElement?.id).toBe('first');
  });

  it('goes to the panel alone after a pointer, so that no keyboard comes up', async () => {
    byId('b').focus();
    document.dispatchEvent(new Event('pointerdown'));
    byId('b').remove();
    await settle();
    expect(document.activeElement?.tagName).toBe('SECTION');
  });

  it('does not wait for a dialog that was open once and lies hidden', async () => {
    const dialog = document.createElement('div');
    dialog.setAttribute('role', 'dialog');
    dialog.setAttribute('aria-modal', 'true');
    dialog.checkVisibility = () => false;
    document.body.append(dialog);
    byId('b').focus();
    press();
    byId('b').remove();
    await settle();
    expect(document.activeElement?.id).toBe('c');
  });

  it('waits for a dialog to be shut', async () => {
    byId('b').focus();
    const dialog = document.createElement('div');
    dialog.setAttribute('role', 'dialog');
    dialog.setAttribute('aria-modal', 'true');
    document.body.append(dialog);
    byId('b').remove();
    await settle();
    expect(document.activeElement).toBe(document.body);
    dialog.remove();
    await settle();
    expect(document.activeElement?.id).toBe('c');
  });
});
