import type { Layout } from '../board/layout';
import type { Net } from '../parts/base';
import { joinedLeads, type PluggedLead } from './joinedLeads';
import type { Piece } from './pieces';

/** A part whose two legs may change places, and the groups of joined holes that they are in. */
interface Loose {
  readonly piece: Piece;
  readonly nets: readonly [Net | null, Net | null];
  readonly groups: readonly [number, number];
}

/**
 * A layout with the legs of parts that have no polarity told the way round in which they fit: which is which is nobody's matter.
 * What has a polarity says which net each group of joined holes is; from there the surest part is settled first, and says more.
 */
export function withEqualLegs(layout: Layout, pieces: readonly Piece[]): Layout {
  const groups = joinedLeads(layout, pieces);
  const loose = loosePieces(groups, pieces);
  const known = groups.map(() => new Set<Net | null>());
  const isLoose = new Set(loose.map(({ piece }) => piece));
  groups.forEach((leads, group) => {
    for (const { piece, lead } of leads) if (!isLoose.has(piece)) known[group]?.add(lead.net);
  });
  const turned = new Set<string>();
  while (loose.length > 0) {
    const [next, sureness] = surest(loose, known);
    loose.splice(loose.indexOf(next), 1);
    if (sureness < 0) turned.add(next.piece.id);
    const [one, other] = sureness < 0 ? [next.nets[1], next.nets[0]] : next.nets;
    known[next.groups[0]]?.add(one);
    known[next.groups[1]]?.add(other);
  }
  if (turned.size === 0) return layout;
  return {
    ...layout,
    placed: layout.placed.map((one) =>
      turned.has(one.piece) ? { ...one, holes: [...one.holes].reverse() } : one,
    ),
  };
}

function loosePieces(groups: readonly (readonly PluggedLead[])[], pieces: readonly Piece[]): Loose[] {
  return pieces.flatMap((piece): Loose[] => {
    const [one, other] = piece.leads;
    if (piece.body.kind !== 'two-legs' || piece.body.isPolar || !one || !other) return [];
    const groupOf = (index: number) =>
      groups.findIndex((leads) =>
        leads.some((plugged) => plugged.piece === piece && plugged.lead === piece.leads[index]),
      );
    const [here, there] = [groupOf(0), groupOf(1)];
    return here < 0 || there < 0 ? [] : [{ piece, nets: [one.net, other.net], groups: [here, there] }];
  });
}

/** The part of which most is known, and how sure its way round is: above 0 as it is told, under 0 the other way. */
function surest(
  loose: readonly Loose[],
  known: readonly ReadonlySet<Net | null>[],
): readonly [Loose, number] {
  let best: readonly [Loose, number] | null = null;
  for (const one of loose) {
    const sureness = asTold(one, known);
    if (!best || Math.abs(sureness) > Math.abs(best[1])) best = [one, sureness];
  }
  if (!best) throw new Error('no part is left');
  return best;
}

/** How much speaks for a part as it is told: a net that is there for it, one that is elsewhere against it. */
function asTold(
  { nets: [a, b], groups: [here, there] }: Loose,
  known: readonly ReadonlySet<Net | null>[],
): number {
  const fits = (net: Net | null, group: number) => {
    const there = known[group];
    if (there?.has(net)) return 2;
    const isElsewhere = known.some((nets) => nets.has(net)) || (there?.size ?? 0) > 0;
    return isElsewhere ? -1 : 0;
  };
  return fits(a, here) + fits(b, there) - fits(b, here) - fits(a, there);
}
