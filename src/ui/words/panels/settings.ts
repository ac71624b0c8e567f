import type { DecimalMark, DistanceUnit } from '@/core/quantity/notation';
import type { SymbolStyle } from '../../settings/settings';
import type { LookChoice } from '../../theme/tokens';

/** Labels of the settings. */
export const settingsWords = {
  title: 'Settings',
  decimal: 'Decimals',
  distance: 'Distances',
  symbols: 'Circuit symbols',
  symbolsNote: 'a resistor as a box, or as a zigzag',
  look: 'Look',
  systemNote: 'dark bench where the system is dark',
  sound: 'Sound',
  soundNote: 'where it is chosen: tones, buzzers, a voice',
  forAll:
    'These hold for every project in this browser. Tables, project files and programs keep points and metres, whatever is set here.',
} as const;

export const decimalNames: Readonly<Record<DecimalMark, string>> = { point: 'Point', comma: 'Comma' };
export const distanceNames: Readonly<Record<DistanceUnit, string>> = {
  metric: 'cm and m',
  inches: 'Inches and feet',
};
export const symbolNames: Readonly<Record<SymbolStyle, string>> = { iec: 'IEC', ansi: 'ANSI' };
export const lookNames: Readonly<Record<LookChoice, string>> = {
  day: 'Day',
  'dark-bench': 'Dark bench',
  system: 'As the system',
};
