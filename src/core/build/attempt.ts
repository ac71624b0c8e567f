import { uniforms } from '../numeric/random';
import type { Net } from '../parts/base';
import { ROW_Y, type Board, type HoleId, type Strip } from '../board/board';
import { joinNet } from './join';
import type { Layout, Placed } from '../board/layout';
import { Occupancy, type RailNets } from './occupancy';
import type { Piece } from './pieces';
import { JUMPER } from './legCosts';
import { bestSpot, type Spot, type SpotSearch } from './spots';

/** What moves an attempt: in which order the pieces come, where the ICs stand, and how much chance moves a cost. */
export interface AttemptPlan {
  /** ICs from left to right, as their places among the pieces, and the columns that are left free before each. */
  readonly dips: readonly number[];
  readonly gaps: readonly number[];
  /** What has legs to bend, as places among the pieces; `null` for what has most in common with what is there. */
  readonly order: readonly number[] | null;
  readonly seed: number;
  readonly noise: number;
}

/** What an attempt came to. */
export interface Attempted {
  readonly layout: Layout;
  /** Wires first, then their length, then how the pieces stand. */
  readonly cost: number;
  /** The order in which the pieces were placed. */
  readonly order: readonly number[];
}

/** Each column that the circuit grows by. */
const PER_COLUMN = 0.35;
const PER_WIDTH = 0.2;
/** The LDR wants an edge, and lamps to be far from it. */
const LDR_PER_COLUMN = 0.25;
const LIGHT_NEAR = 14;
const LIGHT_PER_COLUMN = 1;
/** What gets warm wants to be away from the LDR, and from what else is warm. */
const WARM_NEAR = 6;
const WARM_PER_COLUMN = 2.5;
/** What has three legs side by side comes before what can be bent; the order is shaken too. */
const IN_LINE_FIRST = 0.6;
const LDR_FIRST = 0.2;
const ORDER_NOISE = 0.6;
/** Leads to what stands beside the board want room for their names. */
const BESIDE_APART = 3;
const CROWDED = 12;
const MIDDLE_Y = (ROW_Y.e + ROW_Y.f) / 2;

/** One attempt at putting a circuit on a board: piece after piece where it costs least. `null` where one finds no place. */
export function attempt(
  board: Board,
  pieces: readonly Piece[],
  rails: RailNets,
  plan: AttemptPlan,
): Attempted | null {
  return new Attempt(board, pieces, rails, plan).run();
}

class Attempt {
  private readonly at: Occupancy;
  private readonly random: () => number;
  private readonly search: SpotSearch;
  private readonly placed: Placed[] = [];
  private readonly order: number[] = [];
  private ldrColumn: number | null = null;
  private readonly lightColumns: number[] = [];
  private readonly warmColumns: number[] = [];

  constructor(
    board: Board,
    private readonly pieces: readonly Piece[],
    rails: RailNets,
    private readonly plan: AttemptPlan,
  ) {
    this.at = new Occupancy(board, pieces, rails);
    this.random = uniforms(plan.seed);
    this.search = {
      at: this.at,
      columnCost: (piece, one, other) => this.columnCost(piece, one, other),
      luckiest: 1 - plan.noise / 2,
      shaken: (cost) => (plan.noise === 0 ? cost : cost * (1 + plan.noise * (this.random() - 0.5))),
    };
  }

  run(): Attempted | null {
    if (!this.placeDips() || !this.placeLegs()) return null;
    // What leads to rails goes where it likes: it makes room for what is bound to a row.
    const beside = this.pieces.filter(({ body }) => body.kind === 'beside');
    const isBound = ({ leads }: Piece) => leads.some(({ net }) => net !== null && !this.at.railsOf.has(net));
    for (const piece of [...beside.filter(isBound), ...beside.filter((one) => !isBound(one))])
      if (!this.plugIn(piece)) return null;
    const layout = this.joined();
    return layout && { layout, cost: this.cost(layout), order: this.order };
  }

  private joined(): Layout | null {
    const wires = [];
    for (const net of this.at.netStrips.keys()) {
      const joins = joinNet(this.at, net);
      if (!joins) return null;
      wires.push(...joins);
    }
    return { board: this.at.board.id, placed: this.placed, wires };
  }

  private cost({ wires }: Layout): number {
    const { first, last, board } = this.at;
    const wire = wires.reduce((sum, { from, to }) => sum + board.distance(from, to), 0);
    const ldr = this.ldrColumn;
    const near = ldr === null ? 0 : crowding(this.lightColumns, ldr, LIGHT_NEAR);
    const warm = this.warmColumns.reduce(
      (sum, column, index) => sum + crowding(this.warmColumns.slice(0, index), column, WARM_NEAR),
      ldr === null ? 0 : crowding(this.warmColumns, ldr, WARM_NEAR),
    );
    const edge = ldr === null ? 0 : Math.min(ldr - first, last - ldr);
    const width = PER_WIDTH * Math.max(0, last - first);
    return (
      JUMPER * wires.length +
      wire +
      width +
      LIGHT_PER_COLUMN * near +
      WARM_PER_COLUMN * warm +
      LDR_PER_COLUMN * edge
    );
  }

  /** ICs over the trench, one after the other. */
  private placeDips(): boolean {
    let column = 1;
    const { board } = this.at;
    for (const [place, index] of this.plan.dips.entries()) {
      const dip = this.pieces[index];
      if (!dip) continue;
      const half = dip.leads.length / 2;
      column += this.plan.gaps[place] ?? 1;
      if (board.seam !== null && column <= board.seam && column + half - 1 > board.seam)
        column = board.seam + 2;
      if (column + half - 1 > board.columns) return false;
      const from = column;
      const holes = dip.leads.map((_, pin) =>
        pin < half ? `f${from + pin}` : `e${from + dip.leads.length - 1 - pin}`,
      );
      // A pin that stays open has its row for itself.
      dip.leads.forEach(({ net }, pin) => {
        const strip = board.stripOf(holes[pin] ?? '');
        if (strip !== null && net === null) this.at.assign(strip, `${dip.id}.${pin + 1}`);
      });
      this.take(dip, { holes, blocked: [] });
      for (let at = from; at < from + half; at++) this.at.dipColumns.add(at);
      column += half;
    }
    return true;
  }

  private placeLegs(): boolean {
    const isLegged = ({ body }: Piece) => body.kind === 'two-legs' || body.kind === 'in-line';
    const rest = this.pieces.flatMap((piece, index) => (isLegged(piece) ? [index] : []));
    const planned = [...(this.plan.order ?? [])];
    while (rest.length > 0) {
      const next = planned.shift() ?? this.mostJoined(rest);
      rest.splice(rest.indexOf(next), 1);
      const piece = this.pieces[next];
      const spot = piece && bestSpot(piece, this.search);
      if (!piece || !spot) return false;
      this.order.push(next);
      this.take(piece, spot);
    }
    return true;
  }

  /** The piece that has most in common with what is there already. */
  private mostJoined(rest: readonly number[]): number {
    let [best, most] = [rest[0] ?? 0, -Infinity];
    for (const index of rest) {
      const piece = this.pieces[index];
      if (!piece) continue;
      const { netStrips, railsOf } = this.at;
      const known = piece.leads.filter(({ net }) => net !== null && (netStrips.has(net) || railsOf.has(net)));
      const score =
        known.length / piece.leads.length +
        (piece.body.kind === 'in-line' ? IN_LINE_FIRST : 0) +
        (piece.part.kind === 'ldr' ? LDR_FIRST : 0) +
        ORDER_NOISE * this.random();
      if (score > most) [best, most] = [index, score];
    }
    return best;
  }

  private columnCost(piece: Piece, one: number, other: number): number {
    const { first, last } = this.at;
    const [low, high] = [Math.min(one, other), Math.max(one, other)];
    const grown = last === 0 ? 0 : Math.max(0, first - low) + Math.max(0, high - last);
    let cost = PER_COLUMN * grown;
    if (piece.part.kind === 'ldr' && last > 0)
      cost += LDR_PER_COLUMN * Math.max(0, Math.min(low - first, last - high));
    if (isLight(piece) && this.ldrColumn !== null)
      cost += LIGHT_PER_COLUMN * crowding([this.ldrColumn], low, LIGHT_NEAR);
    const heats = piece.part.kind === 'ldr' || piece.isWarm ? this.warmColumns : [];
    if (heats.length > 0) cost += WARM_PER_COLUMN * crowding(heats, low, WARM_NEAR);
    if (piece.isWarm && this.ldrColumn !== null)
      cost += WARM_PER_COLUMN * crowding([this.ldrColumn], low, WARM_NEAR);
    return cost;
  }

  private take(piece: Piece, { holes, blocked }: Spot): void {
    for (const hole of blocked) this.at.use(hole);
    this.at.addBody(piece, holes);
    piece.leads.forEach(({ net }, index) => this.at.plug(holes[index] ?? '', net));
    const columns = holes.map((hole) => this.at.board.placeOf(hole)?.x ?? 0);
    this.at.grow(columns);
    const [column = 0] = columns;
    if (piece.part.kind === 'ldr') this.ldrColumn = column;
    if (isLight(piece)) this.lightColumns.push(column);
    if (piece.isWarm) this.warmColumns.push(column);
    this.placed.push({ piece: piece.id, holes });
  }

  /** Plugs the leads of something beside the board into strips of their nets, at the edge where there is room. */
  private plugIn(piece: Piece): boolean {
    const holes: (HoleId | null)[] = [];
    for (const { net } of piece.leads) {
      const hole = net === null ? null : this.holeFor(net, piece.part.kind === 'supply');
      if (net !== null && hole === null) return false;
      holes.push(hole);
      if (hole === null) continue;
      this.at.plug(hole, net);
      const place = this.at.board.placeOf(hole);
      if (place) this.at.besideColumns[place.y < MIDDLE_Y ? 'upper' : 'lower'].push(place.x);
    }
    this.placed.push({ piece: piece.id, holes });
    return true;
  }

  private holeFor(net: Net, isSupply: boolean): HoleId | null {
    const { board, railsOf, netStrips, last } = this.at;
    const [rail] = railsOf.get(net) ?? [];
    if (rail !== undefined)
      return this.nearestFree(
        board.railSegments.map((_, segment) => `${rail}${segment}`),
        isSupply ? 1 : last,
      );
    const strips = (netStrips.get(net) ?? []).filter((strip) => this.at.hasRoom(strip, net));
    if (strips.length > 0) return this.nearestFree(strips, last);
    // A strip of its own, beside what is there.
    const [from, to] = this.at.reach;
    for (let column = Math.min(to, last + 1); column >= from; column--)
      for (const strip of [`u${column}`, `l${column}`])
        if (this.at.netOf(strip) === undefined && this.at.freeIn(strip) === 5)
          return this.nearestFree([strip], column);
    return null;
  }

  /** The free hole of strips that is nearest to a column, the outermost first. */
  private nearestFree(strips: readonly Strip[], column: number): HoleId | null {
    let [best, least]: [HoleId | null, number] = [null, Infinity];
    for (const strip of strips)
      for (const hole of this.at.board.holesOf(strip)) {
        const place = this.at.board.placeOf(hole);
        if (!place || !this.at.isFree(hole)) continue;
        const near = this.at.besideColumns[place.y < MIDDLE_Y ? 'upper' : 'lower'];
        const isCrowded = near.some((other) => Math.abs(other - place.x) < BESIDE_APART);
        const cost =
          Math.abs(place.x - column) * 2 - Math.abs(place.y - MIDDLE_Y) * 0.1 + (isCrowded ? CROWDED : 0);
        if (cost < least) [best, least] = [hole, cost];
      }
    return best;
  }
}

/** By how many columns in all others stand too near. */
const crowding = (others: readonly number[], column: number, room: number) =>
  others.reduce((sum, other) => sum + Math.max(0, room - Math.abs(other - column)), 0);

const isLight = ({ part }: Piece) => part.kind === 'led' && part.role === 'load';
