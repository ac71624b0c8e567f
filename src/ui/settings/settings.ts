import { createStore } from 'zustand/vanilla';
import { useStore } from 'zustand';
import {
  decimalMarks,
  distanceUnits,
  PLAIN_NOTATION,
  setNotation,
  type Notation,
} from '@/core/quantity/notation';
import { checked, exactly, flag, oneOf, type Infer } from '@/core/schema';

/** The two families of symbols that drawings are made with. */
export const symbolStyles = ['iec', 'ansi'] as const;
export type SymbolStyle = (typeof symbolStyles)[number];

const settingsField = exactly({
  decimal: oneOf(...decimalMarks),
  distance: oneOf(...distanceUnits),
  symbols: oneOf(...symbolStyles),
  /** Whether anything may be heard at all; where a sound is offered, it is chosen there. */
  sound: flag(),
});

/** What holds for every project of this browser. */
export type Settings = Infer<typeof settingsField>;

export const DEFAULT_SETTINGS: Settings = { ...PLAIN_NOTATION, symbols: 'iec', sound: true };

/** Where this browser keeps them. */
export const SETTINGS_KEY = 'yemko-settings';

const store = createStore<Settings>(() => DEFAULT_SETTINGS);

/** Takes what the browser keeps; what is no setting any more is forgotten. */
function takeUp(kept: string | null): void {
  try {
    const found = checked(settingsField, JSON.parse(kept ?? 'null'), SETTINGS_KEY);
    if (found.ok) put(found.value);
  } catch {
    // Not JSON: the defaults stand.
  }
}

function put(next: Settings): void {
  setNotation(next satisfies Notation);
  store.setState(next);
}

if (typeof window !== 'undefined') {
  try {
    takeUp(window.localStorage.getItem(SETTINGS_KEY));
  } catch {
    // A browser that keeps nothing.
  }
  window.addEventListener('storage', ({ key, newValue }) => {
    if (key === SETTINGS_KEY) takeUp(newValue);
  });
}

/** What a browser kept of them elsewhere before there were settings; what is chosen since counts more. @param kept `null` for nothing */
export function adoptSymbols(kept: SymbolStyle | null): void {
  try {
    if (kept === null || window.localStorage.getItem(SETTINGS_KEY) !== null) return;
  } catch {
    return;
  }
  changeSettings({ symbols: kept });
}

/** Where they were kept. */
export const OLD_SYMBOLS = { key: 'symbols', field: oneOf(...symbolStyles) } as const;

/** Changes some of them, here and in every other tab, and keeps them. */
export function changeSettings(change: Partial<Settings>): void {
  put({ ...store.getState(), ...change });
  try {
    window.localStorage.setItem(SETTINGS_KEY, JSON.stringify(store.getState()));
  } catch {
    // They hold as long as the page.
  }
}

export const settingsNow = (): Settings => store.getState();

export const useSetting = <K extends keyof Settings>(name: K): Settings[K] =>
  useStore(store, (settings) => settings[name]);
