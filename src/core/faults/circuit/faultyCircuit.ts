import { compileCircuit, nodeNumber, setAmps, setOhms, valuesFor, type Circuit } from '../../circuit/circuit';
import { lampAmps, resistorAmps, type Solution } from '../../circuit/currents';
import { GROUND, type Netlist } from '../../circuit/netlist';
import { AS_METERED } from '../../circuit/newton';
import { smallResponses, solveOperatingPoint } from '../../circuit/operatingPoint';
import { copyValues, type CircuitValues } from '../../circuit/values';
import { ldrOhmsAt, type LdrCurve } from '../../ldr/curve';
import { copied } from '../../numeric/copied';
import type { PlacedLoad } from '../../operate/assembly';
import { limitsOf, withinLimits, type Limit } from '../../operate/limit';
import type { DrivenOutput, Net, OutputLevel } from '../../parts/base';
import { holdOutput, setOutput } from '../../parts/drivenOutput';
import { rowsOf } from '../../parts/registry';
import type { Factor } from '../../spread/factors';
import type { Draw } from '../draws';
import { BRIGHT, type TestLight } from '../testLights';
import { applyFactors } from './factored';
import { afterLogic } from './logic';
import { elementsOnBench, HELD_NAME, meterName } from './onBench';
import { decidedBy, nextPosition, overTrip } from './position';
import { othersOf, seenAmps, type RowAmps } from './rows';
import { byNode, startsIn, type Standing, type Starts } from './standing';
import { holdNames, type Wiring } from './wiring';

/** An output that drives neither way. */
const OFF_OHMS = 1e11;
/** An LDR is nowhere outside these, in Ω. */
const LDR_OHMS = { min: 5, max: 2e8 } as const;

/** What stands for a coupling capacitor for a moment is far below what lies beside it, in Ω. */
const HELD_OHMS = 20;

/** A supply that is asked for too much gives its limit to such a share of it, as far as a meter tells. */
const LIMIT_SHARE = 1e-4;

/** What coupling capacitors hold, in V, by the names of what stands for them. */
type Held = readonly { readonly ohms: string; readonly amps: string; readonly volts: number }[];

/** How a circuit is solved: with a voltmeter somewhere, capacitors that hold, a resistor that is held into it, in Ω. */
interface As {
  readonly meterAtNet: Net | null;
  readonly held: Held;
  readonly handOhms: number | null;
}

/** A build of a circuit: what each factor makes of it. */
export interface Made {
  /** At a detector's position. */
  readonly valuesAt: (position: number) => CircuitValues;
  readonly curve: LdrCurve;
  readonly offset: number;
  readonly draw: Draw;
}

export interface Settled {
  readonly solution: Solution;
  readonly position: number;
}

/** What of a circuit is the same whatever is wrong with it. */
export interface TestSetup {
  readonly curve: LdrCurve;
  readonly factors: readonly Factor[];
  readonly lights: readonly TestLight[];
  /** Where a voltmeter's red lead can go; its black one is at 0 V. */
  readonly nets: readonly Net[];
  readonly meterOhms: number;
  readonly loads: readonly PlacedLoad[];
}

/** The light that falls on the LDR in one of the test lights, in lx: with the power on or off. */
export function luxAt(
  { light: state }: Pick<Wiring, 'light'>,
  { lights, factors }: TestSetup,
  draw: Draw,
  light: number,
): number {
  const at = (index: number) => {
    const one = lights[index];
    return one ? one.lux * Math.exp(one.std * (draw[factors.length + index] ?? 0)) : 1;
  };
  // Something stands before it, so that the light is no more than in the dark; or it never gets quite dark.
  if (state === 'shaded') return Math.min(at(light), 2 * at(0));
  if (state === 'stray') return Math.max(at(light), at(BRIGHT) / 2);
  return at(light);
}

/** A circuit with what is wrong with it, ready to be measured: any build of it, in any of the lights. */
export class FaultyCircuit {
  private readonly circuit: Circuit;
  private readonly netlist: Netlist;
  private readonly base: CircuitValues;
  private readonly limits: readonly Limit[];
  private readonly ldrIndex: number;
  /** Where a meter's leads may go: each of the setup's nets, and 0 V. Shape: 2 × nets */
  private readonly leads: readonly number[];
  /** Of each load, how many rows side by side it has. */
  private readonly rows: readonly number[];
  private readonly holds: readonly { readonly ohms: string; readonly amps: string }[];
  /** Where it is looked for first, by light and position. */
  private readonly starts: Starts;
  /** Of a detector that hears: what it amplifies with, where that does what it should. */
  private readonly amplifier: DrivenOutput | null;

  /** @param near where a circuit much like it stands: it changes only the time that answers take */
  constructor(
    private readonly wiring: Wiring,
    private readonly setup: TestSetup,
    near: Standing = [],
  ) {
    this.netlist = {
      supplies: wiring.supplies,
      elements: elementsOnBench(wiring, setup),
    };
    this.circuit = compileCircuit(this.netlist);
    this.base = valuesFor(this.circuit, this.netlist);
    this.limits = limitsOf(wiring.parts.flatMap(({ part }) => (part.kind === 'supply' ? [part] : [])));
    this.leads = setup.nets.flatMap((net) => [net, GROUND].map((lead) => nodeNumber(this.circuit, lead)));
    this.ldrIndex = this.circuit.elementIndex.get(wiring.ldr)?.index ?? -1;
    this.starts = startsIn(this.circuit, near);
    this.rows = setup.loads.map(({ sense }) => {
      const others = wiring.parts.find(({ part }) => part.designator === othersOf(sense.name));
      return others ? rowsOf(others.part) + 1 : 1;
    });
    this.holds = wiring.parts
      .map(({ part }) => holdNames(part.designator))
      .filter(({ ohms }) => this.circuit.elementIndex.has(ohms));
    const key = wiring.switching?.hears?.amplifier.key;
    this.amplifier =
      wiring.outputs.find(({ output, does }) => output.key === key && does === 'follow')?.output ?? null;
  }

  /** Whether a detector's outputs switch its loads, and not the light by degrees. */
  get isSwitched(): boolean {
    return this.positions > 1;
  }

  /** Whether it hears only changes of the light. */
  get hears(): boolean {
    return this.wiring.switching?.hears !== undefined;
  }

  private get positions(): number {
    return this.wiring.switching?.states.length ?? 1;
  }

  /** A build of it in each of the lights: where it comes to, and where it stands on its way there. */
  inEachLight(made: Made): {
    readonly settled: readonly (Settled | null)[];
    readonly standing: Standing;
  } {
    const standing = this.setup.lights.map(() => new Map<number, ReadonlyMap<string, number>>());
    const settled = standing.map((stood, light) =>
      this.settled(made, light, null, this.freeIn(light), (position, { volts }) =>
        stood.set(position, byNode(this.circuit, volts)),
      ),
    );
    return { settled, standing };
  }

  /** One build of it. */
  made(draw: Draw): Made {
    const { circuit, wiring } = this;
    const common = copyValues(this.base);
    const drawn = applyFactors(circuit, common, wiring.supplies, this.setup, draw);
    const states = wiring.switching?.states ?? [{}];
    // Most positions are never come to.
    const known = new Map<number, CircuitValues>();
    const valuesAt = (position: number) => {
      const before = known.get(position);
      if (before) return before;
      const levels = states[position] ?? {};
      const one = { ...common, siemens: copied(common.siemens), sourceAmps: copied(common.sourceAmps) };
      for (const { output, does } of wiring.outputs) {
        if (does === 'off') {
          setOhms(circuit, one, `${output.name}.high`, OFF_OHMS);
          setOhms(circuit, one, `${output.name}.low`, OFF_OHMS);
          continue;
        }
        const level = levels[output.key] ?? 'low';
        setOutput(circuit, one, output, levelOf(does, level));
      }
      known.set(position, one);
      return one;
    };
    return { valuesAt, draw, ...drawn };
  }

  /**
   * A build in one of the lights, with a voltmeter at a net where one is said. `null` where there is no operating point.
   * @param from where the same circuit stood in nearly the same case: it comes from there, and sooner to its answer; without it
   *   from the other end of the light
   */
  settle(
    made: Made,
    light: number,
    meterAtNet: Net | null = null,
    from: Settled | null = null,
  ): Settled | null {
    return this.settled(made, light, from, { ...this.freeIn(light), meterAtNet });
  }

  /** The moment in which the light jumps: a coupling capacitor still holds what it held before. @param from before it */
  jump(made: Made, from: Settled, light: number): Settled | null {
    const held = this.holds.map((names) => ({
      ...names,
      volts: resistorAmps(from.solution, names.ohms) * this.heldOhms(from, names.ohms),
    }));
    return this.settled(made, light, from, { meterAtNet: null, held, handOhms: null });
  }

  /** As it is in a light with nothing at it but what is held there. */
  private freeIn(light: number): As {
    return { meterAtNet: null, held: [], handOhms: this.setup.lights[light]?.holds?.ohms ?? null };
  }

  private heldOhms({ solution }: Settled, name: string): number {
    const index = this.circuit.elementIndex.get(name)?.index ?? -1;
    return 1 / (solution.values.siemens[index] ?? 1);
  }

  /** @param pass told of each position that it comes by */
  private settled(
    made: Made,
    light: number,
    from: Settled | null,
    as: As,
    pass: (position: number, solution: Solution) => void = () => undefined,
  ): Settled | null {
    const { circuit, wiring } = this;
    const lux = luxAt(wiring, this.setup, made.draw, light);
    const ohms = Math.min(LDR_OHMS.max, Math.max(LDR_OHMS.min, ldrOhmsAt(made.curve, lux)));
    const starts = this.starts[light];
    let position = from?.position ?? (light === 0 ? this.positions - 1 : 0);
    let solution = this.solve(made, position, ohms, as, from?.solution.volts ?? starts?.get(position));
    for (let moves = 0; solution && moves < this.positions; moves++) {
      pass(position, solution);
      const next = nextPosition(circuit, wiring, position, solution.volts, made.offset);
      if (next === position) break;
      position = next;
      solution = this.solve(made, position, ohms, as, starts?.get(position) ?? solution.volts);
    }
    return solution && { solution, position };
  }

  private solve(
    made: Made,
    position: number,
    ldrOhms: number,
    { meterAtNet, held, handOhms }: As,
    start?: Float64Array,
  ): Solution | null {
    const { circuit, amplifier } = this;
    const base = made.valuesAt(position);
    const siemens = copied(base.siemens);
    // Its own drift or decade stands in the elements: what the light says is a share of what they say.
    if (this.ldrIndex >= 0) siemens[this.ldrIndex]! *= 1 / ldrOhms;
    if (meterAtNet !== null) {
      const entry = this.circuit.elementIndex.get(meterName(meterAtNet));
      if (entry) siemens[entry.index] = 1 / this.setup.meterOhms;
    }
    if (handOhms !== null) {
      const entry = this.circuit.elementIndex.get(HELD_NAME);
      if (entry) siemens[entry.index] = 1 / handOhms;
    }
    const values = { ...base, siemens };
    if (held.length > 0 || amplifier) values.sourceAmps = copied(base.sourceAmps);
    for (const { ohms, amps, volts } of held) {
      setOhms(circuit, values, ohms, HELD_OHMS);
      setAmps(circuit, values, amps, volts / HELD_OHMS);
    }
    const solved = (from?: Float64Array): Solution | null => {
      const full = solutionOf(circuit, values, from);
      return (
        full &&
        withinLimits(
          full,
          this.limits,
          (letDown, near) => solutionOf(circuit, { ...values, ...letDown }, near),
          LIMIT_SHARE,
        )
      );
    };
    const answer = (from?: Float64Array) =>
      amplifier ? this.amplified(values, amplifier, solved, from) : solved(from);
    const first = answer(start);
    const { logic, switching } = this.wiring;
    if (!first || logic.length === 0) return first;
    return afterLogic(this.wiring, switching?.states[position] ?? {}, first, (redriven, before) => {
      // The sources are shared with the state until something is changed in them.
      if (values.sourceAmps === base.sourceAmps) values.sourceAmps = copied(base.sourceAmps);
      for (const { output, level } of redriven) setOutput(circuit, values, output, level);
      return answer(before.volts);
    });
  }

  /** The amplifier's output is where its inputs are alike; what they differ by goes in a straight line with it. */
  private amplified(
    values: CircuitValues,
    amplifier: DrivenOutput,
    solved: (start?: Float64Array) => Solution | null,
    start?: Float64Array,
  ): Solution | null {
    const hears = this.wiring.switching?.hears;
    const at = (volts: number, from?: Float64Array) => {
      holdOutput(this.circuit, values, amplifier, volts);
      return solved(from);
    };
    const { lowVolts, highVolts } = amplifier.figures;
    const low = at(lowVolts, start);
    if (!low || !hears) return low;
    const trip = { ...hears.amplifier, share: 1, offsetVolts: 0 };
    const top = low.volts[nodeNumber(this.circuit, hears.amplifier.top)] ?? 0;
    const overLow = overTrip(this.circuit, low.volts, trip, 0);
    if (overLow <= 0 || top - highVolts <= lowVolts) return low;
    const high = at(top - highVolts, low.volts);
    const overHigh = high ? overTrip(this.circuit, high.volts, trip, 0) : 0;
    if (!high || overHigh >= 0) return high;
    const share = overLow / (overLow - overHigh);
    return at(lowVolts + share * (top - highVolts - lowVolts), high.volts);
  }

  /**
   * How far a small current into each of the nets that a meter's lead may go to moves every node, in V/A. `null` where an amplifier
   * holds its output by what it hears: it would answer the meter.
   * @returns shape: nets × unknown nodes
   */
  responses({ solution: { values, volts } }: Settled): readonly Float64Array[] | null {
    return this.amplifier ? null : smallResponses(this.circuit, values, volts, this.leads);
  }

  /** What a current into a net moves that net by itself, in Ω. @param response of that net */
  ohmsAt(response: Float64Array, net: Net): number {
    return response[nodeNumber(this.circuit, net)] ?? NaN;
  }

  /**
   * Whether all goes on in a straight line with a current taken out of a net: no junction is moved by more than so much, and detector
   * and logic stay as they are.
   * @param response of that net @param amps what is taken @param smallVolts what a junction does not notice
   */
  staysStraight(
    { offset }: Made,
    { position, solution }: Settled,
    response: Float64Array,
    amps: number,
    smallVolts: number,
  ): boolean {
    const { circuit, wiring } = this;
    const { unknowns, linear } = circuit;
    for (let node = linear; node < unknowns; node++)
      if (Math.abs(response[node]! * amps) > smallVolts) return false;
    const volts = Float64Array.from(solution.volts, (each, node) => each - (response[node] ?? 0) * amps);
    return (
      nextPosition(circuit, wiring, position, volts, offset) === position &&
      wiring.logic.every(
        (output) => decidedBy(circuit, output, solution.volts) === decidedBy(circuit, output, volts),
      )
    );
  }

  volts({ solution }: Settled, net: Net): number {
    return solution.volts[nodeNumber(this.circuit, net)] ?? 0;
  }

  /** Current through each load, in A. */
  loadAmps(settled: Settled): readonly number[] {
    return this.rowAmps(settled).map(({ one, others }) => one + others);
  }

  /** The current by which each load is seen, in A. */
  seenAmps(settled: Settled): readonly number[] {
    return this.rowAmps(settled).map(seenAmps);
  }

  private rowAmps({ solution }: Settled): readonly RowAmps[] {
    const through = (kind: 'lamp' | 'resistor', name: string) => {
      if (!this.circuit.elementIndex.has(name)) return 0;
      return kind === 'lamp' ? lampAmps(solution, name) : resistorAmps(solution, name);
    };
    return this.setup.loads.map(({ sense: { kind, name } }, index) => ({
      one: through(kind, name),
      others: through(kind, othersOf(name)),
      rows: this.rows[index] ?? 1,
    }));
  }
}

function solutionOf(circuit: Circuit, values: CircuitValues, from?: Float64Array): Solution | null {
  const point = solveOperatingPoint(circuit, values, from, AS_METERED);
  return point.ok ? { circuit, values, volts: point.volts } : null;
}

function levelOf(does: Exclude<Wiring['outputs'][number]['does'], 'off'>, level: OutputLevel): OutputLevel {
  if (does === 'follow') return level;
  if (does === 'invert') return level === 'high' ? 'low' : 'high';
  return does;
}
