import { nodeVolts, setOhms, type Circuit } from '../circuit/circuit';
import { bipolarCurrents, currentFrom, lampAmps, mosCurrents, resistorAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { ldrOhmsAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import type { Project } from '../project/project';
import { circuitOf, feedOf, type StageDescription } from '../stages/description';
import { stages } from '../stages/registry';
import type { Stage, StageInput } from '../stages/stage';
import type { Grade } from '../stages/transistors';

/** The temperature that every figure is for unless it says otherwise. */
export const ROOM_CELSIUS = 25;

export interface Conditions {
  readonly grade: Grade;
  readonly celsius: number;
}

const USUAL: Conditions = { grade: 'typical', celsius: ROOM_CELSIUS };

/**
 * A project's circuit, kept ready so that asking for another light or another fixed resistor costs one warm solve.
 * Every method solves the netlist; `null` means that no operating point was found.
 */
export class LiveCircuit {
  readonly description: StageDescription;
  readonly stage: Stage;
  private readonly circuit: Circuit;
  private warm: Float64Array | undefined;
  private readonly ownFixedOhms: number;
  private fixedOhms: number;

  constructor(
    project: Project,
    readonly ldr: LdrModel,
    conditions: Partial<Conditions> = {},
  ) {
    const { grade, celsius } = { ...USUAL, ...conditions };
    this.stage = stages[project.stage.kind];
    this.description = describeProject(project, ldrOhmsAt(ldr.curve, project.goal.lux), grade);
    this.circuit = circuitOf(this.description, celsius);
    this.ownFixedOhms = project.divider.fixedOhms;
    this.fixedOhms = this.ownFixedOhms;
  }

  /** Node voltages at a light, with the project's own fixed resistor or another. */
  solve(lux: number, fixedOhms: number = this.ownFixedOhms): Float64Array | null {
    if (fixedOhms !== this.fixedOhms) {
      setOhms(this.circuit, this.description.fixed, fixedOhms);
      this.fixedOhms = fixedOhms;
    }
    setOhms(this.circuit, this.description.ldr, ldrOhmsAt(this.ldr.curve, lux));
    const point = solveOperatingPoint(this.circuit, this.warm);
    if (!point.ok) return null;
    this.warm = point.volts;
    return point.volts;
  }

  /** Current through all loads together, in A. */
  loadAmps(lux: number, fixedOhms?: number): number | null {
    const volts = this.solve(lux, fixedOhms);
    return volts && this.loadAmpsIn(volts);
  }

  loadAmpsIn(volts: Float64Array): number {
    let total = 0;
    for (let index = 0; index < this.description.loads.length; index++)
      total += this.loadAmpsOf(volts, index);
    return total;
  }

  /** Current through one load, in A. */
  loadAmpsOf(volts: Float64Array, index: number): number {
    const sense = this.description.loads[index]?.sense;
    if (!sense) return 0;
    return sense.kind === 'lamp'
      ? lampAmps(this.circuit, volts, sense.name)
      : resistorAmps(this.circuit, volts, sense.name);
  }

  /** Voltage across the loads, in V. */
  loadVoltsIn(volts: Float64Array): number {
    const { switchNodes, loadRail } = this.description;
    const { plus, minus } = switchNodes;
    return plus === loadRail
      ? this.voltsIn(volts, minus)
      : this.voltsIn(volts, loadRail) - this.voltsIn(volts, plus);
  }

  /** Current into the base (out of a PNP's; none into a gate), and the transistor's heat. */
  transistorIn(volts: Float64Array): { readonly baseAmps: number; readonly watts: number } {
    const { transistor } = this.description;
    const name = transistor.designator;
    if (transistor.kind === 'nmos')
      return { baseAmps: 0, watts: mosCurrents(this.circuit, volts, name).watts };
    const output = bipolarCurrents(this.circuit, volts, name);
    if (transistor.kind !== 'darlington') return output;
    const driver = bipolarCurrents(this.circuit, volts, `${name}.driver`);
    return { baseAmps: driver.baseAmps, watts: output.watts + driver.watts };
  }

  /** Voltage left over between the switch's own ends, in V. */
  switchVoltsIn(volts: Float64Array): number {
    const { plus, minus } = this.description.switchNodes;
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
    const rail = this.description.rails[index];
    const feed = rail ? feedOf(rail) : null;
    return feed === null ? 0 : currentFrom(this.circuit, volts, feed);
  }
}

/** A project's stage with the LDR at a resistance. */
export function describeProject(project: Project, ldrOhms: number, grade: Grade): StageDescription {
  return stages[project.stage.kind].describe(stageInput(project, ldrOhms, grade));
}

/** What the project says of its stage, complete. */
export function stageInput(project: Project, ldrOhms: number, grade: Grade): StageInput {
  const { divider, source, loadSupply, stage, loads } = project;
  return {
    supply: { volts: divider.supplyVolts, ohms: source.ohms },
    loadSupply: loadSupply && {
      volts: loadSupply.volts,
      ohms: loadSupply.source.ohms,
      joined: loadSupply.joined,
    },
    ldrSide: divider.ldrSide,
    ldrOhms,
    fixedOhms: divider.fixedOhms,
    isDirect: divider.isDirect,
    ldrParallelOhms: divider.ldrParallelOhms,
    ldrSeriesOhms: divider.ldrSeriesOhms,
    baseOhms: stage.baseOhms,
    part: stage.part,
    grade,
    place: stage.place,
    loads,
  };
}
