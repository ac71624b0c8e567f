import type { Net } from '../parts/base';
import type { Part } from '../parts/part';
import type { Fault, ListedFault } from './fault';
import { partsAt } from './fault';

/** What can be looked at without a meter. */
export const lookKinds = [
  'way-round',
  'marking',
  'seated',
  'ground',
  'inputs',
  'touching',
  'program',
] as const;
export type LookKind = (typeof lookKinds)[number];

/** One thing to measure or to look at. Lights by their place in the list of test lights. */
export type Probe =
  /** With the red lead on a net, the black one on 0 V. */
  | { readonly kind: 'volts'; readonly net: Net; readonly light: number }
  /** Is each load on, dim or off? */
  | {
      readonly kind: 'load';
      readonly light: number;
      /** Not in steady light, but in the moment in which it jumps from this one. */
      readonly from?: number;
    }
  /** Through all loads together, in A. */
  | { readonly kind: 'amps'; readonly light: number }
  /** Across a part with the power off, in a light: the LDR may lie beside it. */
  | {
      readonly kind: 'ohms';
      readonly designator: string;
      readonly light: number;
      /** What has to be taken off the board first: it lies beside it, and nobody knows what an ohmmeter finds in it. */
      readonly takenOff?: readonly string[];
      /** Another light would make it another: it is the LDR's own, or that lies beside it. */
      readonly hangsOnLight?: boolean;
    }
  /** How long the loads stay on by themselves when a light turns them on for a moment and goes back to another. */
  | {
      readonly kind: 'time';
      readonly light: number;
      readonly from: number;
      /** As the design has it, in s. */
      readonly seconds: number;
    }
  | { readonly kind: 'look'; readonly look: LookKind; readonly designator: string | null };

/** What was found: V, A, Ω or s; of the loads a pattern (see `patternOf`); of a look 1 where it is as it should be, 0 where not. */
export interface Answer {
  readonly probe: Probe;
  readonly value: number;
  /** It was made again, and came out the same. */
  readonly isTwice?: boolean;
  /** It was made again, whatever came out. */
  readonly isAgain?: boolean;
}

/** What an ohmmeter's OL is written as, in Ω. */
export const OVER_OHMS = 1e12;

/** Whether a probe's figures are told apart by their ratio: rows hold their logarithms. */
export const isByRatio = ({ kind }: Probe): boolean => kind === 'ohms' || kind === 'time';

/** So long someone waits for what one voltage takes, in s. */
const WAITED_SECONDS = 30;

export function probeKey(probe: Probe): string {
  switch (probe.kind) {
    case 'volts':
      return `volts ${probe.net} ${probe.light}`;
    case 'load':
      return probe.from === undefined ? `load ${probe.light}` : `load ${probe.from} > ${probe.light}`;
    case 'amps':
      return `amps ${probe.light}`;
    case 'ohms':
      return `ohms ${probe.designator} ${probe.light}`;
    case 'time':
      return `time ${probe.from} > ${probe.light}`;
    case 'look':
      return `look ${probe.look} ${probe.designator ?? ''}`;
  }
}

/** A part is pulled out of its holes, and put back afterwards. */
const TAKE_OFF_EFFORT = 1.5;

/** What it takes to make one, a voltage at a light that is there already being 1. */
export function effortOf(probe: Probe): number {
  switch (probe.kind) {
    case 'volts':
      return 1;
    case 'load':
      return 0.7;
    case 'look':
      return 1;
    case 'ohms':
      return 1.6 + TAKE_OFF_EFFORT * (probe.takenOff?.length ?? 0);
    case 'time':
      return 1 + probe.seconds / WAITED_SECONDS;
    // The circuit has to be opened for it.
    case 'amps':
      return 4;
  }
}

/** Whether a look would show a fault. */
export function isSeen(look: LookKind, designator: string | null, fault: Fault): boolean {
  if (fault.kind === 'pair') return fault.faults.some((one) => isSeen(look, designator, one));
  const isThere = designator === null || partsAt(fault).includes(designator);
  switch (look) {
    case 'way-round':
      return isThere && (fault.kind === 'reversed' || fault.kind === 'other-polarity');
    case 'marking':
      return isThere && (fault.kind === 'value' || fault.kind === 'exchanged');
    case 'seated':
      return isThere && (fault.kind === 'open' || fault.kind === 'moved' || fault.kind === 'unpowered');
    case 'ground':
      return fault.kind === 'no-common-ground';
    case 'inputs':
      return isThere && fault.kind === 'inputs';
    case 'touching':
      return fault.kind === 'bridge';
    case 'program':
      return isThere && (fault.kind === 'codes' || fault.kind === 'stuck');
  }
}

/** How often a look finds what it is after, and how often it takes for wrong what is right. */
export const LOOK_FINDS: Readonly<Record<LookKind, number>> = {
  'way-round': 0.93,
  marking: 0.9,
  seated: 0.75,
  ground: 0.95,
  inputs: 0.9,
  touching: 0.6,
  program: 0.85,
};
export const LOOK_ERRS = 0.02;

/** Everything that can be looked at where these faults may be. */
export function looksFor(faults: readonly ListedFault[], parts: readonly Part[]): readonly Probe[] {
  const isProgrammed = new Set(
    parts.flatMap((part) => (part.kind === 'controller' ? [part.designator] : [])),
  );
  const looks: Probe[] = [];
  const add = (look: LookKind, designator: string | null) => {
    if (look === 'program' && (designator === null || !isProgrammed.has(designator))) return;
    if (faults.some(({ fault }) => isSeen(look, designator, fault)))
      looks.push({ kind: 'look', look, designator });
  };
  for (const { designator } of parts)
    for (const look of ['way-round', 'marking', 'seated', 'inputs', 'program'] as const)
      add(look, designator);
  add('ground', null);
  add('touching', null);
  return looks;
}
