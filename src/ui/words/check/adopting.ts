import { precise } from '@/core/quantity/notation';
import type { Sharpened } from '@/core/points/adopt';
import type { KnownLight } from '@/core/points/switchesAt';
import type { Adoption } from '@/core/points/adoptions';
import { GAP } from '@/core/quantity/format';
import { ohms, partOhms, volts } from '../figures';

const within = (share: number) => `±${precise(200 * share, 2)}${GAP}%`;

const MEASURED = ', measured';
/** A part of a kind that was measured itself. */
export const measuredName = (name: string) => `${name.replace(MEASURED, '')}${MEASURED}`;

/** What a measurement would change, and what that does. */
export function adoptionText(
  { what, designator, before, after, stdAfter }: Adoption,
  lightBefore: string | null,
  lightAfter: string | null,
): string {
  const moves =
    lightBefore === lightAfter || lightAfter === null
      ? ''
      : ` It then switches at ${lightAfter}, not at ${lightBefore ?? 'no light'}.`;
  switch (what) {
    case 'supply':
      return `The supply gives ${volts(after)}, not ${volts(before)}, ${within(stdAfter)}.${moves}`;
    case 'resistor':
      return `${designator} is ${partOhms(after)}, not ${partOhms(before)}, ${within(stdAfter)}.${moves}`;
    case 'gain':
      return `${designator}’s β is ${precise(after, 3)}, where ${precise(before, 3)} is typical, ${within(stdAfter)}: for this one, not for the next of its kind.${moves}`;
    case 'ldr':
      return `${designator} has ${ohms(after)} in that light: one reading more.${moves}`;
  }
}

/** Where it turns on by all that was measured together, beside what its parts alone say. */
export function switchesText(
  { before, after }: { readonly before: KnownLight; readonly after: KnownLight },
  light: (lux: number) => string,
): string {
  const between = ({ lowLux, highLux }: KnownLight) => `between ${light(lowLux)} and ${light(highLux)}`;
  return `By all of it together this build turns on at ${light(after.lux)}, in 95 of 100 ${between(after)}. Before anything was measured it was ${between(before)}.`;
}

/** What became of one thing that was guessed. */
export function sharpenedText({ factor, mean, std, priorStd }: Sharpened): string {
  const narrower = `known ${precise(priorStd / std, 2)} times closer`;
  switch (factor.of) {
    case 'ldr':
      return `LDR: ${percentText(Math.expm1(factor.std * mean))} resistance against its curve, ${within(factor.std * std)}; ${narrower}.`;
    case 'ldr-slope':
      return `LDR’s slope γ: ${signed(factor.std * mean)}, ±${precise(2 * factor.std * std, 1)}; ${narrower}.`;
    case 'resistor':
      return `${factor.designator}: ${percentText(factor.tolerance * mean)}, ${within(factor.tolerance * std)}; ${narrower}.`;
    case 'gain':
      return `${factor.designator}’s β: ${percentText(Math.expm1(factor.lnMiddle + factor.lnHalf * mean))} against the typical, ${within(factor.lnHalf * std)}; ${narrower}.`;
    case 'supply':
    case 'load-supply': {
      const half = (factor.highShare - factor.lowShare) / 2;
      const middle = (factor.highShare + factor.lowShare) / 2;
      return `Supply: ${percentText(middle + half * mean - 1)}, ${within(half * std)}; ${narrower}.`;
    }
    case 'base-volts':
      return `${factor.designator}’s base–emitter voltage: ${narrower}.`;
    case 'gate-threshold':
      return `${factor.designator}’s gate threshold: ${narrower}.`;
    case 'offset':
      return `The detector’s offset: ${narrower}.`;
    case 'thresholds':
      return `${factor.designator}’s thresholds: ${narrower}.`;
    case 'light-meter':
    case 'warmth':
      return `${narrower}.`;
  }
}

const signed = (value: number) => `${value < 0 ? '−' : '+'}${precise(Math.abs(value), 2)}`;
const percentText = (share: number) => `${share < 0 ? '−' : '+'}${precise(Math.abs(100 * share), 2)}${GAP}%`;
