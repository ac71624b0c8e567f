import type { Net } from '../parts/base';
import { boardOf, type Board, type HoleId, type Strip } from '../board/board';
import type { Layout, Placed } from '../board/layout';
import { withEqualLegs } from './equalLegs';
import { joinedLeads, pluggedLeads, type PluggedLead } from './joinedLeads';
import type { Piece } from './pieces';

/** What is wrong with a circuit on a board. */
export type BoardFault =
  /** A leg has no hole there, or a wire's end. */
  | { readonly code: 'off-board'; readonly piece: string | null; readonly hole: HoleId }
  /** It is not plugged in at all. */
  | { readonly code: 'not-placed'; readonly piece: string }
  /** Its legs do not reach so far, or stand nearer than they can. */
  | { readonly code: 'does-not-fit'; readonly piece: string }
  | { readonly code: 'hole-taken'; readonly hole: HoleId; readonly pieces: readonly string[] }
  /** Two of its legs that must not meet stand in one row of joined holes. */
  | { readonly code: 'own-row'; readonly piece: string; readonly hole: HoleId }
  /** What must not meet is joined. */
  | { readonly code: 'shorted'; readonly nets: readonly Net[]; readonly leads: readonly PluggedLead[] }
  /** What should meet is not joined: a lead of each part that it is in. */
  | { readonly code: 'open'; readonly net: Net; readonly leads: readonly PluggedLead[] };

/** Everything that is wrong with a circuit on a board; empty where the board is the circuit. */
export function boardFaults(given: Layout, pieces: readonly Piece[]): readonly BoardFault[] {
  const layout = withEqualLegs(given, pieces);
  const board = boardOf(layout.board);
  const placed = new Map(layout.placed.map((one) => [one.piece, one]));
  return [
    ...pieces.flatMap((piece) => pieceFaults(board, piece, placed.get(piece.id))),
    ...layout.wires.flatMap(({ from, to }) =>
      [from, to].flatMap((hole): readonly BoardFault[] =>
        board.stripOf(hole) === null ? [{ code: 'off-board', piece: null, hole }] : [],
      ),
    ),
    ...holesTaken(layout, pieces),
    ...netFaults(layout, pieces),
  ];
}

function pieceFaults(board: Board, piece: Piece, placed: Placed | undefined): readonly BoardFault[] {
  if (!placed) return [{ code: 'not-placed', piece: piece.id }];
  const faults: BoardFault[] = [];
  const seen = new Map<Strip, Net | null>();
  piece.leads.forEach(({ net }, index) => {
    const hole = placed.holes[index] ?? null;
    if (hole === null) {
      if (net !== null) faults.push({ code: 'not-placed', piece: piece.id });
      return;
    }
    const strip = board.stripOf(hole);
    if (strip === null) faults.push({ code: 'off-board', piece: piece.id, hole });
    else if (seen.has(strip) && (net === null || seen.get(strip) !== net))
      faults.push({ code: 'own-row', piece: piece.id, hole });
    else seen.set(strip, net);
  });
  const isOff = faults.some(({ code }) => code === 'off-board' || code === 'not-placed');
  return isOff || fits(board, piece, placed)
    ? faults
    : [...faults, { code: 'does-not-fit', piece: piece.id }];
}

/** Whether a piece's legs reach its holes. */
function fits(board: Board, { body }: Piece, { holes }: Placed): boolean {
  if (body.kind === 'beside') return true;
  const places = holes.flatMap((hole) => {
    const place = hole === null ? null : board.placeOf(hole);
    return place ? [place] : [];
  });
  const [first, second] = places;
  if (!first || !second || places.length !== holes.length) return false;
  const { seam } = board;
  if (seam !== null && new Set(places.map(({ x }) => x > seam)).size > 1) return false;
  switch (body.kind) {
    case 'two-legs': {
      const span = Math.hypot(first.x - second.x, first.y - second.y);
      return span > body.minSpan - 0.5 && span < body.maxSpan + 0.5;
    }
    case 'in-line': {
      const step = second.x - first.x;
      return Math.abs(step) === 1 && places.every(({ x, y }, i) => x === first.x + i * step && y === first.y);
    }
    case 'dip': {
      const half = places.length / 2;
      return places.every(({ x, y }, index) =>
        index < half
          ? y === LOWER_Y && x === first.x + index
          : y === UPPER_Y && x === first.x + (places.length - 1 - index),
      );
    }
  }
}

/** Rows e and f, on either side of the trench. */
const [UPPER_Y, LOWER_Y] = [7, 10];

function holesTaken(layout: Layout, pieces: readonly Piece[]): readonly BoardFault[] {
  const users = new Map<HoleId, string[]>();
  const take = (hole: HoleId, by: string) => users.set(hole, [...(users.get(hole) ?? []), by]);
  for (const { hole, piece } of pluggedLeads(layout, pieces)) take(hole, piece.id);
  for (const { from, to } of layout.wires) for (const hole of [from, to]) take(hole, `${from}–${to}`);
  return [...users].flatMap(([hole, by]): readonly BoardFault[] =>
    by.length > 1 ? [{ code: 'hole-taken', hole, pieces: by }] : [],
  );
}

function netFaults(layout: Layout, pieces: readonly Piece[]): readonly BoardFault[] {
  const groups = joinedLeads(layout, pieces);
  const faults: BoardFault[] = [];
  const groupsOf = new Map<Net, PluggedLead[]>();
  for (const group of groups) {
    const nets = new Set(group.flatMap(({ lead }) => (lead.net === null ? [] : [lead.net])));
    const loose = group.filter(({ lead }) => lead.net === null);
    if (nets.size > 1 || (loose.length > 0 && group.length > 1))
      faults.push({ code: 'shorted', nets: [...nets], leads: onePerNet(group) });
    for (const net of nets) {
      const lead = group.find((plugged) => plugged.lead.net === net);
      if (lead) groupsOf.set(net, [...(groupsOf.get(net) ?? []), lead]);
    }
  }
  for (const [net, leads] of groupsOf) if (leads.length > 1) faults.push({ code: 'open', net, leads });
  return faults;
}

function onePerNet(group: readonly PluggedLead[]): readonly PluggedLead[] {
  return group.filter(
    ({ lead }, index) =>
      lead.net === null || group.findIndex((other) => other.lead.net === lead.net) === index,
  );
}
