import type { Divider, Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { tripOhms } from '../stages/comparator';
import type { ComparatorSettings } from '../stages/decider';
import { LiveCircuit } from './liveCircuit';

/** What feeds the feedback in either state: open voltage and resistance. */
export interface Levels {
  readonly whenOff: { readonly volts: number; readonly ohms: number };
  readonly whenOn: { readonly volts: number; readonly ohms: number };
}

/** What the feedback sees of the output in either state: its open voltage and its resistance, from two solved circuits. */
export function outputLevels(project: Project, detector: ComparatorSettings): Levels | null {
  const { model } = measuredLdr(project);
  const lux = project.goal.lux;
  const [light, heavy] = [1e8, 1e5];
  const withFeedback = (feedbackOhms: number): Project => ({ ...project, detector: { ...detector, feedbackOhms } }); // prettier-ignore
  const [open, loaded] = [light, heavy].map((ohms) => new LiveCircuit(withFeedback(ohms), model));
  if (!open || !loaded) return null;
  const of = (isOn: boolean) => {
    const state = open.switching?.isOn.indexOf(isOn) ?? 0;
    const [free, drawn] = [open.solveIn(state, lux), loaded.solveIn(state, lux)];
    if (!free || !drawn) return null;
    const plus = open.switching?.boundaries[0]?.rising.plus ?? 'ref';
    const volts = open.voltsIn(free, 'out');
    const under = loaded.voltsIn(drawn, 'out');
    const amps = (under - loaded.voltsIn(drawn, plus)) / heavy;
    return { volts, ohms: Math.abs(amps) > 1e-9 ? Math.max(0, (volts - under) / amps) : 0 };
  };
  const [whenOff, whenOn] = [of(false), of(true)];
  return whenOff && whenOn && { whenOff, whenOn };
}

/** What a comparator's thresholds hang on besides divider and output. Feedback of `Infinity` is none. */
export interface TripParts {
  readonly fixedOhms: number;
  readonly topOhms: number;
  readonly bottomOhms: number;
  readonly feedbackOhms: number;
  readonly sensorOhms: number | null;
}

/** The resistance of the LDR's branch at which a comparator is level while its output is at a level, by the closed form; `null` for none. */
export function tripBranch(
  { ldrSide, supplyVolts }: Pick<Divider, 'ldrSide' | 'supplyVolts'>,
  { sensorInput, negativeVolts }: Pick<ComparatorSettings, 'sensorInput' | 'negativeVolts'>,
  parts: TripParts,
  { volts, ohms }: Levels['whenOn'],
): number | null {
  const figures = {
    ...parts,
    sensorOhms: parts.sensorOhms ?? 0,
    feedbackOhms: parts.feedbackOhms + ohms,
    sensorInput,
    ldrSide,
    supplyVolts,
    lowVolts: -negativeVolts,
  };
  return tripOhms(figures, volts);
}
