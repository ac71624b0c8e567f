import { greatest, least, min } from 'd3-array';
import { detectorDefinition } from '../detectors/registry';
import { ledVoltsAt } from '../loads/led';
import type { LoadVolts } from '../loads/definition';
import type { LoadKind } from '../loads/kinds';
import { loadDefinition, loadOf, type Load } from '../loads/registry';
import type { Project } from '../project/project';

/** What a switch may take of the load's supply, in V. */
const SWITCH_VOLTS = 0.3;
/** An LED's resistor wants about so much more than the LED. */
const LED_TIMES = 1.3;
/** A pin may go so far over its own supply, in V. */
const OVER_PIN_VOLTS = 0.3;

/** The loads that a switch carries: of a detector with several outputs each has the first one alone. */
export const carriedLoads = ({ loads, detector }: Pick<Project, 'loads' | 'detector'>): readonly Load[] =>
  detectorDefinition(detector).loadOutputs(detector) ? loads.slice(0, 1) : loads;

/** A load, and what a supply should be for it. */
export interface Wanted {
  readonly kind: LoadKind;
  readonly volts: LoadVolts;
}

/**
 * The volts of a supply on which each load works: least, best and most. Loads that any will do are left out.
 * @returns a pin counts only beside other loads: it then gets their supply's volts, through them or from the switch
 */
export function wantedVoltsOf(loads: readonly Load[]): readonly Wanted[] {
  const needsHighSide = loads.some((load) => loadOf(load, 'module')?.input === 'active-high');
  const pins = loads.filter((load) => loadOf(load, 'logic'));
  const others = loads.filter((load) => !loadOf(load, 'logic'));
  const keptVolts = min(others.map(keptFromPin)) ?? 0;
  const isTied = needsHighSide || pins.length > 1 || others.some((load) => keptFromPin(load) === 0);
  return loads.flatMap((load) => {
    const getsSupply = needsHighSide || loads.length > 1;
    const volts = wantedVolts(load, { getsSupply, isTied, keptVolts });
    return volts ? [{ kind: load.kind, volts }] : [];
  });
}

/** What switch and supply themselves may take of it. */
export const DROP_SHARE = 0.03;

/** From where to where a supply's voltage may be so that every load works, in V. */
export function commonVolts(wants: readonly Wanted[]): { readonly least: number; readonly most: number } {
  return {
    least: Math.max(0, ...wants.map(({ volts }) => volts.min * (1 + DROP_SHARE))),
    most: Math.min(Infinity, ...wants.map(({ volts }) => volts.max)),
  };
}

/** Two loads that no one supply suits: the one takes no more than the other needs at least. */
export interface Disagreement {
  readonly most: Wanted;
  readonly least: Wanted;
}

/** The two loads that lie furthest apart, whatever a switch takes; `null` where some supply suits all. */
export function disagreementOf(wants: readonly Wanted[]): Disagreement | null {
  const lowest = least(wants, ({ volts }) => volts.max);
  const highest = greatest(wants, ({ volts }) => volts.min);
  if (!lowest || !highest) return null;
  const [over, most] = [highest.volts.min, lowest.volts.max];
  // Where both are the same the switch takes what is wanted.
  const isApart = over > most || (over === most && lowest.volts.min < over);
  return isApart ? { most: lowest, least: highest } : null;
}

interface Beside {
  /** The load's supply is on its pin, through the switch or through other loads. */
  readonly getsSupply: boolean;
  /** The pin is at that supply's volts, and must read them as high, whichever side is switched. */
  readonly isTied: boolean;
  /** What the other loads keep of it while they are off, in V. */
  readonly keptVolts: number;
}

/** What a load that is off keeps of its supply from a pin beside it, in V: a diode below its forward voltage lets nothing through, nor anything back. */
const keptFromPin = (load: Load): number => {
  const led = loadOf(load, 'led');
  return led ? ledVoltsAt(led, led.wantedAmps) : (loadOf(load, 'strip')?.litVolts ?? 0);
};

function wantedVolts(load: Load, { getsSupply, isTied, keptVolts }: Beside): LoadVolts | null {
  const rated = loadDefinition(load).volts(load);
  if (rated) return rated;
  const led = loadOf(load, 'led');
  const pin = loadOf(load, 'logic');
  if (pin && getsSupply) {
    const { supplyVolts } = pin;
    return {
      min: isTied ? pin.highVolts : 0,
      rated: supplyVolts,
      max: supplyVolts + OVER_PIN_VOLTS + keptVolts,
    };
  }
  if (!led) return null;
  const lit = ledVoltsAt(led, led.wantedAmps);
  return { min: lit, rated: (lit + SWITCH_VOLTS) * LED_TIMES, max: Infinity };
}
