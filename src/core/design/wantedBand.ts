import { dynamicsOf, lagSecondsOf } from '../ldr/dynamics';
import { leastBandRatio, type Unsteadiness } from '../light/leastBand';
import type { Project } from '../project/project';

/** What real parts may fall short of the band asked for. */
const IN_HAND = 1.03;

/** The least band of a project, and what is asked for so that real parts reach it. */
export interface WantedBand {
  readonly leastRatio: number;
  readonly askedRatio: number;
  /** The light at which it turns off with the least band. */
  readonly offLux: number;
}

/** How wide a project's band must be under a shadow and a lamp's ripple, with its own light and its LDR's lag. */
export function wantedBand(
  { goal, ownLux, part }: Pick<Project, 'goal' | 'ownLux' | 'part'>,
  unsteady: Pick<Unsteadiness, 'shadowShare' | 'rippleShare'>,
): WantedBand {
  const isDark = goal.action === 'on-in-dark';
  const leastRatio = leastBandRatio({
    ...unsteady,
    // On in the light its own light only holds it on.
    ownShare: isDark ? ownLux / goal.lux : 0,
    lagSeconds: lagSecondsOf(dynamicsOf(part)),
  });
  const offLux = isDark ? goal.lux * leastRatio : goal.lux / leastRatio;
  return { leastRatio, askedRatio: leastRatio * IN_HAND, offLux };
}
