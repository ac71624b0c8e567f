import { entryFor } from '@/core/record';
import type { Advice, CornerPlace, Finding } from '@/core/advise/advice';
import { detectorSentences, outputSentences } from './detectorFindings';
import { divideSentences } from './divideFindings';
import { driverSentences } from './driverFindings';
import { celsius, lux, volts } from '../figures';
import type { LightText } from '../light';
import { loadSentences, supplySentences } from './loadFindings';
import { measureSentences } from './measureFindings';
import type { Sentences } from './sentences';

/** An end that a design may meet, and how far it works towards it. */
function placeText(place: CornerPlace): readonly [string, string] {
  switch (place.corner) {
    case 'flat':
    case 'fresh': {
      const { corner, feeds, volts: there, endsVolts, isOfCell } = place;
      const each = isOfCell ? ' a cell' : '';
      const [when, way] =
        corner === 'flat' ? ['flat or at its lowest', 'down'] : ['fresh or at its highest', 'up'];
      const supply = { both: 'supply', sensor: 'sensor side’s supply', load: 'load’s supply' }[feeds];
      return [
        `With the ${supply} ${when} (${volts(there)}${each})`,
        ` It works ${way} to ${volts(endsVolts)}${each}.`,
      ];
    }
    case 'cold':
    case 'hot':
      return [
        place.corner === 'cold'
          ? `In the cold, at ${celsius(place.celsius)},`
          : `In heat, at ${celsius(place.celsius)},`,
        ` It works ${place.corner === 'cold' ? 'down' : 'up'} to ${celsius(place.endsCelsius)}.`,
      ];
    case 'weak':
    case 'strong': {
      const { corner, beta: gain, thresholdVolts } = place;
      const which = corner === 'weak' ? 'weakest' : 'strongest';
      const figure = gain === null ? `threshold ${volts(thresholdVolts ?? 0)}` : `β ${gain}`;
      return [`With the ${which} transistor of its kind (${figure})`, ''];
    }
  }
}

const sentences: Sentences<Finding> = {
  ...measureSentences,
  ...divideSentences,
  ...detectorSentences,
  ...outputSentences,
  ...driverSentences,
  ...loadSentences,
  ...supplySentences,
  'at-corner': (finding, light) => {
    const [when, until] = placeText(finding);
    return `${when} it stops working. ${findingSentence(finding.inner, light)}${until}`;
  },
};

/** A finding as a sentence or two. */
export function findingSentence(finding: Finding | Advice, light: LightText): string {
  // One sentence a code, each for its own finding.
  const sentence = entryFor<(finding: Finding, light: LightText) => string>(sentences, finding.code)(
    finding,
    light,
  );
  return 'ofLoad' in finding && finding.ofLoad ? `${finding.ofLoad.designator}: ${sentence}` : sentence;
}

/** An advice as a sentence or two: what it is, the figure, what to do. @param light how the project shows its lights */
export function adviceSentence(advice: Advice, light: LightText = lux): string {
  return findingSentence(advice, light);
}
