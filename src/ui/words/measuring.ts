import type { FloorKind } from '@/core/ldr/maximumLikelihood';
import type { MeterId } from '@/core/meter/meter';

/** The kinds of meter, by how they count. */
export const meterNames: Readonly<Record<MeterId, string>> = {
  'manual-2000': '2000 counts, range by hand',
  'auto-6000': '6000 counts, auto range',
  'bench-20000': '20 000 counts, bench',
};

export const curveNames: Readonly<Record<FloorKind, string>> = {
  power: 'power law',
  dark: 'with a dark floor',
  bright: 'with a bright floor',
  both: 'with both floors',
};
