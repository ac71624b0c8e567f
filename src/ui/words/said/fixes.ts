import { entryFor } from '@/core/record';
import type { Fix } from '@/core/advise/advice';
import type { DetectorFixWords } from '@/core/detectors/finding';
import { amps, lux, partOhms, ratio, volts } from '../figures';
import type { LightText } from '../light';
import { comparatorNameOf, transistorNameOf } from '../names';

type Labels = {
  readonly [K in Fix['kind']]: (fix: Extract<Fix, { readonly kind: K }>, light: LightText) => string;
};

const labels: Labels = {
  'swap-ldr-side': () => 'Swap LDR and R1',
  'use-divider': () => 'Use a divider, LDR on the other side',
  'take-fixed': ({ ohms }) => `Use ${partOhms(ohms)}`,
  'take-base': ({ ohms }) => `Add ${partOhms(ohms)} before the base`,
  'take-series': ({ ohms }) => `Use ${partOhms(ohms)}`,
  'take-part': ({ id }) => `Use a ${transistorNameOf(id)} and size R1 for it`,
  'take-release': ({ ohms }) => `Add ${partOhms(ohms)} from base to emitter`,
  'switch-side': ({ to }) =>
    to === 'low' ? 'Switch the minus side of the load' : 'Switch the plus side of the load',
  'load-at-collector': () => 'Move the load to the other end of the transistor',
  'join-grounds': () => 'Join the grounds',
  'step-up-relay': ({ amps: rated }) => `Use contacts for ${amps(rated)}`,
  'lighten-load': ({ amps: wanted }) => `Run the LED at ${amps(wanted)} and size R1 for it`,
  'output-rail': ({ to }) =>
    to === 'ground' ? 'Connect the load between output and 0 V' : 'Connect the load between plus and output',
  'goal-at': ({ lux: goal }, light) => `Put the goal at ${light(goal)}`,
  'lower-supply': ({ volts: sensor }) => `Sensor side on ${volts(sensor)}, the load on its own`,
  resize: ({ by }) => (by === 'codes' ? 'Use the codes for these lights' : 'Use the string for these lights'),
  'add-hysteresis': ({ ratio: band }) => `Give it a band of ${ratio(band)}`,
  'set-detector': ({ words }) => detectorLabel(words),
};

function detectorLabel(words: DetectorFixWords): string {
  switch (words.code) {
    case 'swap-inputs':
      return 'Swap the two inputs';
    case 'take-comparator':
      return `Use a ${comparatorNameOf(words.id)}`;
    case 'take-samples':
      return `Average ${words.samples} readings`;
    case 'take-gain':
      return `Use a gain of ${words.gain}`;
  }
}

/** What the button of a fix says. */
export function fixLabel(fix: Fix, light: LightText = lux): string {
  // One label a kind, each for its own fix.
  const label = entryFor<(fix: Fix, light: LightText) => string>(labels, fix.kind);
  return label(fix, light);
}
