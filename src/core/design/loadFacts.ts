import { LED_IDEALITY, LED_CELSIUS, LED_SERIES_OHMS, ledSaturationAmps } from '../loads/led';
import {
  contactRatingAmps,
  DROP_OUT_SHARE,
  LAMP_INRUSH,
  minVolts,
  loudnessChange,
  maxVolts,
  PULL_IN_SHARE,
  ratedVolts,
  type LedLoad,
  type Load,
  type LoadKind,
} from '../loads/load';
import { thermalVolts } from '../circuit/junction';
import type { LightRange } from '../light/range';
import type { Project } from '../project/project';
import type { Ok, Refused } from '../result';
import type { Assembly } from '../stages/description';
import type { FullDrive } from '../stages/stage';
import { findCrossing, overLevel, type Crossing } from './crossing';
import type { Thresholds } from './decision';
import type { LiveCircuit } from './liveCircuit';

export type SeriesSizing =
  | Ok<{ readonly exactOhms: number; readonly ledVolts: number; readonly switchVolts: number; readonly supplyVolts: number }>
  | Refused<'supply-too-low', { readonly neededVolts: number }>; // prettier-ignore

/** What becomes of one load when the switch is fully on, and at which lights. */
export interface LoadFacts {
  readonly kind: LoadKind;
  readonly designator: string;
  readonly resistor: string | null;
  readonly flyback: string | null;
  /** Through it and across it (with its resistor) with the switch driven hard. */
  readonly amps: number;
  readonly volts: number;
  /** Made for, needs at least, bears at most, in V; `null` for an LED. */
  readonly ratedVolts: number | null;
  readonly minVolts: number | null;
  readonly maxVolts: number | null;
  /** Heat in the load itself, and in an LED's resistor (of one string), in W. */
  readonly watts: number;
  readonly seriesWatts: number;
  /** An LED's resistor; `null` for other loads. */
  readonly series: SeriesSizing | null;
  /** A relay's own two lights; `null` for other loads. */
  readonly relay: {
    readonly pullIn: Crossing;
    readonly dropOut: Crossing;
    /** Its coil gets enough to pull in where the load is on, and little enough to let go where it is off. */
    readonly pullsIn: boolean;
    readonly letsGo: boolean;
    readonly contactAmps: number;
  } | null;
  /** A buzzer's loudness against its rated one, in dB; `null` for other loads or where it stays silent. */
  readonly loudness: number | null;
  /** What it takes for a moment when it is switched on, in A; `null` where that is no more than its full current. */
  readonly inrushAmps: number | null;
}

/** With less than this in series an LED has no resistor worth the name. */
const MIN_SERIES_OHMS = 1;

/** Forward voltage of so many LEDs in a row at a current. */
export function ledVoltsAt(led: LedLoad, amps: number): number {
  const junction = LED_IDEALITY * thermalVolts(LED_CELSIUS) * Math.log1p(amps / ledSaturationAmps(led));
  return led.inSeries * (junction + amps * LED_SERIES_OHMS);
}

/** A load of the circuit by its place: a ladder has the first one at every step. */
export function loadOf({ loads, detector }: Project, index: number): Load | undefined {
  return detector.kind === 'ladder' ? loads[0] : loads[index];
}

/** The open voltage and the inner resistance of the supply that feeds the load. */
export function loadSupplyOf({ divider, source, loadSupply }: Project): {
  readonly volts: number;
  readonly ohms: number;
} {
  return loadSupply
    ? { volts: loadSupply.volts, ohms: loadSupply.source.ohms }
    : { volts: divider.supplyVolts, ohms: source.ohms };
}

/**
 * The resistor of an LED string for the wanted current, `R = (V − Vf − Vswitch)/I`: the supply as it sags under all loads, Vf of
 * the LED model at that current, and what the switch leaves over when it is driven hard.
 */
export function sizeSeriesResistor(project: Project, full: FullDrive, index: number): SeriesSizing | null {
  const load = loadOf(project, index);
  if (load?.kind !== 'led') return null;
  const { volts, ohms } = loadSupplyOf(project);
  const { wantedAmps, strings } = load;
  const supplyVolts = full.railVolts + ohms * ((full.loadAmps[index] ?? 0) - wantedAmps * strings);
  const ledVolts = ledVoltsAt(load, wantedAmps);
  const exactOhms = (supplyVolts - ledVolts - full.switchVolts) / wantedAmps;
  if (exactOhms >= MIN_SERIES_OHMS * (1 - 1e-9))
    return { ok: true, exactOhms, ledVolts, switchVolts: full.switchVolts, supplyVolts };
  const neededVolts = volts - supplyVolts + ledVolts + full.switchVolts + wantedAmps * MIN_SERIES_OHMS;
  return { ok: false, reason: 'supply-too-low', neededVolts };
}

/**
 * Every load of a project as it fares with the switch driven hard.
 *
 * @param near where a transistor climbs, which is where a relay's own two lights likely are
 */
export function loadFactsOf(
  project: Project,
  live: LiveCircuit,
  full: FullDrive,
  range: LightRange,
  thresholds: Thresholds | null,
  near?: LightRange,
): readonly LoadFacts[] {
  const volts = full.railVolts - full.switchVolts;
  return live.assembly.loads.map((placed, index) => {
    const amps = full.loadAmps[index] ?? 0;
    const { load } = placed;
    const perString = load.kind === 'led' ? amps / load.strings : 0;
    const seriesWatts = load.kind === 'led' ? perString ** 2 * load.seriesOhms : 0;
    return {
      ...namesOf(placed),
      kind: load.kind,
      amps,
      volts,
      ratedVolts: ratedVolts(load),
      minVolts: minVolts(load),
      maxVolts: maxVolts(load),
      watts: load.kind === 'led' ? Math.max(0, amps * volts - seriesWatts * load.strings) : amps * volts,
      seriesWatts,
      series: sizeSeriesResistor(project, full, index),
      relay: load.kind === 'relay' ? relayFacts(load, live, index, { range, near }, thresholds) : null,
      loudness:
        load.kind === 'buzzer' && volts >= load.minVolts ? loudnessChange(volts, load.ratedVolts) : null,
      inrushAmps: inrushOf(load, volts),
    };
  });
}

const namesOf = ({ designator, resistor, flyback }: Assembly['loads'][number]) => ({
  designator,
  resistor,
  flyback,
});

function relayFacts(
  load: Extract<Load, { kind: 'relay' }>,
  live: LiveCircuit,
  index: number,
  { range, near }: { readonly range: LightRange; readonly near: LightRange | undefined },
  thresholds: Thresholds | null,
) {
  const fullCoil = load.coilVolts / load.coilOhms;
  const contactAmps = contactRatingAmps(load);
  if (thresholds) {
    // It snaps: the relay follows the decider, if the coil gets enough in one state and little enough in the other.
    const [on, off] = [live.solveOn(range), live.solveOff(range)];
    const shareIn = (volts: Float64Array | null) => (volts ? live.loadAmpsOf(volts, index) / fullCoil : 0);
    const [pullsIn, letsGo] = [shareIn(on) >= PULL_IN_SHARE, shareIn(off) <= DROP_OUT_SHARE];
    const pullIn: Crossing = pullsIn ? thresholds.turnOn : { ok: false, reason: 'stays-below' };
    const dropOut: Crossing = letsGo ? thresholds.turnOff : { ok: false, reason: 'stays-above' };
    return { pullIn, dropOut, pullsIn, letsGo, contactAmps };
  }
  const at = (share: number) =>
    findCrossing(
      (lux) => {
        const volts = live.solve(lux);
        return volts && overLevel(live.loadAmpsOf(volts, index), share * fullCoil);
      },
      range,
      near,
    );
  const [pullIn, dropOut] = [at(PULL_IN_SHARE), at(DROP_OUT_SHARE)];
  const pullsIn = pullIn.ok || pullIn.reason !== 'stays-below';
  const letsGo = dropOut.ok || dropOut.reason !== 'stays-above';
  return { pullIn, dropOut, pullsIn, letsGo, contactAmps };
}

function inrushOf(load: Load, volts: number): number | null {
  if (load.kind === 'lamp') return (LAMP_INRUSH * load.ratedAmps * volts) / load.ratedVolts;
  return load.kind === 'motor' ? (load.stallAmps * volts) / load.ratedVolts : null;
}
