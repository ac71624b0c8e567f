import type { DivideFinding } from '@/core/advise/advice';
import { partOhms, volts, watts } from '../figures';
import { actionNames } from '../names';
import type { Sentences } from './sentences';

/** What is said of the divider. */
export const divideSentences: Sentences<DivideFinding> = {
  'wrong-action': ({ wanted, meant }) => {
    const wrong = 'This wiring is the wrong way round: it';
    if (meant === 'start')
      return `${wrong} should answer as it gets ${wanted === 'on-in-dark' ? 'darker' : 'brighter'}.`;
    if (meant !== 'window') return `${wrong} should be ${actionNames[wanted]}.`;
    return wanted === 'on-in-light'
      ? `${wrong} is off between its two lights, and should be on there.`
      : `${wrong} is on between its two lights, and should be off there.`;
  },
  'goal-out-of-reach': ({ goalLux, reach }, light) =>
    reach
      ? `No resistor puts the switching light at ${light(goalLux)}: this circuit can reach ${light(reach.minLux)} to ${light(reach.maxLux)}.`
      : `No resistor makes this circuit switch at ${light(goalLux)}, or at any light.`,
  'never-switches': ({ stays, range }, light) =>
    `With this resistor the load stays ${stays === 'on' ? 'on' : 'under half on'} from ${light(range.minLux)} to ${light(range.maxLux)}.`,
  'stays-off': ({ offLux, range }, light) =>
    `It turns off at ${light(offLux)}, and no light from ${light(range.minLux)} to ${light(range.maxLux)} turns it on again.`,
  'reference-beyond': ({ minVolts, maxVolts, referenceVolts }) =>
    `The midpoint goes from ${volts(minVolts)} to ${volts(maxVolts)} and never crosses the reference of ${volts(referenceVolts)}: it does not switch at any light.`,
  'off-goal': ({ switchLux, goalLux, ohms, isNearest }, light) =>
    `It switches at ${light(switchLux)}, not at ${light(goalLux)}${isNearest ? `: R1 would have to be ${partOhms(ohms)}, and none in stock comes nearer` : ''}.`,
  'empty-stock': ({ ohms }) =>
    `No resistors are in stock, so no real one can be proposed: ${partOhms(ohms)} would be exact. Say below which you have.`,
  'ldr-over-voltage': ({ volts: across, maxVolts }) =>
    `The LDR gets ${volts(across)} in the dark and is rated ${volts(maxVolts)}. Lower the supply, or put a resistor across the LDR.`,
  'ldr-warm': ({ lux, watts: heat, maxWatts }, light) =>
    `At ${light(lux)} the LDR makes ${watts(heat)} of heat; it is rated ${watts(maxWatts)} at that temperature.`,
};
