import type { Net } from '../parts/base';
import { heightOf } from '../parts/footprint';
import type { Piece } from './pieces';

/** Millimetres from hole to hole. */
export const HOLE_MILLIMETRES = 2.54;

/** A piece in the order of soldering. */
export interface SolderStep {
  readonly piece: Piece;
  /** From bend to bend, in mm; `null` for what is not bent. */
  readonly bendMillimetres: number | null;
}

/** Holes between the legs of what lies flat: enough for a quarter-watt resistor's body and its bends. */
const FLAT_HOLES = 4;

/** Everything in the order in which it is soldered: the lowest first, so that the board lies flat on its back; supplies last. */
export function solderOrder(pieces: readonly Piece[]): readonly SolderStep[] {
  const isSupply = ({ part }: Piece) => (part.kind === 'supply' ? 1 : 0);
  return [...pieces]
    .sort((one, other) => isSupply(one) - isSupply(other) || heightOf(one.part) - heightOf(other.part))
    .map((piece) => ({
      piece,
      bendMillimetres:
        piece.part.kind === 'resistor' || piece.part.kind === 'diode' ? FLAT_HOLES * HOLE_MILLIMETRES : null,
    }));
}

/** What is joined: of every net the legs that meet there, by piece and pin. */
export function netLegs(pieces: readonly Piece[]): readonly {
  readonly net: Net;
  readonly legs: readonly { readonly piece: Piece; readonly pin: number }[];
}[] {
  const nets = new Map<Net, { readonly piece: Piece; readonly pin: number }[]>();
  for (const piece of pieces)
    piece.leads.forEach(({ net }, index) => {
      if (net === null) return;
      nets.set(net, [...(nets.get(net) ?? []), { piece, pin: index + 1 }]);
    });
  return [...nets].map(([net, legs]) => ({ net, legs }));
}
