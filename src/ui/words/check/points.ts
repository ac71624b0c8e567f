import { fixed, precise } from '@/core/quantity/notation';
import { GROUND } from '@/core/circuit/netlist';
import { goesWith, inTimeOf } from '@/core/faults/inTime';
import { OVER_OHMS, type LookKind, type Probe } from '@/core/faults/probe';
import { seenIn, type Seen } from '@/core/faults/seen';
import type { HeldResistor, TestLight, TestLightName } from '@/core/faults/testLights';
import type { Turn } from '@/core/points/trim';
import { displayed } from '@/core/meter/voltmeter';
import { bestRange, rangeOf, type Meter } from '@/core/meter/meter';
import { formatShown, rangeFormat } from '@/core/meter/shown';
import type { Assembly } from '@/core/operate/assembly';
import type { LoadKind } from '@/core/loads/kinds';
import type { Net } from '@/core/parts/base';
import type { Part } from '@/core/parts/part';
import { pinsOf, rowsOf } from '@/core/parts/registry';
import { GAP } from '@/core/quantity/format';
import { NEVER_SECONDS, SHORTEST_SECONDS } from '@/core/faults/circuit/timed';
import { amps, ohms, percent } from '../figures';
import { netName, valueOfPart } from '../nets';
import { timeText } from '../time';

/** What sentences about a built circuit need of it. */
export interface Bench {
  readonly assembly: Pick<Assembly, 'parts' | 'testPoints' | 'loads' | 'isHighSide'>;
  /** Where a part's leg on a net is plugged in; empty where no board is known. */
  readonly holesOf: (designator: string, net: Net | null) => readonly string[];
}

export const partOf = ({ assembly }: Bench, designator: string): Part | undefined =>
  assembly.parts.find((part) => part.designator === designator);

/** A part by its name and what it is: `R1 (10 kΩ)`, `one row’s R2 (1.8 kΩ)`. */
export function partText(bench: Bench, designator: string, which: 'one' | 'each' = 'one'): string {
  const part = partOf(bench, designator);
  const value = part ? valueOfPart(part) : '';
  const name = part && rowsOf(part) > 1 ? `${which} row’s ${designator}` : designator;
  return value === '' ? name : `${name} (${value})`;
}

/** A point of the circuit by its letter on the drawing, or what it is. */
export function pointName({ assembly }: Pick<Bench, 'assembly'>, net: Net): string {
  const point = assembly.testPoints.find((each) => each.net === net);
  const name = netName(net);
  if (!point) return pinName(assembly.parts, net) ?? jointName(assembly.parts, net) ?? name;
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

/** A net that has no letter and no IC by two of the parts that meet there; `null` for a rail. */
function jointName(parts: readonly Part[], net: Net): string | null {
  if (net === GROUND || parts.some((part) => part.kind === 'supply' && part.rail === net)) return null;
  const [one, other] = parts.filter((part) => pinsOf(part).some((pin) => pin.net === net));
  return one && other ? `joint ${one.designator}–${other.designator}` : null;
}

const lightWords: Readonly<Record<TestLightName, string>> = {
  dark: 'in the dark',
  between: 'between the two',
  bright: 'in the light',
  fired: 'while it is held fired',
};

/** The moment in which the light comes to be as it is called. */
const jumpWords: Readonly<Record<TestLightName, string>> = {
  dark: 'at the moment when light becomes dark',
  between: 'at the moment when the light changes',
  bright: 'at the moment when dark becomes light',
  fired: 'at the moment when it is made to fire',
};

export const testLightWord = (light: TestLight | undefined): string => (light ? lightWords[light.name] : '');

/** The same beside others: `dark`. */
export const testLightNamesShort: Readonly<Record<TestLightName, string>> = {
  dark: 'dark',
  between: 'between',
  bright: 'light',
  fired: 'held fired',
};

/** How a detector that hears only changes is kept fired while it is measured. */
const holdText = (bench: Bench, { rail, net, like }: HeldResistor): string =>
  `Hold another resistor like ${partText(bench, like)} from ${pointName(bench, rail)} to ${pointName(bench, net)}: that keeps it fired.`;

/** How a light is made by someone who has no light meter. */
export function makeLight(bench: Bench, { name, lux, holds }: TestLight): string {
  if (holds) return holdText(bench, holds);
  if (name === 'between') return 'Make a light between those two.';
  if (name === 'dark')
    return lux > SHADE_LUX
      ? 'Shade the LDR with a hand.'
      : 'Cover the LDR with something black, not with a finger across its legs.';
  if (lux > TORCH_LUX) return 'Put the LDR in the sun, or hold a strong torch right against it.';
  return lux > ROOM_LUX
    ? 'Hold a torch or a lamp close to the LDR.'
    : 'The light of a room or a lamp will do.';
}

/** What a hand before an LDR leaves by day, what a room has by its lamps, and what a torch gives that is held close to it, in lux. */
const SHADE_LUX = 60;
const ROOM_LUX = 800;
const TORCH_LUX = 20_000;

export const seenWords: Readonly<Record<Seen, string>> = { on: 'on', dim: 'dim', off: 'off' };

/** What is offered as an answer to how a load is. @param hasRows it may be on in part */
export const seenChoice = (seen: Seen, hasRows: boolean): string =>
  seen === 'dim' && hasRows ? 'dim or in part' : seenWords[seen];

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
      return probe.from === undefined
        ? `The load, ${testLightWord(lights[probe.light])}`
        : `The load, ${jumpWords[lights[probe.light]?.name ?? 'dark']}`;
    case 'amps':
      return `Load current, ${testLightWord(lights[probe.light])}`;
    case 'ohms': {
      const light = probe.hangsOnLight ? `, ${testLightWord(lights[probe.light])}` : '';
      const off = probe.takenOff ? `, with ${probe.takenOff.join(' and ')} taken off` : '';
      return `Resistance across ${partText(bench, probe.designator)}${light}${off}`;
    }
    case 'time':
      return 'How long the load stays on by itself';
    case 'look':
      // Nothing is printed on an LDR.
      if (probe.look === 'marking' && partOf(bench, probe.designator ?? '')?.kind === 'ldr')
        return `Look at ${probe.designator}: is it the LDR that is meant, in its own place?`;
      return lookQuestions[probe.look](
        probe.designator === null ? '' : partText(bench, probe.designator, 'each'),
      );
  }
}

/** Where the leads of the meter go, and what is to be taken off. */
export function probeHint(bench: Bench, probe: Probe, lights: readonly TestLight[]): string {
  const holds = 'light' in probe ? lights[probe.light]?.holds : undefined;
  const leads = [leadsText(bench, probe, lights), inTimeNote(bench, probe)].filter((text) => text).join(' ');
  return holds ? `${holdText(bench, holds)} ${leads}` : leads;
}

function leadsText(bench: Bench, probe: Probe, lights: readonly TestLight[]): string {
  switch (probe.kind) {
    case 'volts': {
      const holes = holesAt(bench, probe.net);
      return `Supply on. Black lead on 0 V, red lead on ${pointName(bench, probe.net)}${holes}.`;
    }
    case 'load':
      return probe.from === undefined
        ? `Supply on. ${perceiving(bench)}`
        : 'Supply on. Leave it in the one light for some seconds, then change it at one go: on for a moment counts as on.';
    case 'amps':
      return 'Open the load’s lead and put the meter in its place, on its current range. Put it back afterwards.';
    case 'ohms':
      return 'Supply off and unplugged. One lead on each leg; what lies beside it is counted in.';
    case 'time':
      return timingHint(probe, lights);
    case 'look':
      return probe.look === 'seated' ? 'Supply off.' : '';
  }
}

/** What is to be minded of a load that does more than follow the light; empty where there is nothing. */
export function inTimeNote({ assembly }: Pick<Bench, 'assembly'>, probe: Probe): string {
  const inTime = inTimeOf(assembly.parts);
  if (!inTime || !goesWith(probe, inTime) || (probe.kind === 'load' && probe.from !== undefined)) return '';
  const span = inTime.seconds === null ? '' : timeText(inTime.seconds);
  switch (inTime.kind) {
    case 'turns-over':
      return 'It changes over each time: change the light to and fro until it is so. Only what never comes so is wrong.';
    case 'stays':
      return `Once on it stays on for ${span} at least: wait until that is over.`;
    case 'counted':
      return `It is on for ${span} at a time, whatever the light: look at what is on before that is over, at what is off after it.`;
  }
}

/** The same for the whole table: at which points it is so; `null` where every point follows the light. */
export function inTimeText(bench: Pick<Bench, 'assembly'>, nets: readonly Net[]): string | null {
  const { assembly } = bench;
  const inTime = inTimeOf(assembly.parts);
  if (!inTime) return null;
  const own = nets.filter((net) => inTime.nets.has(net)).map((net) => pointName(bench, net));
  const note = inTimeNote({ assembly }, { kind: 'load', light: 0 });
  return `${note} That goes for ${['the load', ...own].join(', ')}.`;
}

/** How a time is taken: it runs by itself. */
function timingHint({ light, from }: Extract<Probe, { kind: 'time' }>, lights: readonly TestLight[]): string {
  const [there, back] = [testLightWord(lights[light]), testLightWord(lights[from])];
  return `Supply on. Have it ${back} first, then ${there} for a moment, and back: time the load from on to off.`;
}

/** How long something stayed on. */
const secondsText = (seconds: number): string =>
  seconds <= SHORTEST_SECONDS
    ? 'off at once'
    : seconds >= NEVER_SECONDS / 2
      ? 'does not end'
      : timeText(seconds);

/** How one knows whether the loads are on: most are seen, some heard, and a pin is read by its device. */
function perceiving({ assembly }: Bench): string {
  const kinds = new Set(assembly.loads.map(({ load }) => perceived[load.kind]));
  const ways = (['see', 'hear', 'click', 'read'] as const).filter((way) => kinds.has(way));
  const text = ways.map((way) => perceivingWords[way]).join(', and ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

const perceivingWords = {
  see: 'just look',
  hear: 'listen',
  click: 'hear it click on the way there and back',
  read: 'see what its device reads',
} as const;
const perceived: Readonly<Record<LoadKind, keyof typeof perceivingWords>> = {
  ...{ led: 'see', lamp: 'see', strip: 'see', motor: 'see', fan: 'see', solenoid: 'see', module: 'see' },
  ...{ buzzer: 'hear', tone: 'hear', relay: 'click', logic: 'read' },
};

function holesAt(bench: Bench, net: Net): string {
  const holes = bench.assembly.parts.flatMap(({ designator }) => bench.holesOf(designator, net));
  return holes.length === 0 ? '' : `, such as hole ${holes[0]}`;
}

/** A found figure in words. */
export function valueText(probe: Probe, value: number, meter: Meter, loads: number): string {
  switch (probe.kind) {
    case 'volts':
      return `${fixed(displayed(meter, 'volts', value).shown, displayed(meter, 'volts', value).decimals)}${GAP}V`.replace(
        '-',
        '−',
      );
    case 'amps':
      return amps(value);
    case 'ohms':
      return ohmsShown(value, meter);
    case 'load':
      return loadsText(value, loads);
    case 'time':
      return secondsText(value);
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
  if (probe.kind === 'time') return `${from} … ${to}`;
  const unit = to.slice(to.lastIndexOf(GAP));
  return from.endsWith(unit) ? `${from.slice(0, -unit.length)} … ${to}` : `${from} … ${to}`;
}

/** How to turn a trimmer. */
export function turnText({ degrees, isThere, isRheostat, targetShare }: Turn): string {
  if (isThere) return 'It is there.';
  const size = Math.abs(degrees);
  const far = size >= 540 ? `${precise(size / 360, 2)} turns` : `${Math.round(size)}°`;
  return `Turn ${far} towards its ${degrees > 0 ? 'upper' : 'lower'} end (pin ${degrees > 0 ? 1 : 3}), to ${percent(targetShare)} of its ${isRheostat ? 'track in use' : 'travel'}.`;
}

/** Why a midpoint tells no light. */
export const midpointRefusals: Readonly<Record<'none' | 'flat', string>> = {
  none: 'No light gives this midpoint in this circuit.',
  flat: 'There the midpoint hardly goes with the light: a voltmeter does not tell it. Measure the light otherwise.',
};
