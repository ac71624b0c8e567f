import type { Net } from '../parts/base';
import type { Strip } from '../board/board';
import type { Occupancy, Side } from './occupancy';

/** A jumper costs as much as so many holes of wire. */
export const JUMPER = 10;
const PER_HOLE = 0.3;
/** A row of holes that is begun. */
const FRESH_STRIP = 0.6;

/** What a leg of a net costs in each column; `null` where it must not go. Shape: side, column. */
export type Costs = Readonly<Record<Side, readonly (number | null)[]>>;

/** @param widest so far a leg may stand from a column that is looked at */
export function costsOf(at: Occupancy, net: Net, widest: number): Costs {
  const [from, to] = [at.reach[0] - widest, at.reach[1] + widest];
  const over = (side: Side) => {
    const costs = new Array<number | null>(at.board.columns + 1).fill(null);
    for (let column = Math.max(1, from); column <= Math.min(to, at.board.columns); column++)
      costs[column] = legCost(at, side, column, net);
    return costs;
  };
  return { upper: over('upper'), lower: over('lower') };
}

/** The columns in which a leg may go, the cheapest first. */
export function byCost(costs: Costs[Side], [from, to]: readonly [number, number]) {
  const columns: { readonly column: number; readonly cost: number }[] = [];
  for (let column = from; column <= to; column++) {
    const cost = costs[column] ?? null;
    if (cost !== null) columns.push({ column, cost });
  }
  return columns.sort((one, other) => one.cost - other.cost);
}

/** What it costs to put a leg of a net into a column's strip; `null` where it must not go there. */
function legCost(at: Occupancy, side: Side, column: number, net: Net): number | null {
  const strip = at.board.columnStrip(side, column);
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
