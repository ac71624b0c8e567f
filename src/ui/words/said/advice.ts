import { entryFor } from '@/core/record';
import type { Advice, Finding } from '@/core/advise/advice';
import { detectorSentences, outputSentences } from './detectorFindings';
import { divideSentences } from './divideFindings';
import { driverSentences } from './driverFindings';
import { lux } from '../figures';
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
};

/** An advice as a sentence or two: what it is, the figure, what to do. @param light how the project shows its lights */
export function adviceSentence(advice: Advice, light: LightText = lux): string {
  // One sentence a code, each for its own finding.
  const sentence = entryFor<(finding: Finding, light: LightText) => string>(sentences, advice.code);
  return sentence(advice, light);
}
