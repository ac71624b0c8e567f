import type { Element } from '../../circuit/netlist';
import type { Net } from '../../parts/base';
import type { Part } from '../../parts/part';
import { outputsOf, pinsOf } from '../../parts/registry';
import type { Fault } from '../fault';
import { isOverAtOnce, timingOf } from './timed';
import { withTrips } from './trips';
import {
  renamed,
  suppliesIn,
  wired,
  wiredSupply,
  type WiredCapacitor,
  type WiredPart,
  type Wiring,
} from './wiring';

/** What is left between two things that touch no more, and between two that do, in Ω. */
const OPEN_OHMS = 1e11;
const TOUCHING_OHMS = 0.04;
/** An input that hangs in the air drifts towards its own supply, through about this, in Ω. */
const DRIFT_OHMS = 1e7;
/** Water across an LDR, in Ω. */
const WET_OHMS = 15_000;
/** What is left of a battery that is flat, of its open voltage; and what it has inside, in Ω. */
const FLAT_SHARE = 0.6;
const FLAT_OHMS = 60;
const BODY_DIODE = { saturationAmps: 1e-12, ideality: 1.2, celsius: 25 } as const;

type PartOf<K extends Part['kind']> = Extract<Part, { readonly kind: K }>;

/** A circuit with one fault in it; as it was where the fault does nothing to what a meter finds. */
export const withFault = (wiring: Wiring, fault: Fault): Wiring => withCounterEnded(broken(wiring, fault));

/** A counter that runs away is at its end as soon as its reset leaves it alone. */
function withCounterEnded(wiring: Wiring): Wiring {
  const timing = timingOf(wiring.parts.map(({ part }) => part));
  if (!timing || !isOverAtOnce(timing.own, wiring)) return wiring;
  const { own, designator } = timing;
  const rails = wiring.parts.find(({ part }) => part.designator === designator)?.part;
  if (!rails || !('top' in rails)) return wiring;
  const { top, bottom } = rails;
  return {
    ...wiring,
    logic: [
      ...wiring.logic.filter((one) => one.key !== own.key),
      { ...{ designator, key: own.key, top, bottom, inputs: [own.reset] }, decides: endedUnlessReset },
    ],
  };
}

const endedUnlessReset = ([reset = 0]: readonly number[], half: number) =>
  reset > half ? ('low' as const) : ('high' as const);

function broken(wiring: Wiring, fault: Fault): Wiring {
  switch (fault.kind) {
    case 'healthy':
    case 'unlisted':
      return wiring;
    case 'open':
      return open(wiring, fault.designator, fault.net);
    case 'moved':
      return withCapacitor(
        onPart(wiring, fault.designator, (one) => moved(one, fault.net, fault.to)),
        fault.designator,
        (one) => onNet(one, fault.net, fault.to),
      );
    case 'bridge':
      return joined(wiring, fault.nets, TOUCHING_OHMS);
    case 'value':
      return withCapacitor(
        onPart(wiring, fault.designator, ({ part, elements }) => ({
          part,
          elements: elements.map((element) =>
            element.kind === 'resistor' ? { ...element, ohms: element.ohms * fault.times } : element,
          ),
        })),
        fault.designator,
        (one) => ({ ...one, farads: one.farads * fault.times }),
      );
    case 'exchanged':
      return exchanged(wiring, fault.designators);
    case 'reversed':
      return onPart(wiring, fault.designator, reversed);
    case 'other-polarity':
      return onPart(wiring, fault.designator, otherPolarity);
    case 'inputs':
      return withInputsSwapped(wiring, fault.designator, fault.unit);
    case 'unset':
      return onPart(wiring, fault.designator, ({ part }) =>
        wired(part.kind === 'trimmer' ? { ...part, position: fault.end === 'upper' ? 1 : 0 } : part),
      );
    case 'stuck':
      return withOutput(wiring, ({ key }) => key === fault.key, fault.level);
    case 'unpowered':
      return unpowered(wiring, fault.designator);
    case 'supply':
      return withSupply(wiring, fault.designator, fault.state);
    case 'no-common-ground':
      return withSupply(wiring, fault.designator, 'none');
    case 'ldr':
      return withLdr(wiring, fault.state);
    case 'codes':
      return withOutput(wiring, outputsOfPart(wiring, fault.designator), 'invert');
    case 'pair':
      return fault.faults.reduce(broken, wiring);
  }
}

function onPart(wiring: Wiring, designator: string, change: (one: WiredPart) => WiredPart): Wiring {
  const parts = wiring.parts.map((one) => (one.part.designator === designator ? change(one) : one));
  return { ...wiring, parts, supplies: suppliesIn(parts) };
}

const withCapacitor = (
  wiring: Wiring,
  designator: string,
  change: (one: WiredCapacitor) => WiredCapacitor,
): Wiring => ({
  ...wiring,
  capacitors: wiring.capacitors.map((one) => (one.designator === designator ? change(one) : one)),
});

const onNet = (one: WiredCapacitor, from: Net, to: Net): WiredCapacitor => ({
  ...one,
  a: one.a === from ? to : one.a,
  b: one.b === from ? to : one.b,
});

const partIn = ({ parts }: Wiring, designator: string) =>
  parts.find(({ part }) => part.designator === designator);

function joined(wiring: Wiring, [a, b]: readonly [Net, Net], ohms: number): Wiring {
  const bridge: Element = { kind: 'resistor', name: `bridge ${wiring.extra.length}`, a, b, ohms };
  return { ...wiring, extra: [...wiring.extra, bridge] };
}

/** A lead in the air. @param net `null` for either of a part's two: it is the same */
function open(wiring: Wiring, designator: string, net: Net | null): Wiring {
  const one = partIn(wiring, designator);
  if (!one) return wiring;
  const { part } = one;
  const at = net ?? pinsOf(part).find((pin) => pin.net !== null)?.net;
  if (at === undefined || at === null) return wiring;
  const loose = `${at}~${designator}`;
  const apart = onPart(wiring, designator, ({ elements }) => ({
    part,
    elements: elements.map((element) => renamed(element, (each) => (each === at ? loose : each))),
  }));
  const drift = 'top' in part ? part.top : at;
  const cut = {
    ...withCapacitor(apart, designator, (each) => onNet(each, at, loose)),
    switching: apart.switching && withTrips(apart.switching, part, at, loose),
    logic: withInputs(apart, designator, at, loose),
    extra: [
      ...apart.extra,
      {
        ...{ kind: 'resistor' as const, name: `drift ${loose}`, a: loose, b: drift },
        ohms: 'top' in part ? DRIFT_OHMS : OPEN_OHMS,
      },
    ],
  };
  // A counter's or a flip-flop's input in the air: what it then gives is as good as low.
  return hasMemory(part) && !outputNets(part).includes(at)
    ? withOutput(cut, outputsOfPart(wiring, designator), 'low')
    : cut;
}

const hasMemory = ({ kind }: Part) => kind === 'counter' || kind === 'flip-flop';

/** The logic outputs, one part's inputs on another net. */
const withInputs = ({ logic }: Wiring, designator: string, net: Net, to: Net): Wiring['logic'] =>
  logic.map((one) =>
    one.designator === designator
      ? { ...one, inputs: one.inputs.map((each) => (each === net ? to : each)) }
      : one,
  );

/** The nets that a part's outputs drive, in their order. */
export function outputNets(part: Part): readonly Net[] {
  if ('units' in part) return part.units.map(({ out }) => out);
  if ('gates' in part) return part.gates.map(({ out }) => out);
  return 'out' in part ? [part.out] : [];
}

const moved = ({ part, elements }: WiredPart, net: Net, to: Net): WiredPart => ({
  part,
  elements: elements
    .map((element) => renamed(element, (each) => (each === net ? to : each)))
    // What has both its ends on one net does nothing.
    .filter((element) => element.kind !== 'resistor' || element.a !== element.b),
});

const exchange = ({ part, elements }: WiredPart, one: Net, other: Net): WiredPart => ({
  part,
  elements: elements.map((element) =>
    renamed(element, (net) => (net === one ? other : net === other ? one : net)),
  ),
});

/** Each on the nets of the other. */
function exchanged(wiring: Wiring, [one, other]: readonly [string, string]): Wiring {
  const [first, second] = [partIn(wiring, one), partIn(wiring, other)];
  if (!first || !second) return wiring;
  const [from, to] = [endsOf(first.part), endsOf(second.part)];
  if (!from || !to) return wiring;
  const place = ({ part, elements }: WiredPart, was: readonly [Net, Net], is: readonly [Net, Net]) => ({
    part,
    elements: elements.map((element) =>
      renamed(element, (net) => (net === was[0] ? is[0] : net === was[1] ? is[1] : net)),
    ),
  });
  return onPart(
    onPart(wiring, one, (each) => place(each, from, to)),
    other,
    (each) => place(each, to, from),
  );
}

function endsOf(part: Part): readonly [Net, Net] | null {
  const nets = pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net]));
  const [a, b] = nets;
  return nets.length === 2 && a !== undefined && b !== undefined ? [a, b] : null;
}

/** An electrolytic the wrong way round passes some milliamps, as a rule of thumb. */
const REVERSED_OHMS = 2000;

function reversed(one: WiredPart): WiredPart {
  const { part } = one;
  switch (part.kind) {
    case 'diode':
    case 'led':
      return exchange(one, part.anode, part.cathode);
    case 'strip':
      return exchange(one, part.a, part.b);
    case 'capacitor': {
      const { a, b, designator } = part;
      const leak: Element = { kind: 'resistor', name: `${designator} leak`, a, b, ohms: REVERSED_OHMS };
      return { part, elements: [...one.elements, leak] };
    }
    case 'bipolar':
      return exchange(one, part.collector, part.emitter);
    case 'mosfet':
      return withBodyDiode(exchange(one, part.drain, part.source), part);
    default:
      // A buzzer or a fan the wrong way round passes next to nothing.
      return { part, elements: one.elements.map(blocking) };
  }
}

const blocking = (element: Element): Element =>
  element.kind === 'resistor' ? { ...element, ohms: OPEN_OHMS } : element;

/** A MOSFET turned round conducts through the diode that it has inside. */
function withBodyDiode({ elements }: WiredPart, part: PartOf<'mosfet'>): WiredPart {
  const isN = part.polarity === 'n';
  const [anode, cathode] = isN ? [part.drain, part.source] : [part.source, part.drain];
  const diode: Element = { kind: 'diode', name: `${part.designator}.body`, anode, cathode, ...BODY_DIODE };
  return { part, elements: [...elements, diode] };
}

const others = { npn: 'pnp', pnp: 'npn', nmos: 'pmos', pmos: 'nmos' } as const;

const otherPolarity = ({ part, elements }: WiredPart): WiredPart => ({
  part,
  elements: elements.map((element) => {
    if (element.kind === 'npn' || element.kind === 'pnp') return { ...element, kind: others[element.kind] };
    if (element.kind === 'nmos' || element.kind === 'pmos') return { ...element, kind: others[element.kind] };
    return element;
  }),
});

function withInputsSwapped(wiring: Wiring, designator: string, unit: number): Wiring {
  const part = partIn(wiring, designator)?.part;
  const key = part && 'units' in part ? part.units[unit]?.key : undefined;
  return key === undefined ? wiring : withOutput(wiring, (output) => output.key === key, 'invert');
}

function withOutput(
  wiring: Wiring,
  isIt: (output: { readonly key: string }) => boolean,
  does: Wiring['outputs'][number]['does'],
): Wiring {
  return {
    ...wiring,
    outputs: wiring.outputs.map((one) => (isIt(one.output) ? { ...one, does } : one)),
  };
}

function outputsOfPart(wiring: Wiring, designator: string) {
  const part = partIn(wiring, designator)?.part;
  const keys = new Set(part ? outputsOf(part).map(({ key }) => key) : []);
  return ({ key }: { readonly key: string }) => keys.has(key);
}

const asleep = ({ part, elements }: WiredPart): WiredPart => ({
  part,
  elements: elements.map((element) => (element.kind === 'current' ? { ...element, amps: 0 } : element)),
});

/** Its supply pin in the air: its outputs drive nothing, its inputs take nothing, and what it has inside hangs from nothing. */
const unpowered = (wiring: Wiring, designator: string): Wiring =>
  withOutput(onPart(wiring, designator, cutOff), outputsOfPart(wiring, designator), 'off');

function cutOff(one: WiredPart): WiredPart {
  const { part, elements } = asleep(one);
  const isAtTop = (element: Element) =>
    element.kind === 'resistor' && 'top' in part && [element.a, element.b].includes(part.top);
  return {
    part,
    elements: elements.map((element) => (isAtTop(element) ? blocking(element) : element)),
  };
}

/** The same for every IC. */
export const allUnpowered = (wiring: Wiring): Wiring =>
  withOutput({ ...wiring, parts: wiring.parts.map(asleep) }, () => true, 'off');

function withSupply(wiring: Wiring, designator: string, state: 'none' | 'flat' | 'reversed'): Wiring {
  const changed = onPart(wiring, designator, ({ part }) => {
    if (part.kind !== 'supply') return wired(part);
    if (state === 'none') return wired({ ...part, commonGround: false });
    if (state === 'reversed') return wired({ ...part, volts: -part.volts });
    return wired({
      ...wiredSupply(part),
      volts: part.volts * FLAT_SHARE,
      ohms: Math.max(FLAT_OHMS, 3 * part.ohms),
    });
  });
  // No IC works on a supply that is not there or the wrong way round.
  const feedsIcs = partIn(wiring, designator)?.part.role !== 'load-supply';
  return state !== 'flat' && feedsIcs ? allUnpowered(changed) : changed;
}

function withLdr(wiring: Wiring, state: 'wet' | 'shaded' | 'stray-light'): Wiring {
  if (state === 'shaded') return { ...wiring, light: 'shaded' };
  if (state === 'stray-light') return { ...wiring, light: 'stray' };
  const ends = partIn(wiring, wiring.ldr)?.part;
  return ends?.kind === 'ldr' ? joined(wiring, [ends.a, ends.b], WET_OHMS) : wiring;
}
