import type { Lead } from '../parts/footprint';
import { boardOf, type HoleId, type Strip } from '../board/board';
import type { Layout } from '../board/layout';
import type { Piece } from './pieces';

/** A lead as it is plugged in. */
export interface PluggedLead {
  readonly piece: Piece;
  readonly lead: Lead;
  readonly hole: HoleId;
}

/** What is joined on a board, by its strips and wires: the netlist read from the holes. */
export function joinedLeads(layout: Layout, pieces: readonly Piece[]): readonly (readonly PluggedLead[])[] {
  const board = boardOf(layout.board);
  const groups = new Groups();
  for (const { from, to } of layout.wires) {
    const [one, other] = [board.stripOf(from), board.stripOf(to)];
    if (one !== null && other !== null) groups.join(one, other);
  }
  const byGroup = new Map<Strip, PluggedLead[]>();
  for (const plugged of pluggedLeads(layout, pieces)) {
    const strip = board.stripOf(plugged.hole);
    if (strip === null) continue;
    const group = groups.of(strip);
    const list = byGroup.get(group);
    if (list) list.push(plugged);
    else byGroup.set(group, [plugged]);
  }
  return [...byGroup.values()];
}

/** Every lead that is plugged into some hole. */
export function pluggedLeads(layout: Layout, pieces: readonly Piece[]): readonly PluggedLead[] {
  const placed = new Map(layout.placed.map(({ piece, holes }) => [piece, holes]));
  return pieces.flatMap((piece) =>
    piece.leads.flatMap((lead, index) => {
      const hole = placed.get(piece.id)?.[index] ?? null;
      return hole === null ? [] : [{ piece, lead, hole }];
    }),
  );
}

/** Strips that are joined with one another (union-find). */
class Groups {
  private readonly parent = new Map<Strip, Strip>();

  of(strip: Strip): Strip {
    let root = strip;
    for (let next = this.parent.get(root); next !== undefined; next = this.parent.get(root)) root = next;
    return root;
  }

  join(one: Strip, other: Strip): void {
    const [a, b] = [this.of(one), this.of(other)];
    if (a !== b) this.parent.set(a, b);
  }
}
