'use client';

import { createContext, useContext } from 'react';
import { palettes, type Look, type LookChoice, type Palette } from './tokens';

export interface ChosenLook {
  /** What was chosen. */
  readonly choice: LookChoice;
  /** What that comes to now. */
  readonly look: Look;
  readonly change: (choice: LookChoice) => void;
}

export const LookContext = createContext<ChosenLook>({
  choice: 'day',
  look: 'day',
  change: () => undefined,
});

export const useLook = (): ChosenLook => useContext(LookContext);

/** The colours of the present look, for canvases; style sheets use the custom properties. */
export const useColors = (): Palette => palettes[useLook().look];
