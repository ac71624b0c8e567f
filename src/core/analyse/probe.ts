import type { OperatingState } from '../operate/operate';
import { fromDark } from '../operate/operate';
import type { Project } from '../project/project';
import { ldrOf } from '../readings/ldrOf';
import { DesignCircuit } from './designCircuit';

/** What meters would show at one light. */
export interface ProbeReading {
  readonly lux: number;
  readonly ldrOhms: number;
  /** Volts at each test point of the circuit, by its letter. */
  readonly testPointVolts: Readonly<Record<string, number>>;
  readonly midVolts: number;
  /** Through all loads together; and through each, shape: loads. */
  readonly loadAmps: number;
  readonly eachLoadAmps: readonly number[];
  /** Through the LDR, from the upper to the lower end. */
  readonly ldrAmps: number;
  readonly baseAmps: number;
}

/** What meters show, and the state that the circuit is in then. */
export type Probed = ProbeReading & { readonly state: OperatingState };

/** What the probe comes from: a state that it settles from, or one that something in time holds, as a pulse that is not over yet. */
export type ProbeFrom = OperatingState & { readonly isHeld?: boolean };

function heldIn(live: DesignCircuit, position: number, lux: number) {
  const readout = live.solveIn(position, lux);
  return readout && { readout, position };
}

/**
 * A function that solves the project's circuit at a light, coming from a state: one warm operating point a call.
 * It gives `null` where there is none.
 */
export function probeOf(project: Project): (lux: number, from?: ProbeFrom) => Probed | null {
  const live = DesignCircuit.of(project, ldrOf(project));
  const { testPoints, loads, ldr } = live.assembly;
  return (lux, from = fromDark) => {
    const settled = from.isHeld ? heldIn(live, from.position, lux) : live.settle(from.position, lux);
    if (!settled) return null;
    const { readout, position } = settled;
    const points = testPoints.map(({ id, net }) => [id, readout.volts(net)] as const);
    return {
      lux,
      ldrOhms: live.ldrOhms(lux),
      testPointVolts: Object.fromEntries(points),
      midVolts: readout.volts('mid'),
      loadAmps: readout.loadAmps(),
      eachLoadAmps: loads.map((_, index) => readout.loadAmpsOf(index)),
      ldrAmps: readout.amps(ldr),
      baseAmps: readout.driver().baseAmps,
      state: { position },
    };
  };
}
