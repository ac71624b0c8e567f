import { GROUND } from '../circuit/netlist';
import { offsetOf } from './comparators';
import type { Switching, LadderSettings, OutputLevel } from './decider';
import type { Part } from './description';
import type { CircuitInput } from './stage';

/** How many comparators a ladder may have. */
export const LADDER_STEPS = { min: 2, max: 8 } as const;

/** The node between two resistors of the string, from the lower end: the reference of comparator `step`, 1 for the first. */
const tap = (step: number) => (step === 1 ? 'ref' : `ref.${step}`);
export const ladderOut = (step: number) => `out.${step}`;

/**
 * Comparators on one string of resistors, each sinking a load of its own from the supply; as a dot each load hangs between
 * two outputs, so that only the one whose two outputs differ is on. Step 1 is the first to come.
 */
export function switchingByLadder(settings: LadderSettings, input: CircuitInput): Switching {
  const { part, stringOhms, moreIn } = settings;
  const steps = stringOhms.length - 1;
  const parts: Part[] = stringOhms.map((ohms, index) => {
    // The string's resistors from the top: R31 leads from the supply to the highest tap.
    const [above, below] = [steps - index + 1, steps - index];
    return {
      kind: 'resistor',
      designator: `R${31 + index}`,
      role: 'reference',
      a: index === 0 ? 'supply' : tap(above),
      b: below === 0 ? GROUND : tap(below),
      ohms,
    };
  });
  const risesWithLight = input.ldrSide === 'top';
  // Where the midpoint rises towards more of them, the lowest tap is passed first; else the highest one.
  const midRises = (moreIn === 'light') === risesWithLight;
  const tapOf = (step: number) => tap(midRises ? step : steps + 1 - step);
  for (let step = 1; step <= steps; step++) {
    const [plus, minus] = midRises ? [tapOf(step), 'mid'] : ['mid', tapOf(step)];
    const designator = `IC${step}`;
    parts.push({ kind: 'comparator', designator, part, plus, minus, out: ladderOut(step), top: 'supply', bottom: GROUND }); // prettier-ignore
  }
  const offsetVolts = offsetOf(part, input.grade);
  const statesWith = (count: number): Record<string, OutputLevel> =>
    Object.fromEntries(
      Array.from(
        { length: steps },
        (_, index) => [`IC${index + 1}`, index < count ? 'low' : 'high'] as const,
      ),
    );
  const counts = Array.from({ length: steps + 1 }, (_, count) => count);
  const fromDark = moreIn === 'light' ? counts : [...counts].reverse();
  const sense = risesWithLight ? 1 : -1;
  return {
    parts,
    out: ladderOut(1),
    states: fromDark.map(statesWith),
    levels: fromDark.map((count) => (count > 0 ? 'low' : 'high')),
    boundaries: fromDark.slice(1).map((count, index) => {
      const trip = {
        plus: 'mid',
        minus: tapOf(Math.max(count, fromDark[index] ?? 0)),
        share: 1,
        offsetVolts,
      };
      return { sense, rising: trip, falling: trip };
    }),
  };
}
