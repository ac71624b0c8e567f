import type { Thresholds } from '../detectors/thresholds';
import type { LoadFacts, LoadLights, SeriesSizing } from '../loads/definition';
import type { LoadKind } from '../loads/kinds';
import { UNDER } from '../loads/led';
import { loadDefinition, loadOf } from '../loads/registry';
import { findCrossing, overLevel } from '../light/crossing';
import type { LightRange } from '../light/range';
import type { Assembly, PlacedLoad } from '../operate/assembly';
import { MIDDLING_OHMS, oneOn, type FullDrive } from '../operate/fullDrive';
import type { Conditions } from '../operate/operation';
import type { Readout } from '../operate/read';
import type { Project } from '../project/project';
import type { DesignCircuit } from './designCircuit';
import { sizeSeriesResistor } from './led/seriesResistor';
import { onAmpsOf } from '../operate/onAmps';

/** What becomes of one load, and what it is called. */
export interface PlacedLoadFacts extends LoadFacts {
  readonly kind: LoadKind;
  readonly designator: string;
  readonly resistor: string | null;
  readonly flyback: string | null;
}

/** Where to look for a load's own lights. */
interface Where {
  readonly range: LightRange;
  /** Where a transistor climbs, which is where they likely are. */
  readonly near: LightRange | undefined;
}

/** Every load of a project as it fares with the switch driven hard. */
export function loadFactsOf(
  project: Project,
  live: DesignCircuit,
  full: FullDrive,
  where: Where,
  thresholds: Thresholds | null,
  conditions: Partial<Conditions>,
): readonly PlacedLoadFacts[] {
  const dot = dotVolts(live);
  const volts = dot?.volts ?? full.railVolts - full.switchVolts;
  const mostVolts = dot?.most ?? volts;
  const alone = aloneOf(live);
  return live.assembly.loads.map((placed, index) => {
    const amps = full.loadAmps[index] ?? 0;
    const { load, designator, resistor, flyback } = placed;
    const definition = loadDefinition(load);
    const led = loadOf(load, 'led');
    const seriesWatts = led ? (amps / led.strings) ** 2 * led.seriesOhms : 0;
    let series: SeriesSizing | null | undefined;
    const watts = led ? Math.max(0, amps * volts - seriesWatts * led.strings) : amps * volts;
    return {
      designator,
      resistor,
      flyback,
      kind: load.kind,
      amps,
      onAmps: onAmpsOf(load, amps),
      volts,
      mostVolts,
      alone,
      watts,
      seriesWatts,
      rated: definition.volts(load),
      get series() {
        return (series ??= sizeSeriesResistor(project, load, full, index, conditions));
      },
      get lacksVolts() {
        return led !== null && amps < UNDER * led.wantedAmps * led.strings && this.series?.ok === false;
      },
      lights: lightsOf(placed, live, index, where, thresholds),
      inrushAmps: definition.inrushAmps(load, volts),
      pin: pinOf(placed, live, where.range),
    };
  });
}

/**
 * What is across the load of a dot that gets the most while one is on, and the most that is across any at any light: others may hang in
 * between it and its rail. `null` for all else.
 */
function dotVolts(live: DesignCircuit): { readonly volts: number; readonly most: number } | null {
  const { isOneAtATime, loads } = live.assembly;
  if (!isOneAtATime) return null;
  const across = (position: number) => {
    const readout = live.solveOhms(position, MIDDLING_OHMS);
    return readout
      ? loads.map(({ ends }, index) => ({
          amps: readout.loadAmpsOf(index),
          volts: readout.volts(ends.hot) - readout.volts(ends.cold),
        }))
      : [];
  };
  const each = across(oneOn(live.assembly));
  if (each.length === 0) return null;
  const { volts } = each.reduce((largest, one) => (one.amps > largest.amps ? one : largest));
  const positions = Array.from({ length: live.brightest + 1 }, (_, position) => position);
  const all = positions.flatMap(across).map((one) => Math.abs(one.volts));
  return { volts, most: Math.max(volts, ...all) };
}

/** What a step gets while it is the only one that is on; `null` where all come together, or one at a time anyway. */
function aloneOf(live: DesignCircuit): LoadFacts['alone'] {
  const { hasOwnOutputs, isOneAtATime, isHighSide, loads, loadRail } = live.assembly;
  if (!hasOwnOutputs || isOneAtATime || loads.length < 2) return null;
  const readout = live.solveOhms(oneOn(live.assembly), MIDDLING_OHMS);
  if (!readout) return null;
  const all = loads.map(({ pin }, index) => ({
    amps: readout.loadAmpsOf(index),
    volts: isHighSide ? readout.volts(pin) : readout.volts(loadRail) - readout.volts(pin),
  }));
  return all.reduce((most, one) => (one.amps > most.amps ? one : most));
}

/** The lights at which the first load's contact closes and opens; `null` where it is no contact. */
export function contactLights({
  assembly,
  loads,
}: {
  readonly assembly: Pick<Assembly, 'loads'>;
  readonly loads: readonly Pick<LoadFacts, 'lights'>[];
}): LoadLights | null {
  const load = assembly.loads[0]?.load;
  return load && loadDefinition(load).inTime.contact ? (loads[0]?.lights ?? null) : null;
}

/** What is read at a load's signal with the switch on and off; `null` where no one reads it. */
function pinOf({ load, pin }: PlacedLoad, live: DesignCircuit, range: LightRange): LoadFacts['pin'] {
  if (loadDefinition(load).levels(load, live.assembly.isHighSide)?.by !== 'volts') return null;
  const [on, off] = [live.solveOn(range), live.solveOff(range)];
  return on && off && { onVolts: on.volts(pin), offVolts: off.volts(pin) };
}

/** The lights at which a load goes over its own levels: a coil's pull-in and drop-out, a pin's low and high. */
function lightsOf(
  { load, pin }: PlacedLoad,
  live: DesignCircuit,
  index: number,
  { range, near }: Where,
  thresholds: Thresholds | null,
): LoadLights | null {
  const levels = loadDefinition(load).levels(load, live.assembly.isHighSide);
  if (!levels) return null;
  const figure = (readout: Readout) =>
    levels.by === 'amps' ? readout.loadAmpsOf(index) : readout.volts(pin);
  // What is compared with the levels may rise as the load turns on, or fall.
  const rises = levels.on > levels.off;
  if (thresholds) {
    // It snaps: the load follows the detector, if it gets enough in one state and little enough in the other.
    const [on, off] = [live.solveOn(range), live.solveOff(range)];
    const isOver = (readout: Readout | null, level: number) =>
      rises ? (readout ? figure(readout) : 0) >= level : (readout ? figure(readout) : 0) <= level;
    const turnsOn = isOver(on, levels.on);
    const turnsOff = rises ? (off ? figure(off) : 0) <= levels.off : (off ? figure(off) : 0) >= levels.off;
    return {
      on: turnsOn ? thresholds.turnOn : { ok: false, reason: 'stays-below' },
      off: turnsOff ? thresholds.turnOff : { ok: false, reason: 'stays-above' },
      turnsOn,
      turnsOff,
    };
  }
  const at = (level: number) =>
    findCrossing(
      (lux) => {
        const readout = live.solveIn(0, lux);
        if (!readout) return null;
        const over = overLevel(figure(readout), level);
        return over === null ? null : rises ? over : -over;
      },
      range,
      near,
    );
  const [on, off] = [at(levels.on), at(levels.off)];
  const turnsOn = on.ok || on.reason !== 'stays-below';
  const turnsOff = off.ok || off.reason !== 'stays-above';
  return { on, off, turnsOn, turnsOff };
}
