import { around } from '../../light/crossing';
import { logSpacedLux, type LightRange } from '../../light/range';
import { memoize } from '../../memoize';
import type { CircuitAnalysis } from '../analysis';
import { DesignCircuit } from '../designCircuit';
import type { SwitchPoints } from './acrossLight';
import { isCrossedApart, stepsOf } from './boundaries';
import { passOver, withSteps, type Curves } from './pass';

/** How many lights the curves are drawn through, evenly on the axis and more closely where the load climbs. */
const EVEN_COUNT = 65;
const CLOSE_COUNT = 33;
/** Behind a detector the curves are a divider's, smooth between its steps: lines through so many are off by a few thousandths at most. */
const DETECTOR_COUNT = 41;

/** A design's curves over light, from dark to bright, through so many lights that nobody sees the corners. */
export interface DrawnCurves extends Curves {
  /** The same curves as it gets darker, where a detector is passed elsewhere then; the others are as it gets brighter. */
  readonly falling: Curves | null;
}

/** What of a design its curves hang on. */
export type DrawnDesign = SwitchPoints &
  Pick<CircuitAnalysis, 'input' | 'conditions' | 'range' | 'ldr' | 'assembly' | 'thresholds'>;

/** The open design, and one beside it. */
const KEPT = 2;

/**
 * The curves of a design, solved light by light under the conditions that it was analysed under. Several parts of the screen ask
 * for the same.
 * @returns `null` where one light has no operating point
 */
export function drawnCurves(design: DrawnDesign): DrawnCurves | null {
  const { input, conditions, range, ldr, assembly, thresholds, justOff, half, fullyOn } = design;
  return solved({ input, conditions, range, ldr, assembly, thresholds, justOff, half, fullyOn });
}

const solved = memoize((design: DrawnDesign): DrawnCurves | null => {
  const { input, conditions, range, ldr, assembly, thresholds } = design;
  const live = new DesignCircuit(input, ldr, conditions, assembly);
  const lux = thresholds
    ? withSteps(logSpacedLux(range, DETECTOR_COUNT), stepsOf(thresholds.boundaries))
    : Float64Array.of(...logSpacedLux(range, EVEN_COUNT), ...closely(design)).sort();
  const up = passOver(live, lux, { way: 'rising' });
  if (!up) return null;
  if (!thresholds?.boundaries.some(isCrossedApart)) return { ...up.curves, falling: null };
  const down = passOver(live, lux, { way: 'falling', other: up });
  return down && { ...up.curves, falling: down.curves };
}, KEPT);

/** Lights more closely where the load climbs, with a margin; none where it does not switch on the axis. */
function closely({ range, justOff, half, fullyOn }: DrawnDesign): Iterable<number> {
  const climbs = climbOf({ justOff, half, fullyOn }, range);
  return climbs ? logSpacedLux(climbs, CLOSE_COUNT) : [];
}

/** The stretch of light in which a load climbs, with a margin; `null` where it does not switch on the axis. */
export function climbOf({ justOff, half, fullyOn }: SwitchPoints, range: LightRange): LightRange | null {
  const lights = [justOff, half, fullyOn].flatMap((point) => (point.ok ? [point.lux] : []));
  if (lights.length === 0) return null;
  return {
    minLux: around(Math.min(...lights), SWITCHING_MARGIN, range).minLux,
    maxLux: around(Math.max(...lights), SWITCHING_MARGIN, range).maxLux,
  };
}

/** How far beyond its outer points the load's curve is still bent, as a ratio of light. */
const SWITCHING_MARGIN = 1.4;
