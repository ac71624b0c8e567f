import type { Level } from '@/core/readings/reading';
import { useRecords } from './useRecords';

const none: readonly Level[] = [];

/** The light levels that this browser keeps for every project. */
export function useLevels(): readonly Level[] {
  return useRecords('levels') ?? none;
}
