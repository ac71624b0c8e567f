import type { Net } from '../parts/base';
import { railRows, ROW_Y, type Strip } from '../board/board';
import type { Wire } from '../board/layout';
import { sideOf, type Occupancy } from './occupancy';

/** Jumpers that join the strips of a net, the shortest first; `null` where a strip has no hole left. */
export function joinNet(at: Occupancy, net: Net): readonly Wire[] | null {
  const strips = [...(at.netStrips.get(net) ?? [])];
  const [rail] = at.railsOf.get(net) ?? [];
  if (rail !== undefined && !strips.some(isRail)) strips.push(`${rail}0`);
  strips.push(...worthwhileRails(at, net, strips));
  const wires: Wire[] = [];
  const inTree = new Set(strips.slice(-1));
  while (inTree.size < strips.length) {
    let best: { readonly wire: Wire; readonly strip: Strip } | null = null;
    let least = Infinity;
    for (const strip of strips) {
      if (inTree.has(strip)) continue;
      for (const known of inTree) {
        const wire = shortest(at, known, strip);
        if (!wire) continue;
        const length = at.board.distance(wire.from, wire.to) + (liesUnderIc(at, wire) ? UNDER_IC : 0);
        if (length < least) [best, least] = [{ wire, strip }, length];
      }
    }
    if (!best) return null;
    inTree.add(best.strip);
    at.use(best.wire.from);
    at.use(best.wire.to);
    wires.push(best.wire);
  }
  return wires;
}

/** A wire under an IC is in its way: it counts as so much longer. */
const UNDER_IC = 6;

/** Whether a wire crosses the trench where an IC stands. */
function liesUnderIc(at: Occupancy, { from, to }: Wire): boolean {
  const [one, other] = [at.board.placeOf(from), at.board.placeOf(to)];
  if (!one || !other || one.y < TRENCH_Y === other.y < TRENCH_Y) return false;
  const share = (TRENCH_Y - one.y) / (other.y - one.y);
  return at.dipColumns.has(Math.round(one.x + share * (other.x - one.x)));
}

const TRENCH_Y = (ROW_Y.e + ROW_Y.f) / 2;

const isRail = (strip: Strip): boolean => railRows.some((row) => strip.startsWith(row));

/** A second rail of the net, where several rows on its side would have to reach over the trench. */
function worthwhileRails(at: Occupancy, net: Net, strips: readonly Strip[]): readonly Strip[] {
  return (at.railsOf.get(net) ?? []).flatMap((rail) =>
    at.board.railSegments.flatMap(({ from, to }, segment) => {
      const strip = `${rail}${segment}`;
      if (strips.includes(strip)) return [];
      const letter = sideOf(rail) === 'upper' ? 'u' : 'l';
      const near = strips.filter((each) => {
        const column = Number(each.slice(1));
        return each.startsWith(letter) && column >= from && column <= to;
      });
      return near.length >= 2 ? [strip] : [];
    }),
  );
}

const freeHoles = (at: Occupancy, strip: Strip) =>
  at.board.placesOf(strip).filter(({ hole }) => at.isFree(hole));

function shortest(at: Occupancy, one: Strip, other: Strip): Wire | null {
  let [best, least]: [Wire | null, number] = [null, Infinity];
  const ends = freeHoles(at, other);
  for (const from of freeHoles(at, one))
    for (const to of ends) {
      const [dx, dy] = [from.x - to.x, from.y - to.y];
      const straight = Math.sqrt(dx * dx + dy * dy);
      if (straight >= least) continue;
      const wire = { from: from.hole, to: to.hole };
      const length = straight + (liesUnderIc(at, wire) ? UNDER_IC : 0);
      if (length < least) [best, least] = [wire, length];
    }
  return best;
}
