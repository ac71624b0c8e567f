import { findRoot } from '../../numeric/findRoot';
import { nearestOhms } from '../../series/stock';
import type { DetectorBench, Sized } from '../bench';
import { betweenMidpoints } from '../betweenMidpoints';
import type { ComparatorSettings } from './settings';
import { outputLevels, tripBranch, type Levels } from './trips';

type Bench = DetectorBench<ComparatorSettings>;

/** The reference at the best threshold between two midpoints. */
export function referenceBetween(
  settings: ComparatorSettings,
  bench: Bench,
  darkVolts: number,
  lightVolts: number,
): Sized<ComparatorSettings> | null {
  const { supplyVolts, lowVolts } = bench.divider;
  const between = betweenMidpoints(supplyVolts, darkVolts, lightVolts, lowVolts);
  const exact = between && topFor(settings, bench, between.volts);
  if (exact === null) return null;
  const { bottomOhms } = settings.reference;
  const topOhms = nearestOhms(bench.stock, exact);
  return { settings: { ...settings, reference: { topOhms, bottomOhms, trimmer: null } } };
}

/**
 * The upper resistor of a comparator's reference that puts the middle of its band (in the LDR's resistance) at a midpoint,
 * by the closed forms with the output at either of its solved levels; without feedback the threshold itself. `null` where
 * none does.
 */
function topFor(settings: ComparatorSettings, bench: Bench, volts: number): number | null {
  const { divider } = bench;
  const { supplyVolts, fixedOhms, ldrSide, lowVolts = 0 } = divider;
  const { bottomOhms } = settings.reference;
  const plain = bottomOhms * (supplyVolts / volts - 1);
  if (!(plain > 0)) return null;
  const { feedbackOhms, sensorOhms } = settings;
  const levels = feedbackOhms === null ? null : outputLevels(settings, bench);
  if (feedbackOhms === null || !levels) return plain;
  const share = (volts - lowVolts) / (supplyVolts - volts);
  const wanted = Math.log(ldrSide === 'bottom' ? fixedOhms * share : fixedOhms / share);
  const over = (lnTop: number) => {
    const parts = { fixedOhms, bottomOhms, feedbackOhms, sensorOhms, topOhms: Math.exp(lnTop) };
    const at = (level: Levels['whenOn']) => Math.log(tripBranch(divider, settings, parts, level) ?? NaN);
    return (at(levels.whenOn) + at(levels.whenOff)) / 2 - wanted;
  };
  const near = Math.log(plain);
  const root = findRoot(over, near - NEAR_PLAIN, near + NEAR_PLAIN, { tolerance: 1e-4 });
  return root.ok ? Math.exp(root.x) : plain;
}

/** Feedback moves the upper resistor by no more than this from what it is without, as ln of the ratio. */
const NEAR_PLAIN = Math.log(2);
