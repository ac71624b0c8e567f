import type { Project } from '../project/project';
import type { Say } from './adviseDrive';
import type { Design } from './analysis';
import { ownLightFacts } from './ownLight';
import { beamFacts } from './tripBeam';

/** What the load's own light and a beam do to the design. */
export function sayLight(project: Project, design: Omit<Design, 'advice' | 'states'>, say: Say) {
  const { ownLux, beam, decider } = project;
  // Neither has one light at which it turns on and off.
  if (decider.kind === 'ladder' || decider.kind === 'change') return;
  if (ownLux > 0) {
    const { verdict, mostLux } = ownLightFacts(design, ownLux);
    if (verdict !== 'steady')
      say(verdict === 'blinks' ? 'cannot' : 'look', { code: 'own-light', verdict, ownLux, mostLux: mostLux ?? 0 }); // prettier-ignore
  }
  if (!beam) return;
  const facts = beamFacts(design, beam);
  const mend = { kind: 'goal-at', lux: facts.goalLux } as const;
  const { ambientLux, beamLux } = beam;
  if ((facts.brokenMargin ?? 0) <= 1)
    say('cannot', { code: 'beam-missed', isBroken: true, lux: ambientLux, thresholdLux: facts.brokenBelowLux }, mend); // prettier-ignore
  else if ((facts.wholeMargin ?? 0) <= 1)
    say('cannot', { code: 'beam-missed', isBroken: false, lux: ambientLux + beamLux, thresholdLux: facts.wholeAboveLux }, mend); // prettier-ignore
}
