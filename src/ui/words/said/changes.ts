import { entryFor } from '@/core/record';
import type { Change } from '@/core/advise/changes';
import type { Remedy } from '@/core/advise/remedies';
import type { Outcome } from '@/core/advise/trials';
import { amps, lux, partOhms, partVolts, percent, ratio, volts } from '../figures';
import type { LightText } from '../light';
import { detectorWords } from '../detectors';
import { controlName, endNames, icNameOf, transistorNameOf } from '../names';
import { timeText } from '../time';

/** A change as something to do, or as something to use. */
type Phrase = { readonly to: string } | { readonly use: string };
type Phrases = {
  readonly [K in Change['code']]: (change: Extract<Change, { readonly code: K }>, light: LightText) => Phrase;
};

/** A name with its article. */
const a = (name: string) => `${/^[aeioAEIO8]|^N-/.test(name) ? 'an' : 'a'} ${name}`;

const values = {
  codes: 'the codes for these lights',
  string: 'the string for these lights',
  reference: 'other reference resistors',
  feedback: 'a reference and feedback for this band',
} as const;

const ordinals = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];

const phrases: Phrases = {
  supply: ({ feeds, volts, source }) => {
    const cells =
      source.kind === 'battery' ? ` of ${source.cells} ${source.cells === 1 ? 'cell' : 'cells'}` : '';
    const name = `${partVolts(volts)}${cells}`;
    return {
      use: {
        both: `a supply of ${name}`,
        sensor: `${name} for the sensor side`,
        load: `${name} for the load`,
      }[feeds],
    };
  },
  'supply-limit': ({ amps: limit }) => ({ use: `a supply that gives ${amps(limit)}` }),
  'one-supply': () => ({ use: 'one supply for both sides' }),
  'join-grounds': () => ({ to: 'join the grounds' }),
  'swap-divider': () => ({ to: 'swap LDR and R1' }),
  'swap-inputs': () => ({ to: 'swap the two inputs' }),
  'more-in': ({ side }) => ({
    to: side === 'light' ? 'light more of them in the light' : 'light more of them in the dark',
  }),
  'loads-apart': () => ({ to: 'show all steps up to the present one' }),
  'turn-trimmer': ({ position }) => ({ to: `turn the trimmer to ${percent(position)} of its track` }),
  'no-trimmer': () => ({ use: 'a plain resistor in place of the trimmer' }),
  'no-negative': () => ({ to: 'leave out the supply below 0 V' }),
  'use-divider': () => ({ use: 'a divider' }),
  detector: ({ kind }) => ({ use: detectorWords[kind].name }),
  ic: ({ id }) => ({ use: a(icNameOf(id)) }),
  transistor: ({ id }) => ({ use: a(transistorNameOf(id)) }),
  values: ({ by }) => ({ use: values[by] }),
  samples: ({ count }) => ({ to: `average ${count} readings` }),
  gain: ({ times }) => ({ use: `a gain of ${times}` }),
  trigger: ({ volts: at }) => ({ use: `a trigger of ${volts(at)}` }),
  'edge-band': ({ ratio: band }) =>
    band === null ? { to: 'leave out the feedback' } : { to: `give each edge a band of ${ratio(band)}` },
  inverter: ({ isIn }) => ({ to: isIn ? 'add an inverter' : 'leave the inverter out' }),
  pulse: ({ by, isNew, seconds }) =>
    isNew
      ? {
          to: `put ${by === 'counted' ? 'a counter' : 'a timer IC’s pulse'} of ${timeText(seconds)} after it`,
        }
      : { to: `make its ${by === 'counted' ? 'count' : 'pulse'} ${timeText(seconds)} long` },
  output: ({ to, loadRail }) =>
    to === 'transistor'
      ? { to: 'let the output drive the transistor' }
      : {
          to:
            loadRail === 'ground'
              ? 'connect the load between output and 0 V'
              : 'connect the load between plus and output',
        },
  release: ({ ohms, driver }) => {
    const where = `from ${controlName(driver)} to ${endNames(driver).emitter}`;
    return ohms === null ? { to: `leave out the resistor ${where}` } : { use: `${partOhms(ohms)} ${where}` };
  },
  base: ({ ohms, driver }) => {
    const where = `before the ${controlName(driver)}`;
    return ohms === null ? { to: `leave out the resistor ${where}` } : { use: `${partOhms(ohms)} ${where}` };
  },
  place: () => ({ to: 'move the load to the other end of the transistor' }),
  fixed: ({ ohms }) => ({ use: `${partOhms(ohms)} for R1` }),
  'ldr-series': ({ ohms }) =>
    ohms === null
      ? { to: 'leave out the resistor in series with the LDR' }
      : { use: `${partOhms(ohms)} in series with the LDR` },
  series: ({ ohms, nth }) => ({
    use: `${partOhms(ohms)} in series with the ${nth === null ? '' : `${ordinals[nth] ?? 'last'} `}LED`,
  }),
  'tone-by-timer': () => ({ to: 'let a timer IC make the tone' }),
  'tone-resistor': ({ ohms }) => ({ use: `${partOhms(ohms)} for the tone` }),
  'second-relay': ({ amps: rated, coilVolts }) => ({
    to: `let it switch a larger relay (coil ${partVolts(coilVolts)}, contacts for ${amps(rated)})`,
  }),
  'module-input': ({ input, nth }) => ({
    to: `set the ${nth === null ? '' : `${ordinals[nth] ?? 'last'} `}module’s input to ${input} by its jumper, or take one with such an input`,
  }),
  contacts: ({ amps: rated }) => ({ use: `contacts for ${amps(rated)}` }),
  'led-current': ({ amps: wanted }) => ({ to: `run the LED at ${amps(wanted)}` }),
  goal: ({ lux: goal }, light) => ({ to: `put the goal at ${light(goal)}` }),
  'off-light': ({ lux: off, isEdge }, light) => ({
    to: isEdge ? `put the other edge at ${light(off)}` : `let it turn off at ${light(off)}`,
  }),
  'move-off': ({ lux: off, fromLux }, light) => ({
    to: `let it turn off at ${light(off)} in place of ${light(fromLux)}`,
  }),
};

const listed = (parts: readonly string[]) =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** Several changes as a button says them: what to do, then what to use. */
export function changesLabel(changes: readonly Change[], light: LightText = lux): string {
  const all = changes.map((change) =>
    // One phrase a code, each for its own change.
    entryFor<(change: Change, light: LightText) => Phrase>(phrases, change.code)(change, light),
  );
  const uses = all.flatMap((phrase) => ('use' in phrase ? [phrase.use] : []));
  const dos = all.flatMap((phrase) => ('to' in phrase ? [phrase.to] : []));
  const said = [...new Set(dos), ...(uses.length > 0 ? [`use ${listed(uses)}`] : [])].join(', ');
  return said.charAt(0).toUpperCase() + said.slice(1);
}

/** What hears changes has no light to be told. */
const lightOf = ({ switchLux, hasLight }: Outcome, light: LightText) =>
  !hasLight ? '' : switchLux === null ? 'never switches' : `switches at ${light(switchLux)}`;

/** What a design does after a change, beside what it does before; nothing of what is left before its ends are solved. */
export function outcomeText(
  { before, then, areEndsSolved }: Pick<Remedy, 'before' | 'then' | 'areEndsSolved'>,
  light: LightText = lux,
): string {
  const left =
    then.cannots > 0
      ? `${then.cannots} more to cure`
      : !areEndsSolved
        ? ''
        : then.looks > 0
          ? `${then.looks} ${then.looks === 1 ? 'thing' : 'things'} left to look at`
          : 'in order';
  const [is, was] = [lightOf(then, light), lightOf(before, light)];
  const switching = was === is || was === '' ? is : `${is} (now: ${was})`.trim();
  const parts = [switching, left].filter((part) => part !== '');
  return parts.length === 0 ? '' : `then ${parts.join(', ')}`;
}
