import type { CircuitAnalysis } from '../analyse/analysis';
import { ldrOhmsAt } from '../ldr/curve';
import { findRoot } from '../numeric/findRoot';
import { fromBright, fromDark } from '../operate/operate';
import { Operation } from '../operate/operation';
import { nodeVolts } from '../circuit/circuit';
import type { Net } from '../parts/base';
import { partIn } from '../parts/find';
import type { TrimmerPart } from '../parts/kinds/trimmer';
import type { Project } from '../project/project';
import { withFault } from '../faults/circuit/apply';
import { FaultyCircuit } from '../faults/circuit/faultyCircuit';
import type { TestBench } from '../faults/predict';

/** A trimmer to be set: at which light, by which voltage. */
export interface Trim {
  readonly designator: string;
  readonly net: Net;
  readonly lux: number;
  readonly targetVolts: number;
  readonly degrees: number;
  /** Where it stands for a voltage at that light, as a share of its travel from the lower end; `null` where no setting gives it. */
  readonly shareAt: (volts: number) => number | null;
}

/** How to come from where a trimmer stands to where it should. */
export interface Turn {
  /** In degrees of its screw; above 0 towards the upper end: the voltage rises or falls with `rises`. */
  readonly degrees: number;
  readonly isThere: boolean;
  readonly targetShare: number;
}

/** Nearer than this, in degrees, nobody turns a screw. */
const NEAR_DEGREES = 2;

/** Every trimmer of a circuit, with what it is set by. */
export function trimsOf(project: Project, analysis: CircuitAnalysis, bench: TestBench): readonly Trim[] {
  return [...dividerTrim(project, analysis), ...referenceTrim(project, bench)];
}

/** R1 as a trimmer: at the goal's light the midpoint stands where it switches. */
function dividerTrim({ goal, divider }: Project, analysis: CircuitAnalysis): readonly Trim[] {
  const { trimmer } = divider;
  const { assembly, ldr, thresholds } = analysis;
  const part = partIn(assembly.parts, 'trimmer', 'fixed-trimmer');
  if (!trimmer || !part) return [];
  const operation = new Operation(assembly);
  const ohms = ldrOhmsAt(ldr.curve, goal.lux);
  // Just before it switches: where it comes from when it turns on.
  const from = goal.action === 'on-in-dark' ? fromBright(assembly) : fromDark;
  const midAt = (fixedOhms: number): number | null => {
    const found = operation.settle(from.position, ohms, fixedOhms);
    return found && nodeVolts(found.solution.circuit, found.solution.volts, 'mid');
  };
  const target = thresholds?.turnOnVolts ?? midAt(divider.fixedOhms);
  if (target === null) return [];
  const [low, high] = [Math.max(1, trimmer.endOhms), trimmer.endOhms + trimmer.trackOhms];
  const shareAt = (volts: number): number | null => {
    const root = findRoot(
      (lnOhms) => (midAt(Math.exp(lnOhms)) ?? NaN) - volts,
      Math.log(low),
      Math.log(high),
      {
        tolerance: 1e-4,
      },
    );
    return root.ok ? (Math.exp(root.x) - trimmer.endOhms) / trimmer.trackOhms : null;
  };
  const { designator, degrees } = part;
  return [{ designator, net: 'mid', lux: goal.lux, targetVolts: target, degrees, shareAt }];
}

/** A reference's trimmer: its slider's own voltage, which hangs on no light. */
function referenceTrim({ goal }: Project, bench: TestBench): readonly Trim[] {
  const part = partIn(bench.assembly.parts, 'trimmer', 'reference-trimmer');
  if (!part) return [];
  const voltsIn = (circuit: FaultyCircuit): number | null => {
    const settled = circuit.settle(circuit.made(bench.draws[0] ?? new Float64Array(0)), 0);
    return settled && circuit.volts(settled, part.slider);
  };
  const at = (end: 'upper' | 'lower') =>
    voltsIn(
      new FaultyCircuit(
        withFault(bench.wiring, { kind: 'unset', designator: part.designator, end }),
        bench.setup,
      ),
    );
  const [upper, lower, target] = [
    at('upper'),
    at('lower'),
    voltsIn(new FaultyCircuit(bench.wiring, bench.setup)),
  ];
  if (upper === null || lower === null || target === null || upper === lower) return [];
  // Between its ends a track is even; what is drawn from its slider bends it by less than anyone turns.
  const shareAt = (volts: number): number | null => {
    const share = (volts - lower) / (upper - lower);
    return share >= -0.02 && share <= 1.02 ? Math.min(1, Math.max(0, share)) : null;
  };
  const { designator, slider, degrees }: TrimmerPart = part;
  return [{ designator, net: slider, lux: goal.lux, targetVolts: target, degrees, shareAt }];
}

/** How far to turn from a voltage that was measured; `null` where no setting of this trimmer gives that voltage or the wanted one. */
export function turnFrom(trim: Trim, volts: number): Turn | null {
  const [now, wanted] = [trim.shareAt(volts), trim.shareAt(trim.targetVolts)];
  if (now === null || wanted === null) return null;
  const degrees = (wanted - now) * trim.degrees;
  return { degrees, isThere: Math.abs(degrees) < NEAR_DEGREES, targetShare: wanted };
}
