import { ldrOhmsAt } from '../ldr/curve';
import { stages } from '../stages/registry';
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
  readonly loadAmps: number;
  readonly baseAmps: number;
}

/**
 * A function that solves the project's circuit at a light: one warm operating point a call.
 * It gives `null` where there is none.
 */
export function probeOf(project: Project): (lux: number) => ProbeReading | null {
  const stage = stages[project.stage.kind];
  const live = new LiveCircuit(project, stage, ldrOf(project), stage.betas.typical);
  return (lux) => {
    const volts = live.solve(lux);
    if (!volts) return null;
    const points = live.description.testPoints.map(
      ({ id, node }) => [id, live.voltsIn(volts, node)] as const,
    );
    return {
      lux,
      ldrOhms: ldrOhmsAt(live.ldr.curve, lux),
      testPointVolts: Object.fromEntries(points),
      midVolts: live.voltsIn(volts, 'mid'),
      loadAmps: live.loadAmpsIn(volts),
      baseAmps: live.transistorIn(volts).baseAmps,
    };
  };
}
