import { dynamicsOf, lagSecondsOf } from '../ldr/dynamics';
import { minBandRatio, type Unsteadiness } from '../light/minBand';
import type { Project } from '../project/project';

/** What real parts may fall short of the band asked for. */
const IN_HAND = 1.03;

/** The least band of a project, and what is asked for so that real parts reach it. */
export interface WantedBand {
  readonly minRatio: number;
  readonly askedRatio: number;
  /** The light at which it turns off with the least band. */
  readonly offLux: number;
}

/** How wide a project's band must be under a shadow and a lamp's ripple, with its own light and its LDR's lag. */
export function wantedBand(
  { goal, feedbackLux, part }: Pick<Project, 'goal' | 'feedbackLux' | 'part'>,
  unsteady: Pick<Unsteadiness, 'shadowShare' | 'rippleShare'>,
): WantedBand {
  const isDark = goal.action === 'on-in-dark';
  const minRatio = minBandRatio({
    ...unsteady,
    // On in the light its own light only holds it on.
    ownShare: isDark ? feedbackLux / goal.lux : 0,
    lagSeconds: lagSecondsOf(dynamicsOf(part)),
  });
  const offLux = isDark ? goal.lux * minRatio : goal.lux / minRatio;
  return { minRatio, askedRatio: minRatio * IN_HAND, offLux };
}
