import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boardOf } from '../board/board';
import { layoutField, type Layout } from '../board/layout';
import { assemble } from '../operate/assemble';
import { anyInput } from '../operate/testCircuits';
import { damageIn } from '../schema';
import { promised, runs } from '../testRuns';
import { withMoved, withTurned } from './move';
import { piecesOf, type Piece } from './pieces';
import { proposedBoard } from './place';
import { boardFaults } from './readBack';

/** Something that hands do to a board. */
type Deed =
  | {
      readonly do: 'move';
      readonly at: number;
      readonly columns: number;
      readonly rows: number;
      readonly leg: number | null;
    }
  | { readonly do: 'turn'; readonly at: number }
  | { readonly do: 'unplug-wire'; readonly at: number }
  | { readonly do: 'add-wire'; readonly from: number; readonly to: number };

const at = fc.nat(1000);
const anyDeed: fc.Arbitrary<Deed> = fc.oneof(
  fc.record({
    do: fc.constant('move' as const),
    at,
    columns: fc.integer({ min: -4, max: 4 }),
    rows: fc.integer({ min: -3, max: 3 }),
    leg: fc.option(fc.nat(1)),
  }),
  fc.record({ do: fc.constant('turn' as const), at }),
  fc.record({ do: fc.constant('unplug-wire' as const), at }),
  fc.record({ do: fc.constant('add-wire' as const), from: at, to: at }),
);

function done(layout: Layout, deed: Deed): Layout {
  const pieceAt = (index: number) => layout.placed[index % layout.placed.length]!.piece;
  switch (deed.do) {
    case 'move':
      return withMoved(layout, pieceAt(deed.at), { columns: deed.columns, rows: deed.rows }, deed.leg);
    case 'turn':
      return withTurned(layout, pieceAt(deed.at));
    case 'unplug-wire':
      return {
        ...layout,
        wires: layout.wires.filter((_, index) => index !== deed.at % (layout.wires.length + 1)),
      };
    case 'add-wire': {
      const holes = [...boardOf(layout.board).holes.keys()];
      const wire = { from: holes[deed.from % holes.length]!, to: holes[deed.to % holes.length]! };
      return { ...layout, wires: [...layout.wires, wire] };
    }
  }
}

/**
 * Whether a board is the circuit, found another way: from each leg the holes are walked through strips and wires, and what is met is
 * held against what the circuit joins. Legs of parts without polarity may change places, each tried.
 */
function isCircuit(layout: Layout, pieces: readonly Piece[]): boolean {
  const board = boardOf(layout.board);
  const holes = new Map(layout.placed.map((one) => [one.piece, one.holes]));
  const neighbours = new Map<string, Set<string>>();
  const link = (one: string, other: string) => {
    neighbours.set(one, (neighbours.get(one) ?? new Set()).add(other));
    neighbours.set(other, (neighbours.get(other) ?? new Set()).add(one));
  };
  for (const hole of board.holes.keys()) link(hole, `strip ${board.stripOf(hole)}`);
  for (const { from, to } of layout.wires) link(from, to);
  const reach = new Map<string, string>();
  for (const start of board.holes.keys()) {
    if (reach.has(start)) continue;
    const open = [start];
    reach.set(start, start);
    while (open.length > 0)
      for (const next of neighbours.get(open.pop()!) ?? [])
        if (!reach.has(next)) {
          reach.set(next, start);
          open.push(next);
        }
  }
  const legs = pieces.flatMap((piece) =>
    piece.leads.flatMap((lead, index) => {
      const hole = holes.get(piece.id)?.[index] ?? null;
      return hole === null ? [] : [{ piece, index, net: lead.net, place: reach.get(hole) }];
    }),
  );
  if (legs.some(({ place }) => place === undefined)) return false;
  const isLoose = ({ id, leads }: Piece) =>
    leads.some(({ net }, index) => net !== null && (holes.get(id)?.[index] ?? null) === null);
  if (pieces.some(isLoose)) return false;
  const fixed = legs.filter(({ piece }) => piece.body.kind !== 'two-legs' || piece.body.isPolar);
  const loose = [...new Set(legs.filter((leg) => !fixed.includes(leg)).map(({ piece }) => piece))];
  // Nets are given places by what cannot be turned; what can be takes the way round that fits, until nothing changes.
  const placeOf = new Map<string, string>();
  const netAt = new Map<string, string>();
  const claim = (net: string | null, place: string): boolean => {
    const name = net ?? `open ${place}`;
    if ((placeOf.get(name) ?? place) !== place || (netAt.get(place) ?? name) !== name) return false;
    placeOf.set(name, place);
    netAt.set(place, name);
    return true;
  };
  const opens = fixed.filter(({ net }) => net === null).map(({ place }) => place);
  if (new Set(opens).size < opens.length) return false;
  if (!fixed.every(({ net, place }) => claim(net, place!))) return false;
  const fit = (rest: readonly Piece[]): boolean => {
    const [piece, ...others] = rest;
    if (!piece) return true;
    const mine = legs.filter((leg) => leg.piece === piece);
    for (const places of [mine.map(({ place }) => place!), mine.map(({ place }) => place!).reverse()]) {
      const before: [Map<string, string>, Map<string, string>] = [new Map(placeOf), new Map(netAt)];
      if (mine.every(({ net }, index) => claim(net, places[index]!)) && fit(others)) return true;
      placeOf.clear();
      netAt.clear();
      for (const [net, place] of before[0]) placeOf.set(net, place);
      for (const [place, net] of before[1]) netAt.set(place, net);
    }
    return false;
  };
  return fit(loose);
}

describe('what is said of a board', () => {
  it('is what a walk through its holes finds, whatever hands have done to it', () => {
    let [right, wrong] = [0, 0];
    const whole = 3000;
    fc.assert(
      fc.property(anyInput, fc.array(anyDeed, { minLength: 1, maxLength: 3 }), (input, deeds) => {
        const pieces = piecesOf(assemble(input).parts);
        const { placing } = proposedBoard(pieces, 2);
        if (!placing.ok) return;
        const layout = deeds.reduce(done, placing.layout);
        const wiring = boardFaults(layout, pieces).filter(
          ({ code }) => code !== 'does-not-fit' && code !== 'hole-taken',
        );
        const isWhole = isCircuit(layout, pieces);
        expect(wiring.length === 0).toBe(isWhole);
        if (isWhole) right += 1;
        else wrong += 1;
      }),
      { numRuns: runs(whole), seed: 163 },
    );
    promised(
      'boards changed by hand judged as a walk through the holes judges them',
      right + wrong,
      `all of ${whole}`,
    );
    expect(Math.min(right, wrong)).toBeGreaterThan(runs(whole) / 20);
  });

  it('is of a layout that the schema takes, after any row of moves', () => {
    const input = fc.sample(anyInput, { numRuns: 1, seed: 8 })[0]!;
    const pieces = piecesOf(assemble(input).parts);
    const { placing } = proposedBoard(pieces, 2);
    if (!placing.ok) throw new Error(placing.reason);
    fc.assert(
      fc.property(fc.array(anyDeed, { minLength: 20, maxLength: 60 }), (deeds) => {
        const moves = deeds.filter((deed) => deed.do === 'move' || deed.do === 'turn');
        const far = moves.map((deed) =>
          deed.do === 'move' ? { ...deed, columns: deed.columns * 50 } : deed,
        );
        for (const list of [moves, far])
          expect(damageIn(layoutField, list.reduce(done, placing.layout), 'layout')).toBeNull();
      }),
      { numRuns: runs(1000, 200), seed: 164 },
    );
    promised('rows of moves after which a layout is still one', runs(1000), '1 000');
  });
});
