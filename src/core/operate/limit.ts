import { setSupply } from '../circuit/circuit';
import { currentFrom, type Solution } from '../circuit/currents';
import type { CircuitValues } from '../circuit/values';
import { findRoot } from '../numeric/findRoot';
import type { Net } from '../parts/base';
import { feedOf, type SupplyPart } from '../parts/kinds/supply';

/** A supply that gives no more than so much, and the node that it feeds from. */
export interface Limit {
  readonly feed: Net;
  readonly amps: number;
}

/** The supplies among the rails that have a limit, and a closed path to flow in. */
export function limitsOf(rails: readonly SupplyPart[]): readonly Limit[] {
  return rails.flatMap((rail) => {
    const feed = feedOf(rail);
    const amps = rail.limitAmps ?? null;
    return feed === null || amps === null ? [] : [{ feed, amps }];
  });
}

/** How near the voltage is found to which a supply is let down, in V. */
const FOLD_VOLTS = 1e-12;
/** Two supplies that are both let down are found one after the other, so many times at most. */
const ROUNDS = 30;
const SETTLED_VOLTS = 1e-9;

/**
 * A solution in which no supply gives more than its limit: one that is asked for more lets its open voltage down until it gives
 * just that, as an adapter does. Currents at the full voltage are kept as what it was asked for.
 *
 * @param solve the same circuit with other fixed voltages; `null` where there is no operating point
 */
export function withinLimits(
  full: Solution,
  limits: readonly Limit[],
  solve: (fixedVolts: Float64Array) => Solution | null,
): Solution | null {
  const over = limits.filter(({ feed, amps }) => currentFrom(full, feed) > amps);
  if (over.length === 0) return full;
  const asked = Object.fromEntries(over.map(({ feed }) => [feed, currentFrom(full, feed)]));
  let solution: Solution | null = full;
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0;
    // Letting one down may ask more of another.
    for (const limit of limits) {
      if (!solution) return null;
      const before: Solution = solution;
      const letDown: Solution | null = foldedTo(full.values, before, limit, solve);
      if (letDown) moved = Math.max(moved, mostApart(before.values.fixedVolts, letDown.values.fixedVolts));
      solution = letDown;
    }
    if (moved <= SETTLED_VOLTS) break;
  }
  return solution && { ...solution, asked };
}

/** The same with one supply at the voltage at which it gives its limit, or at its own where it gives less. */
function foldedTo(
  own: CircuitValues,
  solution: Solution,
  { feed, amps }: Limit,
  solve: (fixedVolts: Float64Array) => Solution | null,
): Solution | null {
  const node = solution.circuit.nodeIndex.get(feed) ?? 0;
  const at = (volts: number) => {
    const values = { ...solution.values, fixedVolts: solution.values.fixedVolts.slice() };
    setSupply(solution.circuit, values, feed, volts);
    return solve(values.fixedVolts);
  };
  const openVolts = own.fixedVolts[node] ?? 0;
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
