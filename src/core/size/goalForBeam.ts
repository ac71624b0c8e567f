import { analyseCircuit } from '../analyse/analyseCircuit';
import { beamFacts } from '../analyse/tripBeam';
import { changeGoal } from '../project/edits';
import type { Project } from '../project/project';
import { resized } from './resize';

/** Another resistor changes the band, and the band where the goal should be: so often it is looked at again. */
const ROUNDS = 4;
/** Nearer than this, as a ratio, the goal is where it should be. */
const NEAR = 1.005;

/** The goal where a beam's two lights lie as far from either side of the band, and the design on it; as it was without a beam. */
export function goalForBeam(project: Project): Project {
  const { beam } = project;
  let now = project;
  for (let round = 0; beam !== null && round < ROUNDS; round++) {
    const solved = analyseCircuit(now);
    if (!solved.ok) break;
    const { goalLux: lux, goalOffLux: offLux } = beamFacts(solved.analysis, beam, now);
    if (round > 0 && Math.abs(Math.log(lux / now.goal.lux)) < Math.log(NEAR)) break;
    now = resized(changeGoal({ lux, offLux })(now));
  }
  return now;
}
