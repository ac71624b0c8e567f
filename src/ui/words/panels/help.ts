interface KeyEntry {
  readonly keys: string;
  readonly does: string;
  /** What finds the same in the palette; `null` for keys that only mean something in a field or in the palette itself. */
  readonly finds: string | null;
}

const keysFor = (keys: string, does: string, finds: string | null = null): KeyEntry => ({
  keys,
  does,
  finds,
});

/** What the keys do: the list that `?` opens, and what the palette finds. */
export const keyList: readonly KeyEntry[] = [
  keysFor('Ctrl K', 'find any action or field'),
  keysFor('1 … 7', 'go to a step of the chain', 'Go to step 3'),
  keysFor('← →', 'move the probe', 'Probe: the light'),
  keysFor('Page ↑ ↓', 'move the probe by a third of a decade', 'Probe: the light'),
  keysFor('Shift ← →', 'move the goal', 'Goal: the load'),
  keysFor('Alt', 'with any of these: ten times finer'),
  keysFor('Enter', 'take what was typed'),
  keysFor('Esc', 'bring the old value back'),
  keysFor('Ctrl Z', 'undo', 'Undo'),
  keysFor('Ctrl Shift Z', 'redo', 'Redo'),
  keysFor('H', 'hold the live figure', 'Hold'),
  keysFor('C', 'capture the live figure as a reading', 'Capture'),
  keysFor('R', 'read another LDR at the same lights', 'Another LDR'),
  keysFor('M', 'set a mark in the time log', 'Mark'),
  keysFor('Enter or space', 'in Wiring: done, next step', 'Done, next'),
  keysFor('Backspace', 'in Wiring: a step back', 'Back ⌫'),
  keysFor('R', 'on the board: turn a part round', 'Board'),
  keysFor('N', 'dark bench, and back', 'Dark bench'),
  keysFor('?', 'this list', 'Keys'),
];

/** Labels of help, palette and tour. */
export const helpWords = {
  title: 'Help',
  keys: 'Keys',
  words: 'Words',
  explain: 'Explain this design',
  searchWords: 'Search the words',
  noWord: 'No such word here.',
  print: 'Print it',
  tour: 'Tour of six stops',
  palette: 'Find an action or a field',
  notHere: 'This design has no',
  nothingFound: 'Nothing here has that name.',
  goTo: 'Go to step',
  here: 'on this page',
  howFound: 'How its figures are found',
  tourNext: 'Next',
  tourBack: 'Back',
  tourEnd: 'Done',
} as const;

/** The six stops of the tour: what each points at, by a selector, and what it says. */
export const tourStops = [
  {
    target: 'section[data-tour=sentence]',
    title: 'What it is for',
    text: 'The design in one sentence. Each underlined word opens what changes it: the light, the load, what switches, the supply.',
  },
  {
    target: 'nav[aria-label="Signal chain"]',
    title: 'The way of the signal',
    text: 'Seven steps from the LDR to the load, each with its figure and how it stands. Go to any of them, in any order.',
  },
  {
    target: '[data-tour=axis]',
    title: 'One light axis',
    text: 'Dark at the left, bright at the right. Drag the probe, and every figure shows what a meter would at that light.',
  },
  {
    target: '[data-tour=schematic]',
    title: 'The circuit',
    text: 'What is drawn is what is computed. Click a value to change it where it stands.',
  },
  {
    target: '[data-tour=left]',
    title: 'What to set',
    text: 'The fields of this step. Values are typed as on a part: 4k7, 470, 2M2. A dotted word is explained by a click.',
  },
  {
    target: 'button[aria-label=Keys]',
    title: 'Help, whenever',
    text: 'Keys, words and this design told in eight sentences. Ctrl K finds any action or field. The tour is here as well.',
  },
] as const;
