import { boardOf, rows, type HoleId } from '../board/board';
import type { Layout, Placed } from '../board/layout';

/** How far something is moved, in holes to the right and rows down. */
export interface Move {
  readonly columns: number;
  readonly rows: number;
}

/** A hole's name: its row, then its column, which may lie off the board while something is moved. */
const HOLE = /^([tb][+-]|[a-j])(-?\d+)$/;

/** A hole so far from another; its name even where the board has none there. */
export function movedHole(hole: HoleId, move: Move): HoleId {
  const [, row = '', column = ''] = HOLE.exec(hole) ?? [];
  const at = rows.findIndex((each) => each === row);
  if (at < 0) return hole;
  const next = rows[Math.min(rows.length - 1, Math.max(0, at + move.rows))] ?? row;
  return `${next}${Number(column) + move.columns}`;
}

/** So many columns beside a board something may be put: to be seen and taken back. */
const BESIDE = 3;

function isNear(layout: Layout, hole: HoleId): boolean {
  const column = Number(HOLE.exec(hole)?.[2]);
  return column > -BESIDE && column <= boardOf(layout.board).columns + BESIDE;
}

/** A piece moved as it is, or one of its legs alone; wires stay where they are. Nothing goes far off the board. */
export function withMoved(layout: Layout, piece: string, move: Move, leg: number | null = null): Layout {
  const moved = movedAnywhere(layout, piece, move, leg);
  const placed = moved.placed.find((each) => each.piece === piece);
  return placed?.holes.every((hole) => hole === null || isNear(layout, hole)) ? moved : layout;
}

function movedAnywhere(layout: Layout, piece: string, move: Move, leg: number | null): Layout {
  return changed(layout, piece, ({ holes, ...rest }) => ({
    ...rest,
    holes: holes.map((hole, index) =>
      hole === null || (leg !== null && leg !== index) ? hole : movedHole(hole, move),
    ),
  }));
}

/** A piece the other way round: its legs change places. */
export function withTurned(layout: Layout, piece: string): Layout {
  return changed(layout, piece, (placed) => ({ ...placed, holes: [...placed.holes].reverse() }));
}

const changed = (layout: Layout, piece: string, change: (placed: Placed) => Placed): Layout => ({
  ...layout,
  placed: layout.placed.map((placed) => (placed.piece === piece ? change(placed) : placed)),
});

/** Whether a layout is of just these pieces with as many legs: of another circuit it says nothing. */
export function isLayoutOf(
  layout: Layout,
  pieces: readonly { readonly id: string; readonly leads: readonly unknown[] }[],
): boolean {
  const legs = new Map(pieces.map(({ id, leads }) => [id, leads.length]));
  return (
    layout.placed.length === pieces.length &&
    layout.placed.every(({ piece, holes }) => legs.get(piece) === holes.length)
  );
}
