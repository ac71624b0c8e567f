import type { Advice, Fix } from '@/core/design/advice';
import type { HysteresisSearch } from '@/core/design/hysteresis';
import { shippedComparators, type ComparatorPart, type OutputKind } from '@/core/stages/comparators';
import type { DetectorKind, DetectorSettings } from '@/core/stages/decider';
import { formatQuantity } from '@/core/quantity/format';
import type { TimerPart } from '@/core/stages/timers';
import { amps, partOhms, percent, ratio, volts } from './figures';
import type { LightText } from './light';
import { timeText } from './time';

export const detectorNames: Readonly<Record<DetectorKind, string>> = {
  transistor: 'the transistor itself',
  comparator: 'a comparator',
  window: 'a window of two comparators',
  ladder: 'a ladder of comparators',
  timer: 'a timer IC',
  controller: 'a microcontroller',
  change: 'a change detector',
};

export const outputKindNames: Readonly<Record<OutputKind, string>> = {
  'push-pull': 'push–pull',
  'open-collector': 'open collector',
  bipolar: 'bipolar, short of the rails',
};

const comparatorNames: Readonly<Record<string, string>> = {
  'open-collector': 'comparator, open collector',
  'rail-to-rail': 'comparator, rail to rail',
  'open-drain': 'comparator, open drain, rail to rail',
  'op-amp': 'general-purpose op-amp',
  'single-supply-op-amp': 'single-supply op-amp',
  'rail-op-amp': 'rail-to-rail op-amp',
};

export const comparatorNameOf = (id: string) => comparatorNames[id] ?? 'own comparator';

export function comparatorName({ id, name }: ComparatorPart): string {
  return shippedComparators.some((part) => part.id === id) ? comparatorNameOf(id) : name || 'own comparator';
}

/** What decides, in a few words. */
export function detectorText(detector: DetectorSettings): string {
  switch (detector.kind) {
    case 'transistor':
      return 'transistor';
    case 'comparator':
      return detector.feedbackOhms === null ? 'comparator' : 'comparator with hysteresis';
    case 'window':
      return 'window';
    case 'ladder':
      return `ladder of ${detector.stringOhms.length - 1}`;
    case 'timer':
      return 'timer IC';
    case 'controller':
      return `code ${detector.onCode}`;
    case 'change':
      return 'change detector';
  }
}

/** A current that a bench meter would not show. */
const smallAmps = (value: number) => formatQuantity(value, 'A', { digits: 2, trim: true });

type DetectorAdvice = Extract<
  Advice,
  {
    readonly code:
      | 'reference-beyond'
      | 'never-releases'
      | 'output-over-current'
      | 'base-reversed'
      | 'comparator-supply'
      | 'input-out-of-range'
      | 'band-inverted'
      | 'latches'
      | 'off-band'
      | 'no-hysteresis'
      | 'code-out-of-range'
      | 'source-resistance'
      | 'step-off'
      | 'change-misses'
      | 'ripple-fires'
      | 'pulse-leaks'
      | 'feedback-light'
      | 'beam-missed'
      | 'controller-supply'
      | 'bias-too-large'
      | 'codes-close';
  }
>;

/** What is to be said of the decider, in one sentence. */
export function detectorSentence(advice: DetectorAdvice, light: LightText): string {
  switch (advice.code) {
    case 'reference-beyond':
      return `The midpoint goes from ${volts(advice.minVolts)} to ${volts(advice.maxVolts)} and never passes the reference of ${volts(advice.referenceVolts)}: it does not switch at any light.`;
    case 'never-releases':
      return `When off, the output stays at ${volts(advice.offVolts)} and the load keeps ${percent(advice.share)} of its current: it never lets go. A resistor from base to emitter makes it.`;
    case 'output-over-current':
      return `The output carries ${amps(advice.amps)} and is made for ${amps(advice.maxAmps)}: let a transistor take the load, or put more before its base.`;
    case 'base-reversed':
      return `The base is pulled ${volts(advice.volts)} the wrong way; over 5 V it breaks down. A diode from emitter to base keeps it safe.`;
    case 'comparator-supply':
      return `This part works on ${volts(advice.minVolts)} to ${volts(advice.maxVolts)} and has ${volts(advice.volts)} between its rails.`;
    case 'input-out-of-range':
      return `At the threshold the ${advice.input} input stands at ${volts(advice.volts)}; this part’s inputs work only ${advice.end === 'low' ? 'from' : 'up to'} ${volts(advice.limitVolts)}.`;
    case 'band-inverted':
      return 'The light at which it turns off lies on the side where it is on: it would swing to and fro between the two.';
    case 'latches':
      return `Once on, below or above ${light(advice.onLux)}, no light on this axis turns it off again.`;
    case 'off-band':
      return `It turns off at ${light(advice.offLux)}, not at ${light(advice.wantedLux)}: let Yemko find parts for both lights.`;
    case 'change-misses':
      return `That change makes ${volts(advice.peakVolts)} behind the gain, and the trigger is at ${volts(advice.triggerVolts)}: it does not fire. ${advice.neededGain === null ? 'No gain makes it: the capacitor follows too fast.' : `It takes a gain of ${advice.neededGain.toPrecision(3)}.`}`;
    case 'ripple-fires':
      return `The lamp’s ripple alone makes ${volts(advice.rippleVolts)} behind the gain, over the trigger of ${volts(advice.triggerVolts)}: it fires in steady light.`;
    case 'pulse-leaks':
      return `So large an electrolytic leaks about what its resistor gives: the pulse of ${timeText(advice.seconds)} may last far longer, or never end. Take a smaller resistor.`;
    case 'feedback-light':
      return feedbackLightSentence(advice, light);
    case 'beam-missed':
      return beamSentence(advice, light);
    case 'controller-supply':
      return `A microcontroller works on up to ${volts(advice.maxVolts)} and the sensor side has ${volts(advice.volts)}: give it a supply of its own, grounds joined.`;
    case 'bias-too-large':
      return `The ${advice.at === 'reference' ? 'reference' : 'divider'} carries ${smallAmps(advice.amps)}, under 20 times the ${smallAmps(advice.biasAmps)} that an input of this part takes: it shifts the threshold. Take smaller resistors, or a part that takes less.`;
    case 'codes-close':
      return `On and off lie ${advice.apart} ${advice.apart === 1 ? 'code' : 'codes'} apart: a converter’s own noise of about a code carries it across with ${advice.samples} readings averaged; ${advice.wantedSamples} would hold it.`;
    case 'code-out-of-range':
      return `Code ${advice.largest} is never read: with so many bits the largest is ${advice.maxCode}.`;
    case 'source-resistance':
      return `The pin sees ${partOhms(advice.ohms)} at the goal, over the usual ${partOhms(advice.maxOhms)}: readings come out low unless they are taken slowly, or 100 nF stand at the pin.`;
    case 'step-off':
      return advice.lux === null
        ? `Step ${advice.rung} never comes; it is wanted at ${light(advice.wantedLux)}.`
        : `Step ${advice.rung} comes at ${light(advice.lux)}, not at ${light(advice.wantedLux)}.`;
    case 'no-hysteresis':
      return `It turns on and off at the same light${advice.ratio > 1.0005 ? ` (${ratio(advice.ratio)})` : ''}: at dusk, or under a lamp’s ripple, it chatters. Feedback gives it a band.`;
  }
}

function feedbackLightSentence(
  { verdict, feedbackLux, maxLux }: Extract<Advice, { code: 'feedback-light' }>,
  light: LightText,
): string {
  if (verdict === 'blinks')
    return `The load adds ${light(feedbackLux)} at the LDR, more than the band of ${light(maxLux)}: it turns itself off and on again, and blinks. Widen the band or screen the LDR.`;
  if (verdict === 'latches')
    return `The load adds ${light(feedbackLux)} at the LDR, over the ${light(maxLux)} at which it turns off: once on it stays on, even in full dark.`;
  return `The load adds ${light(feedbackLux)} at the LDR and has no band to hold it: about its switching light it settles part of the way and stays dim.`;
}

function beamSentence(
  { isBroken, lux, thresholdLux }: Extract<Advice, { code: 'beam-missed' }>,
  light: LightText,
): string {
  const at = thresholdLux === null ? 'it does not switch at all' : `it switches at ${light(thresholdLux)}`;
  return isBroken
    ? `With the beam broken there are still ${light(lux)}, and ${at}: it does not see the break.`
    : `With the beam whole there are only ${light(lux)}, and ${at}: it does not see the beam.`;
}

type DetectorFix = Extract<
  Fix,
  {
    readonly kind:
      | 'swap-inputs'
      | 'take-release'
      | 'take-comparator'
      | 'add-hysteresis'
      | 'take-codes'
      | 'take-gain'
      | 'take-samples'
      | 'output-rail'
      | 'goal-at'
      | 'lower-supply'
      | 'solve-string';
  }
>;

export function detectorFixLabel(fix: DetectorFix, light: LightText): string {
  switch (fix.kind) {
    case 'take-samples':
      return `Average ${fix.samples} readings`;
    case 'output-rail':
      return fix.to === 'ground'
        ? 'Hang the load between output and 0 V'
        : 'Hang the load between plus and output';
    case 'take-gain':
      return `Take a gain of ${fix.gain}`;
    case 'lower-supply':
      return `Sensor side on ${volts(fix.volts)}, the load on its own`;
    case 'goal-at':
      return `Put the goal at ${light(fix.lux)}`;
    case 'swap-inputs':
      return 'Swap the two inputs';
    case 'take-codes':
      return 'Take the codes for these lights';
    case 'solve-string':
      return 'Take the string for these lights';
    case 'take-release':
      return `Add ${partOhms(fix.ohms)} from base to emitter`;
    case 'take-comparator':
      return `Take a ${comparatorNameOf(fix.id)}`;
    case 'add-hysteresis':
      return `Give it a band of ${ratio(fix.ratio)}`;
  }
}

/** Why a search for parts found none. */
export function searchRefusal(search: Extract<HysteresisSearch, { ok: false }>, isDark: boolean): string {
  switch (search.reason) {
    case 'no-comparator':
      return 'Hysteresis needs a comparator.';
    case 'no-band':
      return 'Say at which light it shall turn off again.';
    case 'band-inverted':
      return `It is to be on in the ${isDark ? 'dark' : 'light'}, so it must turn off ${isDark ? 'above' : 'below'} the light at which it turns on.`;
    case 'empty-stock':
      return 'The drawer is empty: say under Size the divider what is in it.';
    case 'not-converged':
      return 'This circuit has no operating point to start from.';
    case 'not-reachable':
      return search.nearest
        ? `No parts of this drawer bring both lights within 2 %: the nearest is off by ${percent(Math.expm1(search.nearest.error))}.`
        : 'No parts of this drawer switch at these two lights.';
  }
}

const timerNames: Readonly<Record<string, string>> = {
  'bipolar-timer': 'bipolar timer',
  'cmos-timer': 'CMOS timer',
};

export const timerName = ({ id, name }: TimerPart) => timerNames[id] ?? (name || 'own timer');

export const outputStageNames = {
  direct: 'direct',
  inverted: 'inverted',
  'one-shot': 'one-shot',
  toggle: 'toggle',
} as const;
