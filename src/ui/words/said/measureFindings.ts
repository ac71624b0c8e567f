import { fixed } from '@/core/quantity/notation';
import type { MeasureFinding } from '@/core/advise/advice';
import { lampNames } from '../measure/measuring';
import type { Sentences } from './sentences';

/** What is said of the readings. */
export const measureSentences: Sentences<MeasureFinding> = {
  'typical-ldr': (finding) => typicalSentence(finding),
  'bag-ldr': ({ bagCount }) =>
    `No readings of this LDR yet: the mean of the ${bagCount} from its bag stands in, with the spread of the bag.`,
  'odd-readings': ({ count }) =>
    count === 1
      ? 'One reading does not agree with the others. Look at it below the entry line, and correct it or set it aside.'
      : `${count} readings do not agree with the others. Look at them below the entry line, and correct them or set them aside.`,
  'mixed-lamps': ({ lamps }) =>
    `These readings mix ${lamps.map((lamp) => lampNames[lamp]).join(' and ')}: an LDR sees each differently, by some tens of per cent. A factor for each is allowed for; keep to one lamp where you can.`,
  'left-out': ({ count }) =>
    `${count === 1 ? 'One reading is' : `${count} readings are`} in no fit: nothing gives ${count === 1 ? 'its light' : 'their lights'} in the unit of the others. Give the named levels lux, read two rungs with the lamp, or choose the LDR that was the light meter.`,
  'gamma-impossible': ({ gamma }) =>
    `A γ of ${fixed(gamma, 2)} is no photoresistor’s (0.2–1.5): light or resistance is off by a factor that grows. Check the prefixes, or the unit of the light.`,
  'background-unread': () =>
    'The background is not read. Switch the lamp off and take one reading, or the far rungs count as darker than they are.',
  'layers-alone': () =>
    'Layers alone cannot give γ: it is taken as 0.70 ± 0.15 and each light is an estimate. Take one reading at another distance.',
  'two-readings': () =>
    'Two readings always fit a line. Take a third at another light: it shows how good the line is.',
  'gamma-unusual': ({ gamma }) =>
    `A γ of ${fixed(gamma, 2)} is rare for an LDR (0.5–0.9). Check the readings for a slipped prefix.`,
  'goal-outside-readings': ({ goalLux, minLux, maxLux }, light) =>
    `The goal of ${light(goalLux)} lies outside what was measured (${light(minLux)} to ${light(maxLux)}). Take one reading near it.`,
};

function typicalSentence({ why, count, ofChange }: Extract<MeasureFinding, { code: 'typical-ldr' }>): string {
  switch (why) {
    case 'all-above':
      return 'Every reading is over the meter’s range, which says only “above this”. Take one in more light, or on a higher range. Until then a typical LDR stands in.';
    case 'not-falling':
      return 'The resistance does not fall with light in these readings, so the typical LDR stands in. Check which figure is which.';
    case 'one-light':
      return `${count === 1 ? 'One reading is' : 'Readings at one light are'} not enough for a curve. Add one at a different light; until then a typical LDR stands in.`;
    default:
      return `No readings yet, so a typical LDR stands in: yours may ${ofChange ? 'answer to a somewhat smaller or larger change' : 'switch at half or twice the light'}. Take two readings at different lights.`;
  }
}
