import type { Net } from '../parts/base';
import { railRows, type Board, type HoleId, type RailRow, type Strip } from '../board/board';
import { collide, type BodyLine } from './bodies';
import type { Piece } from './pieces';

/** Nets that rails carry. */
export type RailNets = Readonly<Partial<Record<RailRow, Net>>>;

export type Side = 'upper' | 'lower';
export const sideOf = (rail: RailRow): Side => (rail === 't+' || rail === 't-' ? 'upper' : 'lower');

/** What of a board is taken while a circuit is put on it: holes, and which net each strip is of. */
export class Occupancy {
  /** The rows of holes that a net has so far. */
  readonly netStrips = new Map<Net, Strip[]>();
  readonly railsOf = new Map<Net, RailRow[]>();
  /** Columns over which ICs stand. */
  readonly dipColumns = new Set<number>();
  /** Columns of leads to what stands beside the board, above and below. */
  readonly besideColumns: Record<Side, number[]> = { upper: [], lower: [] };
  private readonly bodies: BodyLine[] = [];
  /** Columns in use, from and to. */
  first = Infinity;
  last = 0;
  private readonly used = new Set<HoleId>();
  private readonly free = new Map<Strip, number>();
  private readonly stripNet = new Map<Strip, Net>();
  private readonly stripLeads = new Map<Strip, number>();
  private readonly total = new Map<Net, number>();

  constructor(
    readonly board: Board,
    pieces: readonly Piece[],
    rails: RailNets,
  ) {
    for (const { leads } of pieces)
      for (const { net } of leads) if (net !== null) this.total.set(net, (this.total.get(net) ?? 0) + 1);
    if (!board.hasRails) return;
    for (const row of railRows) {
      const net = rails[row];
      if (net === undefined) continue;
      this.railsOf.set(net, [...(this.railsOf.get(net) ?? []), row]);
      for (let segment = 0; segment < board.railSegments.length; segment++)
        this.stripNet.set(`${row}${segment}`, net);
    }
  }

  /** Columns that are worth looking at: those in use, and some beside them. */
  get reach(): readonly [number, number] {
    const { columns } = this.board;
    if (this.last === 0) return [1, Math.min(columns, 14)];
    return [Math.max(1, this.first - 5), Math.min(columns, this.last + 8)];
  }

  isFree(hole: HoleId): boolean {
    return this.board.holes.has(hole) && !this.used.has(hole);
  }

  netOf(strip: Strip): Net | undefined {
    return this.stripNet.get(strip);
  }

  freeIn(strip: Strip): number {
    return this.free.get(strip) ?? this.board.holesOf(strip).length;
  }

  /** Whether a strip can take a leg more of a net and still be joined to the others of it. */
  hasRoom(strip: Strip, net: Net): boolean {
    const leads = this.stripLeads.get(strip) ?? 0;
    const free = this.freeIn(strip) - 1;
    const total = this.total.get(net) ?? 0;
    if (leads + 1 === total && free >= 0) return true;
    return free >= (total <= ROW_HOLES ? 1 : 2);
  }

  /** Whether a body may lie over holes: each strip keeps some. */
  canBlock(holes: readonly HoleId[]): boolean {
    return holes.every((hole) => {
      if (this.used.has(hole)) return false;
      const strip = this.board.stripOf(hole);
      return strip !== null && this.freeIn(strip) > 3;
    });
  }

  /** A piece's body between its first and last hole; thicker for what is no resistor. */
  bodyOf(piece: Piece, holes: readonly HoleId[]): BodyLine | null {
    const [first, last] = [this.board.placeOf(holes[0] ?? ''), this.board.placeOf(holes.at(-1) ?? '')];
    if (!first || !last || piece.body.kind === 'dip' || piece.body.kind === 'beside') return null;
    const isThin = piece.part.kind === 'resistor' || piece.part.kind === 'diode';
    return { x1: first.x, y1: first.y, x2: last.x, y2: last.y, radius: isThin ? 0.38 : 0.55 };
  }

  /** Whether a piece there would lie on another. */
  liesOnAnother(piece: Piece, holes: readonly HoleId[]): boolean {
    const body = this.bodyOf(piece, holes);
    return body !== null && this.bodies.some((other) => collide(body, other));
  }

  addBody(piece: Piece, holes: readonly HoleId[]): void {
    const body = this.bodyOf(piece, holes);
    if (body) this.bodies.push(body);
  }

  crossesSeam(one: number, other: number): boolean {
    const { seam } = this.board;
    return seam !== null && one > seam !== other > seam;
  }

  use(hole: HoleId): void {
    if (this.used.has(hole)) return;
    this.used.add(hole);
    const strip = this.board.stripOf(hole);
    if (strip !== null) this.free.set(strip, this.freeIn(strip) - 1);
  }

  /** Gives a strip to a net. */
  assign(strip: Strip, net: Net): void {
    const strips = this.netStrips.get(net);
    if (!strips) this.netStrips.set(net, [strip]);
    else if (!strips.includes(strip)) strips.push(strip);
    this.stripNet.set(strip, net);
  }

  /** Plugs a leg in. */
  plug(hole: HoleId, net: Net | null): void {
    this.use(hole);
    const strip = this.board.stripOf(hole);
    if (strip === null) return;
    if (net !== null) this.assign(strip, net);
    this.stripLeads.set(strip, (this.stripLeads.get(strip) ?? 0) + 1);
  }

  /** The circuit reaches to these columns as well. */
  grow(columns: readonly number[]): void {
    this.first = Math.min(this.first, ...columns);
    this.last = Math.max(this.last, ...columns);
  }
}

/** A row of joined holes has so many. */
const ROW_HOLES = 5;
