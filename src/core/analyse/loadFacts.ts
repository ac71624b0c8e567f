import type { Thresholds } from '../detectors/thresholds';
import type { LoadFacts, LoadLights, SeriesSizing } from '../loads/definition';
import type { LoadKind } from '../loads/kinds';
import { ledVoltsAt, type LedLoad } from '../loads/led';
import { loadDefinition, loadOf, type Load } from '../loads/registry';
import { findCrossing, overLevel } from '../light/crossing';
import type { LightRange } from '../light/range';
import type { Assembly, PlacedLoad } from '../operate/assembly';
import { fullDrive, MIDDLING_OHMS, oneOn, type FullDrive } from '../operate/fullDrive';
import type { Readout } from '../operate/read';
import type { Project } from '../project/project';
import { circuitInput } from './circuitInput';
import type { DesignCircuit } from './designCircuit';
import { onAmpsOf } from '../operate/onAmps';

/** What becomes of one load, and what it is called. */
export interface PlacedLoadFacts extends LoadFacts {
  readonly kind: LoadKind;
  readonly designator: string;
  readonly resistor: string | null;
  readonly flyback: string | null;
}

/** With less than this in series an LED has no resistor worth the name. */
const MIN_SERIES_OHMS = 1;

/** The open voltage and the inner resistance of the supply that feeds the load. */
export function loadSupplyOf({ divider, source, loadSupply }: Project): {
  readonly volts: number;
  readonly ohms: number;
} {
  return loadSupply
    ? { volts: loadSupply.volts, ohms: loadSupply.source.ohms }
    : { volts: divider.supplyVolts, ohms: source.ohms };
}

/** How near the exact resistor is found, as a share; and how often at most the circuit is solved for that. */
const [EXACT_SHARE, PASSES] = [0.002, 8];
/** An LED that gets less than this share of what is wanted gets little. */
const LITTLE = 0.7;

/**
 * The resistor of an LED string for the wanted current, `R = (V − Vf − Vswitch)/I`: the supply as it sags under all loads, Vf of
 * the LED model at that current, and what the switch leaves over at it when it is driven hard, whatever resistor is there now.
 * `null` for other loads.
 */
export function sizeSeriesResistor(
  project: Project,
  load: Load,
  full: FullDrive,
  index: number,
): SeriesSizing | null {
  const led = loadOf(load, 'led');
  if (!led) return null;
  const sized = sizedBy(project, led, full, index);
  const { volts } = loadSupplyOf(project);
  if (!isRough(led, full, index, sized, volts)) return sized;
  // What supply and switch take hangs on the currents: solved again until they are the wanted ones.
  let ohms = Math.max(MIN_SERIES_OHMS, (volts - ledVoltsAt(led, led.wantedAmps)) / led.wantedAmps);
  let [found, drive]: [SeriesSizing, FullDrive] = [sized, full];
  let first: FullDrive | null = null;
  for (let pass = 0; pass < PASSES; pass++) {
    const solved = driveWith(project, led, index, ohms);
    if (!solved) break;
    [drive, found] = [solved, sizedBy(project, led, solved, index)];
    first ??= solved;
    const next = found.ok ? found.exactOhms : MIN_SERIES_OHMS;
    if (Math.abs(next / ohms - 1) < EXACT_SHARE) break;
    ohms = next;
  }
  const wanted = led.wantedAmps * led.strings;
  const [got, before] = [drive.loadAmps[index] ?? 0, first?.loadAmps[index] ?? 0];
  if (found.ok) return { ...found, isHeldBack: got < LITTLE * wanted };
  // What the switch leaves over grows with the current: by next to nothing, or, behind an output's pull-up, by more than any supply gives.
  const ohmsThere = got > before ? (drive.switchVolts - (first?.switchVolts ?? 0)) / (got - before) : 0;
  const moreVolts = Math.max(0, ohmsThere * (wanted - got));
  if (moreVolts > HELD_SHARE * volts) return { ...sizedAnyway(led, drive), isHeldBack: true };
  return { ...found, neededVolts: found.neededVolts + moreVolts };
}

/** An LED is held back by what drives it, and not by its supply, where that would take so much of the supply's voltage more. */
const HELD_SHARE = 0.5;

/** The smallest resistor, where none gives the wanted current. */
const sizedAnyway = (led: LedLoad, { switchVolts, railVolts }: FullDrive) => ({
  ...{ ok: true as const, exactOhms: MIN_SERIES_OHMS, switchVolts, supplyVolts: railVolts },
  ledVolts: ledVoltsAt(led, led.wantedAmps),
});

/** By what is left over at the switch with the resistor that is there. */
function sizedBy(project: Project, led: LedLoad, full: FullDrive, index: number): SeriesSizing {
  const { volts, ohms } = loadSupplyOf(project);
  const { wantedAmps, strings } = led;
  const { switchVolts, railVolts } = full;
  const supplyVolts = railVolts + ohms * ((full.loadAmps[index] ?? 0) - wantedAmps * strings);
  const ledVolts = ledVoltsAt(led, wantedAmps);
  const exactOhms = (supplyVolts - ledVolts - switchVolts) / wantedAmps;
  if (exactOhms >= MIN_SERIES_OHMS * (1 - 1e-9))
    return { ok: true, exactOhms, ledVolts, switchVolts, supplyVolts, isHeldBack: false };
  const neededVolts = volts - supplyVolts + ledVolts + switchVolts + wantedAmps * MIN_SERIES_OHMS;
  return { ok: false, reason: 'supply-too-low', neededVolts };
}

/** Whether the current is so far from the wanted one that what supply and switch take at it would be another. */
function isRough(
  led: LedLoad,
  full: FullDrive,
  index: number,
  sized: SeriesSizing,
  openVolts: number,
): boolean {
  const off = Math.abs((full.loadAmps[index] ?? 0) / (led.wantedAmps * led.strings) - 1);
  const across = sized.ok ? sized.exactOhms * led.wantedAmps : 0;
  const taken = Math.abs(full.switchVolts) + Math.max(0, openVolts - full.railVolts);
  return off * taken > ROUGH_SHARE * across;
}
const ROUGH_SHARE = 0.01;

/** The loads driven hard with another resistor before an LED. */
function driveWith(project: Project, led: LedLoad, index: number, seriesOhms: number): FullDrive | null {
  // Steps of a ladder have one for all.
  const own = Math.min(index, project.loads.length - 1);
  const loads = project.loads.map((each, at) => (at === own ? { ...led, seriesOhms } : each));
  return fullDrive({ ...circuitInput({ ...project, loads }), fixedOhms: 1, trimmer: null });
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
): readonly PlacedLoadFacts[] {
  const volts = full.railVolts - full.switchVolts;
  const alone = aloneOf(live);
  return live.assembly.loads.map((placed, index) => {
    const amps = full.loadAmps[index] ?? 0;
    const { load, designator, resistor, flyback } = placed;
    const definition = loadDefinition(load);
    const led = loadOf(load, 'led');
    const seriesWatts = led ? (amps / led.strings) ** 2 * led.seriesOhms : 0;
    const watts = led ? Math.max(0, amps * volts - seriesWatts * led.strings) : amps * volts;
    return {
      designator,
      resistor,
      flyback,
      kind: load.kind,
      amps,
      onAmps: onAmpsOf(load, amps),
      volts,
      alone,
      watts,
      seriesWatts,
      rated: definition.volts(load),
      series: sizeSeriesResistor(project, load, full, index),
      lights: lightsOf(placed, live, index, where, thresholds),
      inrushAmps: definition.inrushAmps(load, volts),
      pin: pinOf(placed, live, where.range),
    };
  });
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
