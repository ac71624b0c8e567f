import type { Load } from '@/core/loads/registry';
import { ledNames } from './leds';
import { loadNames } from './names';

/** A load in a word or two: `red LED`, `6 red LEDs`, `relay`. */
export function loadText(load: Load): string {
  if (load.kind !== 'led') return loadNames[load.kind];
  const count = load.inSeries * load.strings;
  return count === 1 ? `${ledNames[load.led]} LED` : `${count} ${ledNames[load.led]} LEDs`;
}

/** What hangs on a switch, in a few words. */
export function loadsText(loads: readonly Load[]): string {
  const [first] = loads;
  if (!first) return '';
  return loads.length === 1 ? loadText(first) : `${loadText(first)} and ${loads.length - 1} more`;
}
