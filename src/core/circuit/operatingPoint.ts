import { copied } from '../numeric/copied';
import type { Ok, Refused } from '../result';
import type { Circuit } from './circuit';
import { EXACT, Workspace, type Precision } from './newton';
import type { CircuitValues } from './values';

export type OperatingPoint =
  | Ok<{ volts: Float64Array; iterations: number }>
  | Refused<'not-converged' | 'singular', { iterations: number }>;

/** Extra conductance to ground from every node, lowered step by step when plain Newton does not arrive. */
const RAMP_SIEMENS = [1e-2, 1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10, 1e-11, 1e-12, 0];

/**
 * DC operating point: nodal analysis with Newton–Raphson and junction limiting; where that does not converge, again
 * with a conductance to ground on every node that is ramped down to nothing.
 *
 * @param values what to solve it with; without them as the netlist said
 * @param start node voltages of a nearby solution (all nodes): it changes only the time that an answer takes
 * @param precision how near it is found
 * @returns node voltages by node number (shape: all nodes, a fresh array) and how many Newton steps it took; or why
 *   there is none
 */
export function solveOperatingPoint(
  circuit: Circuit,
  values: CircuitValues = circuit.nominal,
  start?: Float64Array,
  precision: Precision = EXACT,
): OperatingPoint {
  const work = workspaceFor(circuit);
  const { fixedVolts } = values;
  const volts = copied(start ?? fixedVolts);
  for (let node = circuit.unknowns; node < volts.length; node++) volts[node] = fixedVolts[node]!;
  let outcome = work.newton(values, volts, 0, precision);
  let iterations = work.iterations;
  if (outcome !== 'converged') {
    volts.set(fixedVolts);
    for (const leak of RAMP_SIEMENS) {
      outcome = work.newton(values, volts, leak, precision);
      iterations += work.iterations;
      if (outcome === 'singular') break;
    }
  }
  if (outcome === 'converged') return { ok: true, volts, iterations };
  return { ok: false, reason: outcome, iterations };
}

/**
 * The resistance between each of some pairs of nodes for a small current, in Ω: what a voltmeter takes of a voltage follows from it.
 * @param volts of a solution with these values; shape: all nodes
 * @param pairs numbers of two nodes each; shape: 2 × pairs
 * @returns shape: pairs; `null` where there is no telling
 */
export function ohmsBetween(
  circuit: Circuit,
  values: CircuitValues,
  volts: Float64Array,
  pairs: ArrayLike<number>,
): Float64Array | null {
  const { unknowns } = circuit;
  const found = smallResponses(circuit, values, volts, pairs);
  return (
    found &&
    Float64Array.from(found, (own, pair) => {
      const [from = unknowns, to = unknowns] = [pairs[2 * pair], pairs[2 * pair + 1]];
      return (own[from] ?? 0) - (own[to] ?? 0);
    })
  );
}

/**
 * How far a small current from one node of a pair to the other through the outside moves every unknown node, in V/A.
 * @param volts of a solution with these values; shape: all nodes
 * @param pairs numbers of two nodes each; shape: 2 × pairs
 * @returns shape: pairs × unknowns; `null` where there is no telling
 */
export function smallResponses(
  circuit: Circuit,
  values: CircuitValues,
  volts: Float64Array,
  pairs: ArrayLike<number>,
): readonly Float64Array[] | null {
  return workspaceFor(circuit).responses(values, volts, pairs);
}

/** Solving the same circuit, with whatever values, again and again should not allocate its matrices again and again: by its nodes. */
const workspaces = new WeakMap<Circuit['nodeIndex'], Workspace>();

function workspaceFor(circuit: Circuit): Workspace {
  const known = workspaces.get(circuit.nodeIndex);
  if (known) return known;
  const fresh = new Workspace(circuit);
  workspaces.set(circuit.nodeIndex, fresh);
  return fresh;
}
