import { boardOf, type HoleId } from '../board/board';
import type { Layout } from '../board/layout';
import { joinedLeads, pluggedLeads } from '../build/joinedLeads';
import type { Piece } from '../build/pieces';
import type { Net } from '../parts/base';

/** What lies beside what on a board: where a leg or a stray whisker may come to. */
export interface Neighbours {
  /** For each lead, the other nets whose holes are one beside its own. */
  readonly besideLead: readonly { readonly designator: string; readonly net: Net; readonly to: Net }[];
  /** Nets whose rows lie side by side, each pair once. */
  readonly besideNet: readonly (readonly [Net, Net])[];
}

/** Reads off a board what stands beside what. */
export function neighboursOn(layout: Layout, pieces: readonly Piece[]): Neighbours {
  const board = boardOf(layout.board);
  const netOfStrip = new Map<string, Net>();
  for (const group of joinedLeads(layout, pieces))
    for (const { lead, hole } of group) {
      const strip = board.stripOf(hole);
      if (strip !== null && lead.net !== null) netOfStrip.set(strip, lead.net);
    }
  const netAt = (hole: HoleId): Net | null => {
    const strip = board.stripOf(hole);
    return strip === null ? null : (netOfStrip.get(strip) ?? null);
  };
  const beside = (hole: HoleId): readonly Net[] => {
    const place = board.placeOf(hole);
    if (!place) return [];
    return [-1, 1].flatMap((by) => {
      const net = netAt(`${place.row}${place.column + by}`);
      return net === null ? [] : [net];
    });
  };
  const besideLead = pluggedLeads(layout, pieces).flatMap(({ piece, lead, hole }) =>
    lead.net === null || piece.body.kind === 'dip'
      ? []
      : beside(hole)
          .filter((to) => to !== lead.net)
          .map((to) => ({ designator: piece.part.designator, net: lead.net ?? to, to })),
  );
  const pairs = new Map<string, readonly [Net, Net]>();
  for (const [hole] of board.holes) {
    const net = netAt(hole);
    if (net === null) continue;
    for (const to of beside(hole)) if (to !== net) pairs.set(pairKey(net, to), ordered(net, to));
  }
  return { besideLead, besideNet: [...pairs.values()] };
}

export const ordered = (one: Net, other: Net): readonly [Net, Net] =>
  one < other ? [one, other] : [other, one];
export const pairKey = (one: Net, other: Net): string => ordered(one, other).join(' ');
