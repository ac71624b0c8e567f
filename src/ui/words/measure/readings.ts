import { precise } from '@/core/quantity/notation';
import type { DistanceRefusal } from '@/core/light/ladder';
import type { ShownRefusal } from '@/core/meter/shown';
import type { Flag } from '@/core/readings/judge';
import type { NextReading } from '@/core/readings/nextReading';
import type { LightRefusal } from '@/core/readings/parseLight';
import type { Reading, ReadingLight } from '@/core/readings/reading';
import { formatPercentOff } from '@/core/quantity/format';
import { ohms, partOhms, percent } from '../figures';
import { distanceExample } from '../light';
import { quantityRefusal } from '../refusals';

const distanceRefusals: Readonly<Record<DistanceRefusal, () => string>> = {
  empty: () => `Type a distance, such as ${distanceExample()}.`,
  'not-a-distance': () => `Not a distance. Write it like ${distanceExample()}.`,
  'too-near': () => 'Nearer than 5 mm no lamp has a distance.',
  'too-far': () => 'Farther than 100 m no bench lamp is seen.',
};

export const distanceRefusal = (reason: DistanceRefusal) => distanceRefusals[reason]();

/** Why a light was not taken, in one sentence. */
export function lightRefusal(refusal: LightRefusal): string {
  switch (refusal.reason) {
    case 'lux':
      return refusal.refusal.reason === 'zero'
        ? 'Complete dark has no place on a logarithmic axis: name it instead, such as “covered”, or type 0.001.'
        : quantityRefusal(refusal.refusal, 'lx');
    case 'ldr':
      return quantityRefusal(refusal.refusal, 'Ω');
    case 'distance':
      return distanceRefusal(refusal.refusal);
    case 'empty':
      return `Type a light: 12 for lux, ${distanceExample()} from the lamp, or a name such as “hall, evening”.`;
    case 'not-a-light':
      return `Not a light. Type 12 for lux, ${distanceExample()} from the lamp, or a name of at least two letters.`;
    case 'name-too-long':
      return 'A name has up to 40 letters.';
    case 'too-many-layers':
      return 'Up to 50 layers.';
    case 'layers-without-distance':
      return `Say the distance too, such as ${distanceExample()} x2.`;
  }
}

/** Why a figure on the meter was not taken, in one sentence. */
export function shownRefusal(refusal: ShownRefusal): string {
  if (refusal.reason === 'empty') return 'Type what the meter shows, such as 12.34, 4k7 or OL.';
  if (refusal.reason !== 'beyond-range') return quantityRefusal(refusal, 'Ω');
  const better =
    refusal.betterOhms === null
      ? 'no range of this meter can'
      : `the ${partOhms(refusal.betterOhms)} range can`;
  return `The ${partOhms(refusal.fullOhms)} range cannot show ${ohms(refusal.ohms)}; ${better}.`;
}

const factorNames: Readonly<Record<string, string>> = {
  '0.001': 'a thousand times too small',
  '0.01': 'a hundred times too small',
  '0.1': 'ten times too small',
  '10': 'ten times too large',
  '100': 'a hundred times too large',
  '1000': 'a thousand times too large',
};

/** What is odd about a reading, in one sentence. @param name the reading's light as it was told @param nameOf another's */
export function flagSentence(
  flag: Flag,
  reading: Reading,
  name: string,
  nameOf: (id: string) => string,
): string {
  const figure = `${reading.above ? 'above ' : ''}${ohms(reading.ohms)} at ${name}`;
  switch (flag.code) {
    case 'slip':
      return `${figure} is ${factorNames[String(flag.factor)] ?? 'far off'} for the others: a slipped prefix or range.`;
    case 'skin':
      return `${figure} is low: it looks like ${ohms(flag.parallelOhms)} of skin in parallel. Read it again without touching the leads; the others say ${ohms(flag.expectedOhms)}.`;
    case 'outlier':
      return `${figure} lies ${formatPercentOff(flag.offShare, 0)} off the curve through the others: a shadow, a reflection, or not yet settled. Read it again.`;
    case 'out-of-order':
      return `${figure} is more than at ${nameOf(flag.otherId)}, where it was darker: one of the two is wrong.`;
    case 'above-contradicts':
      return `${figure} says more than the others allow (${ohms(flag.expectedOhms)}): lead off, or the range lower? Read it again.`;
    case 'unsettled':
      return `${figure} had not settled, or moved while it was taken: ± ${percent(flag.offShare)}. It counts that much less.`;
    case 'coarse':
      return flag.betterOhms === null
        ? `${figure} stands in the last two digits of the lowest range: read it in less light, or with another meter.`
        : `${figure} stands in the last two digits of its range: the ${partOhms(flag.betterOhms)} range shows more.`;
  }
}

/** Which reading would help most, told with the gain to expect; or that there are enough. */
export function nextSentence(next: NextReading, nameOf: (light: ReadingLight) => string): string {
  if (next.says === 'enough')
    return next.isKnown
      ? `Enough: the light of the goal is known ${within(next.nowRatio)}, nearer than a hand can set it.`
      : `The light of the goal is known ${within(next.nowRatio)}; no single light that you can make would narrow that by much.`;
  const gain = `It would bring the light of the goal from ${within(next.nowRatio)} to about ${within(next.thenRatio)}`;
  const { count, ratio: ratioThen } = next.several;
  const several =
    count > 1 && ratioThen < next.thenRatio ? `; ${count} readings, to about ${within(ratioThen)}` : '';
  return `A reading at ${nameOf(next.light)} would help most. ${gain}${several}.`;
}

/** A range about a figure as one says it: `± 8 %`, or `within a factor of 2.4` where that is no few per cent. */
export function within(ratioAbout: number): string {
  return ratioAbout < 1.5
    ? `± ${percent(ratioAbout - 1, ratioAbout < 1.1 ? 1 : 0)}`
    : ratioAbout < 1000
      ? `within a factor of ${precise(ratioAbout, 2)}`
      : 'hardly at all';
}
