import type { CircuitAnalysis } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import { isLitWhenOff } from '../analyse/feedbackLight';
import type { BareDivider } from '../detectors/bareDivider';
import type { Coupling, Sampling } from '../detectors/definition';
import type { StageInTime } from '../detectors/outputStage/inTime';
import { detectorDefinition } from '../detectors/registry';
import { stageOf } from '../detectors/stageOf';
import type { LdrCurve } from '../ldr/curve';
import { ldrOhmsAt } from '../ldr/curve';
import { dynamicsOf, type LdrDynamics } from '../ldr/dynamics';
import type { SwitchPoint } from '../light/crossing';
import type { LightRange } from '../light/range';
import { NIGHT_LUX } from '../light/daylight';
import type { LoadInTime } from '../loads/definition';
import { loadDefinition } from '../loads/registry';
import type { Project } from '../project/project';
import { stateTable, type StateTable } from './stateTable';

/** Between two states of a detector: the LDR's conductance from which it goes to the brighter, and to which to the darker, in S. */
export interface MachineBoundary {
  /** `Infinity` where no light takes it there. */
  readonly upSiemens: number;
  /** 0 where no light takes it back. */
  readonly downSiemens: number;
}

/** A load as time asks for it. */
export interface MachineLoad extends LoadInTime {
  readonly designator: string;
  /** Its full current, in A, and how many times that it takes in the first moment. */
  readonly fullAmps: number;
  readonly inrushTimes: number;
  /** Current at which its contact is pulled in, and at which it drops out, in A; `null` without one. */
  readonly pull: { readonly inAmps: number; readonly outAmps: number } | null;
}

/**
 * A design as time asks for it: what the LDR's conductance does to the detector, the detector to the loads, and how long each
 * takes. All is found once, by solving the circuit; in time nothing is solved any more.
 */
export interface Machine {
  readonly curve: LdrCurve;
  readonly dynamics: LdrDynamics;
  readonly boundaries: readonly MachineBoundary[];
  /** Whether the loads are on in each state, from dark to bright. Shape: boundaries + 1. */
  readonly isOn: readonly boolean[];
  /** The transistor switches by itself: between off and on the load is partly on. */
  readonly isSoft: boolean;
  /** What it so drives is one coil: its states are those of the contact. Else coils follow their own currents on the way. */
  readonly isCoilAlone: boolean;
  readonly stage: StageInTime;
  readonly sampling: Sampling | null;
  readonly coupling: (Coupling & { readonly divider: BareDivider }) | null;
  /** Midpoint, loads and supplies over conductance, in each state. */
  readonly tables: readonly StateTable[];
  readonly loads: readonly MachineLoad[];
  /** Through all loads together with the switch driven hard, in A. */
  readonly fullAmps: number;
  /** Light of the loads that reaches the LDR when they are fully on, in lx. */
  readonly feedbackLux: number;
  /** It shines while the first load is off. */
  readonly isLitWhenOff: boolean;
  /** Several loads, each in a state of its own. */
  readonly hasSteps: boolean;
}

/** How many of several loads are on in a state. @param siemens of the LDR */
export function litIn({ tables, loads }: Machine, position: number, siemens: number): number {
  const table = tables[position];
  return loads.filter(({ fullAmps }, index) => (table?.load(index, siemens) ?? 0) > fullAmps / 2).length;
}

/** Lights that a machine's tables reach from and to, at least. */
const TABLE_LUX: LightRange = { minLux: NIGHT_LUX, maxLux: 150_000 };

const never: MachineBoundary = { upSiemens: Infinity, downSiemens: 0 };

/** A project's design as a machine. @param analysis of the same project */
export function machineOf(project: Project, analysis: CircuitAnalysis): Machine {
  const { ldr, assembly, thresholds, drive, action, range } = analysis;
  const { detector, feedbackLux, part } = project;
  const definition = detectorDefinition(detector);
  const circuit = DesignCircuit.of(project, ldr, {}, assembly);
  const siemensAt = (lux: number) => 1 / ldrOhmsAt(ldr.curve, lux);
  const wide = {
    minLux: Math.min(range.minLux, TABLE_LUX.minLux),
    maxLux: Math.max(range.maxLux, TABLE_LUX.maxLux),
  };
  const span = { from: siemensAt(wide.minLux), to: siemensAt(wide.maxLux) };
  const coupling = definition.coupling(detector);
  const alone = thresholds ? null : softStates(analysis, action === 'on-in-dark', siemensAt);
  const tables = Array.from({ length: circuit.brightest + 1 }, (_, position) =>
    stateTable(circuit, position, span, alone ? SOFT_POINTS : POINTS),
  );
  return {
    curve: ldr.curve,
    dynamics: dynamicsOf(part),
    ...(alone ?? {
      boundaries: (thresholds?.boundaries ?? []).map(({ rising, falling }, index) => ({
        upSiemens: crossed(
          rising,
          siemensAt,
          () => (circuit.overBoundary(index, 'rising', range.minLux) ?? 0) > 0,
          0,
          Infinity,
        ),
        downSiemens: crossed(
          falling,
          siemensAt,
          () => (circuit.overBoundary(index, 'falling', range.maxLux) ?? 0) < 0,
          Infinity,
          0,
        ),
      })),
      isOn: thresholds?.isOn ?? [],
      isSoft: false,
      isCoilAlone: false,
    }),
    // A transistor by itself has no output before it.
    stage: alone ? { kind: 'follows' } : stageOf(project),
    sampling: definition.sampling(detector),
    coupling: coupling && { ...coupling, divider: circuit.divider },
    tables,
    loads: analysis.loads.map(({ designator, amps, onAmps, inrushAmps }, index) => {
      const { load } = assembly.loads[index] ?? {};
      const levels = load ? loadDefinition(load).levels(load, assembly.isHighSide) : null;
      const inTime = load ? loadDefinition(load).inTime : NOTHING_IN_TIME;
      return {
        ...inTime,
        designator,
        fullAmps: onAmps,
        inrushTimes: inrushAmps === null || amps <= 0 ? 1 : Math.max(1, inrushAmps / amps),
        pull: inTime.contact && levels?.by === 'amps' ? { inAmps: levels.on, outAmps: levels.off } : null,
      };
    }),
    fullAmps: drive.onAmps,
    feedbackLux,
    isLitWhenOff: isLitWhenOff(analysis),
    hasSteps: assembly.hasOwnOutputs,
  };
}

const NOTHING_IN_TIME: LoadInTime = { followSeconds: 0, inrushSeconds: 0, noticedSeconds: 0, contact: null };
/** So many conductances a table has; a transistor by itself is bent more. */
const POINTS = 160;
const SOFT_POINTS = 480;

function crossed(
  point: SwitchPoint,
  siemensAt: (lux: number) => number,
  isAlways: () => boolean,
  always: number,
  otherwise: number,
): number {
  if (point.ok) return siemensAt(point.lux);
  return isAlways() ? always : otherwise;
}

/** A transistor by itself as two states: it counts as on from half of its current, a coil alone from its pull-in to its drop-out. */
function softStates(
  { half, loads, drive }: Pick<CircuitAnalysis, 'half' | 'loads' | 'drive'>,
  isOnInDark: boolean,
  siemensAt: (lux: number) => number,
): Pick<Machine, 'boundaries' | 'isOn' | 'isSoft' | 'isCoilAlone'> {
  const coil = drive.isPullIn ? loads[0]?.lights : null;
  const isCoilAlone = Boolean(coil);
  const [on, off] = coil ? [coil.on, coil.off] : [half, half];
  const isOn = isOnInDark ? [true, false] : [false, true];
  if (!on.ok) {
    const stays = on.reason === 'stays-above';
    return { boundaries: [never], isOn: [stays, stays], isSoft: true, isCoilAlone };
  }
  const [up, down] = isOnInDark ? [off, on] : [on, off];
  return {
    boundaries: [
      {
        upSiemens: up.ok ? siemensAt(up.lux) : Infinity,
        downSiemens: down.ok ? siemensAt(down.lux) : 0,
      },
    ],
    isOn,
    isSoft: true,
    isCoilAlone,
  };
}
