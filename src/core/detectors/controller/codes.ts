import { ldrOhmsAt } from '../../ldr/curve';
import { sourceOhms } from '../bareDivider';
import type { DetectorBench, GoalLights } from '../bench';

/** The settings that reading a midpoint hangs on. */
export interface Converter {
  readonly bits: number;
  /** `null` for its own supply. */
  readonly refVolts: number | null;
}

/** The two codes that a microcontroller switches at. */
export interface Codes {
  readonly onCode: number;
  readonly offCode: number;
}

/**
 * What an analogue-to-digital converter reads: `floor(V/Vref·2ⁿ)`, at most 2ⁿ − 1 and at least 0.
 * @example adcCode(3.564, 5, 10) // 729
 */
export function adcCode(volts: number, refVolts: number, bits: number): number {
  const codes = 2 ** bits;
  return Math.min(codes - 1, Math.max(0, Math.floor((volts / refVolts) * codes)));
}

/** The least voltage that reads as a code: `code·Vref/2ⁿ`. */
export function adcVolts(code: number, refVolts: number, bits: number): number {
  return (code * refVolts) / 2 ** bits;
}

/** More source resistance than this leaves a converter's sampling capacitor half filled, in Ω. */
export const MAX_SOURCE_OHMS = 10_000;

/** A single reading of a converter wanders by about one code, one standard deviation. */
const NOISE_CODES = 1;
/** On and off must lie so many standard deviations of the mean apart: three from either. */
const APART_DEVIATIONS = 6;

/** Whether a microcontroller's noise alone carries it from one code to the other; and how many readings' mean would not be. */
export function codesApart({ onCode, offCode, samples }: Codes & { readonly samples: number }) {
  const apart = Math.abs(onCode - offCode);
  const wantedSamples = Math.ceil((APART_DEVIATIONS * NOISE_CODES) ** 2 / Math.max(1, apart) ** 2);
  return { apart, wantedSamples, isWide: samples >= wantedSamples };
}

/** What a microcontroller sees of the light about one of its codes. */
export interface CodeFacts {
  readonly code: number;
  readonly volts: number;
  /** Change of light for one code there, in the light's own unit. */
  readonly lightPerCode: number;
  /** How far the mean of the readings wanders, one standard deviation, in the light's own unit. */
  readonly wanderLight: number;
}

export interface ControllerFacts {
  readonly on: CodeFacts;
  readonly off: CodeFacts;
  /** Resistance that the pin sees at the goal: LDR and R1 side by side. */
  readonly sourceOhms: number;
  /** The largest code there is. */
  readonly maxCode: number;
}

type Bench = Pick<DetectorBench<never>, 'voltsAt' | 'goal' | 'divider' | 'curve'>;

/** About a light, the slope of the codes is taken between so much more and less of it. */
const STEP = 1.02;

/** `null` where the divider has no operating point. */
export function controllerFacts(
  settings: Converter & { readonly samples: number },
  bench: Bench,
): ControllerFacts | null {
  const { goal, divider, curve } = bench;
  const factsAt = (lux: number): CodeFacts | null => {
    const [here, brighter, darker] = [lux, lux * STEP, lux / STEP].map((light) =>
      readAt(settings, bench, light),
    );
    if (!here || !brighter || !darker) return null;
    const perCode = (lux * (STEP - 1 / STEP)) / Math.abs(brighter.exact - darker.exact);
    const wanderLight = (NOISE_CODES * perCode) / Math.sqrt(settings.samples);
    return { code: here.code, volts: here.volts, lightPerCode: perCode, wanderLight };
  };
  const [on, off] = [factsAt(goal.lux), factsAt(offLuxOf(goal))];
  if (!on || !off) return null;
  const source = sourceOhms(divider, ldrOhmsAt(curve, goal.lux));
  return { on, off, sourceOhms: source, maxCode: 2 ** settings.bits - 1 };
}

/** What it reads at a light: the midpoint, its code, and the same before it is cut to a whole one. */
function readAt({ bits, refVolts }: Converter, { voltsAt }: Bench, lux: number) {
  const volts = voltsAt('mid', lux, 0);
  const reference = refVolts ?? voltsAt('supply', lux, 0);
  if (volts === null || reference === null) return null;
  return { volts, code: adcCode(volts, reference, bits), exact: (volts / reference) * 2 ** bits };
}

/** A quarter more light, or less, to turn off, where nobody has said. */
const DEFAULT_OFF_RATIO = 1.25;

/** The light at which it should turn off: the one said, where that lies on the side where it is off; else the default one. */
function offLuxOf({ action, lux, offLux }: GoalLights): number {
  const isRight = offLux !== null && (action === 'on-in-dark' ? offLux > lux : offLux < lux);
  if (isRight) return offLux;
  return action === 'on-in-dark' ? lux * DEFAULT_OFF_RATIO : lux / DEFAULT_OFF_RATIO;
}

/**
 * Codes for the goal's two lights: on from the code nearest to the voltage at the goal, off from that at the other light, a
 * quarter away where none is said; at least one code apart.
 */
export function codesFor(
  settings: Converter & { readonly onWhen: 'above' | 'below' },
  bench: Bench & Pick<DetectorBench<never>, 'isOn'>,
): { readonly codes: Codes & { readonly onWhen: 'above' | 'below' }; readonly offLux: number } | null {
  const { goal, divider, isOn } = bench;
  const offLux = Number(offLuxOf(goal).toPrecision(3));
  const risesInDark = divider.ldrSide === 'bottom';
  // What follows the pin may turn it round: its program is then on while the load is off.
  const isInverted = isOn.length > 0 && isOn[0] !== (risesInDark === (settings.onWhen === 'above'));
  const [startLux, endLux] = isInverted ? [offLux, goal.lux] : [goal.lux, offLux];
  const [on, off] = [readAt(settings, bench, startLux), readAt(settings, bench, endLux)];
  if (!on || !off) return null;
  const up = risesInDark === ((goal.action === 'on-in-dark') !== isInverted);
  const max = 2 ** settings.bits - 1;
  const within = (code: number) => Math.min(max, Math.max(0, code));
  // "At least c" is crossed at c, "at most c" at c + 1.
  const onCode = within(up ? Math.round(on.exact) : Math.round(on.exact) - 1);
  const wanted = within(up ? Math.round(off.exact) - 1 : Math.round(off.exact));
  const offCode = within(up ? Math.min(wanted, onCode - 1) : Math.max(wanted, onCode + 1));
  return { codes: { onCode, offCode, onWhen: up ? 'above' : 'below' }, offLux };
}
