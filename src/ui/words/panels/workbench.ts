/** Labels of what stands around the steps. */
export const workbenchWords = {
  thisCircuitHas:
    'This circuit has no operating point that can be found. Undo the last change, or try another resistor.',
  thisProjectIs: 'This project is damaged',
  thisProjectIsNot: 'This project is not in this browser',
  itMayHave: 'It may have been deleted, or it lives in another browser: export it there and import it here.',
  backToYour: 'Back to your projects',
  keepAsCopy: 'Keep it as a copy',
  sentence: 'The design in one sentence',
  sentenceTurns: 'Turns',
  sentenceOn: 'on',
  sentenceBy: 'switched by',
  sentenceFrom: 'from',
  sentenceLoadSupply: 'the load from its own',
  sentenceLoad: 'What it turns on',
  sentenceGoal: 'When it turns on, and off again',
  sentenceDetector: 'What switches it',
  sentenceSupply: 'Supply',
  offAbove: 'Off again above',
  offBelow: 'Off again below',
  notSet: 'not set',
  findBand: 'Find parts for both lights',
  noBand:
    'No parts in stock give these two lights. Take two that lie nearer or further apart, or more values into stock in step 2.',
  offNeedsDetector:
    'A light to turn off at is kept by a comparator with hysteresis or a microcontroller. Choose one as what switches it.',
  nothingAgainst: 'No drawbacks found.',
} as const;
