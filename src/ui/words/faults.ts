import { GROUND } from '@/core/circuit/netlist';
import type { Cause, Fault } from '@/core/faults/fault';
import { OVER_OHMS, type LookKind, type Probe } from '@/core/faults/probe';
import { seenIn, type Seen } from '@/core/faults/seen';
import type { TestLight, TestLightName } from '@/core/faults/testLights';
import { outputNets } from '@/core/faults/apply';
import type { Turn } from '@/core/points/trim';
import { displayed } from '@/core/meter/voltmeter';
import { bestRange, rangeOf, type Meter } from '@/core/meter/meter';
import { formatShown, rangeFormat } from '@/core/meter/shown';
import type { Assembly } from '@/core/operate/assembly';
import type { Net } from '@/core/parts/base';
import type { Part } from '@/core/parts/part';
import { outputsOf, pinsOf } from '@/core/parts/registry';
import type { Symptom } from '@/core/project/built/checkSettings';
import { GAP } from '@/core/quantity/format';
import { amps, ohms, percent } from './figures';
import { netName, valueOfPart } from './nets';

/** What sentences about a built circuit need of it. */
export interface Bench {
  readonly assembly: Pick<Assembly, 'parts' | 'testPoints'>;
  /** Where a part's leg on a net is plugged in; empty where no board is known. */
  readonly holesOf: (designator: string, net: Net | null) => readonly string[];
}

const partOf = ({ assembly }: Bench, designator: string): Part | undefined =>
  assembly.parts.find((part) => part.designator === designator);

/** A part by its name and what it is: `R1, 10 kΩ`. */
export function partText(bench: Bench, designator: string): string {
  const part = partOf(bench, designator);
  const value = part ? valueOfPart(part) : '';
  return value === '' ? designator : `${designator} (${value})`;
}

/** A point of the circuit by its letter on the drawing, or what it is. */
export function pointName({ assembly }: Pick<Bench, 'assembly'>, net: Net): string {
  const point = assembly.testPoints.find((each) => each.net === net);
  const name = netName(net);
  if (!point) return pinName(assembly.parts, net) ?? name;
  return name === point.id || name.length === 1 ? point.id : `${point.id} (${name})`;
}

/** A net that has no letter by an IC's pin on it, or an LED's; `null` for a rail. */
function pinName(parts: readonly Part[], net: Net): string | null {
  if (net === GROUND || parts.some((part) => part.kind === 'supply' && part.rail === net)) return null;
  const [first] = parts
    .filter((part) => 'top' in part || part.kind === 'led')
    .flatMap((part) =>
      pinsOf(part).flatMap((pin) =>
        pin.net === net ? [`${part.designator} pin ${pin.name.split(',')[0] ?? ''}`] : [],
      ),
    );
  return first ?? null;
}

const lightWords: Readonly<Record<TestLightName, string>> = {
  dark: 'in the dark',
  between: 'between the two',
  bright: 'in the light',
};

export const testLightWord = (light: TestLight | undefined): string => (light ? lightWords[light.name] : '');

/** The same beside others: `dark`. */
export const testLightNamesShort: Readonly<Record<TestLightName, string>> = {
  dark: 'dark',
  between: 'between',
  bright: 'light',
};

/** How a light is made by someone who has no light meter. */
export function makeLight({ name, lux }: TestLight): string {
  if (name === 'between') return 'Make a light between those two.';
  if (name === 'dark')
    return lux > SHADE_LUX
      ? 'Shade the LDR with a hand.'
      : 'Cover the LDR with something black, not with a finger across its legs.';
  return lux > ROOM_LUX
    ? 'Hold a torch or a lamp close to the LDR.'
    : 'The light of a room or a lamp will do.';
}

/** What a hand before an LDR leaves by day, and what a room has by its lamps, in lux. */
const SHADE_LUX = 60;
const ROOM_LUX = 800;

export const seenWords: Readonly<Record<Seen, string>> = { on: 'on', dim: 'dim', off: 'off' };

/** How loads are: one word for one load, a row of them for several. */
export const loadsText = (pattern: number, loads: number): string =>
  seenIn(pattern, loads)
    .map((seen) => seenWords[seen])
    .join(' · ');

const lookQuestions: Readonly<Record<LookKind, (what: string) => string>> = {
  'way-round': (what) => `Look at ${what}: is it the right way round, by its stripe, flat side or printing?`,
  marking: (what) => `Read the marking of ${what}: is it the value it should be, in its own place?`,
  seated: (what) => `Press on the legs of ${what}: is each in its own row, and does it hold?`,
  ground: () => 'Follow the minus of both supplies: are they joined?',
  inputs: (what) => `Look at the two inputs of ${what}: is each on its own pin?`,
  touching: () => 'Look along the rows: do any legs, wires or solder touch that should not?',
  program: (what) => `Read the program in ${what}: are pin, codes and action those of the design?`,
};

/** What to do, in one line. */
export function probeText(bench: Bench, probe: Probe, lights: readonly TestLight[]): string {
  switch (probe.kind) {
    case 'volts':
      return `Voltage at ${pointName(bench, probe.net)}, ${testLightWord(lights[probe.light])}`;
    case 'load':
      return `The load, ${testLightWord(lights[probe.light])}`;
    case 'amps':
      return `Load current, ${testLightWord(lights[probe.light])}`;
    case 'ohms': {
      const isLdr = partOf(bench, probe.designator)?.kind === 'ldr';
      return `Resistance across ${partText(bench, probe.designator)}${isLdr ? `, ${testLightWord(lights[probe.light])}` : ''}`;
    }
    case 'look':
      return lookQuestions[probe.look](probe.designator === null ? '' : partText(bench, probe.designator));
  }
}

/** Where the leads of the meter go, and what is to be taken off. */
export function probeHint(bench: Bench, probe: Probe): string {
  switch (probe.kind) {
    case 'volts': {
      const holes = holesAt(bench, probe.net);
      return `Supply on. Black lead on 0 V, red lead on ${pointName(bench, probe.net)}${holes}.`;
    }
    case 'load':
      return 'Supply on. Just look.';
    case 'amps':
      return 'Open the load’s lead and put the meter in its place, on its current range. Put it back afterwards.';
    case 'ohms':
      return 'Supply off and unplugged. One lead on each leg; what lies beside it is counted in.';
    case 'look':
      return probe.look === 'seated' ? 'Supply off.' : '';
  }
}

function holesAt(bench: Bench, net: Net): string {
  const holes = bench.assembly.parts.flatMap(({ designator }) => bench.holesOf(designator, net));
  return holes.length === 0 ? '' : `, such as hole ${holes[0]}`;
}

/** A found figure in words. */
export function valueText(probe: Probe, value: number, meter: Meter, loads: number): string {
  switch (probe.kind) {
    case 'volts':
      return `${displayed(meter, 'volts', value).shown.toFixed(displayed(meter, 'volts', value).decimals)}${GAP}V`.replace(
        '-',
        '−',
      );
    case 'amps':
      return amps(value);
    case 'ohms':
      return ohmsShown(value, meter);
    case 'load':
      return loadsText(value, loads);
    case 'look':
      return value === 1 ? 'as it should be' : 'wrong';
  }
}

/** A resistance as this meter shows it. */
export function ohmsShown(value: number, meter: Meter): string {
  if (value >= OVER_OHMS / 2) return 'OL';
  const range = bestRange(meter, value) ?? rangeOf(meter, null);
  if (!range) return ohms(value);
  const unit = { 0: 'Ω', 3: 'kΩ', 6: 'MΩ', 9: 'GΩ' }[rangeFormat(meter, range).exponent];
  return `${formatShown(meter, range, value)}${GAP}${unit}`;
}

/** A band in words: `2.91 … 3.10 V`. */
export function bandText(probe: Probe, low: number, high: number, meter: Meter): string {
  const plain = (value: number) => valueText(probe, value, meter, 1);
  if (probe.kind === 'load') return '';
  if (probe.kind === 'ohms' && high >= OVER_OHMS / 2) return `over ${ohmsShown(Math.min(low, 1e7), meter)}`;
  const [from, to] = [plain(low), plain(high)];
  if (from === to) return from;
  const unit = to.slice(to.lastIndexOf(GAP));
  return from.endsWith(unit) ? `${from.slice(0, -unit.length)} … ${to}` : `${from} … ${to}`;
}

const decadeText = (times: number): string => {
  const by = times > 1 ? `${times} times too large` : `${Math.round(1 / times)} times too small`;
  return by;
};

/** What is wrong, in one sentence. */
export function faultText(bench: Bench, fault: Fault): string {
  switch (fault.kind) {
    case 'healthy':
      return 'Nothing is wrong: it does as it should.';
    case 'unlisted':
      return 'None of these: something that is not in the list, or more than one thing.';
    case 'open': {
      const what = partText(bench, fault.designator);
      return fault.net === null
        ? `${what} is not connected at one of its legs, or is itself broken open.`
        : `${what} is not connected at ${pointName(bench, fault.net)}.`;
    }
    case 'moved':
      return `A leg of ${partText(bench, fault.designator)} is one hole off: on ${pointName(bench, fault.to)} in place of ${pointName(bench, fault.net)}.`;
    case 'bridge':
      return `${pointName(bench, fault.nets[0])} and ${pointName(bench, fault.nets[1])} touch.`;
    case 'value':
      return `${partText(bench, fault.designator)} is ${decadeText(fault.times)}.`;
    case 'exchanged':
      return `${fault.designators.map((each) => partText(bench, each)).join(' and ')} are in each other’s place.`;
    case 'reversed':
      return `${partText(bench, fault.designator)} is the wrong way round.`;
    case 'other-polarity':
      return `${fault.designator} is of the other polarity${polarity(bench, fault.designator)}.`;
    case 'inputs':
      return `The inputs of ${fault.designator}, unit ${fault.unit + 1}, are swapped.`;
    case 'unset':
      return `${fault.designator} has not been set: its slider is at its ${fault.end} end.`;
    case 'stuck':
      return `The output of ${fault.designator} at ${outputName(bench, fault)} stays ${fault.level}, whatever comes in.`;
    case 'unpowered':
      return `${fault.designator} has no supply: a supply pin is open, or it is turned round.`;
    case 'supply':
      return supplyText[fault.state](fault.designator);
    case 'no-common-ground':
      return `The 0 V of ${fault.designator} is not joined to that of the circuit.`;
    case 'ldr':
      return ldrText[fault.state];
    case 'codes':
      return `The program in ${fault.designator} has its action or its two codes the other way round.`;
  }
}

function polarity(bench: Bench, designator: string): string {
  const part = partOf(bench, designator);
  if (part?.kind === 'bipolar')
    return part.polarity === 'n' ? ': a PNP in place of an NPN' : ': an NPN in place of a PNP';
  if (part?.kind === 'mosfet') return part.polarity === 'n' ? ': a P-channel part' : ': an N-channel part';
  return '';
}

/** The point that an output drives. */
function outputName(bench: Bench, { designator, key }: Extract<Fault, { readonly kind: 'stuck' }>): string {
  const part = partOf(bench, designator);
  const index = part ? outputsOf(part).findIndex((output) => output.key === key) : -1;
  const net = part && outputNets(part)[index];
  return net === undefined ? key : pointName(bench, net);
}

const supplyText = {
  none: (name: string) =>
    `No supply from ${name}: off, not connected, or a rail of the board is not bridged.`,
  flat: (name: string) => `The battery ${name} is flat: it has volts until something draws on it.`,
  reversed: (name: string) => `${name} is connected the wrong way round.`,
} as const;

const ldrText = {
  wet: 'The LDR is wet or dirty: something conducts across it.',
  shaded: 'Something shades the LDR: it never gets bright.',
  'stray-light': 'The LDR never gets dark: stray light, or the light of its own load, falls on it.',
} as const;

/** What it looks like at the bench, and what to do about it. */
export function faultLook(bench: Bench, fault: Fault): string {
  const holes = (designator: string, net: Net | null = null) => {
    const at = bench.holesOf(designator, net);
    return at.length === 0 ? '' : ` (${at.join(', ')})`;
  };
  switch (fault.kind) {
    case 'healthy':
      return 'Try it in the light it is meant for. If it still fails, measure in that light.';
    case 'unlisted':
      return 'Measure on: what does not fit is where to look. Check each joint against the wiring steps.';
    case 'open':
      return `Look at its legs${holes(fault.designator, fault.net)}: each in its own row, pushed home, the joint bright. Press on it: does anything change? Then put another in.`;
    case 'moved':
      return `Count the holes of ${fault.designator}${holes(fault.designator, fault.net)} against the board’s picture, and put the leg back.`;
    case 'bridge':
      return 'Look for a leg, a wire end or solder between the two rows, or a part that has gone through. Supply off, then the ohmmeter between them.';
    case 'value':
      return `Read its bands again, the third one first, or lift one leg of ${fault.designator}${holes(fault.designator)} and measure it.`;
    case 'exchanged':
      return 'Read the markings, and change them over.';
    case 'reversed':
      return reversedLook(partOf(bench, fault.designator));
    case 'other-polarity':
      return 'Read what is printed on it, and put in one of the right kind.';
    case 'inputs':
      return `Change the two wires over at ${fault.designator}.`;
    case 'unset':
      return 'Set it by “Trim” among the test points.';
    case 'stuck':
      return 'Take what hangs on the output away: if it still stays, put another IC in, or load the program again.';
    case 'unpowered':
      return `Measure between its own supply pins${holes(fault.designator)}. Is its notch at the right end?`;
    case 'supply':
      return fault.state === 'flat'
        ? 'Measure it while the load is on. Put fresh cells in.'
        : 'Measure from plus to 0 V on the board itself, at both ends of each rail.';
    case 'no-common-ground':
      return 'Join the two 0 V with one wire. Not where a supply is joined to the mains without a transformer.';
    case 'ldr':
      return 'Measure the LDR by itself with one leg lifted, in the light it should work in.';
    case 'codes':
      return 'Compare the codes in it with those of step 6, “Program”.';
  }
}

function reversedLook(part: Part | undefined): string {
  if (part?.kind === 'led') return 'Its long leg goes towards plus, its flat side towards 0 V.';
  if (part?.kind === 'diode') return 'Its stripe points towards plus: across a coil it must not conduct.';
  if (part?.kind === 'bipolar' || part?.kind === 'mosfet')
    return 'Flat side towards you, compare its three legs with the datasheet: kinds differ.';
  return 'Its plus is marked; turn it round.';
}

/** What tells two apart that no measurement does. */
export const APART =
  'No measurement tells these apart. Press on the joint, heat it again, bridge it with a wire, or put another part in: what changes it was it.';

export const causeNames: Readonly<Record<Cause, string>> = {
  'one-hole-off': 'a leg one hole off',
  'wrong-value': 'a wrong resistor, mostly by a decade',
  reversed: 'a part the wrong way round',
  'loose-joint': 'a loose contact or open joint',
  exchanged: 'divider upside down or inputs swapped',
  'missing-ground': 'a missing ground or unbridged rail',
  supply: 'wrong supply or flat battery',
  bridge: 'a short between neighbours',
  'left-out': 'a pull-up or base resistor left out',
  firmware: 'a wrong pin or code in the program',
  'dead-part': 'a dead part',
  light: 'the light is not as thought',
};

export const symptomNames: Readonly<Record<Symptom, string>> = {
  'never-on': 'never on',
  'always-on': 'always on',
  backwards: 'backwards',
  dim: 'dim',
  chatters: 'chatters',
  'only-with-torch': 'only with the torch touching it',
  'gets-hot': 'something gets hot',
  resets: 'resets when the load comes on',
  'worked-before': 'worked yesterday',
};

/** How sure it is: `87 %`, `<1 %`. */
export const sureText = (share: number): string =>
  share < 0.005 ? `<1${GAP}%` : percent(Math.min(0.99, share));

/** How to turn a trimmer. */
export function turnText({ degrees, isThere, targetShare }: Turn): string {
  if (isThere) return 'It is there.';
  const size = Math.abs(degrees);
  const far = size >= 540 ? `${(size / 360).toPrecision(2)} turns` : `${Math.round(size)}°`;
  return `Turn ${far} towards its ${degrees > 0 ? 'upper' : 'lower'} end (pin ${degrees > 0 ? 1 : 3}), to ${percent(targetShare)} of its travel.`;
}
