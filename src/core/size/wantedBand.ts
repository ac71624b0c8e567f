import { dynamicsOf, lagSecondsOf } from '../ldr/dynamics';
import { minBandRatio, type Unsteadiness } from '../light/minBand';
import { loadDefinition } from '../loads/registry';
import type { Project } from '../project/project';

/** What real parts may fall short of the band asked for. */
const IN_HAND = 1.03;

/** The least band of a project, and what is asked for so that real parts reach it. */
/** Own light that reaches the goal is more than any band covers: what is shown then is so much too wide. */
const LEAST_LUX = 1e-3;

export interface WantedBand {
  readonly minRatio: number;
  readonly askedRatio: number;
  /** The light at which it turns off with the least band. */
  readonly offLux: number;
}

/** How wide a project's band must be under a shadow and a lamp's ripple, with its own light and its LDR's lag. */
export function wantedBand(
  { goal, feedbackLux, part, loads }: Pick<Project, 'goal' | 'feedbackLux' | 'part' | 'loads'>,
  unsteady: Pick<Unsteadiness, 'shadowShare' | 'rippleShare'>,
): WantedBand {
  const isDark = goal.action === 'on-in-dark';
  const [first] = loads;
  const isLitWhenOff = first !== undefined && loadDefinition(first).isLitWhenOff(first);
  // What shines in the light its own light only holds there. What shines in the dark begins to as the load comes on at the goal; on a
  // contact that is closed without its coil, as it goes off so far below the goal that its own light does not reach that.
  const beginsAt = isLitWhenOff ? Math.max(LEAST_LUX, goal.lux - feedbackLux) : goal.lux;
  const minRatio = minBandRatio({
    ...unsteady,
    ownShare: isDark === isLitWhenOff ? 0 : feedbackLux / beginsAt,
    lagSeconds: lagSecondsOf(dynamicsOf(part)),
  });
  const offLux = isDark ? goal.lux * minRatio : goal.lux / minRatio;
  return { minRatio, askedRatio: minRatio * IN_HAND, offLux };
}
