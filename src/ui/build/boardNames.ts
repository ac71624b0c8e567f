import type { Layout } from '@/core/board/layout';
import type { Piece } from '@/core/build/pieces';
import { holeAt, PITCH, rowY, type At } from './boardPlaces';

/** A rectangle in drawing units. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A name's letters, in drawing units: how wide each is, and how far they rise and fall. */
const LETTER = 7.2;
const RISE = 9;
const FALL = 2.5;

/** What a name that stands about `x` on the line `y` takes. */
export const nameBox = (name: string, { x, y }: At): Box => {
  const half = (name.length * LETTER) / 2;
  return { left: x - half, right: x + half, top: y - RISE, bottom: y + FALL };
};

export const isTouching = (one: Box, other: Box): boolean =>
  one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;

/** Something that a name had better not lie over, and how bad it is. */
interface Spot extends At {
  readonly weight: number;
}

const OVER_NAME = 100;
const OVER_BODY = 3;
const OVER_LEG = 2;
const OVER_WIRE = 1;
/** Each further place is a little worse than the one before. */
const FARTHER = 0.4;

/**
 * Where the names of all pieces stand: each beside its own body, over no other name where there is any room, and over as
 * little else as can be. Names of DIPs are in them, and what lies beside the board has its own.
 * @returns by piece, the middle of the name's line
 */
export function namesOn({ placed, wires }: Layout, pieces: readonly Piece[]): ReadonlyMap<string, At> {
  const named = placed.flatMap(({ piece: id, holes }) => {
    const piece = pieces.find((each) => each.id === id);
    const at = holes.flatMap((hole) => (hole === null ? [] : [holeAt(hole)]));
    return piece && at.length > 0 && piece.body.kind !== 'beside' ? [{ id, piece, at }] : [];
  });
  const spots = [
    ...named.flatMap(({ piece, at }) => spotsOf(piece, at)),
    ...wires.flatMap(({ from, to }) => along(holeAt(from), holeAt(to), OVER_WIRE)),
  ];
  const choices = named
    .filter(({ piece }) => piece.body.kind !== 'dip')
    .map(({ id, piece, at }) => ({
      id,
      places: placesFor(id, piece, at).map((place, index) => ({
        place,
        box: nameBox(id, place),
        cost: index * FARTHER + weightIn(nameBox(id, place), spots),
      })),
    }));
  const taken = new Map<string, { readonly place: At; readonly box: Box }>();
  // Twice over: who came first may make room for who came later.
  for (const { id, places } of [...choices, ...choices]) {
    const others = [...taken].flatMap(([other, { box }]) => (other === id ? [] : [box]));
    let least = Infinity;
    for (const { place, box, cost } of places) {
      const whole = cost + OVER_NAME * others.filter((other) => isTouching(box, other)).length;
      if (whole >= least) continue;
      least = whole;
      taken.set(id, { place, box });
    }
  }
  return new Map([...taken].map(([id, { place }]) => [id, place]));
}

const weightIn = (box: Box, spots: readonly Spot[]): number =>
  spots.reduce(
    (sum, { x, y, weight }) =>
      x > box.left && x < box.right && y > box.top && y < box.bottom ? sum + weight : sum,
    0,
  );

/** Every few units along a line. */
function along(from: At, to: At, weight: number): Spot[] {
  const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / 5));
  return Array.from({ length: steps + 1 }, (_, step) => ({
    x: from.x + ((to.x - from.x) * step) / steps,
    y: from.y + ((to.y - from.y) * step) / steps,
    weight,
  }));
}

const isThick = ({ part }: Piece) => part.kind !== 'resistor' && part.kind !== 'diode';

/** A piece's body and its legs. */
function spotsOf(piece: Piece, at: readonly At[]): Spot[] {
  const legs = at.map((leg) => ({ ...leg, weight: OVER_LEG }));
  if (piece.body.kind === 'dip') {
    const [low, high] = [extreme(at, Math.min), extreme(at, Math.max)];
    const rows = along({ x: low.x, y: low.y }, { x: low.x, y: high.y }, 0);
    return [...legs, ...rows.flatMap(({ y }) => along({ x: low.x, y }, { x: high.x, y }, OVER_BODY))];
  }
  const [first, last] = [at[0], at.at(-1)];
  if (!first || !last) return legs;
  const width = isThick(piece) ? 9 : 5;
  const length = Math.hypot(last.x - first.x, last.y - first.y) || 1;
  const across = { x: (-(last.y - first.y) / length) * width, y: ((last.x - first.x) / length) * width };
  // What has three legs in line stands behind them, upward.
  const sides = piece.body.kind === 'in-line' ? [0, 1] : [-1, 0, 1];
  return [
    ...legs,
    ...sides.flatMap((side) =>
      along(
        { x: first.x + side * across.x, y: first.y + side * across.y },
        { x: last.x + side * across.x, y: last.y + side * across.y },
        side === 0 ? OVER_BODY : OVER_BODY / 2,
      ),
    ),
  ];
}

const extreme = (at: readonly At[], of: (...values: number[]) => number): At => ({
  x: of(...at.map(({ x }) => x)),
  y: of(...at.map(({ y }) => y)),
});

/** Places beside a body, the usual one first. */
function placesFor(name: string, piece: Piece, at: readonly At[]): At[] {
  const [low, high] = [extreme(at, Math.min), extreme(at, Math.max)];
  const middle = { x: (low.x + high.x) / 2, y: (low.y + high.y) / 2 };
  const half = (name.length * LETTER) / 2;
  const thick = isThick(piece) ? 10 : 6.5;
  const isUpright = high.y - low.y > high.x - low.x;
  if (piece.body.kind === 'in-line') {
    const [above, below] = [middle.y - PITCH + 2, middle.y + PITCH + 2];
    const ends = [high.x + 10 + half, low.x - 10 - half];
    return [
      { x: middle.x, y: above },
      { x: middle.x, y: below },
      ...ends.map((x) => ({ x, y: middle.y + 4 })),
      ...ends.flatMap((x) => [above, below].map((y) => ({ x, y }))),
    ];
  }
  const slides = [0, 8, -8, 16, -16, 26, -26];
  const gaps = [2, 8];
  return gaps.flatMap((gap) =>
    slides.flatMap((slide) =>
      isUpright
        ? [1, -1].map((side) => ({
            x: middle.x + side * (thick + half + gap),
            y: middle.y + 4 + slide,
          }))
        : [
            { x: middle.x + slide, y: middle.y - thick - gap - FALL },
            { x: middle.x + slide, y: middle.y + thick + gap + RISE },
          ],
    ),
  );
}

/** Names of leads at the edge of the board stand slanted; so far apart one does not lie over the next. */
export const LEAD_APART = PITCH;

/** Whether a lead to something beside the board goes up over it: from its upper half. */
export const goesUp = ({ y }: At): boolean => y < (rowY('e') + rowY('f')) / 2;

/** What a lead is known by. */
export const leadKey = (piece: string, index: number): string => `${piece} ${index}`;

/**
 * Where the leads to what stands beside the board come out at its edge: each over its own hole where there is room, else as
 * little to the right of it as can be, in the order of their holes.
 * @returns by {@link leadKey}, the x in the drawing
 */
export function leadsOut({ placed }: Layout, pieces: readonly Piece[]): ReadonlyMap<string, number> {
  const beside = new Set(pieces.flatMap(({ id, body }) => (body.kind === 'beside' ? [id] : [])));
  const leads = placed.flatMap(({ piece, holes }) =>
    holes.flatMap((hole, index) =>
      hole === null || !beside.has(piece) ? [] : [{ key: leadKey(piece, index), at: holeAt(hole) }],
    ),
  );
  const out = new Map<string, number>();
  for (const isUp of [true, false]) {
    let last = -Infinity;
    const side = leads.filter(({ at }) => goesUp(at) === isUp).sort((one, other) => one.at.x - other.at.x);
    for (const { key, at } of side) {
      last = Math.max(at.x, last + LEAD_APART);
      out.set(key, last);
    }
  }
  return out;
}
