import { nodeNumber } from '../../circuit/circuit';
import { ohmsBetween } from '../../circuit/operatingPoint';
import { countedSeconds, SWING_TOLERANCE, type CounterPart } from '../../parts/kinds/counter';
import { capacitorKindOf, capacitorKinds, type CapacitorPart } from '../../parts/kinds/capacitor';
import type { TimerPart } from '../../parts/kinds/timer';
import type { Net } from '../../parts/base';
import type { Part } from '../../parts/part';
import { oneShotSeconds } from '../../detectors/outputStage/oneShot';
import type { Settled } from './faultyCircuit';
import type { Wiring } from './wiring';

/** What is on no longer than someone turns it on for is called so long; and what does not end by itself, in s. */
export const SHORTEST_SECONDS = 0.3;
export const NEVER_SECONDS = 1e7;
/** A thumb on a stopwatch, once to start it and once to stop it: one deviation, in s. */
const THUMB_SECONDS = 0.2;
/** Nobody takes what is off at once, or does not end, for something else: one deviation, as a ratio. */
const SEEN_STD = 0.3;

/** What gives a circuit its own time, and what sets how long that is. */
export interface Timing {
  readonly ic: TimerPart | CounterPart;
  readonly resistor: Extract<Part, { readonly kind: 'resistor' }>;
  readonly capacitor: CapacitorPart;
  /** As the design has it, in s. */
  readonly seconds: number;
}

/** What a circuit's load stays on by once it was turned on; `null` where it follows the light, or is over before anyone can time it. */
export function timingOf(parts: readonly Part[]): Timing | null {
  for (const ic of parts) {
    if (ic.kind !== 'counter' && ic.kind !== 'timer') continue;
    const ends = endsOf(ic);
    if (!ends) continue;
    for (const resistor of parts) {
      if (resistor.kind !== 'resistor' || !joins(resistor, ends.resistor)) continue;
      for (const capacitor of parts) {
        if (capacitor.kind !== 'capacitor' || !joins(capacitor, ends.capacitor)) continue;
        const { ohms } = resistor;
        const { farads } = capacitor;
        const seconds = ic.kind === 'counter' ? countedSeconds(ohms, farads) : oneShotSeconds(ohms, farads);
        if (seconds >= 2 * SHORTEST_SECONDS) return { ic, resistor, capacitor, seconds };
      }
    }
  }
  return null;
}

/** Between which nets an IC's resistor and its capacitor stand; `null` for a timer that empties none. */
function endsOf(
  ic: TimerPart | CounterPart,
): Readonly<Record<'resistor' | 'capacitor', readonly [Net, Net]>> | null {
  if (ic.kind === 'counter')
    return { resistor: [ic.toResistor, ic.between], capacitor: [ic.toCapacitor, ic.between] };
  const { discharge, top, bottom } = ic;
  return discharge === null ? null : { resistor: [top, discharge], capacitor: [discharge, bottom] };
}

/**
 * How long a circuit stays on by itself, from where it was turned on for a moment, in s: as it charges in the state in which it is on,
 * whatever is wrong with it.
 * @returns within {@link SHORTEST_SECONDS} and {@link NEVER_SECONDS}
 */
export function ownSeconds({ ic }: Timing, wiring: Wiring, on: Settled): number {
  const seconds =
    ic.kind === 'counter'
      ? secondsCounted(ic, wiring, ohmsBetweenNets(wiring, [ic.toResistor, ic.between], on))
      : chargingSeconds(ic, faradsBetween(wiring, ic.threshold, ic.bottom), on);
  return Math.min(NEVER_SECONDS, Math.max(SHORTEST_SECONDS, seconds));
}

/** Without its capacitor it runs away; without its resistor, or anything else that it swings by, it stands still. */
function secondsCounted(ic: CounterPart, wiring: Wiring, ohms: number): number {
  if (!counts(ic, wiring)) return Infinity;
  const farads = faradsBetween(wiring, ic.toCapacitor, ic.between);
  return farads === 0 ? 0 : countedSeconds(ohms, farads);
}

/** Whether a counter counts and is heard: it works, its clock hears its oscillator, and nothing holds that. */
function counts(
  { designator, key, clock, between, toResistor, toCapacitor, out }: CounterPart,
  wiring: Wiring,
): boolean {
  if (wiring.outputs.some(({ output, does }) => output.key === key && does !== 'follow')) return false;
  const elements = wiring.parts.flatMap((one) => (one.part.role === 'counter' ? [] : one.elements));
  const its = wiring.parts.find(({ part }) => part.designator === designator)?.elements ?? [];
  const ends = its.some((one) => one.kind === 'resistor' && (one.a === out || one.b === out));
  const isHeard = elements.some((one) => one.kind === 'resistor' && joins(one, [clock, between]));
  const isHeld = elements.some((one) => one.kind === 'diode' && one.anode === clock);
  const own = [clock, between, toResistor, toCapacitor];
  const isTouched = wiring.extra.some(
    (one) =>
      one.kind === 'resistor' &&
      one.ohms < TOUCHING_OHMS &&
      (own.includes(one.a) || own.includes(one.b)) &&
      !joins(one, [clock, between]),
  );
  return ends && isHeard && !isHeld && !isTouched;
}

/** What lies between two nets that touch is below this, in Ω. */
const TOUCHING_OHMS = 1;

const joins = (one: { readonly a: Net; readonly b: Net }, [a, b]: readonly [Net, Net]): boolean =>
  (one.a === a && one.b === b) || (one.a === b && one.b === a);

/** From empty to what its control pin says, through whatever is joined to it. */
function chargingSeconds({ threshold, control, bottom }: TimerPart, farads: number, on: Settled): number {
  const { circuit, values, volts } = on.solution;
  const at = (net: Net) => volts[nodeNumber(circuit, net)] ?? 0;
  const [end, trip] = [at(threshold) - at(bottom), at(control) - at(bottom)];
  if (end <= trip) return Infinity;
  const pair = [threshold, bottom].map((net) => nodeNumber(circuit, net));
  const ohms = ohmsBetween(circuit, values, volts, pair)?.[0] ?? NaN;
  return ohms * farads * Math.log(end / (end - trip));
}

/** The resistors that join two nets, whichever parts they are. */
const resistorsBetween = ({ parts }: Wiring, ends: readonly [Net, Net]) =>
  parts.flatMap(({ elements }) =>
    elements.flatMap((one) => (one.kind === 'resistor' && joins(one, ends) ? [one] : [])),
  );

/** What is between two nets in a build, in Ω. */
function ohmsBetweenNets(wiring: Wiring, ends: readonly [Net, Net], { solution }: Settled): number {
  const { circuit, values } = solution;
  const siemens = resistorsBetween(wiring, ends).map(
    ({ name }) => values.siemens[circuit.elementIndex.get(name)?.index ?? -1] ?? 0,
  );
  return 1 / siemens.reduce((sum, each) => sum + each, 0);
}

/** Whoever looks at a load sees it so long after it was turned on, in s; what is longer is timed. */
const LOOKED_SECONDS = 1;

/** Whether a counter is at its end before anyone looks. */
export function isOverAtOnce({ ic }: Timing, wiring: Wiring): boolean {
  if (ic.kind !== 'counter') return false;
  const joined = resistorsBetween(wiring, [ic.toResistor, ic.between]);
  const ohms = 1 / joined.reduce((sum, each) => sum + 1 / each.ohms, 0);
  const farads = faradsBetween(wiring, ic.toCapacitor, ic.between);
  return farads === 0 || countedSeconds(ohms, farads) < LOOKED_SECONDS;
}

/** What is between two nets, in F. */
const faradsBetween = ({ capacitors }: Wiring, a: Net, b: Net): number =>
  capacitors.reduce((sum, each) => (joins(each, [a, b]) ? sum + each.farads : sum), 0);

/** One deviation of what someone times, as a ratio: of the thumb, the capacitor and a counter's oscillator. @param seconds timed */
export function timedStd({ ic, capacitor }: Timing, seconds: number): number {
  if (seconds <= SHORTEST_SECONDS || seconds >= NEVER_SECONDS) return SEEN_STD;
  const { low, high } = capacitorKinds[capacitorKindOf(capacitor.farads)];
  const own = Math.max(-Math.log(1 + low), Math.log(1 + high)) / 2;
  return Math.hypot(own, ic.kind === 'counter' ? SWING_TOLERANCE / 2 : 0, THUMB_SECONDS / seconds);
}
