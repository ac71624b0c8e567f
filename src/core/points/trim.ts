import { nodeVolts } from '../circuit/circuit';
import { GROUND } from '../circuit/netlist';
import { DesignCircuit } from '../analyse/designCircuit';
import { goalWayOf, type Thresholds } from '../detectors/thresholds';
import { ldrOhmsAt } from '../ldr/curve';
import { findRoot } from '../numeric/findRoot';
import { Operation } from '../operate/operation';
import type { Net } from '../parts/base';
import { partIn } from '../parts/find';
import type { TrimmerPart } from '../parts/kinds/trimmer';
import { changeDivider, trimmerReaches } from '../project/edits';
import type { Project } from '../project/project';
import type { SizedDesign } from '../size/sized';
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
  /** Its voltage hardly moves there: the load itself is what to go by. */
  readonly isStill: boolean;
  /** Part of a track, from its upper end to the slider: the nearer to that end the less of it is in use. */
  readonly isRheostat: boolean;
  /**
   * Where it stands for a voltage at that light: as a share of its track that is in use of a rheostat, else of its travel from the
   * lower end; `null` where no setting gives it.
   */
  readonly shareAt: (volts: number) => number | null;
}

/** How to come from where a trimmer stands to where it should. */
export interface Turn {
  /** In degrees of its screw; above 0 towards the upper end. */
  readonly degrees: number;
  readonly isThere: boolean;
  readonly isRheostat: boolean;
  readonly targetShare: number;
}

/** Nearer than this, in degrees, nobody turns a screw. */
const NEAR_DEGREES = 2;

/** Every trimmer of a circuit, with what it is set by. */
export function trimsOf(project: Project, design: SizedDesign, bench: TestBench): readonly Trim[] {
  return [...dividerTrim(project, design, bench), ...referenceTrim(project, design, bench)];
}

/** R1 as a trimmer: at the goal's light the midpoint stands, with the meter at it, as it does where R1 has the load go over just there. */
function dividerTrim(project: Project, design: SizedDesign, bench: TestBench): readonly Trim[] {
  const { goal, divider } = project;
  const { trimmer } = divider;
  const { assembly, ldr, exactFixed, thresholds } = design;
  const part = partIn(assembly.parts, 'trimmer', 'fixed-trimmer');
  if (!trimmer || !part) return [];
  const { inputOhms } = bench.meter;
  const meter = { kind: 'resistor', name: 'meter', a: 'mid', b: GROUND, ohms: inputOhms } as const;
  const operation = new Operation(assembly, { extra: [meter] });
  const ohms = ldrOhmsAt(ldr.curve, goal.lux);
  // Just before it goes over: past there a detector with a band pulls at the midpoint.
  const position = thresholds ? positionBefore(thresholds) : 0;
  const midAt = (fixedOhms: number, of = operation): number | null => {
    const found = of.solveIn(position, ohms, fixedOhms);
    return found && nodeVolts(found.circuit, found.volts, 'mid');
  };
  const goalOhms = exactFixed.ok ? exactFixed.ohms : divider.fixedOhms;
  // A trimmer cannot stand below its end resistor: what the midpoint should show there a plain resistor tells.
  const plain = () =>
    DesignCircuit.of(changeDivider({ fixedOhms: goalOhms, trimmer: null })(project), ldr).assembly;
  const target = midAt(
    goalOhms,
    trimmerReaches(trimmer, goalOhms) ? operation : new Operation(plain(), { extra: [meter] }),
  );
  if (target === null) return [];
  const [low, high] = [Math.max(1, trimmer.endOhms), trimmer.endOhms + trimmer.trackOhms];
  const shareAt = (volts: number): number | null => {
    const root = findRoot(
      (lnOhms) => (midAt(Math.exp(lnOhms)) ?? NaN) - volts,
      Math.log(low),
      Math.log(high),
      {
        tolerance: 1e-6,
      },
    );
    return root.ok ? (Math.exp(root.x) - trimmer.endOhms) / trimmer.trackOhms : null;
  };
  const { designator, degrees } = part;
  const share = shareAt(target);
  const ohmsAt = (at: number) => Math.min(high, Math.max(low, trimmer.endOhms + at * trimmer.trackOhms));
  const aside = STILL_DEGREES / degrees / 2;
  const moved = (way: number) => midAt(ohmsAt((share ?? 0.5) + way * aside)) ?? target;
  const isStill = share !== null && Math.abs(moved(1) - moved(-1)) < STILL_VOLTS;
  return [
    {
      designator,
      net: 'mid',
      lux: goal.lux,
      targetVolts: target,
      degrees,
      isStill,
      isRheostat: true,
      shareAt,
    },
  ];
}

/** The state in which a detector is just before it crosses the goal's boundary the way that matters. */
function positionBefore({ goalBoundary, goalEnd, isOn }: Thresholds): number {
  return goalWayOf(isOn[goalBoundary] ?? false, goalEnd) === 'rising' ? goalBoundary : goalBoundary + 1;
}

/** Where so many degrees move it by less than this, a cheap meter shows too little to turn by. */
const STILL_DEGREES = 10;
const STILL_VOLTS = 0.03;

/** A reference's trimmer: its slider's own voltage, which hangs on no light. */
function referenceTrim({ goal }: Project, { half }: SizedDesign, bench: TestBench): readonly Trim[] {
  const part = partIn(bench.assembly.parts, 'trimmer', 'reference-trimmer');
  if (!part) return [];
  /** NaN where no operating point is found. */
  const voltsIn = (circuit: FaultyCircuit): number => {
    const settled = circuit.settle(circuit.made(bench.draws[0] ?? new Float64Array(0)), 0);
    return settled ? circuit.volts(settled, part.slider) : NaN;
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
  if (Number.isNaN(target)) return [];
  // Between its ends a track is even; what is drawn from its slider bends it by less than anyone turns.
  const shareAt = (volts: number): number | null => {
    const share = (volts - lower) / (upper - lower);
    return share >= -0.02 && share <= 1.02 ? Math.min(1, Math.max(0, share)) : null;
  };
  const { designator, slider, degrees }: TrimmerPart = part;
  // It is set to where the design has it: that switches at the design's own light, on the goal or off it.
  const lux = half.ok ? half.lux : goal.lux;
  return [
    {
      designator,
      net: slider,
      lux,
      targetVolts: target,
      degrees,
      isStill: false,
      isRheostat: false,
      shareAt,
    },
  ];
}

/** How far to turn from a voltage that was measured; `null` where no setting of this trimmer gives that voltage or the wanted one. */
export function turnFrom(trim: Trim, volts: number): Turn | null {
  const [now, wanted] = [trim.shareAt(volts), trim.shareAt(trim.targetVolts)];
  if (now === null || wanted === null) return null;
  const { isRheostat } = trim;
  const degrees = (isRheostat ? now - wanted : wanted - now) * trim.degrees;
  return { degrees, isThere: Math.abs(degrees) < NEAR_DEGREES, isRheostat, targetShare: wanted };
}
