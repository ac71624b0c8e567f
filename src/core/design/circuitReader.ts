import { nodeVolts, type Circuit } from '../circuit/circuit';
import { bipolarCurrents, currentFrom, lampAmps, mosCurrents, resistorAmps } from '../circuit/currents';
import { outputAmps } from '../stages/comparatorElements';
import { feedOf, type Assembly } from '../stages/description';

/** What a solution of a stage's circuit says of its parts. Shape of `volts` throughout: all nodes. */
export class CircuitReader {
  constructor(
    readonly assembly: Assembly,
    protected readonly circuit: Circuit,
  ) {}

  /** Current through all loads together, in A. */
  loadAmpsIn(volts: Float64Array): number {
    let total = 0;
    for (let index = 0; index < this.assembly.loads.length; index++) total += this.loadAmpsOf(volts, index);
    return total;
  }

  /** Current through one load, in A. */
  loadAmpsOf(volts: Float64Array, index: number): number {
    const sense = this.assembly.loads[index]?.sense;
    if (!sense) return 0;
    return sense.kind === 'lamp'
      ? lampAmps(this.circuit, volts, sense.name)
      : resistorAmps(this.circuit, volts, sense.name);
  }

  /** Voltage across the loads, in V. */
  loadVoltsIn(volts: Float64Array): number {
    const { switchNodes, loadRail } = this.assembly;
    const { plus, minus } = switchNodes;
    return plus === loadRail
      ? this.voltsIn(volts, minus)
      : this.voltsIn(volts, loadRail) - this.voltsIn(volts, plus);
  }

  /** Current into the base (out of a PNP's; none into a gate), and the transistor's heat. */
  transistorIn(volts: Float64Array): { readonly baseAmps: number; readonly watts: number } {
    const { transistor } = this.assembly;
    if (!transistor) return { baseAmps: 0, watts: 0 };
    const name = transistor.designator;
    if (transistor.kind === 'nmos')
      return { baseAmps: 0, watts: mosCurrents(this.circuit, volts, name).watts };
    const output = bipolarCurrents(this.circuit, volts, name);
    if (transistor.kind !== 'darlington') return output;
    const driver = bipolarCurrents(this.circuit, volts, `${name}.driver`);
    return { baseAmps: driver.baseAmps, watts: output.watts + driver.watts };
  }

  /** Most current into or out of any output of the decider, in A: it may come from any of those that share its node. */
  outputAmpsIn(volts: Float64Array): number {
    const each = this.assembly.parts.map((part) =>
      part.kind === 'comparator' ? outputAmps(this.circuit, volts, part.designator) : 0,
    );
    return Math.max(0, ...each);
  }

  /** Voltage left over between the switch's own ends, in V. */
  switchVoltsIn(volts: Float64Array): number {
    const { plus, minus } = this.assembly.switchNodes;
    return this.voltsIn(volts, plus) - this.voltsIn(volts, minus);
  }

  voltsIn(volts: Float64Array, node: string): number {
    return nodeVolts(this.circuit, volts, node);
  }

  /** Heat in a resistor or in the LDR, in W. */
  wattsIn(volts: Float64Array, designator: string, ohms: number): number {
    return resistorAmps(this.circuit, volts, designator) ** 2 * ohms;
  }

  /** Current through a resistor or the LDR, from its upper to its lower end, in A. */
  ampsIn(volts: Float64Array, designator: string): number {
    return resistorAmps(this.circuit, volts, designator);
  }

  /** What a rail's supply gives, in A. @param index 0 for the sensor side's, 1 for the load's own */
  supplyAmpsIn(volts: Float64Array, index: number): number {
    const rail = this.assembly.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return feed === null ? 0 : currentFrom(this.circuit, volts, feed);
  }
}
