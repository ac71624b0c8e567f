import { ohmsOfState, settledLdr, stepLdr, DEFAULT_DYNAMICS, type LdrState } from '../ldr/dynamics';
import { relativeLightAt } from '../light/ladder';
import { bestRange, meterOf, rangeOf, resolutionOhms, topOhms, type MeterId } from '../meter/meter';
import { normals, uniforms } from '../numeric/random';
import { exactly, flag, nullOr, oneOf, soundOr, within, withinOrNone, type Infer } from '../schema';

const POSITIVE = { min: 1e-6, max: 1e12 } as const;
export const BENCH_LIMITS = {
  lampMetres: { min: 0.05, max: 5 },
  dimShare: { min: 0.01, max: 1 },
  roomLux: { min: 0, max: 2000 },
} as const;

/**
 * How hard the bench makes it: a steady lab; a living room at dusk, its light going and a screen on; a meter with a low
 * battery and a lead that comes off.
 */
export const difficulties = ['lab', 'dusk', 'worn-meter'] as const;
export type Difficulty = (typeof difficulties)[number];

/** What a hand can do at the simulated bench. */
export const benchControlsField = exactly({
  lampOn: flag(),
  /** From the lamp to the LDR, in m. */
  lampMetres: within(BENCH_LIMITS.lampMetres),
  /** Share of its full light that the lamp gives, 0–1. */
  dimShare: within(BENCH_LIMITS.dimShare),
  /** Light of the room at the LDR, in lux. */
  roomLux: within(BENCH_LIMITS.roomLux),
  /** A cap over the LDR: hardly a thousandth of the light gets in. */
  covered: flag(),
  /** A screen beside the bench that flickers. */
  screenOn: flag(),
  meter: oneOf<MeterId>('manual-2000', 'auto-6000', 'bench-20000'),
  difficulty: oneOf<Difficulty>(...difficulties),
  /** Full scale of the chosen range, in Ω; `null` lets the bench turn the knob. */
  rangeOhms: withinOrNone({ min: 1, max: 1e10 }),
});

export type BenchControls = Infer<typeof benchControlsField>;

export const FIRST_CONTROLS: BenchControls = {
  lampOn: true,
  lampMetres: 0.5,
  dimShare: 1,
  roomLux: 0.5,
  covered: false,
  screenOn: false,
  meter: 'manual-2000',
  difficulty: 'lab',
  rangeOhms: null,
};

/** What the bench keeps to itself until someone asks how near they came. */
export const hiddenLdrField = exactly({
  curve: exactly({
    r10Ohms: within(POSITIVE),
    gamma: within(POSITIVE),
    darkOhms: nullOr(within(POSITIVE)),
    brightOhms: within({ min: 0, max: 1e9 }),
  }),
  dynamics: exactly({
    riseSeconds: within(POSITIVE),
    fallSeconds: within(POSITIVE),
    tailShare: within({ min: 0, max: 1 }),
    tailSeconds: within(POSITIVE),
  }),
});

export type HiddenLdr = Infer<typeof hiddenLdrField>;

/** What the meters on the bench show. */
export interface BenchReading {
  readonly ohms: number;
  readonly above: boolean;
  readonly rangeOhms: number;
  /** By the light meter beside the LDR, two and a half digits. */
  readonly lux: number;
}

/** Lux of the lamp at 1 m. */
const LAMP_LUX = 60;
const COVERED_SHARE = 0.0008;
/** The light meter is off by one and the same few per cent all day, and jitters by one. */
const LIGHT_METER = { offStd: 0.02, jitterStd: 0.008 } as const;
const METER_JITTER = 0.0015;
/** At dusk the room loses half its light in so many seconds, down to a lamp in the next room. */
const DUSK = { halfSeconds: 150, restShare: 0.05 } as const;
/** A screen in the room flickers by this share of the room's light, and gives this much of its own, in lx. */
const SCREEN = { share: 0.25, lux: 1.5 } as const;
/** A low battery makes a meter read high, the more the longer it is on; its lead is off for a share of the time. */
const WORN = { mostShare: 0.06, fullSeconds: 240, everySeconds: 23, offSeconds: 2.2 } as const;
/** Steps no longer than this, so that the flicker is followed, in s. */
const STEP_SECONDS = 0.05;

/** An LDR that nobody has measured yet, from a seed: R10, γ and floors like those of the parts one can buy. */
export function hiddenLdr(seed: number): HiddenLdr {
  const uniform = uniforms(seed * 2654435761);
  const between = (low: number, high: number) => low * (high / low) ** uniform();
  return {
    curve: {
      r10Ohms: between(7000, 30_000),
      gamma: between(0.58, 0.85),
      darkOhms: between(3e6, 3e7),
      brightOhms: between(20, 90),
    },
    dynamics: { ...DEFAULT_DYNAMICS, tailSeconds: between(1.2, 2.2) },
  };
}

/** A bench with a lamp, a hidden LDR and two meters. Time comes in by `advance`; the same seed and steps give the same day. */
export class Bench {
  readonly hidden: HiddenLdr;
  controls: BenchControls = FIRST_CONTROLS;
  private seconds = 0;
  private state: LdrState;
  private readonly normal: () => number;
  private readonly lightOff: number;

  constructor(seed: number) {
    this.hidden = hiddenLdr(seed);
    this.normal = normals(seed + 1);
    this.lightOff = Math.exp(LIGHT_METER.offStd * this.normal());
    this.state = settledLdr(this.hidden.curve, this.luxNow());
  }

  /** Light on the LDR at this moment, in lux: never quite none. */
  luxNow(): number {
    const { lampOn, lampMetres, dimShare, covered, screenOn, difficulty } = this.controls;
    const lamp = lampOn ? LAMP_LUX * dimShare * relativeLightAt(lampMetres) : 0;
    const roomLux = difficulty === 'dusk' ? this.duskLux() : this.controls.roomLux;
    const screen = screenOn ? 9 + 5 * Math.sin(this.seconds * 7.1) + 3 * Math.sin(this.seconds * 2.3) : 0;
    return Math.max(1e-4, (lamp + roomLux + screen) * (covered ? COVERED_SHARE : 1));
  }

  /** A living room as the day goes, with a screen on. */
  private duskLux(): number {
    const { roomLux } = this.controls;
    const { halfSeconds, restShare } = DUSK;
    const day = roomLux * (restShare + (1 - restShare) * 0.5 ** (this.seconds / halfSeconds));
    const flicker = Math.sin(this.seconds * 5.3) + 0.6 * Math.sin(this.seconds * 1.7);
    return Math.max(0, day * (1 + SCREEN.share * flicker) + SCREEN.lux * (1 + 0.5 * flicker));
  }

  /** Whether the lead is off at this moment. */
  private isLeadOff(): boolean {
    const { everySeconds, offSeconds } = WORN;
    return (
      this.controls.difficulty === 'worn-meter' && this.seconds % everySeconds > everySeconds - offSeconds
    );
  }

  /** Lets time pass. @param seconds above 0, at most a minute: more is a bench that nobody watched */
  advance(seconds: number): void {
    let left = Math.min(60, seconds);
    while (left > 1e-9) {
      const step = Math.min(STEP_SECONDS, left);
      this.seconds += step;
      this.state = stepLdr(this.state, this.hidden.curve, this.hidden.dynamics, this.luxNow(), step);
      left -= step;
    }
  }

  /** What the meters show now. */
  read(): BenchReading {
    const { meter: id, rangeOhms } = this.controls;
    const meter = meterOf(id);
    const isWorn = this.controls.difficulty === 'worn-meter';
    const high = isWorn ? 1 + WORN.mostShare * Math.min(1, this.seconds / WORN.fullSeconds) : 1;
    const ohms =
      high * ohmsOfState(this.state, this.hidden.dynamics) * Math.exp(METER_JITTER * this.normal());
    const lux = Number(
      (this.luxNow() * this.lightOff * Math.exp(LIGHT_METER.jitterStd * this.normal())).toPrecision(3),
    );
    const chosen = meter.autoRange ? null : rangeOf(meter, rangeOhms);
    const range = chosen ?? bestRange(meter, ohms);
    if (this.isLeadOff()) {
      const top = range?.fullOhms ?? topOhms(meter);
      return { ohms: top, above: true, rangeOhms: top, lux };
    }
    if (!range) return { ohms: topOhms(meter), above: true, rangeOhms: topOhms(meter), lux };
    const counts = Math.round(ohms / resolutionOhms(meter, range));
    if (counts >= meter.counts) return { ohms: range.fullOhms, above: true, rangeOhms: range.fullOhms, lux };
    const shown = Number((Math.max(1, counts) * resolutionOhms(meter, range)).toPrecision(12));
    return { ohms: shown, above: false, rangeOhms: range.fullOhms, lux };
  }
}

/** Takes a change of the controls as it came over the wire. @returns `null` where any part of it is not what it should be */
export function controlsFrom(change: unknown, present: BenchControls): BenchControls | null {
  if (typeof change !== 'object' || change === null || Array.isArray(change)) return null;
  return soundOr(benchControlsField, { ...present, ...change });
}
