import { GROUND } from '../circuit/netlist';
import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import { ldrOhmsBand } from '../ldr/model';
import { meterOf } from '../meter/meter';
import { findRoot } from '../numeric/findRoot';
import type { Project } from '../project/project';
import type { Ok, Refused } from '../result';
import { measuredLdr } from '../readings/ldrOf';
import { sameLight, type ReadingLight } from '../readings/reading';
import { repeatsOf } from '../readings/repeats';
import { bareMidVolts, sourceOhms } from '../detectors/bareDivider';
import { toleranceOf } from '../series/stock';
import { DesignCircuit } from './designCircuit';
import { lightRangeOf } from './lightRange';

/** Why a measured midpoint is not where it should be: the likeliest cause, with its figure. */
export type MidpointCause =
  | { readonly code: 'upper-open' }
  | { readonly code: 'lower-open' }
  | { readonly code: 'swapped' }
  | { readonly code: 'fixed-slipped'; readonly factor: 0.1 | 10 }
  | { readonly code: 'base-open' }
  | { readonly code: 'other-light'; readonly ldrOhms: number };

/** A midpoint at one named light: predicted as this user's voltmeter would show it, and as measured. */
export interface Midpoint {
  readonly light: ReadingLight;
  readonly volts: number;
  /** What LDR, resistor and meter together leave open. */
  readonly lowVolts: number;
  readonly highVolts: number;
  readonly measuredVolts: number | null;
  /** Where the measured one lies outside that; `null` where it does not, or nothing was measured. */
  readonly cause: MidpointCause | null;
}

/** A voltmeter of the usual kind, where nothing is known of the user's: 10 MΩ. */
const DEFAULT_INPUT_OHMS = 1e7;
/** What a voltmeter itself may be off by. */
const METER_SHARE = 0.008;
const METER_VOLTS = 0.003;
/** A guess fits when it comes this near to the measured voltage: as a share of it, or in V. */
const FITS_SHARE = 0.08;
const FITS_VOLTS = 0.004;
/** Less than this share of what should be there is no voltage at all. */
const NOTHING_SHARE = 0.05;

/** The divider's midpoint at each light that was read, solved with the stage and the voltmeter connected. */
export function midpointsOf(project: Project): readonly Midpoint[] {
  const { model, resolved } = measuredLdr(project);
  const places = repeatsOf(project).flatMap(({ light, indices }) => {
    const place = resolved.lights[indices[0] ?? -1] ?? null;
    return place === null || light.kind === 'lamp-off' ? [] : [{ light, place }];
  });
  if (places.length === 0) return [];
  const bench = new MidpointBench(project);
  const tolerance = toleranceOf(project.resistors);
  const { fixedOhms, ldrSide } = project.divider;
  return places
    .sort((one, other) => one.place - other.place)
    .flatMap(({ light, place }): Midpoint[] => {
      const ohms = ldrOhmsAt(model.curve, place);
      const { low, high } = ldrOhmsBand(model, place, 'meter');
      const volts = bench.volts(ohms, fixedOhms);
      const isTop = ldrSide === 'top';
      const [one, other] = [
        bench.volts(isTop ? low : high, fixedOhms * (isTop ? 1 + tolerance : 1 - tolerance)),
        bench.volts(isTop ? high : low, fixedOhms * (isTop ? 1 - tolerance : 1 + tolerance)),
      ];
      if (![volts, one, other].every(Number.isFinite)) return [];
      const meter = METER_SHARE * Math.abs(volts) + METER_VOLTS;
      const [lowVolts, highVolts] = [Math.min(one, other) - meter, Math.max(one, other) + meter];
      const measuredVolts = project.midpoints.find((check) => sameLight(check.light, light))?.volts ?? null;
      const isOff = measuredVolts !== null && (measuredVolts < lowVolts || measuredVolts > highVolts);
      const cause = isOff ? causeOf(project, bench, ohms, volts, measuredVolts) : null;
      return [{ light, volts, lowVolts, highVolts, measuredVolts, cause }];
    });
}

/**
 * The light that makes a midpoint, read with a voltmeter in the whole circuit.
 *
 * @returns `none` where no light makes it, `flat` where a voltmeter's error leaves lights that lie further off than one that is known may be
 */
export function luxOfMidpoint(
  project: Project,
  midVolts: number,
): Ok<{ lux: number }> | Refused<'none' | 'flat'> {
  const { curve } = measuredLdr(project).model;
  const bench = new MidpointBench(project);
  const { fixedOhms } = project.divider;
  const ohms = bench.impliedOhms(midVolts, fixedOhms);
  const met = bench.volts(ohms, fixedOhms);
  const lux = Math.abs(met - midVolts) <= SAME_VOLTS ? ldrLuxAt(curve, ohms) : null;
  if (lux === null) return { ok: false, reason: 'none' };
  // Every light that might show the same: the midpoint may stand still over some, and come twice with feedback.
  // The error is a share of the true voltage, which may be a little higher.
  const error = 1.02 * (METER_SHARE * Math.abs(midVolts) + METER_VOLTS);
  const { minLux, maxLux } = lightRangeOf(project);
  for (let other = minLux; other <= maxLux; other *= SCAN_RATIO) {
    const volts = bench.volts(ldrOhmsAt(curve, other), fixedOhms);
    const isAlike = Math.abs(volts - midVolts) <= error;
    if (isAlike && Math.abs(Math.log(other / lux)) > Math.log(KNOWN_RATIO / SCAN_RATIO))
      return { ok: false, reason: 'flat' };
  }
  return { ok: true, lux };
}

/** Lights so far apart are looked at. */
const SCAN_RATIO = 1.03;
/** A midpoint is met where it is met to this, in V. */
const SAME_VOLTS = 0.001;
/** A light that is known is known to this factor (see `testLightsOf`). */
const KNOWN_RATIO = 1.25;

/** The project's circuit with a voltmeter on the midpoint. */
class MidpointBench {
  private readonly live: DesignCircuit;
  private readonly swappedLive: DesignCircuit;

  constructor(private readonly project: Project) {
    const { divider } = project;
    this.live = withMeter(project);
    const otherSide = divider.ldrSide === 'top' ? 'bottom' : 'top';
    this.swappedLive = withMeter({ ...project, divider: { ...divider, ldrSide: otherSide } });
  }

  /** @returns NaN where no operating point was found */
  volts(ldrOhms: number, fixedOhms: number, swapped = false): number {
    const live = swapped ? this.swappedLive : this.live;
    return live.settleOhms(0, ldrOhms, fixedOhms)?.readout.volts('mid') ?? NaN;
  }

  /** The LDR's resistance that would give a midpoint, in the whole circuit; an end of what LDRs have where none does. */
  impliedOhms(midVolts: number, fixedOhms: number): number {
    const over = (lnOhms: number) => this.volts(Math.exp(lnOhms), fixedOhms) - midVolts;
    const [min, max] = [Math.log(1), Math.log(1e9)];
    const root = findRoot(over, min, max, { tolerance: 1e-6 });
    if (root.ok) return Math.exp(root.x);
    return Math.exp(Math.abs(over(min)) < Math.abs(over(max)) ? min : max);
  }

  /** The rail under the divider, against 0 V. */
  get lowVolts(): number {
    return this.live.divider.lowVolts ?? 0;
  }

  /** The midpoint with nothing but the voltmeter on it: as if the base had come off. */
  openVolts(ldrOhms: number): number {
    const { divider } = this.live;
    const inputOhms = inputOhmsOf(this.project);
    return (bareMidVolts(divider, ldrOhms) * inputOhms) / (inputOhms + sourceOhms(divider, ldrOhms));
  }
}

/** Input resistance of the project's voltmeter, in Ω: of its own meter, else the usual 10 MΩ. */
export function inputOhmsOf({ meter }: Pick<Project, 'meter'>): number {
  return meter === null ? DEFAULT_INPUT_OHMS : meterOf(meter).inputOhms;
}

function withMeter(project: Project): DesignCircuit {
  const voltmeter = {
    kind: 'resistor',
    name: 'voltmeter',
    a: 'mid',
    b: GROUND,
    ohms: inputOhmsOf(project),
  } as const;
  return DesignCircuit.of(project, measuredLdr(project).model, { extra: [voltmeter] });
}

/** Tries the usual mistakes one after another: the first that would give the measured voltage is the likeliest. */
function causeOf(
  project: Project,
  bench: MidpointBench,
  ldrOhms: number,
  expected: number,
  measured: number,
): MidpointCause {
  const { supplyVolts, fixedOhms, isDirect } = project.divider;
  // A midpoint falls to the rail under the divider, which is not 0 V with a supply of both signs.
  const low = bench.lowVolts;
  const room = Math.max(FITS_VOLTS, FITS_SHARE * (measured - low));
  const fits = (volts: number) => Math.abs(volts - measured) < room;
  if (measured - low < NOTHING_SHARE * (expected - low)) return { code: 'upper-open' };
  if (measured - low > 0.98 * (supplyVolts - low)) return { code: 'lower-open' };
  if (fits(bench.volts(ldrOhms, fixedOhms, true))) return { code: 'swapped' };
  if (!isDirect && fits(bench.openVolts(ldrOhms))) return { code: 'base-open' };
  for (const factor of [10, 0.1] as const) {
    if (fits(bench.volts(ldrOhms, fixedOhms * factor))) return { code: 'fixed-slipped', factor };
  }
  return { code: 'other-light', ldrOhms: bench.impliedOhms(measured, fixedOhms) };
}
