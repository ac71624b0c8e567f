import { nodeVolts, setOhms, type Circuit } from '../circuit/circuit';
import { npnCurrents, resistorAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { ldrOhmsAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import { circuitOf, type StageDescription } from '../stages/description';
import type { Stage } from '../stages/stage';
import type { Project } from '../project/project';

/** The temperature that every figure is for unless it says otherwise. */
export const ROOM_CELSIUS = 25;

/**
 * A project's circuit, kept ready so that asking for another light or another fixed resistor costs one warm solve.
 * Every method solves the netlist; `null` means that no operating point was found.
 */
export class LiveCircuit {
  readonly description: StageDescription;
  private readonly circuit: Circuit;
  private warm: Float64Array | undefined;
  private fixedOhms: number;

  constructor(
    project: Project,
    readonly stage: Stage,
    readonly ldr: LdrModel,
    beta: number,
  ) {
    this.description = describeProject(project, stage, ldrOhmsAt(ldr.curve, project.goal.lux), beta);
    this.circuit = circuitOf(this.description, ROOM_CELSIUS);
    this.fixedOhms = project.divider.fixedOhms;
  }

  /** Node voltages at a light, with the project's own fixed resistor or another. */
  solve(lux: number, fixedOhms?: number): Float64Array | null {
    if (fixedOhms !== undefined && fixedOhms !== this.fixedOhms) {
      setOhms(this.circuit, this.description.fixed, fixedOhms);
      this.fixedOhms = fixedOhms;
    }
    setOhms(this.circuit, this.description.ldr, ldrOhmsAt(this.ldr.curve, lux));
    const point = solveOperatingPoint(this.circuit, this.warm);
    if (!point.ok) return null;
    this.warm = point.volts;
    return point.volts;
  }

  /** Load current in A. */
  loadAmps(lux: number, fixedOhms?: number): number | null {
    const volts = this.solve(lux, fixedOhms);
    return volts && this.loadAmpsIn(volts);
  }

  loadAmpsIn(volts: Float64Array): number {
    return resistorAmps(this.circuit, volts, this.description.loadResistor);
  }

  transistorIn(volts: Float64Array) {
    return npnCurrents(this.circuit, volts, this.description.transistor);
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
}

/** A project's stage with the LDR at a resistance. */
export function describeProject(
  project: Project,
  stage: Stage,
  ldrOhms: number,
  beta: number,
): StageDescription {
  return stage.describe(stageInput(project, ldrOhms, beta));
}

/** What the project says of its stage, complete. */
export function stageInput(project: Project, ldrOhms: number, beta: number) {
  return {
    supplyVolts: project.divider.supplyVolts,
    ldrSide: project.divider.ldrSide,
    ldrOhms,
    fixedOhms: project.divider.fixedOhms,
    ldrParallelOhms: project.divider.ldrParallelOhms,
    ldrSeriesOhms: project.divider.ldrSeriesOhms,
    baseOhms: project.stage.baseOhms,
    beta,
    led: project.load,
    seriesOhms: project.load.seriesOhms,
  };
}
