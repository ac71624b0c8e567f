import type { Project } from '../project/project';
import type { Say } from './adviseDrive';
import type { Design } from './analysis';
import { feedbackLightFacts } from './ownLight';
import { beamFacts } from './tripBeam';

/** What the load's own light and a beam do to the design. */
export function sayLight(project: Project, design: Omit<Design, 'advice' | 'states'>, say: Say) {
  const { feedbackLux, beam, detector } = project;
  // Neither has one light at which it turns on and off.
  if (detector.kind === 'ladder' || detector.kind === 'change') return;
  if (feedbackLux > 0) {
    const { verdict, maxLux } = feedbackLightFacts(design, feedbackLux);
    if (verdict !== 'steady')
      say(verdict === 'blinks' ? 'cannot' : 'look', { code: 'feedback-light', verdict, feedbackLux, maxLux: maxLux ?? 0 }); // prettier-ignore
  }
  if (!beam) return;
  const facts = beamFacts(design, beam);
  const fix = { kind: 'goal-at', lux: facts.goalLux } as const;
  const { ambientLux, beamLux } = beam;
  if ((facts.brokenMargin ?? 0) <= 1)
    say('cannot', { code: 'beam-missed', isBroken: true, lux: ambientLux, thresholdLux: facts.brokenBelowLux }, fix); // prettier-ignore
  else if ((facts.wholeMargin ?? 0) <= 1)
    say('cannot', { code: 'beam-missed', isBroken: false, lux: ambientLux + beamLux, thresholdLux: facts.wholeAboveLux }, fix); // prettier-ignore
}
