import { exactly, listOf, nullOr, oneOf, text, type Infer } from '../schema';
import { boardIds, type BoardId } from './board';

const HOLE_LENGTH = 6;
/** What a piece is called: a designator, a letter behind it where it is one of several. */
export const PIECE_LENGTH = 12;
const MOST_PINS = 20;
const MOST_PIECES = 300;
const MOST_WIRES = 400;

const holeField = text(HOLE_LENGTH, 1);

const placedField = exactly({
  piece: text(PIECE_LENGTH, 1),
  /** A hole for each of its leads, in their order; `null` for one that is plugged in nowhere. */
  holes: listOf(nullOr(holeField), { max: MOST_PINS }),
});
/** Where a piece sits. */
export type Placed = Infer<typeof placedField>;

const wireField = exactly({ from: holeField, to: holeField });
/** A jumper from hole to hole. */
export type Wire = Infer<typeof wireField>;

export const layoutField = exactly({
  board: oneOf<BoardId>(...boardIds),
  placed: listOf(placedField, { max: MOST_PIECES }),
  wires: listOf(wireField, { max: MOST_WIRES }),
});
/** A circuit on a breadboard. */
export type Layout = Infer<typeof layoutField>;
