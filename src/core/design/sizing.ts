import type { Ok, Refused } from '../result';
import { compileCircuit, nodeVolts } from '../circuit/circuit';
import { GROUND } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import type { LightRange } from '../light/range';
import { findRoot } from '../numeric/findRoot';
import { nearestIn, OFFERED_OHMS, type Combination, type ResistorDrawer } from '../series/drawer';
import { neighbours } from '../series/series';
import { HARD_FORCED_BETA, SMALL_SIGNAL_NPN } from '../stages/npn';
import type { Action } from '../stages/stage';
import { LED_CELSIUS, LED_IDEALITY, LED_SERIES_OHMS, ledSaturationAmps } from '../loads/led';
import type { Project } from '../project/project';
import { around, findCrossing, type Crossing } from './crossing';
import { ROOM_CELSIUS, type LiveCircuit } from './liveCircuit';

export type ExactFixed =
  Ok<{ ohms: number }> | Refused<'goal-out-of-reach', { reach: LightRange | null }> | Refused<'not-converged'>; // prettier-ignore

/**
 * The fixed resistor that puts the stage's half-on point exactly at a light: the root, in ln R, of load current
 * against half the full current, on the whole circuit with the base connected.
 *
 * @param halfAmps half the full load current
 * @param range where to look for the lights that can be reached when this one cannot
 */
export function exactFixedOhms(
  live: LiveCircuit,
  halfAmps: number,
  goalLux: number,
  range: LightRange,
): ExactFixed {
  let failed = false;
  const overHalf = (lnOhms: number) => {
    const amps = live.loadAmps(goalLux, Math.exp(lnOhms));
    if (amps === null) failed = true;
    return Math.log(Math.max(amps ?? 0, 1e-15) / halfAmps);
  };
  const root = findRoot(overHalf, Math.log(OFFERED_OHMS.least), Math.log(OFFERED_OHMS.most), {
    tolerance: 1e-9,
  });
  if (failed) return { ok: false, reason: 'not-converged' };
  if (root.ok) return { ok: true, ohms: Math.exp(root.x) };
  return { ok: false, reason: 'goal-out-of-reach', reach: reachableLight(live, halfAmps, range) };
}

/** The lights at which some offered resistor puts the half-on point; `null` where none does. */
function reachableLight(live: LiveCircuit, halfAmps: number, range: LightRange): LightRange | null {
  const darkEdge = findCrossing((lux) => live.loadAmps(lux, OFFERED_OHMS.most), halfAmps, range);
  const brightEdge = findCrossing((lux) => live.loadAmps(lux, OFFERED_OHMS.least), halfAmps, range);
  const straddles = (lux: number) => {
    const one = live.loadAmps(lux, OFFERED_OHMS.least) ?? 0;
    const other = live.loadAmps(lux, OFFERED_OHMS.most) ?? 0;
    return Math.min(one, other) <= halfAmps && Math.max(one, other) >= halfAmps;
  };
  const leastLux = darkEdge.ok ? darkEdge.lux : range.leastLux;
  const mostLux = brightEdge.ok ? brightEdge.lux : range.mostLux;
  const inside = Math.sqrt(leastLux * mostLux);
  return leastLux < mostLux && straddles(inside) ? { leastLux, mostLux } : null;
}

export interface Candidate extends Combination {
  /** Where the stage would switch with it. */
  readonly switching: Crossing;
}

/** What the drawer has on either side of the exact value, each with the light at which it would switch; rising. */
export function fixedCandidates(
  live: LiveCircuit,
  drawer: ResistorDrawer,
  exactOhms: number,
  halfAmps: number,
  goalLux: number,
  range: LightRange,
): readonly Candidate[] {
  const nearest = nearestIn(drawer, exactOhms);
  if (!nearest.ok) return [];
  return nearest.found.map((combination) => ({
    ...combination,
    switching: findCrossing(
      (lux) => live.loadAmps(lux, combination.ohms),
      halfAmps,
      range,
      around(goalLux, 1.6, range),
    ),
  }));
}

/** The light range within which an action's load is on, ends named: where it is surely on and where surely off. */
export function endsFor(action: Action, range: LightRange) {
  return action === 'on-in-dark'
    ? { onLux: range.leastLux, offLux: range.mostLux }
    : { onLux: range.mostLux, offLux: range.leastLux };
}

/** With less than this in series an LED has no resistor worth the name. */
const LEAST_SERIES_OHMS = 1;

export type SeriesSizing =
  Ok<{ exactOhms: number; e12Ohms: number; e24Ohms: number; ledVolts: number; saturationVolts: number }> |
  Refused<'supply-too-low', { neededVolts: number }> | Refused<'not-converged'>; // prettier-ignore

/**
 * The LED's series resistor for the wanted current, `R = (V − Vf − Vce)/I`, with Vf and Vce solved at that current
 * and the transistor driven hard; and the nearest real values at or above it.
 */
export function sizeSeriesResistor(project: Project): SeriesSizing {
  const { wantedAmps } = project.load;
  const circuit = compileCircuit({
    supplies: [],
    elements: [
      { kind: 'current', name: 'load', from: 'collector', to: 'anode', amps: wantedAmps },
      { kind: 'resistor', name: 'led.series', a: 'anode', b: 'junction', ohms: LED_SERIES_OHMS },
      {
        kind: 'diode',
        name: 'led',
        anode: 'junction',
        cathode: GROUND,
        saturationAmps: ledSaturationAmps(project.load),
        ideality: LED_IDEALITY,
        celsius: LED_CELSIUS,
      },
      { kind: 'current', name: 'in', from: GROUND, to: 'collector', amps: 2 * wantedAmps },
      { kind: 'current', name: 'drive', from: GROUND, to: 'base', amps: wantedAmps / HARD_FORCED_BETA },
      {
        kind: 'npn',
        name: 'Q',
        collector: 'collector',
        base: 'base',
        emitter: GROUND,
        saturationAmps: SMALL_SIGNAL_NPN.saturationAmps,
        forwardBeta: SMALL_SIGNAL_NPN.typicalBeta,
        reverseBeta: SMALL_SIGNAL_NPN.reverseBeta,
        celsius: ROOM_CELSIUS,
      },
    ],
  });
  const point = solveOperatingPoint(circuit);
  if (!point.ok) return { ok: false, reason: 'not-converged' };
  const ledVolts = nodeVolts(circuit, point.volts, 'anode');
  const saturationVolts = nodeVolts(circuit, point.volts, 'collector');
  const exactOhms = (project.divider.supplyVolts - ledVolts - saturationVolts) / wantedAmps;
  if (!(exactOhms >= LEAST_SERIES_OHMS * (1 - 1e-9))) {
    return {
      ok: false,
      reason: 'supply-too-low',
      neededVolts: ledVolts + saturationVolts + wantedAmps * LEAST_SERIES_OHMS,
    };
  }
  return {
    ok: true,
    exactOhms,
    e12Ohms: neighbours(exactOhms, 'E12').above,
    e24Ohms: neighbours(exactOhms, 'E24').above,
    ledVolts,
    saturationVolts,
  };
}
