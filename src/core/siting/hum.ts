import type { CircuitAnalysis } from '../analyse/analysis';
import { DesignCircuit } from '../analyse/designCircuit';
import { contactLights } from '../analyse/loadFacts';
import { ldrLuxAt } from '../ldr/curve';
import { fromBright, fromDark } from '../operate/operate';
import type { Project } from '../project/project';
import type { Siting } from '../project/built/siting';

/**
 * What mains wiring beside a lead drives into it. Between a lead and a mains wire some 2 cm off there are about 10 pF for each
 * metre; a shield on 0 V keeps all but a fiftieth off. As a rule of thumb: nearer wires couple two or three times as much.
 */
const FARADS_PER_METRE = 10e-12;
const SHIELDED = 1 / 50;
/** The higher of the world's two mains, rms; 60 Hz at 120 V drives less. */
const MAINS_VOLTS = 230;
const MAINS_HERTZ = 50;

/** Peak to peak of the mains current that flows into the LDR's leads, in A. */
export function humAmps({ leadMetres, leads, isNearMains }: Siting): number {
  if (!isNearMains) return 0;
  const farads = FARADS_PER_METRE * leadMetres * (leads === 'shielded' ? SHIELDED : 1);
  return 2 * Math.SQRT2 * 2 * Math.PI * MAINS_HERTZ * farads * MAINS_VOLTS;
}

/** What hum does to a design. */
export interface HumFacts {
  readonly amps: number;
  /** Ratio of the highest and the lowest light that it makes of one, above 1. */
  readonly ratio: number;
  /** Nothing snaps it over: it flickers about its switching light. */
  readonly isSoft: boolean;
  /** The lights of turning off and on lie so far apart, above 1; 1 where nothing holds it between. */
  readonly bandRatio: number;
}

/**
 * What hum makes of the switching light: to the circuit a current into the midpoint is the same as so much more or less through
 * the LDR, at the voltage that is across it there.
 *
 * @returns `null` without hum, or where the design does not switch
 */
export function humOf(
  project: Project,
  design: Pick<CircuitAnalysis, 'ldr' | 'half' | 'thresholds' | 'assembly' | 'drive' | 'loads'>,
): HumFacts | null {
  const amps = humAmps(project.build.siting);
  const { ldr, half, thresholds, assembly } = design;
  const on = thresholds ? thresholds.turnOn : half;
  if (amps === 0 || !on.ok) return null;
  const circuit = DesignCircuit.of(project, ldr, {}, assembly);
  // As it is before it turns on.
  const from = project.goal.action === 'on-in-dark' ? fromBright(assembly) : fromDark;
  const settled = circuit.settle(from.position, on.lux);
  if (!settled) return null;
  const ldrOhms = circuit.ldrOhms(on.lux);
  const ldrVolts = Math.abs(settled.readout.amps(assembly.ldr)) * ldrOhms;
  const branch = new LdrBranch(project.divider);
  const branchAmps = ldrVolts / branch.acrossOhms(ldrOhms);
  const volts = branchAmps * branch.ohms(ldrOhms);
  const luxAt = (current: number) => {
    const ohms = current > 0 ? branch.ldrOhms(volts / current) : null;
    return ohms === null ? null : ldrLuxAt(ldr.curve, ohms);
  };
  const [high, low] = [luxAt(branchAmps + amps / 2), luxAt(branchAmps - amps / 2)];
  return {
    amps,
    ratio: high === null || low === null ? Infinity : high / low,
    isSoft: thresholds === null && !snapsAlone(design),
    bandRatio: bandOf(design),
  };
}

type Banded = Pick<CircuitAnalysis, 'thresholds' | 'drive' | 'loads' | 'assembly'>;

/** A coil that hangs alone snaps, at its pull-in and its drop-out. */
const snapsAlone = (design: Banded) => design.drive.isPullIn && contactLights(design) !== null;

function bandOf(design: Banded): number {
  const { thresholds } = design;
  const coil = !thresholds && snapsAlone(design) ? contactLights(design) : null;
  const { rising, falling } = thresholds?.boundaries[thresholds.goalBoundary] ?? {};
  const [one, other] = coil ? [coil.on, coil.off] : [rising, falling];
  if (!one?.ok || !other?.ok) return 1;
  return Math.exp(Math.abs(Math.log(one.lux / other.lux)));
}

/** The LDR with the resistors across it and in series with it. */
class LdrBranch {
  constructor(private readonly divider: Pick<Project['divider'], 'ldrParallelOhms' | 'ldrSeriesOhms'>) {}

  /** The LDR and what is across it. */
  acrossOhms(ldrOhms: number): number {
    const { ldrParallelOhms } = this.divider;
    return ldrParallelOhms === null ? ldrOhms : 1 / (1 / ldrOhms + 1 / ldrParallelOhms);
  }

  ohms(ldrOhms: number): number {
    return this.acrossOhms(ldrOhms) + (this.divider.ldrSeriesOhms ?? 0);
  }

  /** The LDR's part of a branch; `null` where it would be none or endless. */
  ldrOhms(ohms: number): number | null {
    const { ldrParallelOhms, ldrSeriesOhms } = this.divider;
    const across = ohms - (ldrSeriesOhms ?? 0);
    const siemens = 1 / across - (ldrParallelOhms === null ? 0 : 1 / ldrParallelOhms);
    return across > 0 && siemens > 0 ? 1 / siemens : null;
  }
}
