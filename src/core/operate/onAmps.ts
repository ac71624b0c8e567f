import { loadDefinition, type Load } from '../loads/registry';
import type { Assembly } from './assembly';
import type { FullDrive } from './fullDrive';

/**
 * What a load counts as fully on by, in A: its current with the switch driven hard, but no less than what is needed for anything
 * to be seen of it. Of one that a supply cannot feed half of next to nothing is not "half on".
 */
export const onAmpsOf = (load: Load, amps: number): number => {
  const { showsShare, nominalAmps } = loadDefinition(load);
  return Math.max(amps, showsShare * nominalAmps(load));
};

/** The same of all loads together. */
export const allOnAmps = ({ loads }: Pick<Assembly, 'loads'>, full: FullDrive): number =>
  loads.reduce((sum, { load }, index) => {
    const amps = full.loadAmps[index] ?? 0;
    return sum + onAmpsOf(load, amps) - amps;
  }, full.amps);

interface Fed {
  readonly amps: number;
  readonly onAmps: number;
}

/** Whether a load gets so little with the switch driven hard that nothing, or hardly anything, is to be seen of it. */
export const isStarved = ({ amps, onAmps }: Fed): boolean => amps < STARVED_SHARE * onAmps;
const STARVED_SHARE = 0.9;

/** Whether all of them do. */
export const areStarved = (loads: readonly Fed[]): boolean => loads.length > 0 && loads.every(isStarved);
