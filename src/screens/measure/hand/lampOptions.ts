import { lampKinds } from '@/core/readings/reading';
import { lampNames } from '@/ui/words/measure/measuring';

/** Lamps to choose from for a reading. @param none what it says where no lamp is noted, which is '' */
export const lampOptions = (none: string): { value: string; label: string }[] => [
  { value: '', label: none },
  ...lampKinds.map((value) => ({ value, label: lampNames[value] })),
];
