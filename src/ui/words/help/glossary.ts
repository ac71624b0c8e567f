/** A term of the field in plain words. */
export interface Term {
  readonly term: string;
  /** Other ways in which it stands on the screen. */
  readonly also?: readonly string[];
  readonly means: string;
}

/** Every term that needs a word, in the order of the alphabet. */
export const glossary: readonly Term[] = [
  { term: 'Action', means: 'Whether the load is on in the dark or in the light.' },
  {
    term: 'β',
    also: ['gain', 'minimum β'],
    means:
      'Current gain of a transistor: how many times its base current it lets through. It differs twofold and more from part to part, so designs keep to the least that the datasheet promises.',
  },
  {
    term: 'Comparator',
    means:
      'An IC that tells which of two voltages is higher: its output is either high or low, with nothing between.',
  },
  {
    term: 'Darlington',
    means:
      'Two transistors in one case, the first driving the second: a gain of thousands, for 0.6 V more at its input.',
  },
  {
    term: 'Detector',
    also: ['Switched by', 'Switching'],
    means:
      'What turns the voltage at the midpoint into on or off: a transistor by itself, a comparator, a timer, a microcontroller.',
  },
  {
    term: 'Divider',
    also: ['midpoint', 'Midpoint'],
    means:
      'Two resistances in a row across the supply, here the LDR and R1. The point between them, A, has a share of the supply that moves with the light.',
  },
  {
    term: 'Drop-out',
    also: ['drops out'],
    means: 'The coil voltage at which a relay drops out again: far below the one at which it pulls in.',
  },
  {
    term: 'ΔAICc',
    also: ['AICc'],
    means:
      'How much worse one curve explains the readings than another, with a fine for each figure that it has more. Under 2 there is nothing between them; over 10 it is settled.',
  },
  {
    term: 'Feedback light',
    also: ['own light'],
    means:
      'Light of the load that falls on the LDR. More of it than the band between on and off makes a load blink that is on in the dark.',
  },
  {
    term: 'Forced β',
    also: ['forced β'],
    means:
      'Load current over base current: what the transistor is asked for. 10 to 20 drives it fully on; near its own β the load stays dim.',
  },
  {
    term: 'γ',
    also: ['gamma', 'slope γ'],
    means:
      'How steeply an LDR answers to light: at 0.7, ten times the light makes its resistance five times smaller.',
  },
  {
    term: 'Goal',
    means: 'The light at which the load should turn on, and the one at which it should turn off again.',
  },
  { term: 'Guaranteed', means: 'What the weakest part that the datasheet allows still does.' },
  {
    term: 'Hysteresis',
    also: ['hysteresis', 'band'],
    means:
      'Turning off at another light than on. It keeps a load from flickering while the light wavers about one value.',
  },
  { term: 'LDR', means: 'Light-dependent resistor, or photoresistor: the more light, the less resistance.' },
  {
    term: 'Lux',
    also: ['lx'],
    means:
      'How much light falls on a surface. Full moon 0.2 lx, a street at night 10, a living room 100, an overcast day 5000, sun 50 000.',
  },
  { term: 'Offset', means: 'A comparator is off by a few thousandths of a volt, each a little otherwise.' },
  {
    term: 'Open collector',
    means: 'An output that can only pull down. It needs a resistor to plus, the pull-up, to come up again.',
  },
  {
    term: 'Pull-in',
    also: ['pull-in', 'pulls in'],
    means: 'The coil voltage from which a relay switches: about three quarters of its rated voltage.',
  },
  {
    term: 'R10',
    also: ['R10'],
    means: 'The LDR’s resistance at 10 lx: with γ it says what the LDR has in any light.',
  },
  {
    term: 'Ratings',
    also: ['rated'],
    means: 'What a part stands for long: volts, amps, watts. Half of it keeps it cool.',
  },
  {
    term: 'Saturates',
    also: ['saturated'],
    means:
      'A transistor that is driven so hard that it lets through all that the load asks for, and stays cool.',
  },
  {
    term: 'Sizing methods',
    means: 'Rules by which R1 is chosen. They answer different questions, so they give different values.',
  },
  {
    term: 'Spread',
    also: ['tolerance'],
    means: 'How far parts that are sold as the same differ: an LDR by a factor of 1.6, a resistor by 5 %.',
  },
  {
    term: 'Stability',
    also: ['drift'],
    means: 'How far the switching light moves with warmth and with a sagging supply.',
  },
  { term: 'Threshold', means: 'The voltage at which a detector changes over.' },
  {
    term: 'Transition band',
    also: ['transition band'],
    means:
      'A transistor by itself has no edge: from just off to fully on the light has to change by some factor. In between the load is dim.',
  },
  { term: 'Trimmer', means: 'A small variable resistor that is set once with a screwdriver.' },
  {
    term: 'V_BE',
    also: ['base–emitter voltage'],
    means:
      'Voltage between base and emitter of a transistor that conducts: 0.6 to 0.7 V, 2 mV less for each degree of warmth.',
  },
];

/** The term that a label is about; `null` where it needs none. The longest that it holds as whole words. */
export function termIn(label: string): Term | null {
  let found: Term | null = null;
  let length = 0;
  for (const entry of glossary)
    for (const name of [entry.term, ...(entry.also ?? [])])
      if (name.length > length && holds(label, name)) [found, length] = [entry, name.length];
  return found;
}

const LETTER = /[\p{L}\p{N}_]/u;

function holds(label: string, name: string): boolean {
  const at = label.toLowerCase().indexOf(name.toLowerCase());
  if (at < 0) return false;
  const [before, after] = [label[at - 1] ?? ' ', label[at + name.length] ?? ' '];
  return !LETTER.test(before) && !LETTER.test(after);
}

/** The entries with every word of a search. */
export function searchedTerms(words: string): readonly Term[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return glossary.filter(({ term, also = [], means }) => {
    const text = `${term} ${also.join(' ')} ${means}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
