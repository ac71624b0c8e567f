import { nodeNumber } from '../../circuit/circuit';
import { ohmsBetween } from '../../circuit/operatingPoint';
import { capacitorKindOf, capacitorKinds, type CapacitorPart } from '../../parts/kinds/capacitor';
import type { Net, OwnTime } from '../../parts/base';
import type { Part } from '../../parts/part';
import { ownTimeOf } from '../../parts/registry';
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
  readonly designator: string;
  readonly own: OwnTime;
  readonly resistor: Extract<Part, { readonly kind: 'resistor' }>;
  readonly capacitor: CapacitorPart;
  /** As the design has it, in s. */
  readonly seconds: number;
}

/**
 * What a circuit's load stays on by once it was turned on; `null` where it follows the light, turns over, or is over before anyone can
 * time it. A counter ends it whatever comes before; of two pulses the longer does.
 */
export function timingOf(parts: readonly Part[]): Timing | null {
  if (parts.some(({ kind }) => kind === 'flip-flop')) return null;
  const all = parts.flatMap(({ designator, ...part }) => {
    const own = ownTimeOf({ designator, ...part });
    return own ? timingsBy(own, designator, parts) : [];
  });
  const longest = (some: readonly Timing[]) =>
    some.reduce<Timing | null>((best, one) => (best && best.seconds >= one.seconds ? best : one), null);
  const timing = longest(all.filter(({ own }) => own.by === 'counting')) ?? longest(all);
  return timing && timing.seconds >= 2 * SHORTEST_SECONDS ? timing : null;
}

const timingsBy = (own: OwnTime, designator: string, parts: readonly Part[]): readonly Timing[] =>
  parts.flatMap((resistor) =>
    resistor.kind === 'resistor' && joins(resistor, own.resistor)
      ? parts.flatMap((capacitor) =>
          capacitor.kind === 'capacitor' && joins(capacitor, own.capacitor)
            ? [
                {
                  ...{ designator, own, resistor, capacitor },
                  seconds: own.seconds(resistor.ohms, capacitor.farads),
                },
              ]
            : [],
        )
      : [],
  );

/**
 * How long a circuit stays on by itself, from where it was turned on for a moment, in s: as it charges in the state in which it is on,
 * whatever is wrong with it.
 * @returns within {@link SHORTEST_SECONDS} and {@link NEVER_SECONDS}
 */
export function ownSeconds({ own, designator }: Timing, wiring: Wiring, on: Settled): number {
  const seconds =
    own.by === 'counting'
      ? secondsCounted(own, designator, wiring, ohmsBetweenNets(wiring, own.resistor, on))
      : Math.max(
          ...wiring.parts.flatMap(({ part }) => {
            const each = ownTimeOf(part);
            return each?.by === 'charging'
              ? [chargingSeconds(each, faradsBetween(wiring, each.capacitor), on)]
              : [];
          }),
        );
  return Math.min(NEVER_SECONDS, Math.max(SHORTEST_SECONDS, seconds));
}

type Counting = Extract<OwnTime, { readonly by: 'counting' }>;
type Charging = Extract<OwnTime, { readonly by: 'charging' }>;

/** Without its capacitor it runs away; without its resistor, or anything else that it swings by, it stands still. */
function secondsCounted(own: Counting, designator: string, wiring: Wiring, ohms: number): number {
  if (!counts(own, designator, wiring)) return Infinity;
  const farads = faradsBetween(wiring, own.capacitor);
  return farads === 0 ? 0 : own.seconds(ohms, farads);
}

/** Whether a counter counts and is heard: it works, its clock hears its oscillator, and nothing holds that. */
function counts(
  { key, clock, resistor, swings, out }: Counting,
  designator: string,
  wiring: Wiring,
): boolean {
  if (wiring.outputs.some(({ output, does }) => output.key === key && does !== 'follow')) return false;
  const between = resistor[1];
  const elements = wiring.parts.flatMap((one) => (one.part.designator === designator ? [] : one.elements));
  const its = wiring.parts.find(({ part }) => part.designator === designator)?.elements ?? [];
  const ends = its.some((one) => one.kind === 'resistor' && (one.a === out || one.b === out));
  const isHeard = elements.some((one) => one.kind === 'resistor' && joins(one, [clock, between]));
  const isHeld = elements.some((one) => one.kind === 'diode' && one.anode === clock);
  const isTouched = wiring.extra.some(
    (one) =>
      one.kind === 'resistor' &&
      one.ohms < TOUCHING_OHMS &&
      (swings.includes(one.a) || swings.includes(one.b)) &&
      !joins(one, [clock, between]),
  );
  return ends && isHeard && !isHeld && !isTouched;
}

/** What lies between two nets that touch is below this, in Ω. */
const TOUCHING_OHMS = 1;

const joins = (one: { readonly a: Net; readonly b: Net }, [a, b]: readonly [Net, Net]): boolean =>
  (one.a === a && one.b === b) || (one.a === b && one.b === a);

/** From empty to what its control pin says, through whatever is joined to it. */
function chargingSeconds({ charged, control, bottom }: Charging, farads: number, on: Settled): number {
  const { circuit, values, volts } = on.solution;
  const at = (net: Net) => volts[nodeNumber(circuit, net)] ?? 0;
  const [end, trip] = [at(charged) - at(bottom), at(control) - at(bottom)];
  if (end <= trip) return Infinity;
  const pair = [charged, bottom].map((net) => nodeNumber(circuit, net));
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
export function isOverAtOnce(own: OwnTime, wiring: Wiring): own is Counting {
  if (own.by !== 'counting') return false;
  const joined = resistorsBetween(wiring, own.resistor);
  const ohms = 1 / joined.reduce((sum, each) => sum + 1 / each.ohms, 0);
  const farads = faradsBetween(wiring, own.capacitor);
  return farads === 0 || own.seconds(ohms, farads) < LOOKED_SECONDS;
}

/** What is between two nets, in F. */
const faradsBetween = ({ capacitors }: Wiring, ends: readonly [Net, Net]): number =>
  capacitors.reduce((sum, each) => (joins(each, ends) ? sum + each.farads : sum), 0);

/** One deviation of what someone times, as a ratio: of the thumb, the capacitor and the part that times. @param seconds timed */
export function timedStd({ own, capacitor }: Timing, seconds: number): number {
  if (seconds <= SHORTEST_SECONDS || seconds >= NEVER_SECONDS) return SEEN_STD;
  const { low, high } = capacitorKinds[capacitorKindOf(capacitor.farads)];
  const ofCapacitor = Math.max(-Math.log(1 + low), Math.log(1 + high)) / 2;
  return Math.hypot(ofCapacitor, own.spread / 2, THUMB_SECONDS / seconds);
}
