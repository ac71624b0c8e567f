import type { SymbolStyle } from '../settings/settings';
import { createContext, useContext } from 'react';

export type { SymbolStyle };

export interface Drawing {
  readonly style: SymbolStyle;
  /** Parts out of bounds, by designator. */
  readonly troubled: ReadonlySet<string>;
  /** Parts that something is said of elsewhere: they are marked. */
  readonly lit: ReadonlySet<string>;
  /** Parts whose value can be changed where it stands. */
  readonly editable: ReadonlySet<string>;
  /** Opens the field for a part; `x`, `y` is where its value stands, in the drawing's own units. */
  readonly onEdit: (name: string, x: number, y: number) => void;
}

export const DrawingContext = createContext<Drawing>({
  style: 'iec',
  troubled: new Set(),
  lit: new Set(),
  editable: new Set(),
  onEdit: () => undefined,
});

export const useDrawing = (): Drawing => useContext(DrawingContext);
