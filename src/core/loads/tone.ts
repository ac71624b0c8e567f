import { TONE_TIMER, toneHertz } from '../parts/kinds/toneMaker';
import type { Draft } from '../parts/part';
import { exactly, oneOf, within, type Infer } from '../schema';
import { nearestIn, type ResistorStock } from '../series/stock';
import { loudnessChange, QUIET_DECIBELS } from './buzzer';
import type { LoadDefinition, LoadFacts, LoadPlace, LoadSaying, LoadSetting } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { HEARD, PLAIN_LOAD, voltageSayings } from './ratedLoad';

export const toneField = exactly({
  kind: oneOf('tone'),
  /** What swings at it, top to bottom, in V. */
  ratedVolts: within(LIMITS.volts),
  maxVolts: within(LIMITS.volts),
  /** On average while it sounds. */
  ratedAmps: within(LIMITS.amps),
  /** At 10 cm, the rated voltage and its own frequency. */
  decibels: within(LIMITS.decibels),
  /** Where it sounds loudest. */
  resonantHertz: within(LIMITS.hertz),
  /** What makes the tone: a timer IC of its own, or the pin of the controller that switches. */
  source: oneOf('timer', 'pin'),
  /** The timer IC's two resistors and its capacitor. */
  upperOhms: within(LIMITS.toneOhms),
  lowerOhms: within(LIMITS.toneOhms),
  farads: within(LIMITS.toneFarads),
});

/** A buzzer that needs a tone: a bare disc or coil, silent on direct current. */
export type ToneLoad = Infer<typeof toneField>;

/** A disc this far off its own frequency, as a ratio, sounds much quieter. */
const OFF_RATIO = 1.12;

export const areTonesApart = (one: number, other: number): boolean =>
  Math.max(one / other, other / one) > OFF_RATIO;
/** What a disc passes of a steady voltage: as good as nothing. */
const DISC_OHMS = 1e7;
/** Under this share of its voltage it is hardly heard. */
const MIN_SHARE = 0.4;

/** The frequency that a tone buzzer is given, in Hz. A pin gives whatever its program says. */
export const hertzOf = (load: ToneLoad): number =>
  load.source === 'timer' ? toneHertz(load) : load.resonantHertz;

export const toneLoad: LoadDefinition<ToneLoad> = {
  ...PLAIN_LOAD,
  inTime: HEARD,
  heardHertz: hertzOf,
  field: toneField,
  defaults: {
    kind: 'tone',
    ...{ ratedVolts: 5, maxVolts: 12, ratedAmps: 0.008, decibels: 80, resonantHertz: 2700 },
    ...{ source: 'timer', upperOhms: 10_000, lowerOhms: 22_000, farads: 1e-8 },
  },
  parts: tonePlaced,
  // The timer IC's current is that of all of it.
  sense: (designator, beside) => ({ name: beside ?? designator, kind: 'resistor' }),
  nominalAmps: averageAmps,
  volts: ({ ratedVolts: rated, maxVolts, source }) => ({
    rated,
    min: Math.min(rated, Math.max(MIN_SHARE * rated, source === 'timer' ? TONE_TIMER.minSupplyVolts : 0)),
    max: source === 'timer' ? Math.min(maxVolts, TONE_TIMER.maxSupplyVolts) : maxVolts,
  }),
  findings: (load, facts, setting) => {
    const said = voltageSayings('tone', facts, false);
    return [...said, ...sayTone(load, setting), ...(said.length === 0 ? sayLoudness(load, facts) : [])];
  },
};

/** The buzzer's own current, and that of the timer IC with what its discharge takes through RA. */
function averageAmps({ source, ratedVolts, ratedAmps, upperOhms }: ToneLoad): number {
  return ratedAmps + (source === 'timer' ? TONE_TIMER.idleAmps + ratedVolts / upperOhms / 2 : 0);
}

function tonePlaced(load: ToneLoad, { hot, cold, index }: LoadPlace): readonly Draft[] {
  const net = (name: string) => (index === 0 ? name : `${name}.${index + 1}`);
  const [out, timing, discharge] = [net('tone'), net('tone-timing'), net('tone-discharge')];
  const ohms = load.ratedVolts / averageAmps(load);
  if (load.source === 'pin') return [{ kind: 'sounder', role: 'load', index, a: hot, b: cold, ohms }];
  return [
    { kind: 'sounder', role: 'load', index, a: out, b: cold, ohms: DISC_OHMS },
    {
      ...{ kind: 'oscillator', role: 'tone-timer', index, top: hot, bottom: cold },
      ...{ out, timing, discharge, ohms },
    },
    { kind: 'resistor', role: 'tone-upper', a: hot, b: discharge, ohms: load.upperOhms, index },
    { kind: 'resistor', role: 'tone-lower', a: discharge, b: timing, ohms: load.lowerOhms, index },
    { kind: 'capacitor', role: 'tone-capacitor', a: timing, b: cold, farads: load.farads, index },
  ];
}

/** Who makes the tone, and how far it is from the one that the buzzer is made for. */
function sayTone(load: ToneLoad, { index, stock, makesTone }: LoadSetting): readonly LoadSaying[] {
  const { source, resonantHertz } = load;
  if (source === 'pin')
    return makesTone
      ? []
      : [
          {
            state: 'cannot',
            finding: { code: 'tone-without-source' },
            fix: { kind: 'tone-by-timer' },
          },
        ];
  const hertz = hertzOf(load);
  if (!areTonesApart(hertz, resonantHertz)) return [];
  const ohms = lowerOhmsFor(load, stock);
  const fix =
    ohms === null || ohms === load.lowerOhms ? null : ({ kind: 'tone-resistor', ohms, index } as const);
  return [{ state: 'look', finding: { code: 'tone-off-resonance', hertz, resonantHertz }, fix }];
}

/** The resistor in stock with which the timer IC swings nearest to the buzzer's own frequency; `null` where none can be. */
export function lowerOhmsFor(
  { resonantHertz, upperOhms, farads }: ToneLoad,
  stock: ResistorStock,
): number | null {
  const wanted = (1 / (Math.LN2 * resonantHertz * farads) - upperOhms) / 2;
  if (wanted < LIMITS.toneOhms.min) return null;
  const near = nearestIn(stock, wanted);
  if (!near.ok) return null;
  const off = (ohms: number) => Math.abs(Math.log(ohms / wanted));
  const best = near.found.reduce((one, other) => (off(other.ohms) < off(one.ohms) ? other : one));
  return best.ohms;
}

function sayLoudness({ ratedVolts }: ToneLoad, { volts }: LoadFacts): readonly LoadSaying[] {
  const decibels = loudnessChange(volts, ratedVolts);
  return decibels < QUIET_DECIBELS ? [{ state: 'look', finding: { code: 'buzzer-quiet', decibels } }] : [];
}
