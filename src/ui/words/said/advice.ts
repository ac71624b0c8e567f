import { entryFor } from '@/core/record';
import type { Advice, Finding } from '@/core/advise/advice';
import { detectorSentences, outputSentences } from './detectorFindings';
import { divideSentences } from './divideFindings';
import { driverSentences } from './driverFindings';
import { lux, volts } from '../figures';
import type { LightText } from '../light';
import { loadSentences, supplySentences } from './loadFindings';
import { measureSentences } from './measureFindings';
import type { Sentences } from './sentences';

const sentences: Sentences<Finding> = {
  ...measureSentences,
  ...divideSentences,
  ...detectorSentences,
  ...outputSentences,
  ...driverSentences,
  ...loadSentences,
  ...supplySentences,
  'at-corner': ({ corner, feeds, volts: there, endsVolts, isOfCell, inner }, light) => {
    const each = isOfCell ? ' a cell' : '';
    const [when, way] =
      corner === 'flat' ? ['flat or at its lowest', 'down'] : ['fresh or at its highest', 'up'];
    const supply = { both: 'supply', sensor: 'sensor side’s supply', load: 'load’s supply' }[feeds];
    return `With the ${supply} ${when} (${volts(there)}${each}) it stops working. ${findingSentence(inner, light)} It works ${way} to ${volts(endsVolts)}${each}.`;
  },
};

/** A finding as a sentence or two. */
export function findingSentence(finding: Finding, light: LightText): string {
  // One sentence a code, each for its own finding.
  return entryFor<(finding: Finding, light: LightText) => string>(sentences, finding.code)(finding, light);
}

/** An advice as a sentence or two: what it is, the figure, what to do. @param light how the project shows its lights */
export function adviceSentence(advice: Advice, light: LightText = lux): string {
  return findingSentence(advice, light);
}
