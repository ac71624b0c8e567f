import type { Level } from '@/core/readings/reading';
import { tables, useRecords } from './useRecords';

const none: readonly Level[] = [];

/** The light levels that this browser keeps for every project. */
export function useLevels(): readonly Level[] {
  return useRecords(tables.levels) ?? none;
}
