/** What the keys do: the list that `?` opens, and what the palette finds. */
export const keyList: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'find any action or field'],
  ['1 … 7', 'go to a step of the chain'],
  ['← →', 'move the probe'],
  ['Page ↑ ↓', 'move the probe by a third of a decade'],
  ['Shift ← →', 'move the goal'],
  ['Alt', 'with any of these: ten times finer'],
  ['Enter', 'take what was typed'],
  ['Esc', 'bring the old value back'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['H', 'hold the live figure'],
  ['C', 'capture the live figure as a reading'],
  ['R', 'read another LDR at the same lights'],
  ['M', 'set a mark in the time log'],
  ['Enter or space', 'in Wiring: done, next step'],
  ['Backspace', 'in Wiring: a step back'],
  ['R', 'on the board: turn a part round'],
  ['N', 'dark bench, and back'],
  ['?', 'this list'],
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
