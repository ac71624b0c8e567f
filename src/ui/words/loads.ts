import { loadOf, type Load } from '@/core/loads/registry';
import { ledNames } from './leds';
import { loadNames } from './names';

/** A load in a word or two: `red LED`, `6 red LEDs`, `relay`. */
export function loadText(load: Load): string {
  const led = loadOf(load, 'led');
  if (!led) return loadNames[load.kind];
  const count = led.inSeries * led.strings;
  return count === 1 ? `${ledNames[led.led]} LED` : `${count} ${ledNames[led.led]} LEDs`;
}

/** What hangs on a switch, in a few words. */
export function loadsText(loads: readonly Load[]): string {
  const [first] = loads;
  if (!first) return '';
  return loads.length === 1 ? loadText(first) : `${loadText(first)} and ${loads.length - 1} more`;
}
