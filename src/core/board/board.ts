/** Solderless breadboards, by how many holes they have; the last is two of the largest side by side. */
export const boardIds = ['170', '400', '830', '830x2'] as const;
export type BoardId = (typeof boardIds)[number];

/** Rows of a board, top to bottom: rails, the five above the trench, the five below, rails. */
export const rows = [
  ...(['t+', 't-'] as const),
  ...(['a', 'b', 'c', 'd', 'e'] as const),
  ...(['f', 'g', 'h', 'i', 'j'] as const),
  ...(['b+', 'b-'] as const),
] as const;
export type Row = (typeof rows)[number];
export const railRows = ['t+', 't-', 'b+', 'b-'] as const;
export type RailRow = (typeof railRows)[number];
export const upperRows = ['a', 'b', 'c', 'd', 'e'] as const satisfies readonly Row[];
export const lowerRows = ['f', 'g', 'h', 'i', 'j'] as const satisfies readonly Row[];

/** How far down each row lies, in holes of 2.54 mm. */
export const ROW_Y: Readonly<Record<Row, number>> = {
  ...{ 't+': 0, 't-': 1 },
  ...{ a: 3, b: 4, c: 5, d: 6, e: 7 },
  ...{ f: 10, g: 11, h: 12, i: 13, j: 14 },
  ...{ 'b+': 16, 'b-': 17 },
};

/** A hole: `a12`, `t+5`. Columns count from 1. */
export type HoleId = string;

export interface Hole {
  readonly row: Row;
  readonly column: number;
  /** Where it lies, in holes from the upper left. */
  readonly x: number;
  readonly y: number;
}

interface BoardFigures {
  readonly columns: number;
  readonly hasRails: boolean;
  /** First and last column of each part of a rail that is joined by itself. */
  readonly railSegments: readonly { readonly from: number; readonly to: number }[];
  /** Between this column and the next one board ends and another begins. */
  readonly seam: number | null;
}

/** A rail's holes come in fives with a gap behind them. */
const RAIL_GROUP = 6;
/** The largest has its rails in two halves that nothing joins. */
const LARGE_HALVES = [
  { from: 3, to: 31 },
  { from: 33, to: 61 },
] as const;
const LARGE_COLUMNS = 63;

const figures: Readonly<Record<BoardId, BoardFigures>> = {
  '170': { columns: 17, hasRails: false, railSegments: [], seam: null },
  '400': { columns: 30, hasRails: true, railSegments: [{ from: 1, to: 29 }], seam: null },
  '830': { columns: LARGE_COLUMNS, hasRails: true, railSegments: LARGE_HALVES, seam: null },
  '830x2': {
    columns: 2 * LARGE_COLUMNS,
    hasRails: true,
    railSegments: [0, LARGE_COLUMNS].flatMap((offset) =>
      LARGE_HALVES.map(({ from, to }) => ({ from: from + offset, to: to + offset })),
    ),
    seam: LARGE_COLUMNS,
  },
};

/** Holes that are joined inside the board. */
export type Strip = string;

/** A breadboard: its holes, and which of them are joined. */
export class Board {
  readonly columns: number;
  readonly hasRails: boolean;
  readonly seam: number | null;
  readonly railSegments: BoardFigures['railSegments'];
  /** Every hole, by its name. */
  readonly holes: ReadonlyMap<HoleId, Hole>;
  private readonly names: Readonly<Record<Row, HoleId[]>>;
  private readonly strips = new Map<HoleId, Strip>();
  private readonly byStrip = new Map<Strip, HoleId[]>();
  private readonly placesByStrip = new Map<Strip, (Hole & { readonly hole: HoleId })[]>();

  constructor(readonly id: BoardId) {
    const { columns, hasRails, seam, railSegments } = figures[id];
    this.columns = columns;
    this.hasRails = hasRails;
    this.seam = seam;
    this.railSegments = railSegments;
    const holes = new Map<HoleId, Hole>();
    this.names = {
      ...{ 't+': [], 't-': [], a: [], b: [], c: [], d: [], e: [] },
      ...{ f: [], g: [], h: [], i: [], j: [], 'b+': [], 'b-': [] },
    };
    for (const row of rows)
      for (let column = 1; column <= columns; column++) {
        const strip = this.stripFor(row, column);
        if (strip === null) continue;
        const hole = `${row}${column}`;
        this.names[row][column] = hole;
        holes.set(hole, { row, column, x: column, y: ROW_Y[row] });
        this.strips.set(hole, strip);
        const joined = this.byStrip.get(strip);
        if (joined) joined.push(hole);
        else this.byStrip.set(strip, [hole]);
        const place = { hole, row, column, x: column, y: ROW_Y[row] };
        this.placesByStrip.set(strip, [...(this.placesByStrip.get(strip) ?? []), place]);
      }
    this.holes = holes;
  }

  /** The name of the hole in a row and column; empty where there is none. Always the same text, which is found sooner. */
  hole(row: Row, column: number): HoleId {
    return this.names[row][column] ?? '';
  }

  /** The strip of a column above or below the trench. */
  columnStrip(side: 'upper' | 'lower', column: number): Strip {
    return this.strips.get(this.hole(side === 'upper' ? 'a' : 'f', column)) ?? '';
  }

  /** The strip that a hole is in; `null` where there is no such hole. */
  stripOf(hole: HoleId): Strip | null {
    return this.strips.get(hole) ?? null;
  }

  /** The holes of a strip, and where each lies. */
  placesOf(strip: Strip): readonly (Hole & { readonly hole: HoleId })[] {
    return this.placesByStrip.get(strip) ?? [];
  }

  /** The holes of a strip. */
  holesOf(strip: Strip): readonly HoleId[] {
    return this.byStrip.get(strip) ?? [];
  }

  placeOf(hole: HoleId): Hole | null {
    return this.holes.get(hole) ?? null;
  }

  /** Straight from hole to hole, in holes. */
  distance(from: HoleId, to: HoleId): number {
    const [one, other] = [this.placeOf(from), this.placeOf(to)];
    return one && other ? Math.hypot(one.x - other.x, one.y - other.y) : Infinity;
  }

  private stripFor(row: Row, column: number): Strip | null {
    if (!isRail(row)) return `${isUpper(row) ? 'u' : 'l'}${column}`;
    const segment = this.railSegments.findIndex(({ from, to }) => column >= from && column <= to);
    const { from = 0 } = this.railSegments[segment] ?? {};
    if (segment < 0 || (column - from) % RAIL_GROUP === RAIL_GROUP - 1) return null;
    return `${row}${segment}`;
  }
}

const isRail = (row: Row): row is RailRow => railRows.some((rail) => rail === row);
const isUpper = (row: Row) => upperRows.some((upper) => upper === row);

const boards = new Map<BoardId, Board>();

/** The board of an id, made once. */
export function boardOf(id: BoardId): Board {
  const known = boards.get(id);
  if (known) return known;
  const made = new Board(id);
  boards.set(id, made);
  return made;
}
