import { boardOf, ROW_Y, rows, type BoardId, type HoleId, type Row } from '@/core/board/board';

/** Drawing units from hole to hole. */
export const PITCH = 16;
/** Room at the sides, and above and below for what stands beside the board. */
const SIDE = 30;
const ABOVE = 76;

export interface At {
  readonly x: number;
  readonly y: number;
}

/** Where columns and rows lie in the drawing. */
export const columnX = (column: number) => SIDE + (column - 1) * PITCH;
export const rowY = (row: Row) => ABOVE + ROW_Y[row] * PITCH;

export function boardSize(id: BoardId): { readonly width: number; readonly height: number } {
  const { columns } = boardOf(id);
  return { width: columnX(columns) + SIDE, height: rowY('b-') + ABOVE };
}

/** A hole's place; of one that the board does not have where it would be. */
export function holeAt(hole: HoleId): At {
  const { row, column } = holeParts(hole);
  return { x: columnX(column), y: rowY(row) };
}

/** A hole's name as row and column. */
export function holeParts(hole: HoleId): { readonly row: Row; readonly column: number } {
  const row = [...rows].sort((one, other) => other.length - one.length).find((each) => hole.startsWith(each));
  return { row: row ?? 'a', column: Number(hole.slice((row ?? 'a').length)) };
}

/** The row that is nearest to a height in the drawing. */
export function nearestRow(y: number): number {
  let [best, least] = [0, Infinity];
  rows.forEach((row, index) => {
    const away = Math.abs(rowY(row) - y);
    if (away < least) [best, least] = [index, away];
  });
  return best;
}
