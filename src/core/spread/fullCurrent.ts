import type { CircuitAnalysis } from '../analyse/analysis';
import { circuitInput } from '../analyse/circuitInput';
import { fullDrive } from '../operate/fullDrive';
import type { Project } from '../project/project';
import type { Factor } from './factors';

/** Supplies at which the full current is found: a line between them. */
const POINTS = 5;

/** The loads' full current with the supply that feeds them at a share of its own, in A. @returns of the share */
export function fullCurrentOver(
  project: Project,
  analysis: Pick<CircuitAnalysis, 'full'>,
  factors: readonly Factor[],
): (supplyShare: number) => number {
  const supply = factors.find((factor) => factor.of === (project.loadSupply ? 'load-supply' : 'supply'));
  const [low, high] = supply && 'lowShare' in supply ? [supply.lowShare, supply.highShare] : [1, 1];
  const typical = analysis.full.amps;
  if (high <= low) return () => typical;
  const input = circuitInput(project);
  const { supply: own, loadSupply } = input;
  const amps = Float64Array.from({ length: POINTS }, (_, index) => {
    const share = low + ((high - low) * index) / (POINTS - 1);
    const full = fullDrive(
      loadSupply
        ? { ...input, loadSupply: { ...loadSupply, volts: loadSupply.volts * share } }
        : { ...input, supply: { ...own, volts: own.volts * share } },
    );
    return full?.amps ?? typical;
  });
  return (share) => {
    const place = Math.min(POINTS - 1.000001, Math.max(0, ((share - low) / (high - low)) * (POINTS - 1)));
    const left = Math.floor(place);
    const [from, to] = [amps[left] ?? 0, amps[left + 1] ?? 0];
    return from + (place - left) * (to - from);
  };
}
