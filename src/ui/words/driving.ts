import type { Advice } from '@/core/design/advice';
import type { Caution } from '@/core/design/cautions';
import type { WayOutId } from '@/core/design/waysOut';
import type { ContactUse } from '@/core/loads/load';
import { amps, beta, partOhms, percent, volts, watts } from './figures';
import type { LightText } from './light';
import { loadNames } from './parts';

type Of<C extends Advice['code']> = Extract<Advice, { readonly code: C }>;

type SwitchAdvice = Of<
  | 'little-drive-margin'
  | 'base-over-current'
  | 'gate-too-low'
  | 'lifted-reference'
  | 'floating-ground'
  | 'emitter-loses'
  | 'load-above-transistor'
  | 'transistor-warm'
  | 'transistor-over-volts'
  | 'gate-over-volts'
>;

/** What is to be said of the switch, in one sentence. */
export function switchSentence(advice: SwitchAdvice, light: LightText): string {
  switch (advice.code) {
    case 'little-drive-margin':
      return `The transistor needs a β of ${beta(advice.forcedBeta)} and is sure of ${advice.minBeta}: it holds, with less than twice in hand.`;
    case 'base-over-current':
      return `At ${light(advice.lux)} the base takes ${amps(advice.amps)}, over the usual ${amps(advice.maxAmps)}: put a resistor before the base.`;
    case 'gate-too-low':
      return `The gate gets ${volts(advice.gateVolts)} at most, and the threshold may be as high as ${volts(advice.maxThresholdVolts)}: sure are ${amps(advice.guaranteedAmps)} of the ${amps(advice.fullAmps)}. Raise the divider’s supply, or take a part with a lower threshold.`;
    case 'lifted-reference':
      return `This PNP stands on ${volts(advice.loadVolts)}, but its base never gets above the divider’s ${volts(advice.sensorVolts)}: it is always on. Switch the minus side of the load instead.`;
    case 'floating-ground':
      return 'The two supplies have no joint between their minus poles: no current can come back, and nothing switches.';
    case 'emitter-loses':
      return `Below the emitter the load gets ${volts(advice.volts)} less than its supply, and never more than the midpoint less a V_BE.`;
    case 'load-above-transistor':
      return `The load takes ${amps(advice.amps)}, more than this transistor carries (${amps(advice.maxAmps)}).`;
    case 'transistor-warm':
      return `At ${light(advice.lux)}, in its soft band, the transistor makes ${watts(advice.watts)} of heat; without a heat sink it bears ${watts(advice.maxWatts)}.`;
    case 'transistor-over-volts':
      return `When it is off the transistor stands ${volts(advice.volts)}, over the ${volts(advice.maxVolts)} it bears.`;
    case 'gate-over-volts':
      return `The gate gets ${volts(advice.volts)} and bears ${volts(advice.maxVolts)}.`;
  }
}

type DriveAdvice = Of<
  | 'supply-below-led'
  | 'led-over-current'
  | 'led-under-current'
  | 'load-starved'
  | 'load-low'
  | 'load-over-voltage'
  | 'buzzer-quiet'
  | 'relay-not-pulled'
  | 'relay-never-drops-out'
  | 'contact-over-rating'
  | 'module-wrong-side'
  | 'supply-over-limit'
  | 'inrush-over-limit'
  | 'supply-sags'
  | 'resistor-hot'
>;

/** What is to be said of loads and supply, in one sentence. */
export function driveSentence(advice: DriveAdvice): string {
  switch (advice.code) {
    case 'supply-below-led':
      return `The supply of ${volts(advice.supplyVolts)} cannot light this LED at the wanted current: that takes at least ${volts(advice.neededVolts)}.`;
    case 'led-over-current':
      return `The LED gets ${amps(advice.amps)} instead of ${amps(advice.wantedAmps)}: the series resistor is too small.`;
    case 'led-under-current':
      return `The LED gets ${amps(advice.amps)} of the ${amps(advice.wantedAmps)} wanted: the series resistor is larger than it needs to be.`;
    case 'load-starved':
      return `The ${loadNames[advice.load]} is made for ${volts(advice.ratedVolts)}, needs at least ${volts(advice.minVolts)} and gets ${volts(advice.volts)}: it does not work on this supply.`;
    case 'load-low':
      return `The ${loadNames[advice.load]} gets ${volts(advice.volts)} of its ${volts(advice.ratedVolts)}: it works, weakly.`;
    case 'load-over-voltage':
      return `The ${loadNames[advice.load]} gets ${volts(advice.volts)} and bears ${volts(advice.maxVolts)}: it will not live long.`;
    case 'buzzer-quiet':
      return `The buzzer sounds ${Math.abs(advice.decibels).toFixed(0)} dB quieter than at its rated voltage.`;
    case 'relay-not-pulled':
      return 'The coil never gets the current to pull in, at any light: the switch does not pass enough.';
    case 'relay-never-drops-out':
      return `Once it has pulled in, the coil keeps over ${percent(advice.dropOutShare)} of its current at every light: it never lets go.`;
    case 'contact-over-rating':
      return `The contacts carry ${amps(advice.ratedAmps)} of ${useNames[advice.use]}, and shall switch ${amps(advice.amps)}: they would weld or burn. Take a larger relay or a contactor.`;
    case 'module-wrong-side':
      return advice.input === 'active-high'
        ? 'An active-high input wants current from the plus side, but here the minus side is switched.'
        : 'An active-low input wants to be pulled down, but here the plus side is switched.';
    case 'supply-over-limit':
      return `All together take ${amps(advice.amps)}, over the ${amps(advice.limitAmps)} that the supply gives.`;
    case 'inrush-over-limit':
      return `At the moment of switching on the load takes ${amps(advice.amps)}, over the ${amps(advice.limitAmps)} of the supply: it may dip and chatter.`;
    case 'supply-sags':
      return `The supply’s own ${partOhms(advice.ohms)} take ${volts(advice.volts)} at ${amps(advice.amps)}: the switching light moves as the load comes on.`;
    case 'resistor-hot':
      return `${advice.designator} makes ${watts(advice.watts)}, more than any usual resistor bears.`;
  }
}

export const useNames: Readonly<Record<ContactUse, string>> = {
  nothing: 'nothing yet',
  resistive: 'a plain resistance',
  lamp: 'a lamp',
  motor: 'a motor',
};

export const wayOutNames: Readonly<Record<WayOutId, string>> = {
  nmos: 'Take a logic-level N-MOSFET: its gate needs no current',
  darlington: 'Take a Darlington: far more gain, 0.7 V more lost',
  comparator: 'Let a comparator decide: it snaps, and drives the base by itself',
  'lighten-load': 'Run the LED at less current',
  'move-divider': 'Take an R1 that holds the load, wherever it then switches',
};

/** Where someone could be hurt or something burnt: the usual caution, in two sentences at most. */
export const cautionTexts: Readonly<Record<Caution, string>> = {
  mains:
    'Mains only behind an enclosed, rated relay or module, fused, and wired to your local code by someone licensed to do it. Never probe that side.',
  'capacitor-fed':
    'Never join this circuit’s ground to a transformerless (capacitor-fed) supply: such a supply is live throughout.',
  coil: 'The diode across the coil belongs there always, its stripe towards plus: without it the first switching off kills the transistor.',
  inrush:
    'Lamps and motors take many times their current for a moment: contacts, fuse and supply must bear that.',
};
