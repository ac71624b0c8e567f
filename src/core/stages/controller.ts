import { GROUND } from '../circuit/netlist';
import type { ComparatorPart } from './comparators';
import { onLevel, type ControllerSettings, type Switching, type OutputLevel, type Trip } from './decider';
import type { CircuitInput } from './stage';

/**
 * What an analogue-to-digital converter reads: `floor(V/Vref·2ⁿ)`, at most 2ⁿ − 1 and at least 0.
 * @example adcCode(3.564, 5, 10) // 729
 */
export function adcCode(volts: number, refVolts: number, bits: number): number {
  const codes = 2 ** bits;
  return Math.min(codes - 1, Math.max(0, Math.floor((volts / refVolts) * codes)));
}

/** The least voltage that reads as a code: `code·Vref/2ⁿ`. */
export function adcVolts(code: number, refVolts: number, bits: number): number {
  return (code * refVolts) / 2 ** bits;
}

/** What a microcontroller's supply may be at most, in V. */
export const MAX_CONTROLLER_VOLTS = 5.5;

/** A pin that drives: low resistance to either rail. */
const PIN_OHMS = 35;

/** A pin as an output. Its inputs take nothing. */
function pinOf({ maxPinAmps }: ControllerSettings): ComparatorPart {
  return {
    id: 'pin',
    name: '',
    kind: 'push-pull',
    offsetVolts: 0,
    biasAmps: 0,
    inputLowVolts: 0,
    inputHighVolts: 0,
    lowVolts: 0,
    highVolts: 0,
    outputOhms: PIN_OHMS,
    maxAmps: maxPinAmps,
    idleAmps: 0.005,
    minSupplyVolts: 1.8,
    maxSupplyVolts: MAX_CONTROLLER_VOLTS,
  };
}

/**
 * A microcontroller that compares its readings with two codes; its program drives the pin so that the load is on when it
 * should be.
 */
export function switchingByController(settings: ControllerSettings, input: CircuitInput): Switching {
  const { bits, refVolts, onCode, offCode, onWhen } = settings;
  // The code is at least so high: from the voltage that just reads as it. Or at most: up to the next code's.
  const atLeast = (code: number): Trip => tripAt(code, refVolts, bits);
  const atMost = (code: number): Trip => tripAt(code + 1, refVolts, bits);
  const [on, off] =
    onWhen === 'above' ? [atLeast(onCode), atMost(offCode)] : [atMost(onCode), atLeast(offCode)];
  const sense = input.ldrSide === 'top' ? 1 : -1;
  const isOnInLight = (sense === 1) === (onWhen === 'above');
  const level = onLevel(settings, input.part);
  const other: OutputLevel = level === 'high' ? 'low' : 'high';
  const levels: readonly OutputLevel[] = isOnInLight ? [other, level] : [level, other];
  return {
    parts: [
      { kind: 'comparator', designator: 'IC1', part: pinOf(settings), plus: 'mid', minus: 'mid', out: 'out', top: 'supply', bottom: GROUND }, // prettier-ignore
    ],
    out: 'out',
    states: levels.map((each) => ({ IC1: each })),
    levels,
    boundaries: [isOnInLight ? { sense, rising: on, falling: off } : { sense, rising: off, falling: on }],
  };
}

function tripAt(code: number, refVolts: number | null, bits: number): Trip {
  const share = code / 2 ** bits;
  return refVolts === null
    ? { plus: 'mid', minus: 'supply', share, offsetVolts: 0 }
    : { plus: 'mid', minus: GROUND, share: 0, offsetVolts: -share * refVolts };
}

/** What each figure may be. */
export const CONTROLLER_LIMITS = {
  bits: { min: 6, max: 16 },
  refVolts: { min: 0.5, max: 6 },
  code: { min: 0, max: 65_535 },
  samples: { min: 1, max: 1000 },
  minOnSeconds: { min: 0, max: 86_400 },
  maxPinAmps: { min: 0.001, max: 0.1 },
} as const;
