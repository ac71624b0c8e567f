'use client';

import { createContext, useContext } from 'react';
import { palettes, type Look, type Palette } from './tokens';

export interface LookChoice {
  readonly look: Look;
  readonly change: (look: Look) => void;
}

export const LookContext = createContext<LookChoice>({ look: 'day', change: () => undefined });

export const useLook = (): LookChoice => useContext(LookContext);

/** The colours of the present look, for canvases; style sheets use the custom properties. */
export const useColors = (): Palette => palettes[useLook().look];
