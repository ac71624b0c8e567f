import { precise } from '@/core/quantity/notation';
import type { OutputFinding } from '@/core/advise/advice';
import type { DetectorFinding } from '@/core/detectors/finding';
import { formatQuantity } from '@/core/quantity/format';
import { amps, partOhms, percent, ratio, volts } from '../figures';
import type { LightText } from '../light';
import { loadNames } from '../names';
import type { Sentences } from './sentences';
import { timeText } from '../time';

/** A current that a bench meter would not show. */
const smallAmps = (value: number) => formatQuantity(value, 'A', { digits: 2, trim: true });

/** What is said of a detector. */
export const detectorSentences: Sentences<DetectorFinding> = {
  'comparator-supply': ({ minVolts, maxVolts, volts: given }) =>
    `This part works on ${volts(minVolts)} to ${volts(maxVolts)} and has ${volts(given)} between its rails.`,
  'input-out-of-range': ({ input, volts: there, end, limitVolts }) =>
    `At the threshold the ${input} input is at ${volts(there)}; the inputs of this part work only ${end === 'low' ? 'from' : 'up to'} ${volts(limitVolts)}.`,
  'bias-too-large': ({ at, amps: through, biasAmps }) =>
    `The ${at === 'reference' ? 'reference' : 'divider'} carries ${smallAmps(through)}, under 20 times the ${smallAmps(biasAmps)} that an input of this part takes: it shifts the threshold. Take ${at === 'reference' ? 'smaller resistors, or ' : ''}a part that takes less.`,
  'controller-supply': ({ maxVolts, volts: given }) =>
    `A microcontroller works on up to ${volts(maxVolts)} and the sensor side has ${volts(given)}. Give that side less; loads that need more get a supply of their own, with a common ground.`,
  'codes-close': ({ apart, samples, wantedSamples }) =>
    `On and off are ${apart} ${apart === 1 ? 'code' : 'codes'} apart: a converter’s own noise of about a code carries it across with ${samples === 1 ? 'single readings' : `${samples} readings averaged`}; ${wantedSamples} averaged would prevent it.`,
  'code-out-of-range': ({ largest, maxCode }) =>
    `Code ${largest} is never read: with so many bits the largest is ${maxCode}.`,
  'source-resistance': ({ ohms, maxOhms }) =>
    `The pin sees ${partOhms(ohms)} at the goal, over the recommended ${partOhms(maxOhms)}: readings come out low unless they are taken slowly, or 100 nF stand at the pin.`,
  'change-misses': ({ supplyVolts, peakVolts, triggerVolts, neededGain }) => {
    const beyond =
      triggerVolts > supplyVolts
        ? `No gain makes more than the supply’s ${volts(supplyVolts)}: lower the trigger.`
        : 'No gain makes it: the capacitor follows too fast.';
    return `That change makes ${volts(peakVolts)} behind the gain, and the trigger is at ${volts(triggerVolts)}: it does not fire. ${neededGain === null ? beyond : `It takes a gain of ${precise(neededGain, 3)}.`}`;
  },
  'rest-fires': ({ restVolts, triggerVolts, isAlways }) =>
    isAlways
      ? `The amplifier’s own input current makes ${volts(restVolts)} behind the gain in steady light, over the trigger of ${volts(triggerVolts)}: it is fired all the time. Raise the trigger, or take a smaller resistor behind the capacitor.`
      : `With the most offset that its amplifier may have ${volts(restVolts)} stand behind the gain in steady light, over the trigger of ${volts(triggerVolts)}: such a part is fired all the time. Raise the trigger.`,
  'ripple-fires': ({ rippleVolts, triggerVolts }) =>
    `The lamp’s ripple alone makes ${volts(rippleVolts)} behind the gain, over the trigger of ${volts(triggerVolts)}: it fires in steady light.`,
  'step-off': ({ rung, wantedLux, lux }, light) =>
    lux === null
      ? `Step ${rung} never comes; it is wanted at ${light(wantedLux)}.`
      : `Step ${rung} comes at ${light(lux)}, not at ${light(wantedLux)}.`,
  'edges-reversed': ({ lux, offLux }, light) =>
    `A window is on from a darker light to a brighter one; here it runs from ${light(lux)} to ${light(offLux)}.`,
  'band-inverted': () =>
    'The light at which it turns off lies on the side where it is on: it would swing to and fro between the two.',
  latches: ({ onLux, isOnce }, light) =>
    isOnce
      ? `Once it has been set off at ${light(onLux)}, no light on this axis makes it ready for the next time.`
      : `Once it has turned on at ${light(onLux)}, no light on this axis turns it off again.`,
  'off-band': ({ offLux, wantedLux, ownLux, isOnce }, light) =>
    `It ${isOnce ? 'is ready for the next time' : 'turns off'} at ${light(offLux)}${ownLux > 0 ? `, its own ${light(ownLux)} among them` : ''}, not at ${light(wantedLux)}.`,
  'no-hysteresis': ({ ratio: band }) =>
    `It turns on and off at the same light${band > 1.0005 ? ` (${ratio(band)})` : ''}: at dusk, or under a lamp’s ripple, it chatters. Feedback gives it a band.`,
  'dot-smears': ({ share }) =>
    `Beside the one load that should be on another takes ${percent(share)} of its current: between two outputs only what lets current through one way, as an LED does, is on alone.`,
  'dot-of-pins': () =>
    'Each pin is read by itself: those of all steps up to the present one are on, not that one alone. Only what hangs between two outputs shows a dot.',
  'no-edge-band': () =>
    'Each edge is passed at one light on either way: as light drifts over it, or under a lamp’s ripple, the load chatters there. Feedback gives each edge a band.',
  'edge-band': ({ wantedRatio, ratio: there }) =>
    there === null
      ? `An edge is not passed on both ways; a band of ${ratio(wantedRatio)} is wanted.`
      : `An edge is passed ${ratio(there)} apart on its two ways; a band of ${ratio(wantedRatio)} is wanted.`,
};

/** What lets an output carry less. */
const forLess = {
  load: 'Let a transistor drive the load.',
  base: 'Put a larger resistor before the base.',
  'pull-up': 'Take a larger pull-up resistor.',
} as const;

/** What is said of an output, and of light that the design or a beam makes. */
export const outputSentences: Sentences<OutputFinding> = {
  'never-releases': ({ offVolts, share, isOff }) =>
    `When off, the output stays at ${volts(offVolts)} and the load keeps ${percent(share)} of its current: ${isOff ? 'it may glow or hum a little' : 'it never turns off'}.`,
  'output-over-current': ({ amps: through, maxAmps, into }) =>
    `The output carries ${amps(through)} and is rated ${amps(maxAmps)}.${into === null ? '' : ` ${forLess[into]}`}`,
  'direct-dead': () =>
    'Nothing leads to the base: without a divider the LDR’s own current must flow through it, and on this side it cannot.',
  'stays-lit': ({ amps: left, share }) =>
    `The load is never quite off: ${amps(left)} still flow, ${percent(share)} of its current.`,
  'coil-apart': ({ inLux, outLux, halfLux }, light) =>
    `The coil pulls in at ${light(inLux)}${outLux === null ? '' : ` and drops out at ${light(outLux)}`}, while the loads together are half on at ${light(halfLux)}: a transistor alone lets their current come little by little. What snaps switches them at once.`,
  'output-over-volts': ({ volts: there, maxVolts }) =>
    `The load pulls the output up to ${volts(there)}; an open output of this part is rated ${volts(maxVolts)}. Let a transistor drive the load, or take a part for more.`,
  'stage-supply': ({ ic, volts: given, minVolts, maxVolts }) =>
    `The ${ic === 'timer' ? 'timer IC' : 'CMOS logic'} behind the output works on ${volts(minVolts)} to ${volts(maxVolts)} and has ${volts(given)}: ${given > maxVolts ? 'that destroys it' : 'too little'}.`,
  'stage-below-ground': ({ volts: low }) =>
    `The output goes down to ${volts(low)}, and the IC behind it runs on 0 V: that can destroy its input.`,
  'load-reversed': ({ load, volts: there, maxVolts }) =>
    `The output goes ${volts(there)} below 0 V, where the other end of the ${loadNames[load]} is: it gets that the wrong way round; usual parts are rated ${volts(maxVolts)} that way.`,
  'pulse-leaks': ({ seconds }) =>
    `An electrolytic this large leaks about as much as its resistor supplies: the pulse of ${timeText(seconds)} may last far longer, or never end. Take a smaller resistor.`,
  'feedback-light': (finding, light) => feedbackLightSentence(finding, light),
  'beam-beside-window': ({ brokenLux, wholeLux, fromLux, toLux }, light) =>
    `The window runs from ${light(fromLux)} to ${light(toLux)}; with the beam broken there are ${light(brokenLux)}, with it whole ${light(wholeLux)}. To tell one from the other one of them must lie in the window, and the other well outside.`,
  'beam-missed': ({ isBroken, lux, thresholdLux }, light) => {
    if (thresholdLux === null)
      return 'The beam cannot be detected: the load does not switch at any light of the axis.';
    if (isBroken && thresholdLux === 0)
      return 'With the beam broken the load’s own light keeps it as it is, however dark the room.';
    return isBroken
      ? `With the beam broken there are still ${light(lux)}; to tell the break it takes less than ${light(thresholdLux)}.`
      : `With the beam whole there are only ${light(lux)}; to tell the beam it takes more than ${light(thresholdLux)}.`;
  },
};

function feedbackLightSentence(
  { verdict, feedbackLux, maxLux, widens }: Extract<OutputFinding, { code: 'feedback-light' }>,
  light: LightText,
): string {
  const added = `The load adds ${light(feedbackLux)} at the LDR`;
  const overBand = maxLux > 0 ? `, more than the band of ${light(maxLux)}` : ', and it has no band';
  const overAll =
    maxLux > 0 ? `, over the ${light(maxLux)} at which it still works` : ', and it works with none';
  const mend = widens ? 'Widen the band or screen the LDR.' : 'Screen the LDR.';
  switch (verdict) {
    case 'blinks':
      return `${added}${overBand}: it turns itself off and on again, and blinks. ${mend}`;
    case 'restarts':
      return `${added}${overBand}: each time its pulse ends the next one starts. ${mend}`;
    case 'turns-back':
      return `${added}${overAll}: each time the light goes past it turns over, and then back again. ${mend}`;
    case 'latches':
      return `${added}${overAll}: once on it holds itself on, whatever the light. Screen the LDR, unless that is wanted.`;
    case 'dims-itself':
      return `${added} and has no band: about its switching light it settles part of the way and stays dim.`;
  }
}
