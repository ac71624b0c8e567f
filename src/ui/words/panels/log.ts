/** Words of recording a time log. */
export const logWords = {
  elsewhere: 'Recording in another tab',
  follows:
    'This tab follows it, and goes on recording by itself when that tab is closed. Marks are set over there.',
  busyElsewhere: 'Another tab is recording for this project. End its log first.',
  ended: 'Ended',
  tryAgain: 'Try again',
  saveCsv: 'Save it as CSV',
  drop: 'Drop it',
} as const;
