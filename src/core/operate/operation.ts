import isEqual from 'fast-deep-equal/es6/index.js';
import { compileCircuit, setOhms, valuesFor, nodeNumber, type Circuit } from '../circuit/circuit';
import type { Solution } from '../circuit/currents';
import type { Element } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { copyValues, type CircuitValues } from '../circuit/values';
import { WarmStart } from '../circuit/warmStart';
import type { Boundary, Trip } from '../detectors/switching';
import type { Grade, Net } from '../parts/base';
import { copied } from '../numeric/copied';
import { netlistOf } from '../parts/netlist';
import { setOutput } from '../parts/drivenOutput';
import { partIn } from '../parts/find';
import { outputsOf } from '../parts/registry';
import type { Assembly } from './assembly';
import { limitsOf, withinLimits, type Limit } from './limit';

/** What a circuit is solved under, besides the light. */
export interface Conditions {
  readonly grade: Grade;
  readonly celsius: number;
  /** Which way input offsets go off with warmth: −1 or 1 for the most either way, 0 for none. */
  readonly drift: -1 | 0 | 1;
  /** Open voltages of supplies that are not as they were said, by rail. */
  readonly supplyVolts: Readonly<Partial<Record<Net, number>>>;
  /** Resistances that are not as they were said, by element: a tolerance, a fault. */
  readonly ohms: Readonly<Record<string, number>>;
  /** What hangs on the circuit besides, such as a voltmeter. */
  readonly extra: readonly Element[];
  /** Supplies give no more than their limit; else as much as they are asked for. */
  readonly areLimited: boolean;
}

/** The temperature that every figure is for unless it says otherwise. */
export const ROOM_CELSIUS = 25;

export const TYPICAL_CONDITIONS: Conditions = {
  grade: 'typical',
  celsius: ROOM_CELSIUS,
  drift: 0,
  supplyVolts: {},
  ohms: {},
  extra: [],
  areLimited: true,
};

/**
 * An assembly under given conditions, ready to be solved at one light after another. Every answer follows from its arguments
 * alone: what was solved before only changes how long it takes.
 */
export class Operation {
  readonly circuit: Circuit;
  readonly conditions: Conditions;
  /** How many states its detector has; one where the transistor switches by itself. */
  readonly positions: number;
  /** Values under these conditions, for each state of the detector, but for LDR and R1. */
  private readonly valuesIn: Ready['valuesIn'];
  private readonly ldrIndex: number;
  private readonly fixedIndex: number;
  /** Of R1's element as it was assembled, in S, where the values are those of another R1. */
  private readonly fixedSiemens: number | null;
  private readonly limits: readonly Limit[];
  private readonly warm: WarmStart[] = [];

  constructor(
    readonly assembly: Assembly,
    conditions: Partial<Conditions> = {},
  ) {
    this.conditions = { ...TYPICAL_CONDITIONS, ...conditions };
    const { grade, celsius, supplyVolts, ohms, extra } = this.conditions;
    const { ldr, fixed } = assembly;
    // Where only R1 differs from another circuit it is compiled as that one: R1 is written at each solve.
    const compiled = assembly.withAnyFixed ?? assembly;
    const { circuit, positions, valuesIn } = readyFor(compiled, { grade, celsius, supplyVolts, ohms, extra });
    this.circuit = circuit;
    this.valuesIn = valuesIn;
    this.positions = positions;
    this.limits = this.conditions.areLimited ? limitsOf(assembly.rails) : [];
    this.ldrIndex = resistorNumber(this.circuit, ldr);
    this.fixedIndex = resistorNumber(this.circuit, fixed.element);
    const resistor = assembly.withAnyFixed && partIn(assembly.parts, 'resistor', 'fixed');
    this.fixedSiemens = resistor && ohms[fixed.element] === undefined ? 1 / resistor.ohms : null;
  }

  /** The values of a state, to be changed without changing those here: for whoever solves many that differ a little. */
  valuesOf(position: number): CircuitValues | null {
    const any = this.valuesIn(position);
    if (!any) return null;
    const values = copyValues(any);
    if (this.fixedSiemens !== null) values.siemens[this.fixedIndex] = this.fixedSiemens;
    return values;
  }

  /**
   * The circuit with the LDR and R1 at their resistances, the detector held in a state whether it would stay there or not.
   * `null` where there is no operating point.
   * @param fixedOhms R1, with its trimmer where it has one; as assembled where it is not said
   */
  solveIn(position: number, ldrOhms: number, fixedOhms?: number): Solution | null {
    const base = this.valuesIn(position);
    if (!base) return null;
    const siemens = copied(base.siemens);
    siemens[this.ldrIndex] = 1 / ldrOhms;
    const own = this.fixedSiemens ?? siemens[this.fixedIndex]!;
    siemens[this.fixedIndex] = own;
    // A divider does nearly the same with another R1 as with an LDR that is so much less or more.
    let turned = Math.log(ldrOhms);
    if (fixedOhms !== undefined) {
      const { besideOhms, leastOhms } = this.assembly.fixed;
      const track = 1 / Math.max(leastOhms, fixedOhms - besideOhms);
      turned += Math.log(track / own);
      siemens[this.fixedIndex] = track;
    }
    const { fixedVolts, sourceAmps, diodes, bipolars, channels, lamps } = base;
    const values = { fixedVolts, siemens, sourceAmps, diodes, bipolars, channels, lamps };
    const warm = (this.warm[position] ??= new WarmStart());
    const point = solveOperatingPoint(this.circuit, values, warm.startAt(turned) ?? this.warm[0]?.latest);
    if (!point.ok) return null;
    warm.keep(turned, point.volts);
    const full = { circuit: this.circuit, values, volts: point.volts };
    if (this.limits.length === 0) return full;
    return withinLimits(full, this.limits, (letDown, start) => {
      const its = { ...values, ...letDown };
      const found = solveOperatingPoint(this.circuit, its, start);
      return found.ok ? { circuit: this.circuit, values: its, volts: found.volts } : null;
    });
  }

  /** The same with the detector coming from a state: it goes on to the next as long as a boundary is crossed. */
  settle(
    from: number,
    ldrOhms: number,
    fixedOhms?: number,
  ): { readonly solution: Solution; readonly position: number } | null {
    let position = Math.min(this.positions - 1, Math.max(0, from));
    let solution = this.solveIn(position, ldrOhms, fixedOhms);
    for (let moves = 0; solution && moves < this.positions; moves++) {
      const next = this.nextPosition(position, solution);
      if (next === position) break;
      position = next;
      solution = this.solveIn(position, ldrOhms, fixedOhms);
    }
    return solution && { solution, position };
  }

  private nextPosition(position: number, solution: Solution): number {
    const boundaries = this.assembly.switching?.boundaries ?? [];
    const [up, down] = [boundaries[position], boundaries[position - 1]];
    if (up && this.overIn(solution, up, 'rising') > 0) return position + 1;
    return down && this.overIn(solution, down, 'falling') < 0 ? position - 1 : position;
  }

  /** How far a boundary's condition is crossed in a solution, in V: above 0 on its bright side. */
  overIn({ volts }: Solution, boundary: Boundary, way: 'rising' | 'falling'): number {
    return boundary.sense * tripVolts(this.circuit, volts, boundary[way], this.conditions);
  }
}

/** A trip's voltage; of a part at either end of the lot, with its share and offset, and that as it drifts. */
function tripVolts(
  circuit: Circuit,
  volts: Float64Array,
  trip: Trip,
  { grade, celsius, drift }: Conditions,
): number {
  const lot = { min: -1, typical: 0, max: 1 }[grade];
  const share = trip.share * (1 + lot * (trip.shareSpread ?? 0));
  const drifted = drift * (trip.driftVoltsPerKelvin ?? 0) * (celsius - ROOM_CELSIUS);
  const offset = trip.offsetVolts + lot * (trip.offsetSpread ?? 0) + drifted;
  return volts[nodeNumber(circuit, trip.plus)]! - share * volts[nodeNumber(circuit, trip.minus)]! + offset;
}

function resistorNumber(circuit: Circuit, name: string): number {
  const entry = circuit.elementIndex.get(name);
  if (entry?.kind !== 'resistors') throw new Error(`${name} is no resistor`);
  return entry.index;
}

type ValueConditions = Pick<Conditions, 'grade' | 'celsius' | 'supplyVolts' | 'ohms' | 'extra'>;

/** An assembly compiled, and its values under some conditions in each state of its detector. */
interface Ready {
  readonly conditions: ValueConditions;
  readonly circuit: Circuit;
  readonly positions: number;
  /** Made when a state is first asked for: most are not. */
  readonly valuesIn: (position: number) => CircuitValues | undefined;
}

/** One analysis asks for the same assembly under the same conditions in several places: the last so many are kept with it. */
const KEPT = 6;
const ready = new WeakMap<Assembly, readonly Ready[]>();

function readyFor(assembly: Assembly, conditions: ValueConditions): Ready {
  const known = ready.get(assembly) ?? [];
  const same = known.find((entry) => isEqual(entry.conditions, conditions));
  if (same) return same;
  const { grade, celsius, supplyVolts, ohms, extra } = conditions;
  const { parts, switching } = assembly;
  // What hangs on it besides makes another circuit; all else is only other values.
  const circuit =
    known.find((entry) => isEqual(entry.conditions.extra, extra))?.circuit ??
    compileCircuit(netlistOf(parts, { grade: 'typical', celsius: ROOM_CELSIUS }, extra));
  const outputs = parts.flatMap(outputsOf);
  const isTypical = grade === 'typical' && celsius === ROOM_CELSIUS && Object.keys(supplyVolts).length === 0;
  const common = isTypical
    ? copyValues(circuit.nominal)
    : valuesFor(circuit, netlistOf(parts, { grade, celsius }, extra, supplyVolts));
  for (const [name, value] of Object.entries(ohms)) setOhms(circuit, common, name, value);
  const states = switching?.states ?? [{}];
  const made: CircuitValues[] = [];
  const valuesIn = (position: number): CircuitValues | undefined => {
    const levels = states[position];
    if (!levels || made[position]) return made[position];
    const values = copyValues(common);
    for (const output of outputs) setOutput(circuit, values, output, levels[output.key] ?? 'low');
    return (made[position] = values);
  };
  const entry = { conditions, circuit, positions: states.length, valuesIn };
  ready.set(assembly, [entry, ...known].slice(0, KEPT));
  return entry;
}
