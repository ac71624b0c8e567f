import type { DriverFinding } from '@/core/drivers/finding';
import { amps, beta, volts, watts } from '../figures';
import type { Sentences } from './sentences';

/** A base current is enough from so many times what the load wants, over the gain. */
const ENOUGH = 1.5;

/** In which light it is, at the beginning of a sentence. */
const inLight = (lux: number | null, light: (lux: number) => string) =>
  lux === null ? 'When it fires' : `At ${light(lux)}`;

/** What lets a base take less. */
const lessBase = {
  r1: 'it takes a larger R1',
  base: 'put a larger resistor before the base',
  nothing: 'put a resistor before the base',
} as const;

/** What is said of the switch. */
export const driverSentences: Sentences<DriverFinding> = {
  'load-not-saturated': ({ baseAmps, minBeta, guaranteedAmps, fullAmps }) =>
    minBeta * baseAmps > ENOUGH * fullAmps
      ? `The load gets ${amps(guaranteedAmps)} of the ${amps(fullAmps)} that it wants, though the base gets ${amps(baseAmps)}, enough for a β of ${minBeta}: it is not the base current that is short. It may never be fully on.`
      : `The base gets ${amps(baseAmps)} at most: with a β of at least ${minBeta} that guarantees ${amps(guaranteedAmps)}, but the load wants ${amps(fullAmps)}. It may never be fully on.`,
  'little-drive-margin': ({ forcedBeta, minBeta }) =>
    forcedBeta > minBeta
      ? `For all of its current the load needs a β of ${beta(forcedBeta)}, and the transistor guarantees ${minBeta}: the weakest one gives it nearly all, with nothing in hand.`
      : `The transistor needs a β of ${beta(forcedBeta)} and guarantees ${minBeta}: it saturates, with less than twice in hand.`,
  'base-over-current': ({ lux, amps: into, maxAmps, by }, light) =>
    `${inLight(lux, light)} the base takes ${amps(into)}, over its rated ${amps(maxAmps)}: ${lessBase[by]}.`,
  'base-reversed': ({ volts: reverse, isApart }) =>
    `The base is pulled ${volts(reverse)} the wrong way round; over 5 to 7 V it breaks down. A diode across base and emitter, pointing the other way, protects it${isApart ? ', or a supply that both sides share' : ''}.`,
  'gate-too-low': ({ gateVolts, maxThresholdVolts, guaranteedAmps, fullAmps }) =>
    `The gate gets ${volts(gateVolts)} at most, and the threshold may be as high as ${volts(maxThresholdVolts)}: that guarantees ${amps(guaranteedAmps)} of the ${amps(fullAmps)}.`,
  'gate-over-volts': ({ volts: given, maxVolts }) =>
    `The gate gets ${volts(given)} and is rated ${volts(maxVolts)}.`,
  'transistor-over-volts': ({ volts: blocked, maxVolts }) =>
    `When off, the transistor blocks ${volts(blocked)} (rated ${volts(maxVolts)}).`,
  'inrush-above-transistor': ({ amps: first, maxAmps }) =>
    `When it is switched on the load takes ${amps(first)} for a moment, more than this transistor withstands (${amps(maxAmps)}).`,
  'load-above-transistor': ({ amps: through, maxAmps }) =>
    `The load takes ${amps(through)}, more than this transistor is rated for (${amps(maxAmps)}).`,
  'transistor-warm': ({ lux, watts: heat, maxWatts, isSoft }, light) =>
    `${inLight(lux, light)}${isSoft ? ', in its transition band,' : ''} the transistor makes ${watts(heat)} of heat; without a heat sink it is rated ${watts(maxWatts)}.`,
  'lifted-reference': ({ isFollower, loadVolts, sensorVolts }) =>
    isFollower
      ? `The load stands on ${volts(loadVolts)}, and the P type below it follows its drive, which never gets above the divider’s ${volts(sensorVolts)}: what is left keeps the load on. Let an N type switch its minus side instead.`
      : `This high-side switch stands on ${volts(loadVolts)}, but its drive never gets above the divider’s ${volts(sensorVolts)}: it never turns off. Switch the minus side of the load instead.`,
  'floating-ground': () =>
    'The two supplies share no ground: no current can come back to that of the load, and it drives nothing.',
  'emitter-loses': ({ volts: lost }) =>
    `As a follower the switch leaves the load ${volts(lost)} less than its supply.`,
};
