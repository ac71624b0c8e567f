import type { Cause, Fault } from '@/core/faults/fault';
import { outputNets } from '@/core/faults/circuit/apply';
import type { Net } from '@/core/parts/base';
import type { Part } from '@/core/parts/part';
import { outputsOf, pinsOf } from '@/core/parts/registry';
import type { Symptom } from '@/core/project/built/checkSettings';
import { GAP } from '@/core/quantity/format';
import { percent } from '../figures';

import { partOf, partText, pointName, type Bench } from './points';

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
      return 'None of these: something that is not in the list, or several things at once.';
    case 'open': {
      const what = capital(partText(bench, fault.designator));
      return fault.net === null
        ? `${what} is not connected at one of its legs, or is itself broken open.`
        : `${what} is not connected at ${ownPoint(bench, fault.designator, fault.net)}.`;
    }
    case 'moved':
      return `A leg of ${partText(bench, fault.designator)} is one hole off: on ${pointName(bench, fault.to)} in place of ${pointName(bench, fault.net)}.`;
    case 'bridge':
      return capital(`${pointName(bench, fault.nets[0])} and ${pointName(bench, fault.nets[1])} touch.`);
    case 'value':
      return capital(`${partText(bench, fault.designator)} is ${decadeText(fault.times)}.`);
    case 'exchanged':
      return capital(
        `${fault.designators.map((each) => partText(bench, each)).join(' and ')} are in each other’s place.`,
      );
    case 'reversed':
      return capital(`${partText(bench, fault.designator)} is the wrong way round.`);
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
    case 'pair':
      return `Two at once. ${fault.faults.map((each) => faultText(bench, each)).join(' ')}`;
  }
}

function polarity(bench: Bench, designator: string): string {
  const part = partOf(bench, designator);
  if (part?.kind === 'bipolar')
    return part.polarity === 'n' ? ': a PNP in place of an NPN' : ': an NPN in place of a PNP';
  if (part?.kind === 'mosfet') return part.polarity === 'n' ? ': a P-channel part' : ': an N-channel part';
  return '';
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A point as seen from one of the parts on it: by its letter, else by that part's own pin. */
function ownPoint(bench: Bench, designator: string, net: Net): string {
  const name = pointName(bench, net);
  if (!/ pin |^joint /.test(name)) return name;
  const part = partOf(bench, designator);
  const pin = part && pinsOf(part).find((each) => each.net === net);
  if (!pin) return name;
  const [text = ''] = pin.name.split(',');
  if ('top' in part) return `its pin ${text}`;
  return /^[\d+−]/.test(text) ? `its end ${text}` : `its ${text}`;
}

/** The point that an output drives. */
function outputName(bench: Bench, { designator, key }: Extract<Fault, { readonly kind: 'stuck' }>): string {
  const part = partOf(bench, designator);
  const index = part ? outputsOf(part).findIndex((output) => output.key === key) : -1;
  const nets = part ? outputNets(part) : [];
  const net = nets[index];
  if (net === undefined) return key;
  // Open outputs may share a point: then it takes the unit as well.
  const isShared = nets.filter((other) => other === net).length > 1;
  return `${ownPoint(bench, designator, net)}${isShared ? `, its unit ${index + 1},` : ''}`;
}

const supplyText = {
  none: (name: string) =>
    `No supply from ${name}: off, not connected, or a rail of the board is not bridged.`,
  flat: (name: string) => `${name} is flat or too weak: it has volts until something draws on it.`,
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
      return `${markingLook(partOf(bench, fault.designator))}, or lift one leg of ${fault.designator}${holes(fault.designator)} and measure it.`;
    case 'exchanged':
      return fault.designators.some((each) => partOf(bench, each)?.kind === 'ldr')
        ? 'See which of them leads to plus, and change them over.'
        : 'Read the markings, and change them over.';
    case 'reversed':
      return reversedLook(bench, partOf(bench, fault.designator));
    case 'other-polarity':
      return 'Read what is printed on it, and put in one of the right kind.';
    case 'inputs':
      return `Change the two wires over at ${fault.designator}.`;
    case 'unset':
      return 'Set it by “Trim” among the test points.';
    case 'stuck':
      return `Take what hangs on the output away: if it still stays, ${partOf(bench, fault.designator)?.kind === 'controller' ? 'load the program again, or take another board' : 'put another IC in'}.`;
    case 'unpowered':
      return `Measure between its own supply pins${holes(fault.designator)}. Is its notch at the right end?`;
    case 'supply':
      return fault.state === 'flat'
        ? 'Measure it while the load is on. Put fresh cells in, or take a supply that gives more.'
        : 'Measure from plus to 0 V on the board itself, at both ends of each rail.';
    case 'no-common-ground':
      return 'Join the two 0 V with one wire. Not where a supply is joined to the mains without a transformer.';
    case 'ldr':
      return 'Measure the LDR by itself with one leg lifted, in the light it should work in.';
    case 'codes':
      return 'Compare the codes in it with those of step 6, “Program”.';
    case 'pair':
      return `Put one right, then measure again. ${fault.faults.map((each) => faultLook(bench, each)).join(' ')}`;
  }
}

/** Where a part's value is to be read. */
function markingLook(part: Part | undefined): string {
  if (part?.kind === 'ldr') return 'See whether it is the LDR that was meant';
  return part?.kind === 'resistor'
    ? 'Read its bands again, first the last but one, which tells the decade'
    : 'Read again what is printed on it';
}

function reversedLook(bench: Bench, part: Part | undefined): string {
  if (part?.kind === 'led') return 'Its long leg goes towards plus, its flat side towards 0 V.';
  if (part?.kind === 'diode')
    return part.role === 'counter-stop'
      ? `Its stripe points towards ${pointName(bench, part.cathode)}.`
      : 'Its stripe points towards plus: across a coil it must not conduct.';
  if (part?.kind === 'bipolar' || part?.kind === 'mosfet')
    return 'Flat side towards you, compare its three legs with the datasheet: kinds differ.';
  if (part?.kind === 'capacitor')
    return 'The stripe on its can is minus. Turn it round, or better take a new one: it may have suffered.';
  return 'Its plus is marked; turn it round.';
}

/** What changes a fault that no measurement tells from others; nothing where there is none. */
function changedBy(fault: Fault): readonly string[] {
  switch (fault.kind) {
    case 'healthy':
    case 'unlisted':
      return [];
    case 'open':
    case 'moved':
    case 'unpowered':
    case 'no-common-ground':
      return ['press on the joint, heat it again, or bridge it with a wire'];
    case 'bridge':
      return ['part what may touch'];
    case 'supply':
      return ['put another supply there'];
    case 'ldr':
      return [
        fault.state === 'wet'
          ? 'clean the LDR and let it dry'
          : 'take away what stands before the LDR or shines on it',
      ];
    case 'codes':
      return ['load the program again'];
    case 'unset':
      return ['turn the trimmer'];
    case 'exchanged':
      return ['exchange the two'];
    case 'inputs':
      return ['exchange the two inputs'];
    case 'reversed':
      return ['turn the part round'];
    case 'pair':
      return fault.faults.flatMap(changedBy);
    default:
      return ['put another part in'];
  }
}

/** What tells faults apart that no measurement does. */
export function apartText(faults: readonly Fault[]): string {
  const [first = 'put another part in', ...others] = new Set(faults.flatMap(changedBy));
  const ways = [`${first.charAt(0).toUpperCase()}${first.slice(1)}`, ...others].join('; ');
  return `No measurement tells these apart. ${ways}: what changes it was it.`;
}

export const causeNames: Readonly<Record<Cause, string>> = {
  'one-hole-off': 'a leg one hole off',
  'wrong-value': 'a wrong resistor, mostly by a decade',
  reversed: 'a part the wrong way round',
  'loose-joint': 'a loose contact or open joint',
  exchanged: 'divider upside down or inputs swapped',
  'missing-ground': 'a missing ground or unbridged rail',
  supply: 'wrong supply or flat battery',
  bridge: 'a short between neighbours',
  'left-out': 'a pull-up or a resistor before base or gate left out',
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
