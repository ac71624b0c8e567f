import type { Advice, Fix, Step, StepState } from '@/core/design/advice';
import type { Action, LdrSide } from '@/core/stages/stage';
import { detectorFixLabel, detectorSentence } from './deciding';
import { driveSentence, switchSentence } from './driving';
import { amps, lux, partOhms, volts, watts } from './figures';
import { partNameOf } from './parts';
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
      return `The goal of ${light(advice.goalLux)} lies outside what was measured (${light(advice.minLux)} to ${light(advice.maxLux)}): take one reading near it.`;
    case 'wrong-action':
      return `This wiring is the wrong way round: it should be ${actionNames[advice.wanted]}. ${advice.fix?.kind === 'swap-inputs' ? 'Swap the comparator’s inputs' : 'Swap the LDR and R1'}.`;
    case 'goal-out-of-reach':
      return advice.reach
        ? `No resistor puts the switching point at ${light(advice.goalLux)}: this circuit can reach ${light(advice.reach.minLux)} to ${light(advice.reach.maxLux)}.`
        : `No resistor makes this circuit switch at ${light(advice.goalLux)}, or at any light: the LDR passes too little current for this load.`;
    case 'never-switches':
      return `With this resistor the load stays ${advice.stays === 'on' ? 'on' : 'under half on'} from ${light(advice.range.minLux)} to ${light(advice.range.maxLux)}.`;
    case 'off-goal':
      return `It switches at ${light(advice.switchLux)}, not at ${light(advice.goalLux)}${advice.fix?.kind === 'take-fixed' ? `: ${partOhms(advice.ohms)} comes nearest` : ''}.`;
    case 'load-not-saturated':
      return `The base gets ${amps(advice.baseAmps)} at most: with β of at least ${advice.minBeta} that is sure to carry ${amps(advice.guaranteedAmps)}, but the load wants ${amps(advice.fullAmps)}. It may never be fully on.`;
    case 'little-drive-margin':
    case 'base-over-current':
    case 'gate-too-low':
    case 'lifted-reference':
    case 'floating-ground':
    case 'emitter-loses':
    case 'load-above-transistor':
    case 'transistor-warm':
    case 'transistor-over-volts':
    case 'gate-over-volts':
      return switchSentence(advice, light);
    case 'supply-below-led':
    case 'led-over-current':
    case 'led-under-current':
    case 'load-starved':
    case 'load-low':
    case 'load-over-voltage':
    case 'buzzer-quiet':
    case 'relay-not-pulled':
    case 'relay-never-drops-out':
    case 'contact-over-rating':
    case 'module-wrong-side':
    case 'supply-over-limit':
    case 'inrush-over-limit':
    case 'supply-sags':
    case 'resistor-hot':
      return driveSentence(advice);
    case 'reference-beyond':
    case 'never-releases':
    case 'output-over-current':
    case 'base-reversed':
    case 'comparator-supply':
    case 'input-out-of-range':
    case 'band-inverted':
    case 'latches':
    case 'off-band':
    case 'no-hysteresis':
    case 'code-out-of-range':
    case 'source-resistance':
    case 'step-off':
    case 'change-misses':
    case 'ripple-fires':
    case 'pulse-leaks':
    case 'feedback-light':
    case 'beam-missed':
    case 'controller-supply':
    case 'bias-too-large':
    case 'codes-close':
      return detectorSentence(advice, light);
    case 'ldr-warm':
      return `At ${light(advice.lux)} the LDR makes ${watts(advice.watts)} of heat; it bears ${watts(advice.maxWatts)} at that temperature.`;
    case 'ldr-over-voltage':
      return `The LDR gets ${volts(advice.volts)} in the dark and bears ${volts(advice.maxVolts)}: lower the supply, or put a resistor across the LDR.`;
    case 'empty-stock':
      return `The drawer is empty, so no real resistor can be proposed: ${partOhms(advice.ohms)} would be exact. Say what is in it below.`;
  }
}

/** What the button of a mend says. */
export function fixLabel(fix: Fix, light: LightText = lux): string {
  switch (fix.kind) {
    case 'swap-ldr-side':
      return 'Swap LDR and R1';
    case 'take-base':
      return `Add ${partOhms(fix.ohms)} before the base`;
    case 'take-fixed':
      return `Use ${partOhms(fix.ohms)}`;
    case 'take-series':
      return `Use ${partOhms(fix.ohms)}`;
    case 'use-divider':
      return 'Use a divider, LDR on the other side';
    case 'take-part':
      return `Take a ${partNameOf(fix.id)} and size R1 for it`;
    case 'switch-side':
      return fix.to === 'npn' ? 'Switch the minus side with an NPN' : 'Switch the plus side with a PNP';
    case 'load-at-collector':
      return 'Move the load to the other end of the transistor';
    case 'swap-inputs':
    case 'take-release':
    case 'take-comparator':
    case 'add-hysteresis':
    case 'take-codes':
    case 'take-gain':
    case 'take-samples':
    case 'output-rail':
    case 'goal-at':
    case 'lower-supply':
    case 'solve-string':
      return detectorFixLabel(fix, light);
    case 'join-grounds':
      return 'Join the grounds';
    case 'step-up-relay':
      return `Take contacts for ${amps(fix.amps)}`;
    case 'lighten-load':
      return `Run the LED at ${amps(fix.amps)} and size R1 for it`;
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
