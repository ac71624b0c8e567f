// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { notation } from '@/core/quantity/notation';
import { stubBrowser } from '@/screens/testPanels';
import { adoptSymbols, changeSettings, DEFAULT_SETTINGS, SETTINGS_KEY, settingsNow } from './settings';
import { SettingsModal } from './SettingsModal';

beforeAll(stubBrowser);
afterEach(() => {
  cleanup();
  changeSettings(DEFAULT_SETTINGS);
});

describe('settings', () => {
  it('are kept in this browser, and what is written follows them', () => {
    render(<SettingsModal isOpen onClose={vi.fn()} />);
    fireEvent.click(screen.getByRole('radio', { name: 'Comma' }));
    fireEvent.click(screen.getByRole('radio', { name: 'Inches and feet' }));
    fireEvent.click(screen.getByRole('radio', { name: 'ANSI' }));
    fireEvent.click(screen.getByRole('switch', { name: 'Sound' }));
    const wanted = { decimal: 'comma', distance: 'inches', symbols: 'ansi', sound: false };
    expect(settingsNow()).toEqual(wanted);
    expect(JSON.parse(window.localStorage.getItem(SETTINGS_KEY) ?? '')).toEqual(wanted);
    expect(notation()).toMatchObject({ decimal: 'comma', distance: 'inches' });
    expect(screen.getByRole('dialog').textContent?.replaceAll('\u00a0', ' ')).toContain('4,70 kΩ');
  });

  it('take over the symbols that were chosen before there were settings, but not over what is chosen since', () => {
    window.localStorage.removeItem(SETTINGS_KEY);
    adoptSymbols(null);
    expect(settingsNow().symbols).toBe('iec');
    adoptSymbols('ansi');
    expect(settingsNow().symbols).toBe('ansi');
    changeSettings({ symbols: 'iec' });
    adoptSymbols('ansi');
    expect(settingsNow().symbols).toBe('iec');
  });

  it('follow another tab, and stay as they are where that one wrote nonsense', () => {
    const told = (newValue: string | null) =>
      window.dispatchEvent(new StorageEvent('storage', { key: SETTINGS_KEY, newValue }));
    told(JSON.stringify({ ...DEFAULT_SETTINGS, decimal: 'comma' }));
    expect(settingsNow().decimal).toBe('comma');
    for (const nonsense of ['{', '{"decimal":"apostrophe"}', null]) told(nonsense);
    expect(settingsNow().decimal).toBe('comma');
  });
});
