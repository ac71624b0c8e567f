import { nodeVolts } from '../circuit/circuit';
import {
  bipolarCurrents,
  channelCurrents,
  currentFrom,
  lampAmps,
  resistorAmps,
  type Solution,
} from '../circuit/currents';
import { driverDefinition } from '../drivers/registry';
import { feedOf } from '../parts/kinds/supply';
import { outputAmps } from '../parts/drivenOutput';
import { outputsOf } from '../parts/registry';
import type { Net } from '../parts/base';
import type { Assembly } from './assembly';

/** What a solution of an assembly's circuit says of its parts. */
export class Readout {
  constructor(
    private readonly assembly: Assembly,
    readonly solution: Solution,
    /** The state of the detector that it was solved in. */
    private readonly position: number,
  ) {}

  volts(net: Net): number {
    return nodeVolts(this.solution.circuit, this.solution.volts, net);
  }

  /** Current through all loads together, in A. */
  loadAmps(): number {
    let total = 0;
    for (let index = 0; index < this.assembly.loads.length; index++) total += this.loadAmpsOf(index);
    return total;
  }

  /** Current through one load, in A. */
  loadAmpsOf(index: number): number {
    const sense = this.assembly.loads[index]?.sense;
    if (!sense) return 0;
    return sense.kind === 'lamp'
      ? lampAmps(this.solution, sense.name)
      : resistorAmps(this.solution, sense.name);
  }

  /** Current into the base (out of a PNP's; none into a gate), and the transistor's heat in W; of several the most of either. */
  driver(): { readonly baseAmps: number; readonly watts: number } {
    let [mostWatts, mostBaseAmps] = [0, 0];
    for (const { designator } of this.assembly.drivers) {
      const { kind, names, base } = driverDefinition(this.assembly.driverKind).measured(designator);
      let watts = 0;
      for (const name of names) {
        if (kind === 'channel') watts += channelCurrents(this.solution, name).watts;
        else {
          const currents = bipolarCurrents(this.solution, name);
          watts += currents.watts;
          if (name === base && Math.abs(currents.baseAmps) > Math.abs(mostBaseAmps))
            mostBaseAmps = currents.baseAmps;
        }
      }
      mostWatts = Math.max(mostWatts, watts);
    }
    return { baseAmps: mostBaseAmps, watts: mostWatts };
  }

  /** Voltage between base and emitter, or gate and source, in V. */
  controlVolts(): number {
    const { control, reference } = this.assembly.switchNets;
    return this.volts(control) - this.volts(reference);
  }

  /** Voltage left over between the switch's own ends, in V. */
  switchVolts(): number {
    const { plus, minus } = this.assembly.switchNets;
    return this.volts(plus) - this.volts(minus);
  }

  /** Most current into or out of any output of the detector, in A: it may come from any of those that share its net. */
  outputAmps(): number {
    const { parts, switching } = this.assembly;
    const levels = switching?.states[this.position] ?? {};
    let most = 0;
    for (const part of parts)
      for (const output of outputsOf(part))
        most = Math.max(most, outputAmps(this.solution, output, levels[output.key] ?? 'low'));
    return most;
  }

  /** Current through a resistor or the LDR, from its upper to its lower end, in A. */
  amps(element: string): number {
    return resistorAmps(this.solution, element);
  }

  /** Heat in a resistor or in the LDR, in W. */
  watts(element: string, ohms: number): number {
    return this.amps(element) ** 2 * ohms;
  }

  /** What a supply gives, in A. @param index 0 for the sensor side's, 1 for the load's own */
  supplyAmps(index: number): number {
    const rail = this.assembly.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return feed === null ? 0 : currentFrom(this.solution, feed);
  }

  /** What its limit lets a supply's open voltage down to, in V; `null` where it gives what it is asked for. */
  foldedVolts(index: number): number | null {
    const rail = this.assembly.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return feed !== null && this.solution.asked?.[feed] !== undefined ? this.volts(feed) : null;
  }

  /** What it is asked for, in A: more than it gives where its limit lets its voltage down. */
  askedAmps(index: number): number {
    const rail = this.assembly.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return (feed === null ? null : this.solution.asked?.[feed]) ?? this.supplyAmps(index);
  }
}
