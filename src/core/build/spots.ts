import type { Net } from '../parts/base';
import { lowerRows, ROW_Y, upperRows, type HoleId, type RailRow, type Row, type Strip } from '../board/board';
import { sideOf, type Occupancy, type Side } from './occupancy';
import type { Piece } from './pieces';

/** Where a piece could sit: a hole for each leg, and the holes that its body lies over. */
export interface Spot {
  readonly holes: readonly HoleId[];
  readonly blocked: readonly HoleId[];
}

/** A jumper costs as much as so many holes of wire. */
export const JUMPER = 10;
const PER_HOLE = 0.3;
const PER_SPAN = 0.15;
/** A row of holes that is begun. */
const FRESH_STRIP = 0.6;
/** Legs are not spread wider than this over their least. */
const SPREAD = 4;

/** What a leg of a net costs in each column; `null` where it must not go. Shape: side, column. */
type Costs = Readonly<Record<Side, readonly (number | null)[]>>;
/** Offers a spot for a cost; it is looked for only where the cost is worth it. */
type Offer = (cost: number, find: () => Spot | null) => void;

/** What a search for a spot goes by. */
export interface SpotSearch {
  readonly at: Occupancy;
  /** What it costs that a piece stands between two columns, whatever it is joined to. */
  readonly columnCost: (piece: Piece, one: number, other: number) => number;
  /** A cost, moved a little by chance. */
  readonly shaken: (cost: number) => number;
}

/** The spot that costs least; `null` where there is none. */
export function bestSpot(piece: Piece, search: SpotSearch): Spot | null {
  let [best, least]: [Spot | null, number] = [null, Infinity];
  const offer: Offer = (cost, find) => {
    const shaken = search.shaken(cost);
    if (shaken >= least) return;
    const spot = find();
    if (spot && !search.at.liesOnAnother(piece, spot.holes)) [best, least] = [spot, shaken];
  };
  if (piece.body.kind === 'in-line') offerInLine(piece, search, offer);
  if (piece.body.kind === 'two-legs') new TwoLegs(piece, piece.body, search, offer).offerAll();
  return best;
}

/** Three legs side by side, either way round. */
function offerInLine(piece: Piece, search: SpotSearch, offer: Offer): void {
  const { at } = search;
  const all = piece.leads.map(({ net }) => (net === null ? null : costsOf(at, net)));
  const [from, to] = at.reach;
  for (const side of sides)
    for (let column = from; column <= to - 2; column++)
      for (const columns of [
        [column, column + 1, column + 2],
        [column + 2, column + 1, column],
      ]) {
        if (at.crossesSeam(column, column + 2)) continue;
        const costs = columns.map((each, index) => all[index]?.[side][each] ?? null);
        if (costs.includes(null)) continue;
        const sum = costs.reduce<number>((total, cost) => total + (cost ?? 0), 0);
        offer(sum + search.columnCost(piece, column, column + 2), () => {
          const row = inner[side].find(
            (each) =>
              columns.every((one) => at.isFree(`${each}${one}`)) &&
              !at.liesOnAnother(
                piece,
                columns.map((one) => `${each}${one}`),
              ),
          );
          return row === undefined ? null : { holes: columns.map((one) => `${row}${one}`), blocked: [] };
        });
      }
}

/** Everywhere that something with two legs could sit. */
class TwoLegs {
  private readonly nets: Readonly<Record<'a' | 'b', Net>>;
  private readonly costs: Readonly<Record<'a' | 'b', Costs>>;
  private readonly at: Occupancy;

  constructor(
    private readonly piece: Piece,
    private readonly legs: { readonly minSpan: number; readonly maxSpan: number },
    private readonly search: SpotSearch,
    private readonly offer: Offer,
  ) {
    this.at = search.at;
    this.nets = { a: piece.leads[0]?.net ?? '', b: piece.leads[1]?.net ?? '' };
    this.costs = { a: costsOf(this.at, this.nets.a), b: costsOf(this.at, this.nets.b) };
  }

  offerAll(): void {
    this.offerLying();
    this.offerRails();
    this.offerAcross();
    this.offerBetweenRails();
  }

  private costBetween(one: number, other: number, span: number): number {
    return PER_SPAN * span + this.search.columnCost(this.piece, one, other);
  }

  /** Along a row. */
  private offerLying(): void {
    const { minSpan, maxSpan } = this.legs;
    const [from, to] = this.at.reach;
    for (const side of sides)
      for (let column = from; column <= to; column++) {
        const own = this.costs.a[side][column] ?? null;
        if (own === null) continue;
        for (let span = minSpan; span <= Math.min(maxSpan, minSpan + SPREAD); span++)
          for (const other of [column - span, column + span]) {
            const far = this.costs.b[side][other] ?? null;
            if (far === null || this.at.crossesSeam(column, other)) continue;
            this.offer(own + far + this.costBetween(column, other, span), () =>
              this.lying(side, column, other),
            );
          }
      }
  }

  private lying(side: Side, column: number, other: number): Spot | null {
    const [low, high] = [Math.min(column, other), Math.max(column, other)];
    for (const row of inner[side]) {
      const holes = [`${row}${column}`, `${row}${other}`];
      const between = Array.from({ length: high - low - 1 }, (_, i) => `${row}${low + 1 + i}`);
      if (!this.areFree(holes) || this.at.liesOnAnother(this.piece, holes)) continue;
      if (this.at.canBlock(between)) return { holes, blocked: between };
    }
    return null;
  }

  /** One leg in a rail, the other in a row beside it. */
  private offerRails(): void {
    const [from, to] = this.at.reach;
    for (const [inRow, inRail] of legPairs)
      for (const rail of this.at.railsOf.get(this.nets[inRail]) ?? [])
        for (let column = from; column <= to; column++) {
          const cost = this.costs[inRow][sideOf(rail)][column] ?? null;
          if (cost === null) continue;
          this.offer(cost + this.costBetween(column, column, this.legs.minSpan), () =>
            this.fromRail(rail, column, inRow === 'b'),
          );
        }
  }

  private fromRail(rail: RailRow, column: number, isSwapped: boolean): Spot | null {
    const outerFirst = sideOf(rail) === 'upper' ? upperRows : [...lowerRows].reverse();
    for (const offset of OFFSETS)
      for (const row of outerFirst) {
        const spot = this.between(`${row}${column}`, `${rail}${column + offset}`, isSwapped);
        if (spot) return spot;
      }
    return null;
  }

  /** Over the trench, where no IC stands. */
  private offerAcross(): void {
    if (this.legs.maxSpan < ROW_Y.f - ROW_Y.e) return;
    const [from, to] = this.at.reach;
    for (let column = from; column <= to; column++)
      for (const [up, down] of legPairs) {
        const upper = this.costs[up].upper[column] ?? null;
        const lower = this.costs[down].lower[column] ?? null;
        if (upper === null || lower === null || !this.isOpenAt(column)) continue;
        const cost = upper + lower + this.costBetween(column, column, ROW_Y.f - ROW_Y.e);
        this.offer(cost, () => this.across(column, up === 'b'));
      }
  }

  /** No IC stands there. */
  private isOpenAt(column: number): boolean {
    return this.at.isFree(`e${column}`) || this.at.isFree(`f${column}`);
  }

  private across(column: number, isSwapped: boolean): Spot | null {
    for (const upper of inner.upper)
      for (const lower of inner.lower) {
        const spot = this.between(`${upper}${column}`, `${lower}${column}`, isSwapped);
        if (spot) return spot;
      }
    return null;
  }

  /** Both legs in rails of one side. */
  private offerBetweenRails(): void {
    const { minSpan } = this.legs;
    const [from, to] = this.at.reach;
    for (const one of this.at.railsOf.get(this.nets.a) ?? [])
      for (const other of this.at.railsOf.get(this.nets.b) ?? []) {
        if (sideOf(one) !== sideOf(other)) continue;
        for (let column = from; column <= to; column++) {
          const far = column + (minSpan > 1 ? minSpan : 0);
          if (this.at.crossesSeam(column, far)) continue;
          this.offer(this.costBetween(column, far, minSpan), () => {
            const holes = [`${one}${column}`, `${other}${far}`];
            return this.areFree(holes) ? { holes, blocked: [] } : null;
          });
        }
      }
  }

  /** Straight from hole to hole, if the legs reach so far and what lies between can be covered. */
  private between(one: HoleId, other: HoleId, isSwapped: boolean): Spot | null {
    const { minSpan, maxSpan } = this.legs;
    const span = this.at.board.distance(one, other);
    if (span < minSpan - 0.4 || span > maxSpan) return null;
    const under = this.under(one, other);
    if (!this.areFree([one, other]) || !this.at.canBlock(under)) return null;
    if (this.at.liesOnAnother(this.piece, [one, other])) return null;
    return { holes: isSwapped ? [other, one] : [one, other], blocked: under };
  }

  /** Holes that lie under a body from hole to hole. */
  private under(from: HoleId, to: HoleId): readonly HoleId[] {
    const [one, other] = [this.at.board.placeOf(from), this.at.board.placeOf(to)];
    if (!one || !other) return [];
    return [...upperRows, ...lowerRows].flatMap((row) => {
      const share = (ROW_Y[row] - one.y) / (other.y - one.y);
      return share > 0.01 && share < 0.99 ? [`${row}${Math.round(one.x + share * (other.x - one.x))}`] : [];
    });
  }

  private areFree(holes: readonly HoleId[]): boolean {
    return holes.every((hole) => this.at.isFree(hole));
  }
}

function costsOf(at: Occupancy, net: Net): Costs {
  const over = (side: Side) =>
    Array.from({ length: at.board.columns + 1 }, (_, column) => legCost(at, side, column, net));
  return { upper: over('upper'), lower: over('lower') };
}

/** What it costs to put a leg of a net into a column's strip; `null` where it must not go there. */
function legCost(at: Occupancy, side: Side, column: number, net: Net): number | null {
  if (column < 1) return null;
  const strip = `${side === 'upper' ? 'u' : 'l'}${column}`;
  const there = at.netOf(strip);
  if ((there !== undefined && there !== net) || !at.hasRoom(strip, net)) return null;
  if (there === net) return 0;
  if (at.railsOf.has(net)) return JUMPER + 2;
  const strips = at.netStrips.get(net);
  if (!strips) return FRESH_STRIP;
  return JUMPER + PER_HOLE * Math.min(...strips.map((other) => stripDistance(strip, other)));
}

/** About how far two strips of columns lie apart, in holes. */
function stripDistance(one: Strip, other: Strip): number {
  const over = one.startsWith('u') === other.startsWith('u') ? 0 : 3;
  return Math.abs(Number(one.slice(1)) - Number(other.slice(1))) + over;
}

const sides: readonly Side[] = ['upper', 'lower'];
const legPairs = [
  ['a', 'b'],
  ['b', 'a'],
] as const;
/** Rows of a side, the one at the trench first. */
const inner: Readonly<Record<Side, readonly Row[]>> = { upper: [...upperRows].reverse(), lower: lowerRows };
/** A leg in a rail may stand so far aside. */
const OFFSETS = [0, -1, 1, -2, 2, -3, 3];
