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

/** Whether the loads get so little with the switch driven hard that nothing, or hardly anything, is to be seen of them. */
export const isStarved = ({
  fullAmps,
  onAmps,
}: {
  readonly fullAmps: number;
  readonly onAmps: number;
}): boolean => fullAmps < STARVED_SHARE * onAmps;
const STARVED_SHARE = 0.9;
