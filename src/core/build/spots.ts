import type { Net } from '../parts/base';
import { lowerRows, ROW_Y, upperRows, type HoleId, type RailRow, type Row } from '../board/board';
import { byCost, costsOf, type Costs } from './legCosts';
import { sideOf, type Occupancy, type Side } from './occupancy';
import type { Piece } from './pieces';

/** Where a piece could sit: a hole for each leg, and the holes that its body lies over. */
export interface Spot {
  readonly holes: readonly HoleId[];
  readonly blocked: readonly HoleId[];
}

const PER_SPAN = 0.15;
/** Legs are not spread wider than this over their least. */
const SPREAD = 4;

/** The spot that costs least of those that were offered. */
class Cheapest {
  spot: Spot | null = null;
  private least = Infinity;

  constructor(private readonly search: SpotSearch) {}

  /** Whether what costs so much at least may still be the cheapest, however chance falls. */
  isWorth(cost: number): boolean {
    return cost * this.search.luckiest < this.least;
  }

  /** Offers a spot for a cost; it is looked for only where the cost is worth it. */
  offer(cost: number, find: () => Spot | null): void {
    if (!this.isWorth(cost)) return;
    const shaken = this.search.shaken(cost);
    if (shaken >= this.least) return;
    const spot = find();
    if (spot) [this.spot, this.least] = [spot, shaken];
  }
}

/** What a search for a spot goes by. */
export interface SpotSearch {
  readonly at: Occupancy;
  /** What it costs that a piece stands between two columns, whatever it is joined to. */
  readonly columnCost: (piece: Piece, one: number, other: number) => number;
  /** A cost, moved a little by chance. */
  readonly shaken: (cost: number) => number;
  /** The least that chance makes of a cost of 1. */
  readonly luckiest: number;
}

/** The spot that costs least; `null` where there is none. */
export function bestSpot(piece: Piece, search: SpotSearch): Spot | null {
  const best = new Cheapest(search);
  if (piece.body.kind === 'in-line') offerInLine(piece, search, best);
  if (piece.body.kind === 'two-legs') new TwoLegs(piece, piece.body, search, best).offerAll();
  return best.spot;
}

/** Three legs side by side, either way round. */
function offerInLine(piece: Piece, search: SpotSearch, best: Cheapest): void {
  const { at } = search;
  const all = piece.leads.map(({ net }) => (net === null ? null : costsOf(at, net, 0)));
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
        if (!best.isWorth(sum)) continue;
        best.offer(sum + search.columnCost(piece, column, column + 2), () => {
          for (const row of inner[side]) {
            const holes = columns.map((one) => at.board.hole(row, one));
            if (holes.every((hole) => at.isFree(hole)) && !at.liesOnAnother(piece, holes))
              return { holes, blocked: [] };
          }
          return null;
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
    private readonly best: Cheapest,
  ) {
    this.at = search.at;
    this.nets = { a: piece.leads[0]?.net ?? '', b: piece.leads[1]?.net ?? '' };
    const widest = Math.min(legs.maxSpan, legs.minSpan + SPREAD);
    this.costs = {
      a: costsOf(this.at, this.nets.a, widest),
      b: costsOf(this.at, this.nets.b, widest),
    };
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
    for (const side of sides)
      for (const { column, cost: own } of byCost(this.costs.a[side], this.at.reach)) {
        if (!this.best.isWorth(own)) break;
        for (let span = minSpan; span <= Math.min(maxSpan, minSpan + SPREAD); span++)
          for (const other of [column - span, column + span]) {
            const far = this.costs.b[side][other] ?? null;
            if (far === null || this.at.crossesSeam(column, other)) continue;
            if (!this.best.isWorth(own + far)) continue;
            this.best.offer(own + far + this.costBetween(column, other, span), () =>
              this.lying(side, column, other),
            );
          }
      }
  }

  private lying(side: Side, column: number, other: number): Spot | null {
    const [low, high] = [Math.min(column, other), Math.max(column, other)];
    const { board } = this.at;
    for (const row of inner[side]) {
      const [near, far] = [board.hole(row, column), board.hole(row, other)];
      if (!this.at.isFree(near) || !this.at.isFree(far)) continue;
      const holes = [near, far];
      if (this.at.liesOnAnother(this.piece, holes)) continue;
      const between: HoleId[] = [];
      for (let at = low + 1; at < high; at++) between.push(board.hole(row, at));
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
          if (cost === null || !this.best.isWorth(cost)) continue;
          this.best.offer(cost + this.costBetween(column, column, this.legs.minSpan), () =>
            this.fromRail(rail, column, inRow === 'b'),
          );
        }
  }

  private fromRail(rail: RailRow, column: number, isSwapped: boolean): Spot | null {
    const { board } = this.at;
    const outerFirst = sideOf(rail) === 'upper' ? upperRows : [...lowerRows].reverse();
    for (const offset of OFFSETS)
      for (const row of outerFirst) {
        const spot = this.between(board.hole(row, column), board.hole(rail, column + offset), isSwapped);
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
        if (!this.best.isWorth(upper + lower)) continue;
        const cost = upper + lower + this.costBetween(column, column, ROW_Y.f - ROW_Y.e);
        this.best.offer(cost, () => this.across(column, up === 'b'));
      }
  }

  /** No IC stands there. */
  private isOpenAt(column: number): boolean {
    const { board } = this.at;
    return this.at.isFree(board.hole('e', column)) || this.at.isFree(board.hole('f', column));
  }

  private across(column: number, isSwapped: boolean): Spot | null {
    const { board } = this.at;
    for (const upper of inner.upper)
      for (const lower of inner.lower) {
        const spot = this.between(board.hole(upper, column), board.hole(lower, column), isSwapped);
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
          this.best.offer(this.costBetween(column, far, minSpan), () => {
            const holes = [this.at.board.hole(one, column), this.at.board.hole(other, far)];
            const isOpen = this.areFree(holes) && !this.at.liesOnAnother(this.piece, holes);
            return isOpen ? { holes, blocked: [] } : null;
          });
        }
      }
  }

  /** Straight from hole to hole, if the legs reach so far and what lies between can be covered. */
  private between(one: HoleId, other: HoleId, isSwapped: boolean): Spot | null {
    const { minSpan, maxSpan } = this.legs;
    const span = this.at.board.distance(one, other);
    if (span < minSpan - 0.4 || span > maxSpan) return null;
    if (!this.at.isFree(one) || !this.at.isFree(other)) return null;
    const under = this.under(one, other);
    if (!this.at.canBlock(under)) return null;
    if (this.at.liesOnAnother(this.piece, [one, other])) return null;
    return { holes: isSwapped ? [other, one] : [one, other], blocked: under };
  }

  /** Holes that lie under a body from hole to hole. */
  private under(from: HoleId, to: HoleId): readonly HoleId[] {
    const [one, other] = [this.at.board.placeOf(from), this.at.board.placeOf(to)];
    if (!one || !other) return [];
    const under: HoleId[] = [];
    for (const row of holeRows) {
      const share = (ROW_Y[row] - one.y) / (other.y - one.y);
      if (share > 0.01 && share < 0.99)
        under.push(this.at.board.hole(row, Math.round(one.x + share * (other.x - one.x))));
    }
    return under;
  }

  private areFree(holes: readonly HoleId[]): boolean {
    return holes.every((hole) => this.at.isFree(hole));
  }
}

const holeRows: readonly Row[] = [...upperRows, ...lowerRows];
const sides: readonly Side[] = ['upper', 'lower'];
const legPairs = [
  ['a', 'b'],
  ['b', 'a'],
] as const;
/** Rows of a side, the one at the trench first. */
const inner: Readonly<Record<Side, readonly Row[]>> = { upper: [...upperRows].reverse(), lower: lowerRows };
/** A leg in a rail may stand so far aside. */
const OFFSETS = [0, -1, 1, -2, 2, -3, 3];
