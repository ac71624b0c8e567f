/** Written by `npm run palette`. */
export const paletteIndex = [
  {
    name: 'By hand',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Ladder',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Live',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Time log',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Saved LDRs',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Meter',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Meters, light meter and levels',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Light',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Resistance',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Add',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Kind of lamp',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Note',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'CSV in',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'CSV out',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Another LDR, same lights R',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'How found: A curve with a dark floor',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Next: size the divider',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Probe: the light at which every figure is shown',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Goal: the load turns on below this light',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Fold',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Figures',
    step: 'measure',
    way: 'By hand',
  },
  {
    name: 'Nearest rung',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Lamp’s largest size',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Stops',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Start anew',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Meter shows',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Skip this rung',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'End the ladder',
    step: 'measure',
    way: 'Ladder',
  },
  {
    name: 'Disconnect',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Distance of the lamp',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Light of the lamp',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Light of the room',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Lamp on',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'LDR covered',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Flickering screen',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Meter on the bench',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Range on the bench',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'How hard the bench makes it',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Show the hidden figures',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Hold H',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Capture C',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Light of the capture',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Before it has settled',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Start F',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Tones',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Speak',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Skip it',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Drop the plan',
    step: 'measure',
    way: 'Live',
  },
  {
    name: 'Pause',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'End the log',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'What happens now',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Mark M',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: '1 min',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Name of the log',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Note of the log',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Stretch from',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Stretch to',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Light in this stretch',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Take as reading',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Find the step in it',
    step: 'measure',
    way: 'Time log',
  },
  {
    name: 'Name',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Size',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Bought at',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Colour mark',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Rated voltage',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Rise time',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Fall time',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'Save this LDR',
    step: 'measure',
    way: 'Saved LDRs',
  },
  {
    name: 'IEC',
    step: 'divide',
    way: null,
  },
  {
    name: 'ANSI',
    step: 'divide',
    way: null,
  },
  {
    name: 'Save the schematic as SVG',
    step: 'divide',
    way: null,
  },
  {
    name: 'Save the schematic as PNG',
    step: 'divide',
    way: null,
  },
  {
    name: 'Supply',
    step: 'divide',
    way: null,
  },
  {
    name: 'LDR above',
    step: 'divide',
    way: null,
  },
  {
    name: 'LDR below',
    step: 'divide',
    way: null,
  },
  {
    name: 'R1 in use',
    step: 'divide',
    way: null,
  },
  {
    name: 'Use this trimmer',
    step: 'divide',
    way: null,
  },
  {
    name: 'In series, R4',
    step: 'divide',
    way: null,
  },
  {
    name: 'Across it, R5',
    step: 'divide',
    way: null,
  },
  {
    name: 'Warmest where it sits',
    step: 'divide',
    way: null,
  },
  {
    name: 'Values',
    step: 'divide',
    way: null,
  },
  {
    name: 'Trimmers',
    step: 'divide',
    way: null,
  },
  {
    name: 'Two may stand for one, in series or parallel',
    step: 'divide',
    way: null,
  },
  {
    name: 'Next: set the switch',
    step: 'divide',
    way: null,
  },
  {
    name: 'Continue as variant B',
    step: 'switch',
    way: null,
  },
  {
    name: 'Compare',
    step: 'switch',
    way: null,
  },
  {
    name: 'Switched by',
    step: 'switch',
    way: null,
  },
  {
    name: 'Kind',
    step: 'switch',
    way: null,
  },
  {
    name: 'Part',
    step: 'switch',
    way: null,
  },
  {
    name: 'Custom part…',
    step: 'switch',
    way: null,
  },
  {
    name: 'LDR directly',
    step: 'switch',
    way: null,
  },
  {
    name: 'How found: Three points of one curve',
    step: 'switch',
    way: null,
  },
  {
    name: 'How found: Forced β',
    step: 'switch',
    way: null,
  },
  {
    name: 'Next: drive the load',
    step: 'switch',
    way: null,
  },
  {
    name: 'The load adds at the LDR',
    step: 'switch',
    way: null,
  },
  {
    name: 'Or: LDR with the load on',
    step: 'switch',
    way: null,
  },
  {
    name: '± supply',
    step: 'switch',
    way: null,
  },
  {
    name: 'Base to emitter R6',
    step: 'switch',
    way: null,
  },
  {
    name: 'Output is',
    step: 'switch',
    way: null,
  },
  {
    name: 'Base resistor R3',
    step: 'switch',
    way: null,
  },
  {
    name: 'Goal: the load turns off above this light',
    step: 'switch',
    way: null,
  },
  {
    name: 'Off again above',
    step: 'switch',
    way: null,
  },
  {
    name: 'Find parts',
    step: 'switch',
    way: null,
  },
  {
    name: 'Midpoint in the dark',
    step: 'switch',
    way: null,
  },
  {
    name: 'Midpoint in the light',
    step: 'switch',
    way: null,
  },
  {
    name: 'Steps',
    step: 'switch',
    way: null,
  },
  {
    name: 'Step 1 at',
    step: 'switch',
    way: null,
  },
  {
    name: 'Step 2 at',
    step: 'switch',
    way: null,
  },
  {
    name: 'Step 3 at',
    step: 'switch',
    way: null,
  },
  {
    name: 'Step 4 at',
    step: 'switch',
    way: null,
  },
  {
    name: 'Step 5 at',
    step: 'switch',
    way: null,
  },
  {
    name: 'Find the string',
    step: 'switch',
    way: null,
  },
  {
    name: 'Equal resistors',
    step: 'switch',
    way: null,
  },
  {
    name: 'Goal: the load turns on above this light',
    step: 'switch',
    way: null,
  },
  {
    name: 'On between',
    step: 'switch',
    way: null,
  },
  {
    name: 'Find the string for these two lights',
    step: 'switch',
    way: null,
  },
  {
    name: 'Goal: the load turns off below this light',
    step: 'switch',
    way: null,
  },
  {
    name: 'Off again below',
    step: 'switch',
    way: null,
  },
  {
    name: 'Use the codes for these lights',
    step: 'switch',
    way: null,
  },
  {
    name: 'On code',
    step: 'switch',
    way: null,
  },
  {
    name: 'Off code',
    step: 'switch',
    way: null,
  },
  {
    name: 'Bits',
    step: 'switch',
    way: null,
  },
  {
    name: 'Full scale',
    step: 'switch',
    way: null,
  },
  {
    name: 'Readings averaged',
    step: 'switch',
    way: null,
  },
  {
    name: 'Stays on at least',
    step: 'switch',
    way: null,
  },
  {
    name: 'A pin gives at most',
    step: 'switch',
    way: null,
  },
  {
    name: 'From a steady light of',
    step: 'switch',
    way: null,
  },
  {
    name: 'Coupling capacitor C1',
    step: 'switch',
    way: null,
  },
  {
    name: 'Gain',
    step: 'switch',
    way: null,
  },
  {
    name: 'Trigger',
    step: 'switch',
    way: null,
  },
  {
    name: 'Fires when it dims by, %',
    step: 'switch',
    way: null,
  },
  {
    name: 'Ripple of its lamp, %',
    step: 'switch',
    way: null,
  },
  {
    name: 'Pulse',
    step: 'switch',
    way: null,
  },
  {
    name: 'Capacitor C2',
    step: 'switch',
    way: null,
  },
  {
    name: 'Time for each capacitor',
    step: 'switch',
    way: null,
  },
  {
    name: 'Load',
    step: 'drive',
    way: null,
  },
  {
    name: 'Coil',
    step: 'drive',
    way: null,
  },
  {
    name: 'Switches',
    step: 'drive',
    way: null,
  },
  {
    name: 'Its current',
    step: 'drive',
    way: null,
  },
  {
    name: 'It is on the mains',
    step: 'drive',
    way: null,
  },
  {
    name: 'Contacts rated for',
    step: 'drive',
    way: null,
  },
  {
    name: 'Through a larger relay or contactor',
    step: 'drive',
    way: null,
  },
  {
    name: 'Another load on the same switch',
    step: 'drive',
    way: null,
  },
  {
    name: 'Give the load its own supply',
    step: 'drive',
    way: null,
  },
  {
    name: 'From, sensor side',
    step: 'drive',
    way: null,
  },
  {
    name: 'Cells in series, sensor',
    step: 'drive',
    way: null,
  },
  {
    name: 'Cells, sensor',
    step: 'drive',
    way: null,
  },
  {
    name: 'Voltage',
    step: 'drive',
    way: null,
  },
  {
    name: 'Capacity',
    step: 'drive',
    way: null,
  },
  {
    name: 'Its own resistance',
    step: 'drive',
    way: null,
  },
  {
    name: 'Share of dark hours',
    step: 'drive',
    way: null,
  },
  {
    name: 'Kind',
    step: 'drive',
    way: null,
  },
  {
    name: 'In a row',
    step: 'drive',
    way: null,
  },
  {
    name: 'Rows',
    step: 'drive',
    way: null,
  },
  {
    name: 'Current wanted',
    step: 'drive',
    way: null,
  },
  {
    name: 'How found: Series resistor of the LED',
    step: 'drive',
    way: null,
  },
  {
    name: 'R2 in use',
    step: 'drive',
    way: null,
  },
  {
    name: 'Live',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'A day',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Builds',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Predict',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Hand over it H',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Cover C',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Torch T',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Leaf L',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Cloud W',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Headlights A',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Room lamp R',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Screen V',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Sunset in a minute S',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Pause P',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'From the start',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Sound',
    step: 'try',
    way: 'Live',
  },
  {
    name: 'Latitude, ° north',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Longitude, ° east',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Clock ahead of UTC, h',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Date',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Window looks to, ° from north over east',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Kept off by walls or a tube, %',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Weather',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Cars an hour',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'A room lamp',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Another day of the sort',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Run the day',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'It should turn on at',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Set the goal to that light',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Work out the year',
    step: 'try',
    way: 'A day',
  },
  {
    name: 'Coldest, °C',
    step: 'try',
    way: 'Builds',
  },
  {
    name: 'Warmest, °C',
    step: 'try',
    way: 'Builds',
  },
  {
    name: 'Switching light may be off by, %',
    step: 'try',
    way: 'Builds',
  },
  {
    name: 'Build them',
    step: 'try',
    way: 'Builds',
  },
  {
    name: 'Try what pays',
    step: 'try',
    way: 'Builds',
  },
  {
    name: 'Parts',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Board',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Wiring',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Sheet',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Program',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Built so many times',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Spare small parts of each kind',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Copy the list',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Save as CSV',
    step: 'build',
    way: 'Parts',
  },
  {
    name: 'Breadboard',
    step: 'build',
    way: 'Board',
  },
  {
    name: 'From the solder side',
    step: 'build',
    way: 'Board',
  },
  {
    name: 'Done, next Enter',
    step: 'build',
    way: 'Wiring',
  },
  {
    name: 'Back ⌫',
    step: 'build',
    way: 'Wiring',
  },
  {
    name: 'Go on by itself',
    step: 'build',
    way: 'Wiring',
  },
  {
    name: 'Plus',
    step: 'build',
    way: 'Wiring',
  },
  {
    name: 'All else',
    step: 'build',
    way: 'Wiring',
  },
  {
    name: 'Paper',
    step: 'build',
    way: 'Sheet',
  },
  {
    name: 'Save as PDF',
    step: 'build',
    way: 'Sheet',
  },
  {
    name: 'Print',
    step: 'build',
    way: 'Sheet',
  },
  {
    name: 'Input pin',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'Output pin',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'C++',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'MicroPython',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'Copy',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'Save',
    step: 'build',
    way: 'Program',
  },
  {
    name: 'Test points',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'Faults',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'Practice',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'Logbook',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'In the dark',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'In the light',
    step: 'check',
    way: 'Test points',
  },
  {
    name: 'Plain',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Any fault',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Hard to see',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Hide a fault',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Choose what is wrong',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Say it',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'Show it',
    step: 'check',
    way: 'Practice',
  },
  {
    name: 'What happened',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Kind',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Drop a photo here, or click',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Write it down',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Save as Markdown',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Save as CSV',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Report of the whole project',
    step: 'check',
    way: 'Logbook',
  },
  {
    name: 'Search',
    step: 'check',
    way: 'Logbook',
  },
] as const;
