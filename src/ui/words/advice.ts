import type { Advice, Mend, Step, StepState } from '@/core/design/advice';
import type { Action, LdrSide } from '@/core/stages/stage';
import { amps, beta, lux, partOhms, volts, watts } from './figures';
import { lampNames } from './measuring';
import type { LightText } from './light';

export const stepNames: Readonly<Record<Step, string>> = {
  measure: 'Measure the LDR',
  divide: 'Size the divider',
  switch: 'Set the switch',
  drive: 'Drive the load',
};

export const stateNames: Readonly<Record<StepState, string>> = {
  'in-order': 'in order',
  look: 'worth a look',
  cannot: 'cannot work',
};

export const actionNames: Readonly<Record<Action, string>> = {
  'on-in-dark': 'on in the dark',
  'on-in-light': 'on in the light',
};

export const sideNames: Readonly<Record<LdrSide, string>> = { top: 'LDR above', bottom: 'LDR below' };

/** An advice as one sentence: the worst figure and what would mend it. @param light how the project tells its lights */
export function adviceSentence(advice: Advice, light: LightText = lux): string {
  switch (advice.code) {
    case 'typical-ldr':
      return typicalSentence(advice.why, advice.count);
    case 'bag-ldr':
      return `No readings of this LDR yet: the mean of the ${advice.bagCount} from its bag stands in, with the bag’s own spread.`;
    case 'odd-readings':
      return advice.count === 1
        ? 'One reading does not go with the others: look at it below the entry line, mend it or set it aside.'
        : `${advice.count} readings do not go with the others: look at them below the entry line, mend them or set them aside.`;
    case 'mixed-lamps':
      return `These readings mix ${advice.lamps.map((lamp) => lampNames[lamp]).join(' and ')}: an LDR sees each differently, by some tens of per cent. Keep to one lamp, or set one kind aside.`;
    case 'gamma-impossible':
      return `A γ of ${advice.gamma.toFixed(2)} is no photoresistor’s (0.2–1.5): light or resistance is off by a factor that grows. Check the prefixes, or the unit of the light.`;
    case 'background-unread':
      return 'The background is not read: switch the lamp off and take one reading, or the far rungs count as darker than they are.';
    case 'layers-alone':
      return 'Layers alone cannot tell γ: it is taken as 0.70 ± 0.15 and each light is an estimate. One reading at another distance ties them down.';
    case 'two-readings':
      return 'Two readings always fit a line: a third, at another light, shows how good it is.';
    case 'gamma-unusual':
      return `γ of ${advice.gamma.toFixed(2)} is rare for an LDR (0.5–0.9): check the readings for a slipped prefix.`;
    case 'goal-outside-readings':
      return `The goal of ${light(advice.goalLux)} lies outside what was measured (${light(advice.leastLux)} to ${light(advice.mostLux)}): take one reading near it.`;
    case 'wrong-action':
      return `This wiring is the wrong way round: it should be ${actionNames[advice.wanted]}. Swap the LDR and R1.`;
    case 'goal-out-of-reach':
      return advice.reach
        ? `No resistor puts the switching point at ${light(advice.goalLux)}: this circuit can reach ${light(advice.reach.leastLux)} to ${light(advice.reach.mostLux)}.`
        : `No resistor makes this circuit switch at ${light(advice.goalLux)}, or at any light: the LDR passes too little current for this load.`;
    case 'never-switches':
      return `With this resistor the load stays ${advice.stays === 'on' ? 'on' : 'under half on'} from ${light(advice.range.leastLux)} to ${light(advice.range.mostLux)}.`;
    case 'off-goal':
      return `It switches at ${light(advice.switchLux)}, not at ${light(advice.goalLux)}: ${partOhms(advice.ohms)} comes nearest.`;
    case 'load-not-held':
      return `The base gets ${amps(advice.baseAmps)} at most: with β of at least ${advice.leastBeta} that is sure to carry ${amps(advice.guaranteedAmps)}, but the load wants ${amps(advice.fullAmps)}. It may never be fully on.`;
    case 'little-drive-in-hand':
      return `The transistor needs a β of ${beta(advice.forcedBeta)} and is sure of ${advice.leastBeta}: it holds, with less than twice in hand.`;
    case 'base-over-current':
      return `At ${light(advice.lux)} the base takes ${amps(advice.amps)}, over the usual ${amps(advice.mostAmps)}: put a resistor before the base.`;
    case 'supply-below-led':
      return `The supply of ${volts(advice.supplyVolts)} cannot light this LED at the wanted current: that takes at least ${volts(advice.neededVolts)}.`;
    case 'led-over-current':
      return `The LED gets ${amps(advice.amps)} instead of ${amps(advice.wantedAmps)}: the series resistor is too small.`;
    case 'led-under-current':
      return `The LED gets ${amps(advice.amps)} of the ${amps(advice.wantedAmps)} wanted: the series resistor is larger than it needs to be.`;
    case 'load-above-transistor':
      return `The load takes ${amps(advice.amps)}, more than a small-signal NPN carries (${amps(advice.mostAmps)}).`;
    case 'ldr-warm':
      return `At ${light(advice.lux)} the LDR makes ${watts(advice.watts)} of heat; it bears ${watts(advice.mostWatts)} at that temperature.`;
    case 'ldr-over-voltage':
      return `The LDR gets ${volts(advice.volts)} in the dark and bears ${volts(advice.mostVolts)}: lower the supply, or put a resistor across the LDR.`;
    case 'empty-drawer':
      return `The drawer is empty, so no real resistor can be proposed: ${partOhms(advice.ohms)} would be exact. Say what is in it below.`;
  }
}

/** What the button of a mend says. */
export function mendLabel(mend: Mend): string {
  switch (mend.kind) {
    case 'swap-ldr-side':
      return 'Swap LDR and R1';
    case 'take-base':
      return `Add ${partOhms(mend.ohms)} before the base`;
    case 'take-fixed':
      return `Use ${partOhms(mend.ohms)}`;
    case 'take-series':
      return `Use ${partOhms(mend.ohms)}`;
    case 'lighten-load':
      return `Run the LED at ${amps(mend.amps)} and size R1 for it`;
  }
}

function typicalSentence(why: Extract<Advice, { code: 'typical-ldr' }>['why'], count: number): string {
  if (why === 'all-above') {
    return 'Every reading is over the meter’s range, which says only “above this”: read one in more light, or on a higher range. Until then a typical LDR stands in.';
  }
  if (why === 'not-falling') {
    return 'The resistance does not fall with light in these readings, so the typical LDR stands in: check which figure is which.';
  }
  if (why === 'one-light') {
    return `${count === 1 ? 'One reading is' : 'Readings at one light are'} not enough for a curve: add one at a different light. Until then a typical LDR stands in.`;
  }
  return 'No readings yet, so a typical LDR stands in: yours may switch at half or twice the light. Two readings at different lights make it yours.';
}
