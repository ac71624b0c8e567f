import type { Net } from '../parts/base';

/** What happens at a bench, by how often; each comes about in one or more of the faults below. */
export const causes = [
  'one-hole-off',
  'wrong-value',
  'reversed',
  'loose-joint',
  'exchanged',
  'missing-ground',
  'supply',
  'bridge',
  'left-out',
  'firmware',
  'dead-part',
  'light',
] as const;
export type Cause = (typeof causes)[number];

/** How often each is what is wrong, as shares; they need not add up to 1. */
export type Priors = Readonly<Record<Cause, number>>;

/** Shares of "it does not work" among beginners' circuits. */
export const DEFAULT_PRIORS: Priors = {
  'one-hole-off': 0.18,
  'wrong-value': 0.14,
  reversed: 0.12,
  'loose-joint': 0.12,
  exchanged: 0.09,
  'missing-ground': 0.09,
  supply: 0.07,
  bridge: 0.05,
  'left-out': 0.04,
  firmware: 0.04,
  'dead-part': 0.03,
  light: 0.03,
};

/** How often two things are wrong at once, of the times that one is. */
export const PAIR_PRIOR = 0.05;
/** Before anything is known: that nothing is wrong after all, and that it is something that is not in the list. */
export const HEALTHY_PRIOR = 0.1;
export const UNLISTED_PRIOR = 0.03;

/** What is wrong with a circuit: one thing, two at once, or nothing. */
export type Fault = SingleFault | FaultPair;

/** Two things wrong at once, at different parts. */
export interface FaultPair {
  readonly kind: 'pair';
  readonly faults: readonly [SingleFault, SingleFault];
}

/** One thing wrong with a circuit, or nothing. */
export type SingleFault =
  | { readonly kind: 'healthy' }
  /** Something that none of the others is. */
  | { readonly kind: 'unlisted' }
  /** A pin of a part is joined to nothing; of a part with two pins it is one and the same which. */
  | { readonly kind: 'open'; readonly designator: string; readonly net: Net | null }
  /** A pin stands on another net than its own. */
  | { readonly kind: 'moved'; readonly designator: string; readonly net: Net; readonly to: Net }
  | { readonly kind: 'bridge'; readonly nets: readonly [Net, Net] }
  | { readonly kind: 'value'; readonly designator: string; readonly times: number }
  /** Two parts in each other's place. */
  | { readonly kind: 'exchanged'; readonly designators: readonly [string, string] }
  | { readonly kind: 'reversed'; readonly designator: string }
  /** A transistor of the other polarity. */
  | { readonly kind: 'other-polarity'; readonly designator: string }
  /** The inputs of a comparator's unit in each other's place. */
  | { readonly kind: 'inputs'; readonly designator: string; readonly unit: number }
  /** A trimmer that nobody has set: its slider at an end. */
  | { readonly kind: 'unset'; readonly designator: string; readonly end: 'upper' | 'lower' }
  /** An output that stays where it is. */
  | {
      readonly kind: 'stuck';
      readonly designator: string;
      readonly key: string;
      readonly level: 'high' | 'low';
    }
  /** An IC or board without its supply, or turned round. */
  | { readonly kind: 'unpowered'; readonly designator: string }
  | { readonly kind: 'supply'; readonly designator: string; readonly state: 'none' | 'flat' | 'reversed' }
  /** Two supplies that share no 0 V. */
  | { readonly kind: 'no-common-ground'; readonly designator: string }
  | { readonly kind: 'ldr'; readonly state: 'wet' | 'shaded' | 'stray-light' }
  /** A program with its two codes, or its action, the other way round. */
  | { readonly kind: 'codes'; readonly designator: string };

export type FaultKind = Fault['kind'];

/** A fault with how likely it is before anything has been measured, by what may have brought it about. */
export interface ListedFault {
  readonly fault: Fault;
  /** Shares of 1 over the whole list. */
  readonly prior: number;
  readonly byCause: Readonly<Partial<Record<Cause, number>>>;
}

/** A name that tells a fault from every other of its circuit. */
export function keyOf(fault: Fault): string {
  switch (fault.kind) {
    case 'healthy':
    case 'unlisted':
      return fault.kind;
    case 'open':
      return `open ${fault.designator} ${fault.net ?? ''}`;
    case 'moved':
      return `moved ${fault.designator} ${fault.net} ${fault.to}`;
    case 'bridge':
      return `bridge ${fault.nets.join(' ')}`;
    case 'value':
      return `value ${fault.designator} ${fault.times}`;
    case 'exchanged':
      return `exchanged ${fault.designators.join(' ')}`;
    case 'inputs':
      return `inputs ${fault.designator} ${fault.unit}`;
    case 'unset':
      return `unset ${fault.designator} ${fault.end}`;
    case 'stuck':
      return `stuck ${fault.key} ${fault.level}`;
    case 'supply':
      return `supply ${fault.designator} ${fault.state}`;
    case 'ldr':
      return `ldr ${fault.state}`;
    case 'pair':
      return `pair ${fault.faults.map(keyOf).sort().join(' + ')}`;
    case 'reversed':
    case 'other-polarity':
    case 'unpowered':
    case 'no-common-ground':
    case 'codes':
      return `${fault.kind} ${fault.designator}`;
  }
}

/** The parts that a fault is at. */
export function partsAt(fault: Fault): readonly string[] {
  if ('designator' in fault) return [fault.designator];
  if (fault.kind === 'pair') return fault.faults.flatMap(partsAt);
  return fault.kind === 'exchanged' ? fault.designators : [];
}
