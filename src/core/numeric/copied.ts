/** Copies are cut from pieces of so many figures. */
const PIECE = 512;
/** So few stand beside their own list in memory, which is the quickest. */
const FEW = 8;

let piece = new Float64Array(PIECE);
let used = 0;

/**
 * A copy of a list of figures to be worked with here: many at once share one buffer, for a buffer of its own costs each several times as
 * much as what stands in it. Not for what is sent elsewhere: the whole buffer would go with it.
 */
export function copied(values: Float64Array): Float64Array {
  const { length } = values;
  if (length <= FEW || length > PIECE / 4) return new Float64Array(values);
  if (used + length > PIECE) {
    piece = new Float64Array(PIECE);
    used = 0;
  }
  const copy = new Float64Array(piece.buffer, used * Float64Array.BYTES_PER_ELEMENT, length);
  used += length;
  copy.set(values);
  return copy;
}
