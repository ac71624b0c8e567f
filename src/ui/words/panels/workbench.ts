/** Labels of what stands around the steps. */
export const workbenchWords = {
  thisCircuitHas:
    'This circuit has no operating point that can be found. Undo the last change, or try another resistor.',
  keys: 'Keys',
  thisProjectIs: 'This project is damaged',
  thisProjectIsNot: 'This project is not in this browser',
  itMayHave: 'It may have been deleted, or it lives in another browser: export it there and import it here.',
  backToYour: 'Back to your projects',
  keepAsCopy: 'Keep it as a copy',
} as const;
