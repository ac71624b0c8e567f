import { GROUND } from '../../circuit/netlist';
import type { Net, OutputLevel } from '../../parts/base';
import type { DetectorContext, LoadOutputs } from '../definition';
import { comparators, resistor } from '../drafts';
import { edgeUnits } from '../edgeBand';
import { otherLevel, type DetectorCircuit } from '../switching';
import { INTO_LOAD, type DetectorOutput } from '../fields';
import type { LadderSettings } from './settings';

/** The net between two resistors of the string, from the lower end: the reference of comparator `step`, 1 for the first. */
const tap = (step: number): Net => (step === 1 ? 'ref' : `ref.${step}`);
const out = (step: number): Net => `out.${step}`;
const key = (step: number) => `step-${step}`;
const stepsOf = ({ stringOhms }: LadderSettings) => stringOhms.length - 1;

/** A ladder's midpoint rises towards more steps: the lowest tap is crossed first; else the highest one. */
const midRises = ({ moreIn }: LadderSettings, ldrSide: DetectorContext['ldrSide']) =>
  (moreIn === 'light') === (ldrSide === 'top');

/** What its outputs drive. A dot's loads hang between two outputs each, which no transistor could take the place of. */
export const ladderOutput = ({ shows, output }: Pick<LadderSettings, 'shows' | 'output'>): DetectorOutput =>
  shows === 'dot' || output.to === 'load' ? INTO_LOAD : output;

/** The side of the divider that the LDR is on, and the level at which an output has its load on. */
type Wired = Pick<DetectorContext, 'ldrSide' | 'onLevel'>;

/** Where each step's comparator stands, by its step from 1: its tap's place from the lower end, and what its plus input takes. */
export function ladderEdge(settings: LadderSettings, { ldrSide, onLevel }: Wired, step: number) {
  const rises = midRises(settings, ldrSide);
  const number = rises ? step : stepsOf(settings) + 1 - step;
  // Once it has come, the midpoint has passed the tap the way it goes towards more steps.
  const takesMid = rises === (onLevel === 'high');
  return { tap: tap(number), place: number - 1, out: out(step), takesMid, index: step - 1 };
}

/**
 * Comparators on one string of resistors, each sinking a load of its own from the supply or driving a transistor that carries
 * one; as a dot each load hangs between two outputs, so that only the one whose two outputs differ is on. Step 1 is the first
 * to come.
 */
export function ladderCircuit(settings: LadderSettings, context: DetectorContext): DetectorCircuit {
  const { part, stringOhms, moreIn, hysteresis, pullUpOhms } = settings;
  const { ldrSide, onLevel } = context;
  const isPulledUp = part.kind === 'open-collector' && ladderOutput(settings).to === 'transistor';
  const steps = stepsOf(settings);
  const wired = edgeUnits(
    Array.from({ length: steps }, (_, index) => {
      const edge = ladderEdge(settings, context, index + 1);
      const [plus, minus] = edge.takesMid ? ['mid', edge.tap] : [edge.tap, 'mid'];
      return { key: key(index + 1), plus, minus, out: edge.out };
    }),
    part,
    hysteresis,
  );
  const units = wired.map(({ unit }) => unit);
  const statesWith = (count: number): Record<string, OutputLevel> =>
    Object.fromEntries(
      units.map(({ key: unit }, index) => [unit, index < count ? onLevel : otherLevel[onLevel]]),
    );
  const counts = Array.from({ length: steps + 1 }, (_, count) => count);
  const fromDark = moreIn === 'light' ? counts : [...counts].reverse();
  return {
    drafts: [
      // From the top: the first resistor leads from the supply to the highest tap.
      ...stringOhms.map((ohms, index) =>
        resistor(
          'string',
          index === 0 ? 'supply' : tap(steps - index + 1),
          index === steps ? GROUND : tap(steps - index),
          ohms,
          index,
        ),
      ),
      ...comparators(part, units),
      ...wired.flatMap(({ drafts }) => drafts),
      ...(isPulledUp
        ? units.map((unit, index) => resistor('pull-up', 'supply', unit.out, pullUpOhms, index))
        : []),
    ],
    switching: {
      out: out(1),
      states: fromDark.map(statesWith),
      levels: fromDark.map((count) => (count > 0 ? onLevel : otherLevel[onLevel])),
      boundaries: fromDark.slice(1).flatMap((count, index) => {
        const step = Math.max(count, fromDark[index] ?? 0);
        const trip = wired[step - 1]?.trip;
        return trip ? [{ sense: ldrSide === 'top' ? 1 : -1, rising: trip, falling: trip }] : [];
      }),
    },
  };
}

/** What each step drives; as a dot each load hangs on the next step's output besides its own. */
export function ladderLoads(settings: LadderSettings): LoadOutputs {
  const steps = stepsOf(settings);
  const isDot = settings.shows === 'dot';
  return {
    each: Array.from({ length: steps }, (_, index) => ({
      out: out(index + 1),
      hot: isDot && index < steps - 1 ? out(index + 2) : null,
    })),
    isOneAtATime: isDot,
  };
}
