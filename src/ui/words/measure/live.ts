import type { HandsFreePhase } from '@/core/live/handsFree';
import type { Level, ReadingLight } from '@/core/readings/reading';
import { readingLightText } from '../light';
import type { LineRefusal } from '@/core/live/lineProtocol';
import type { SourceKind, SourceState, SourceTrouble } from '@/devices/meterSource';

export const sourceNames: Readonly<Record<SourceKind, string>> = {
  bench: 'simulated bench',
  keyboard: 'keyboard',
  serial: 'serial port',
  replay: 'replay of a log',
};

export const sourceStates: Readonly<Record<SourceState, string>> = {
  opening: 'opening …',
  open: 'connected',
  lost: 'connection lost: coming back by itself …',
  closed: 'not connected',
};

const lineRefusals: Readonly<Record<LineRefusal, string>> = {
  torn: 'a torn line',
  'not-a-number': 'a line that is no number',
  'not-positive': 'a resistance that is not above zero',
  impossible: 'a resistance outside 1 Ω to 1 GΩ',
  'beyond-codes': 'a code beyond the converter’s bits',
  'at-rail': 'a code at the end of the scale, which says nothing of the LDR',
};

/** What went wrong at a source, in one sentence. @param badLines how many lines could not be read so far */
export function troubleSentence(trouble: SourceTrouble, badLines: number): string {
  switch (trouble.code) {
    case 'line': {
      const line = trouble.line === '' ? '' : ` (“${trouble.line}”)`;
      const more = badLines > 1 ? ` ${badLines} lines so far; is the baud rate right?` : '';
      return `The port sent ${lineRefusals[trouble.reason]}${line}; it was left out.${more}`;
    }
    case 'unplugged':
      return 'The port was lost. All that came before is kept: plug it in and connect again.';
    case 'not-chosen':
      return 'No port was chosen.';
    case 'port-busy':
      return 'The port cannot be opened: another program may be using it.';
    case 'unsupported':
      return 'This browser offers no serial ports. Use one with Web Serial, or type the readings.';
    case 'no-bench':
      return 'The server gives no bench just now. Try again in a moment; all that came before is kept.';
    case 'ended':
      return 'The log has been played to its end.';
  }
}

/** What the hands are to do now, as it is shown large and spoken. @param light the planned light; `null` in a free series */
export function nextInstruction(
  news: 'next' | 'not-yet' | 'done',
  light: ReadingLight | null,
  levels: readonly Level[],
): string {
  if (news === 'done') return 'All lights of the plan are read.';
  if (light === null) return 'Change the light, and let it rest.';
  const text = readingLightText(light, levels);
  const wanted =
    light.kind === 'lamp'
      ? `Set the lamp to ${text}.`
      : light.kind === 'lamp-off'
        ? 'Switch the lamp off.'
        : `Make the light ${text}.`;
  return news === 'not-yet' ? `Not yet. ${wanted}` : wanted;
}

export const handsFreePhases: Readonly<Record<HandsFreePhase, string>> = {
  set: 'waiting for the light to change',
  settle: 'waiting for the figure to come to rest',
  'wrong-way': 'the figure went the other way: is it the light that was asked for?',
};
