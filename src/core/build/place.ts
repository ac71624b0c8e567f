import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import { uniforms } from '../numeric/random';
import { attempt, type Attempted, type AttemptPlan } from './attempt';
import { boardIds, boardOf, type BoardId } from '../board/board';
import type { Layout } from '../board/layout';
import type { RailNets } from './occupancy';
import type { Piece } from './pieces';

/** So many attempts are made, fewer for more pieces; the best is taken. */
export const attemptsFor = (pieces: number) =>
  Math.max(90, Math.min(550, Math.round(11_000 / pieces ** 1.5)));
/** This share of them starts afresh; the others change one of the best a little. */
const FRESH_SHARE = 0.3;
const SEED = 7;
const NOISE = 0.25;
/** Others are changed from one of so many, the best most often. */
const KEPT = 6;
/** Where so large a share of them in a row found nothing better, the rest is not made. */
const PATIENCE = 0.6;
const MOST_GAP = 5;

/** A circuit on a board, or why there is none. */
export type Placing =
  | { readonly ok: true; readonly layout: Layout; readonly cost: number }
  | { readonly ok: false; readonly reason: 'too-large' };

/**
 * Puts a circuit on a board: many attempts, each piece where it costs least, the one with the fewest and shortest jumpers.
 * The same circuit always comes out the same.
 */
export function placeOn(
  board: BoardId,
  pieces: readonly Piece[],
  attempts = attemptsFor(pieces.length),
  seed = SEED,
  freshShare = FRESH_SHARE,
): Placing {
  const rails = railNetsOf(pieces);
  const random = uniforms(seed);
  const dips = pieces.flatMap(({ body }, index) => (body.kind === 'dip' ? [index] : []));
  // Attempts that all start afresh are made to hold others against: every one of them.
  const patience = freshShare === 1 ? Infinity : PATIENCE * attempts;
  // The best first. Where one leads no further another may.
  let [kept, improvedAt]: [readonly Best[], number] = [[], 0];
  for (let number = 0; number < attempts; number++) {
    if (kept.length > 0 && number - improvedAt > patience) break;
    const from = kept[Math.floor(random() ** 2 * kept.length)];
    const plan: AttemptPlan =
      from === undefined || number < freshShare * attempts
        ? freshPlan(dips, random, number)
        : changed(from, random);
    const made: Attempted | null = attempt(boardOf(board), pieces, rails, plan);
    if (!made) continue;
    if (made.cost < (kept[0]?.made.cost ?? Infinity)) improvedAt = number;
    kept = withAnother(kept, { plan, made });
  }
  const [best] = kept;
  return best
    ? { ok: true, layout: best.made.layout, cost: best.made.cost }
    : { ok: false, reason: 'too-large' };
}

/** The few best with another one, which comes before what costs the same. */
function withAnother(kept: readonly Best[], next: Best): readonly Best[] {
  const at = kept.findIndex(({ made }) => next.made.cost <= made.cost);
  if (at < 0) return kept.length < KEPT ? [...kept, next] : kept;
  const rest = kept.filter(({ made }) => made.cost !== next.made.cost);
  return [...rest.slice(0, at), next, ...rest.slice(at)].slice(0, KEPT);
}

interface Best {
  readonly plan: AttemptPlan;
  readonly made: Attempted;
}

const gap = (random: () => number) => 1 + Math.floor(random() * MOST_GAP);

function freshPlan(dips: readonly number[], random: () => number, number: number): AttemptPlan {
  return {
    dips: shuffled(dips, random),
    gaps: dips.map(() => gap(random)),
    order: null,
    seed: Math.floor(random() * 2 ** 31),
    noise: number === 0 ? 0 : NOISE,
  };
}

/** The same with one thing changed: a piece comes earlier or later, an IC moves, or chance falls otherwise. */
function changed({ plan, made: { order } }: Best, random: () => number): AttemptPlan {
  const choice = random();
  const moved = { ...plan, order: withOneMoved(order, random) };
  if (choice < 0.55) return moved;
  if (choice < 0.75 && plan.gaps.length > 0) {
    const place = Math.floor(random() * plan.gaps.length);
    return { ...plan, order, gaps: plan.gaps.map((each, index) => (index === place ? gap(random) : each)) };
  }
  if (choice < 0.85 && plan.dips.length > 1) return { ...plan, order, dips: withOneMoved(plan.dips, random) };
  return { ...moved, seed: Math.floor(random() * 2 ** 31) };
}

function withOneMoved(order: readonly number[], random: () => number): readonly number[] {
  const next = [...order];
  const [taken] = next.splice(Math.floor(random() * next.length), 1);
  if (taken !== undefined) next.splice(Math.floor(random() * (next.length + 1)), 0, taken);
  return next;
}

function shuffled(list: readonly number[], random: () => number): readonly number[] {
  const next = [...list];
  for (let i = next.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    const [one, other] = [next[i], next[j]];
    if (one !== undefined && other !== undefined) [next[i], next[j]] = [other, one];
  }
  return next;
}

/** What the rails of a board carry: plus and 0 V above; below the load's own plus or a negative rail where there is one, else the same. */
export function railNetsOf(pieces: readonly Piece[]): RailNets {
  const nets = new Set(pieces.flatMap(({ leads }) => leads.map(({ net }) => net)));
  const has = (net: Net) => nets.has(net);
  return {
    't+': 'supply',
    't-': GROUND,
    'b+': has('load-supply') ? 'load-supply' : 'supply',
    'b-': has('negative') ? 'negative' : GROUND,
  };
}

/** The smallest board that a circuit goes on, from the one that most people have up. */
export function proposedBoard(
  pieces: readonly Piece[],
  attempts = attemptsFor(pieces.length),
): { readonly id: BoardId; readonly placing: Placing } {
  const [, ...usual] = boardIds;
  let last: { readonly id: BoardId; readonly placing: Placing } | null = null;
  for (const id of usual) {
    last = { id, placing: placeOn(id, pieces, attempts) };
    if (last.placing.ok) return last;
  }
  return last ?? { id: '400', placing: { ok: false, reason: 'too-large' } };
}
