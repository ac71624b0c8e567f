import { elementNumber, nodeNumber, setSupply } from '../circuit/circuit';
import { currentFrom, type Solution } from '../circuit/currents';
import type { CircuitValues } from '../circuit/values';
import { findRoot } from '../numeric/findRoot';
import type { Net } from '../parts/base';
import { feedOf, innerName, type SupplyPart } from '../parts/kinds/supply';

/** A supply that gives no more than so much, and the node that it feeds from. */
export interface Limit {
  readonly feed: Net;
  readonly amps: number;
  /** Its rail, with its inner resistance between the two, in Ω; `null` where it has none. */
  readonly inner: { readonly name: string; readonly rail: Net; readonly ohms: number } | null;
}

/** The same circuit with other values; `null` where there is no operating point. @param start voltages of a nearby solution */
export type SolveWith = (
  values: Pick<CircuitValues, 'fixedVolts' | 'siemens'>,
  start: Float64Array,
) => Solution | null;

/** The supplies among the rails that have a limit, and a closed path to flow in. */
export function limitsOf(rails: readonly SupplyPart[]): readonly Limit[] {
  return rails.flatMap((part) => {
    const feed = feedOf(part);
    const amps = part.limitAmps ?? null;
    if (feed === null || amps === null) return [];
    const { rail, ohms } = part;
    return [{ feed, amps, inner: ohms > 0 ? { name: innerName(rail), rail, ohms } : null }];
  });
}

/** How near the voltage is found to which a supply is let down, in V. */
const FOLD_VOLTS = 1e-12;
/** Two supplies that are both let down are found one after the other, so many times at most. */
const ROUNDS = 30;
const SETTLED_VOLTS = 1e-9;
/** A supply whose inner conductance is this, at as many volts as it takes, drives its current whatever hangs on it, in S. */
const DRIVEN_SIEMENS = 1e-12;
/** A supply that is let down gives its limit to such a share of it, unless it is said otherwise. */
const NEAR_SHARE = 1e-9;

/**
 * A solution in which no supply gives more than its limit: one that is asked for more lets its open voltage down until it gives
 * just that, as an adapter does. Currents at the full voltage are kept as what it was asked for.
 * @param nearShare how near its limit is as good as at it, as a share of it: no less than what `solve` leaves
 */
export function withinLimits(
  full: Solution,
  limits: readonly Limit[],
  solve: SolveWith,
  nearShare = NEAR_SHARE,
): Solution | null {
  if (!limits.some(({ feed, amps }) => currentFrom(full, feed) > amps)) return full;
  let solution: Solution | null = full;
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0;
    // Letting one down may ask more of another.
    for (const limit of limits) {
      if (!solution) return null;
      const before: Solution = solution;
      const letDown: Solution | null = foldedTo(full.values, before, { ...limit, nearShare }, solve);
      if (letDown) moved = Math.max(moved, mostApart(before.values.fixedVolts, letDown.values.fixedVolts));
      solution = letDown;
    }
    if (limits.length === 1 || moved <= SETTLED_VOLTS) break;
  }
  if (!solution) return null;
  // One that was asked for too much may be asked for less once another is let down.
  const { values } = solution;
  const isLetDown = ({ feed }: Limit) => {
    const node = nodeNumber(full.circuit, feed);
    return values.fixedVolts[node]! < full.values.fixedVolts[node]!;
  };
  const asked = Object.fromEntries(
    limits.filter(isLetDown).map(({ feed }) => [feed, currentFrom(full, feed)]),
  );
  return { ...solution, asked };
}

/** The same with one supply at the voltage at which it gives its limit, or at its own where it gives less. */
function foldedTo(
  own: CircuitValues,
  solution: Solution,
  limit: Limit & { readonly nearShare: number },
  solve: SolveWith,
): Solution | null {
  const { feed, amps, nearShare } = limit;
  const node = nodeNumber(solution.circuit, feed);
  const openVolts = own.fixedVolts[node] ?? 0;
  if (solution.values.fixedVolts[node] === openVolts && currentFrom(solution, feed) <= amps) return solution;
  const at = (volts: number, start: Float64Array) => {
    const values = { ...solution.values, fixedVolts: solution.values.fixedVolts.slice() };
    setSupply(solution.circuit, values, feed, volts);
    return solve(values, start);
  };
  const driven = drivenAt(solution, limit, solve);
  if (driven && driven.openVolts > 0) {
    const found = at(Math.min(openVolts, driven.openVolts), driven.volts);
    if (found && Math.abs(currentFrom(found, feed) - amps) <= nearShare * amps) return found;
  }
  return searched(openVolts, limit, (volts) => at(volts, solution.volts));
}

/** The voltages with a supply's limit driven into its rail, and the open voltage that it comes to; `null` where it has no inner resistance, or nothing bears that. */
function drivenAt(
  { circuit, values, volts }: Solution,
  { feed, amps, inner }: Limit,
  solve: SolveWith,
): { readonly volts: Float64Array; readonly openVolts: number } | null {
  if (!inner) return null;
  const driven = { ...values, fixedVolts: values.fixedVolts.slice(), siemens: values.siemens.slice() };
  driven.siemens[elementNumber(circuit, inner.name, 'resistors')] = DRIVEN_SIEMENS;
  setSupply(circuit, driven, feed, amps / DRIVEN_SIEMENS);
  const found = solve(driven, volts);
  if (!found) return null;
  const railVolts = found.volts[nodeNumber(circuit, inner.rail)]!;
  return { volts: found.volts, openVolts: railVolts + amps * inner.ohms };
}

/** The same by search, for what a driven current leaves without an answer. */
function searched(
  openVolts: number,
  { feed, amps }: Limit,
  at: (volts: number) => Solution | null,
): Solution | null {
  let failed = false;
  const overAt = (volts: number) => {
    const found = at(volts);
    if (!found) failed = true;
    return found ? currentFrom(found, feed) - amps : 0;
  };
  if (overAt(openVolts) <= 0) return failed ? null : at(openVolts);
  const root = findRoot(overAt, 0, openVolts, { tolerance: FOLD_VOLTS });
  // What takes a fixed current whatever its voltage leaves nothing.
  return failed ? null : at(root.ok ? root.x : 0);
}

function mostApart(one: Float64Array, other: Float64Array): number {
  return one.reduce((most, volts, node) => Math.max(most, Math.abs(volts - (other[node] ?? 0))), 0);
}
