import type { DetectorBench } from '../detectors/bench';
import { dynamicsOf } from '../ldr/dynamics';
import { nodeVolts } from '../circuit/circuit';
import type { DetectorSettings } from '../detectors/registry';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { Readout } from '../operate/read';
import { DesignCircuit, stateBefore } from './designCircuit';
import { lightRangeOf } from './lightRange';

/** A project's circuit as its detector may ask it. @typeParam S the settings of the detector that it has */
export function benchOf<S extends DetectorSettings>(project: Project): DetectorBench<S> {
  const { model } = measuredLdr(project);
  let known: DesignCircuit | undefined;
  const circuit = () => (known ??= DesignCircuit.of(project, model));
  // Several voltages are asked for at one light, and its edges' conditions at the same ones.
  const solved = new Map<string, Readout | null>();
  const readAt = (position: number, lux: number) => {
    const key = `${position} ${lux}`;
    const known = solved.get(key);
    if (known !== undefined) return known;
    const readout = circuit().solveIn(position, lux);
    solved.set(key, readout);
    return readout;
  };
  const { goal, divider, resistors, part } = project;
  return {
    goal,
    get divider() {
      return circuit().divider;
    },
    curve: model.curve,
    dynamics: dynamicsOf(part),
    range: lightRangeOf(project),
    stock: resistors,
    voltsAt: (net, lux, position) => {
      const readout = readAt(position, lux);
      return readout && nodeVolts(readout.solution.circuit, readout.solution.volts, net);
    },
    get isOn() {
      return circuit().switching?.isOn ?? [];
    },
    get onLevel() {
      return circuit().switching?.onLevel ?? 'high';
    },
    get goalBoundary() {
      return circuit().goalBoundary;
    },
    get goalTrip() {
      return circuit().goalTrip;
    },
    overBoundary: (index, way, lux) => {
      if (!circuit().switching?.boundaries[index]) return null;
      const readout = readAt(stateBefore(index, way), lux);
      return readout && circuit().overIn(readout, index, way);
    },
    with: (settings, fixedOhms = divider.fixedOhms) =>
      benchOf<S>({
        ...project,
        detector: settings,
        divider: { ...divider, fixedOhms, trimmer: fixedOhms === divider.fixedOhms ? divider.trimmer : null },
      }),
  };
}
