import { fixed } from '@/core/quantity/notation';
import type { SupplyFinding } from '@/core/advise/advice';
import type { LoadFinding } from '@/core/loads/finding';
import type { LoadKind } from '@/core/loads/kinds';
import { amps, frequency, partOhms, partVolts, percent, volts, watts } from '../figures';
import { loadNames, useNames } from '../names';
import { timeText } from '../time';
import type { Sentences } from './sentences';

/** What a load makes of its time. */
const loadGoing: Readonly<Record<LoadKind, keyof typeof briefly>> = {
  ...{ led: 'shines', strip: 'shines', buzzer: 'sounds', tone: 'sounds', relay: 'closes' },
  ...{ lamp: 'getsGoing', motor: 'getsGoing', fan: 'getsGoing', solenoid: 'getsGoing' },
  ...{ module: 'getsGoing', logic: 'getsGoing' },
};
const briefly = {
  shines: (name: string, wanted: string) =>
    `a flash of the ${name} under ${wanted} is seen fainter than it is.`,
  sounds: (name: string, wanted: string) => `the ${name} only clicks in less than ${wanted}.`,
  closes: (name: string, wanted: string) =>
    `the ${name} takes ${wanted} to pull in: its contact does not move.`,
  getsGoing: (name: string, wanted: string) => `the ${name} takes ${wanted} to get going.`,
} as const;

const pinWants = {
  'minus-side': 'Switch the minus side',
  transistor: 'Let a transistor pull it down',
  'own-switch': 'Give it a transistor of its own at the minus side',
} as const;

/** Of several that follow each other the first gets most, before the others take their share of the supply. */
const alone = (isAlone: boolean) => (isAlone ? ' while it is the only one that is on' : '');

/** What is said of a load. */
export const loadSentences: Sentences<LoadFinding> = {
  'supply-below-led': ({ supplyVolts, neededVolts }) =>
    `The supply of ${volts(supplyVolts)} cannot light this LED at the wanted current: that takes at least ${volts(neededVolts)}.`,
  'led-over-maximum': ({ amps: through, maxAmps, isOwn, isAlone }) =>
    isOwn
      ? `The LED gets ${amps(through)}${alone(isAlone)}; by its datasheet it takes ${amps(maxAmps)} for long.`
      : `The LED gets ${amps(through)}${alone(isAlone)}; a 5 mm LED of this kind takes ${amps(maxAmps)} for long. For a stronger one choose “custom figures” and type its own.`,
  'led-over-current': ({ amps: through, wantedAmps, isAlone }) =>
    `The LED gets ${amps(through)}${alone(isAlone)} instead of ${amps(wantedAmps)}: the series resistor is too small.`,
  'led-under-current': ({ amps: through, wantedAmps, isByResistor, isDark }) =>
    `The LED gets ${amps(through)} of the ${amps(wantedAmps)} wanted${isDark ? ', which hardly shows' : ''}: the series resistor is ${isByResistor ? 'larger than it needs to be' : 'not what holds it back'}.`,
  'load-starved': ({ load, ratedVolts, minVolts, volts: across }) =>
    `The ${loadNames[load]} is made for ${volts(ratedVolts)}, needs at least ${volts(minVolts)} and gets ${volts(across)}: too little to work.`,
  'load-low': ({ load, volts: across, ratedVolts }) =>
    `The ${loadNames[load]} gets ${volts(across)} of its ${volts(ratedVolts)}: it works, weakly.`,
  'load-over-voltage': ({ load, volts: across, maxVolts, isAlone }) =>
    `The ${loadNames[load]} gets ${volts(across)}${alone(isAlone)} and takes ${volts(maxVolts)} at most: that may destroy it.`,
  'buzzer-quiet': ({ decibels }) =>
    `The buzzer sounds ${fixed(Math.abs(decibels), 0)} dB quieter than at its rated voltage.`,
  'tone-without-source': () =>
    'This buzzer is silent on direct current, and nothing here makes its tone: that takes a timer IC, or a microcontroller’s pin.',
  'tone-off-resonance': ({ hertz, resonantHertz }) =>
    `The tone is ${frequency(hertz)} and the buzzer is loudest at ${frequency(resonantHertz)}: it sounds much quieter than it can.`,
  'solenoid-held-on': ({ maxOnSeconds, onSeconds }) =>
    `The coil may be on for ${timeText(maxOnSeconds)} at a time and ${onSeconds === null ? 'stays on as long as the light says' : `is on for ${timeText(onSeconds)}`}: it burns. Take one that may stay on, or let a change of light start a short pulse.`,
  'on-briefly': ({ load, onSeconds, wantedSeconds }) => {
    const [on, wanted] = [timeText(onSeconds), timeText(wantedSeconds)];
    return `It is on for ${on} at a time, and ${briefly[loadGoing[load]](loadNames[load], wanted)}`;
  },
  'relay-not-pulled': () =>
    'The coil never gets the current to pull in, at any light: the switch does not pass enough.',
  'relay-never-drops-out': ({ dropOutShare }) =>
    `Once it has pulled in, the coil keeps over ${percent(dropOutShare)} of its current at every light: it never drops out.`,
  'contact-over-rating': ({ ratedAmps, use, amps: switched }) =>
    `The contacts are rated ${amps(ratedAmps)} for ${useNames[use]}, and should switch ${amps(switched)}: they would weld or burn. Take a larger relay or a contactor.`,
  'second-coil': ({ volts: there, coilVolts }) =>
    `The larger relay’s coil is made for ${volts(coilVolts)} and its supply gives ${volts(there)}: it ${there < coilVolts ? 'may not pull in' : 'gets too hot'}.`,
  'module-wrong-side': ({ input }) =>
    input === 'active-high'
      ? 'An active-high input needs current from the plus side, but here the minus side is switched.'
      : 'An active-low input needs to be pulled down, but here the plus side is switched.',
  'pin-undefined': ({ isOn, volts: there, lowVolts, highVolts }) => {
    const at = `With the switch ${isOn ? 'on' : 'off'} the pin is at ${volts(there)}`;
    const [low, high] = [`low (up to ${volts(lowVolts)})`, `high (from ${volts(highVolts)})`];
    if (there > lowVolts && there < highVolts) return `${at}: undefined, between ${low} and ${high}.`;
    const [reads, should] = there <= lowVolts ? [low, high] : [high, low];
    return `${at} and reads ${reads}, where it should read ${should}.`;
  },
  'pin-over-voltage': ({ volts: there, supplyVolts, wants }) =>
    `The pin gets ${volts(there)} and its device runs on ${there < 0 ? '0 V to ' : ''}${volts(supplyVolts)}: that can destroy it. ${there < 0 ? 'Let a transistor pull it down to 0 V.' : `${pinWants[wants]}, or divide the voltage down.`}`,
};

/** What is said of supplies and resistors. */
export const supplySentences: Sentences<SupplyFinding> = {
  'supply-over-limit': ({ amps: drawn, limitAmps, foldedVolts }) =>
    `All together take ${amps(drawn)}, over the ${amps(limitAmps)} that the supply gives${foldedVolts === null ? '' : `: its voltage folds down to ${volts(foldedVolts)}`}.`,
  'inrush-over-limit': ({ amps: drawn, limitAmps }) =>
    `When it is switched on the load takes ${amps(drawn)} for a moment, over the ${amps(limitAmps)} of the supply: it may dip and chatter.`,
  'supply-fed-back': ({ feeds, amps: into }) =>
    `${amps(into)} flow into the ${feeds === 'load' ? 'load’s' : 'sensor side’s'} supply: cells must not be charged so, and a regulator lets its voltage rise.`,
  'cells-disagree': ({ volts: open, cells, cellVolts }) =>
    `A battery of ${cells} × ${partVolts(cellVolts)} gives ${partVolts(cells * cellVolts)}, not ${partVolts(open)}.`,
  'supply-unused': ({ volts: own }) =>
    `Nothing hangs on the load’s own supply of ${partVolts(own)}: what is switched here gets its current elsewhere. Leave it out.`,
  'supply-sags': ({ ohms, volts: lost, amps: drawn, movesLight }) =>
    `The supply’s own ${partOhms(ohms)} take ${volts(lost)} at ${amps(drawn)}: ${movesLight ? 'the switching light moves as the load comes on' : 'all that hangs on it gets so much less then'}.`,
  'sides-disagree': () =>
    'One module is on with its input high, another with its input low: no one switch does both. Set them to one sort by their jumpers, take modules of one sort, or give each sort a switch of its own.',
  'tone-shared': ({ load, isDimmed }) =>
    `The pin that makes the tone switches the ${loadNames[load]} as well, on and off with each swing: ${isDimmed ? 'it shines about half as bright' : 'that is no use to it'}. Let a timer IC make the tone.`,
  'tone-into-stage': ({ stage }) =>
    `The pin makes the tone, and the ${{ 'one-shot': 'one-shot', counted: 'counter', toggle: 'toggle' }[stage]} behind it takes each swing for a turning on: no tone comes through. Let a timer IC make it.`,
  'tones-disagree': ({ hertz, otherHertz }) =>
    `One pin gives both buzzers the same tone, ${frequency(hertz)}; the other is loudest at ${frequency(otherHertz)}.`,
  'loads-disagree': ({ mostLoad, mostVolts, leastLoad, leastVolts }) =>
    mostLoad === leastLoad
      ? `No one supply suits both: one ${loadNames[mostLoad]} takes ${volts(mostVolts)} at most, the other needs ${volts(leastVolts)}. Give each a switch of its own.`
      : `No one supply suits both: the ${loadNames[mostLoad]} takes ${volts(mostVolts)} at most, the ${loadNames[leastLoad]} needs ${volts(leastVolts)}. Give each a switch of its own.`,
  'resistor-hot': ({ designator, watts: heat }) =>
    `${designator} makes ${watts(heat)}, more than any common resistor is rated for.`,
};
