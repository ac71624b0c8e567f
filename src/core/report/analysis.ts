import type { Advice } from '../advise/advice';
import { cornersOf } from '../advise/corners';
import { analyse } from '../design';
import { probesOf, testBench } from '../faults/predict';
import { BAND_DRAWS, testPointsOf } from '../points/testPoints';
import { meterOf, shippedMeters } from '../meter/meter';
import type { LightScale } from '../light/scale';
import type { SwitchPoint } from '../light/crossing';
import type { HeldResistor } from '../faults/testLights';
import type { Project } from '../project/project';
import { assert, type Ok, type Refused } from '../result';

/** Grows when a key changes its meaning or goes. */
export const ANALYSIS_VERSION = 1;
export const ANALYSIS_FORMAT = 'yemko-analysis';

/** A light at which something happens; `null` where it does not, with the reason. */
interface Light {
  readonly lux: number | null;
  readonly reason: string | null;
}

const lightOf = (point: SwitchPoint): Light =>
  point.ok ? { lux: point.lux, reason: null } : { lux: null, reason: point.reason };

/** Everything that Yemko says of a project, as plain data: what stands on the screen, to all digits. */
/** A finding in words. */
interface SaidAdvice {
  readonly step: string;
  readonly state: string;
  readonly code: string;
  readonly text: string;
}

export interface AnalysisReport {
  readonly format: typeof ANALYSIS_FORMAT;
  readonly version: typeof ANALYSIS_VERSION;
  readonly project: { readonly id: string; readonly name: string };
  /** What lights are told in: `lux`, `relative` light, or the place of a resistance (`ohms`). */
  readonly scale: string;
  readonly goal: Project['goal'];
  readonly action: string;
  readonly ldr: {
    readonly source: string;
    readonly r10Ohms: number;
    readonly gamma: number;
    readonly darkOhms: number | null;
    readonly brightOhms: number;
  };
  readonly switching: {
    readonly justOff: Light;
    readonly half: Light;
    readonly fullyOn: Light;
    readonly turnOn: Light | null;
    readonly turnOff: Light | null;
    readonly turnOnVolts: number | null;
    readonly turnOffVolts: number | null;
  };
  readonly drive: {
    readonly fullAmps: number;
    readonly guaranteedAmps: number;
    readonly saturates: boolean;
    readonly forcedBeta: number | null;
  };
  readonly parts: readonly { readonly designator: string; readonly kind: string; readonly role: string }[];
  readonly states: Readonly<Record<string, string>>;
  /** As its parts are meant to be. */
  readonly advice: readonly SaidAdvice[];
  /** What fails at the ends of what it may meet: supply, cells, warmth, parts; `null` where nobody asked. */
  readonly ends: readonly SaidAdvice[] | null;
  /** `holds`: what is held into the circuit meanwhile: a resistor from a rail to a net, like one that is there. */
  readonly testLights: readonly {
    readonly name: string;
    readonly lux: number;
    readonly holds: HeldResistor | null;
  }[];
  /** Shape: points; `value`, `low` and `high` in V, A or Ω, of a `load` a pattern. */
  readonly testPoints: readonly {
    readonly key: string;
    readonly kind: string;
    readonly light: string | null;
    readonly value: number;
    readonly low: number;
    readonly high: number;
    /** What is off the board while it is measured, by designator: nobody knows what an ohmmeter finds in it. */
    readonly takenOff: readonly string[];
  }[];
}

/**
 * Analyses a project.
 * @param sentence how advice is put into words
 * @param withEnds whether the ends of what it may meet are tried as well: that takes about as long again
 * @returns `not-converged` where its circuit has no operating point somewhere on the axis
 */
export function analysisReport(
  project: Project,
  sentence: (advice: Advice, scale: LightScale) => string,
  withEnds: boolean,
): Ok<{ report: AnalysisReport }> | Refused<'not-converged'> {
  const analysis = analyse(project);
  if (!analysis.ok) return analysis;
  const { design } = analysis;
  const { ldr, thresholds, drive } = design;
  const { r10Ohms, gamma, darkOhms, brightOhms } = ldr.curve;
  const meter = project.meter ? meterOf(project.meter) : shippedMeters[0];
  assert(meter !== undefined, () => 'no meter ships');
  const bench = testBench(project, design, meter, project.check, BAND_DRAWS);
  const points = testPointsOf(bench, probesOf(bench, []));
  const inWords = (advice: Advice): SaidAdvice => ({
    ...{ step: advice.step, state: advice.state, code: advice.code },
    text: sentence(advice, design.resolved.scale),
  });
  const report: AnalysisReport = {
    ...{ format: ANALYSIS_FORMAT, version: ANALYSIS_VERSION, goal: project.goal, action: design.action },
    project: { id: project.id, name: project.name },
    scale: design.resolved.scale,
    ldr: { source: ldr.source, r10Ohms, gamma, darkOhms, brightOhms },
    switching: {
      justOff: lightOf(design.justOff),
      half: lightOf(design.half),
      fullyOn: lightOf(design.fullyOn),
      turnOn: thresholds && lightOf(thresholds.turnOn),
      turnOff: thresholds && lightOf(thresholds.turnOff),
      turnOnVolts: thresholds?.turnOnVolts ?? null,
      turnOffVolts: thresholds?.turnOffVolts ?? null,
    },
    drive: {
      fullAmps: drive.fullAmps,
      guaranteedAmps: drive.guaranteedAmps,
      saturates: drive.saturates,
      forcedBeta: drive.forcedBeta,
    },
    parts: design.assembly.parts.map(({ designator, kind, role }) => ({ designator, kind, role })),
    states: design.states,
    advice: design.advice.map(inWords),
    ends: withEnds ? cornersOf(project).map(inWords) : null,
    testLights: bench.lights.map(({ name, lux, holds = null }) => ({ name, lux, holds })),
    testPoints: points.map(({ probe, key, expected, low, high }) => ({
      ...{ key, kind: probe.kind, value: expected, low, high },
      light: 'light' in probe ? (bench.lights[probe.light]?.name ?? null) : null,
      takenOff: probe.kind === 'ohms' ? (probe.takenOff ?? []) : [],
    })),
  };
  return { ok: true, report };
}
