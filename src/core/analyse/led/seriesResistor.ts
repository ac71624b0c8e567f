import type { SeriesSizing } from '../../loads/definition';
import { ledVoltsAt, UNDER, type LedLoad } from '../../loads/led';
import { loadOf, type Load } from '../../loads/registry';
import { fullDrive, type FullDrive } from '../../operate/fullDrive';
import { findRoot } from '../../numeric/findRoot';
import { memoize } from '../../memoize';
import type { Conditions } from '../../operate/operation';
import type { Project } from '../../project/project';
import { circuitInput } from '../circuitInput';

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

/** An LED of a project, and under what its circuit is solved. */
interface Asked {
  readonly project: Project;
  readonly led: LedLoad;
  readonly index: number;
  readonly conditions: Partial<Conditions>;
}

/**
 * The resistor of an LED string for the wanted current, `R = (V − Vf − Vswitch)/I`: the supply as it sags under all loads, Vf of
 * the LED model at that current, and what the switch leaves over at it when it is driven hard, whatever resistor is there now.
 * `null` for other loads.
 * @param conditions those that `full` was solved under
 */
export function sizeSeriesResistor(
  project: Project,
  load: Load,
  full: FullDrive,
  index: number,
  conditions: Partial<Conditions> = {},
): SeriesSizing | null {
  const led = loadOf(load, 'led');
  if (!led) return null;
  const asked = { project, led, index, conditions };
  const sized = sizedBy(asked, full);
  if (!isRough(asked, full, sized)) return sized;
  // What supply and switch take hangs on the currents: solved again until they are the wanted ones.
  const { volts } = loadSupplyOf(project);
  let ohms = Math.max(MIN_SERIES_OHMS, (volts - ledVoltsAt(led, led.wantedAmps)) / led.wantedAmps);
  let [found, drive]: [SeriesSizing, FullDrive] = [sized, full];
  for (let pass = 0; pass < PASSES; pass++) {
    const solved = driveWith(asked, ohms);
    if (!solved) break;
    [drive, found] = [solved, sizedBy(asked, solved)];
    const next = found.ok ? found.exactOhms : MIN_SERIES_OHMS;
    if (Math.abs(next / ohms - 1) < EXACT_SHARE) break;
    ohms = rounded(next);
  }
  if (found.ok && ampsIn(asked, drive) >= UNDER * wantedOf(asked)) return found;
  const neededVolts = voltsNeeded(asked);
  if (neededVolts !== null) return { ok: false, reason: 'supply-too-low', neededVolts };
  const { switchVolts, railVolts: supplyVolts } = drive;
  const ledVolts = ledVoltsAt(led, led.wantedAmps);
  return { ok: true, exactOhms: MIN_SERIES_OHMS, ledVolts, switchVolts, supplyVolts, isHeldBack: true };
}

/** Far finer than it is found: what differs in its last bits alone is solved once. */
const rounded = (ohms: number) => Number(ohms.toPrecision(7));

const wantedOf = ({ led }: Asked) => led.wantedAmps * led.strings;
const ampsIn = ({ index }: Asked, drive: FullDrive | null) => drive?.loadAmps[index] ?? 0;

/** By what is left over at the switch with the resistor that is there. */
function sizedBy({ project, led, index }: Asked, full: FullDrive): SeriesSizing {
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

/** So large a share of what is across the resistor is no small error. */
const ROUGH_SHARE = 0.01;

/** Whether the current is so far from the wanted one that what supply and switch take at it would be another. */
function isRough(asked: Asked, full: FullDrive, sized: SeriesSizing): boolean {
  const { project, led } = asked;
  const off = Math.abs(ampsIn(asked, full) / wantedOf(asked) - 1);
  const across = sized.ok ? sized.exactOhms * led.wantedAmps : 0;
  const taken = Math.abs(full.switchVolts) + Math.max(0, loadSupplyOf(project).volts - full.railVolts);
  return off * taken > ROUGH_SHARE * across;
}

/** How near the voltage that an LED takes is found, in V. */
const NEAR_VOLTS = 0.005;
/** What would take so many times the present voltage, or the LED's own, is held back by something else: a pull-up, a weak output. */
const HELD_TIMES = 4;
/** No current is taken for less, in A. */
const MIN_AMPS = 1e-15;

/** The voltage that the LED takes with next to no resistor; `null` where its supply is not what holds it back. */
function voltsNeeded(asked: Asked): number | null {
  const { project, led } = asked;
  const present = loadSupplyOf(project).volts;
  const most = HELD_TIMES * Math.max(present, ledVoltsAt(led, led.wantedAmps));
  const over = (volts: number) => {
    const amps = ampsIn(asked, driveWith(asked, MIN_SERIES_OHMS, volts));
    return Math.log(Math.max(MIN_AMPS, amps) / wantedOf(asked));
  };
  if (over(present) >= 0) return null;
  const root = findRoot(over, present, most, { tolerance: NEAR_VOLTS });
  return root.ok ? root.x : null;
}

/** The loads driven hard with another resistor before an LED, and on another voltage. */
function driveWith(
  { project, led, index, conditions }: Asked,
  seriesOhms: number,
  volts?: number,
): FullDrive | null {
  // Steps of a ladder have one for all.
  const own = Math.min(index, project.loads.length - 1);
  return driven(project, conditions, { ...led, seriesOhms }, own, volts);
}

/** So many are kept: steps of a ladder ask for the same, one after another. */
const KEPT = 8;

const driven = memoize(
  (project: Project, conditions: Partial<Conditions>, led: LedLoad, own: number, volts?: number) => {
    const loads = project.loads.map((each, at) => (at === own ? led : each));
    const changed = volts === undefined ? project : onVolts(project, volts);
    return fullDrive({ ...circuitInput({ ...changed, loads }), fixedOhms: 1, trimmer: null }, conditions);
  },
  KEPT,
);

const onVolts = (project: Project, volts: number): Project =>
  project.loadSupply
    ? { ...project, loadSupply: { ...project.loadSupply, volts } }
    : { ...project, divider: { ...project.divider, supplyVolts: volts } };
