import type { LedKindId } from '@/core/loads/led';

export const ledNames: Readonly<Record<LedKindId, string>> = {
  infrared: 'infrared',
  red: 'red',
  amber: 'amber',
  green: 'green',
  blue: 'blue',
  white: 'white',
  'warm-white': 'warm white',
  own: 'own',
};
