import { ldrOhmsAt } from '../ldr/curve';
import type { Project } from '../project/project';
import { ldrOf } from '../readings/ldrOf';
import { LiveCircuit } from './liveCircuit';

/** What meters would show at one light. */
export interface ProbeReading {
  readonly lux: number;
  readonly ldrOhms: number;
  /** Volts at each test point of the stage, by its letter. */
  readonly testPointVolts: Readonly<Record<string, number>>;
  readonly midVolts: number;
  /** Through all loads together; and through each, shape: loads. */
  readonly loadAmps: number;
  readonly eachLoadAmps: readonly number[];
  /** Through the LDR, from the upper to the lower end. */
  readonly ldrAmps: number;
  readonly baseAmps: number;
}

/**
 * A function that solves the project's circuit at a light: one warm operating point a call.
 * It gives `null` where there is none.
 */
export function probeOf(project: Project): (lux: number) => ProbeReading | null {
  const live = new LiveCircuit(project, ldrOf(project));
  return (lux) => {
    const volts = live.solve(lux);
    if (!volts) return null;
    const points = live.assembly.testPoints.map(({ id, node }) => [id, live.voltsIn(volts, node)] as const);
    return {
      lux,
      ldrOhms: ldrOhmsAt(live.ldr.curve, lux),
      testPointVolts: Object.fromEntries(points),
      midVolts: live.voltsIn(volts, 'mid'),
      loadAmps: live.loadAmpsIn(volts),
      eachLoadAmps: live.assembly.loads.map((_, index) => live.loadAmpsOf(volts, index)),
      ldrAmps: live.ampsIn(volts, live.assembly.ldr),
      baseAmps: live.transistorIn(volts).baseAmps,
    };
  };
}
