import type { DriverFacts, DriverSaying, DriverSetting, TransistorFigures } from './definition';

/** A load in the emitter that loses no more than this is not worth a word, in V. */
const EMITTER_VOLTS = 0.4;
/** What holds a high-side switch on is what its supply has over its divider's, where that is more than this, in V. */
const LIFTED_VOLTS = 0.4;

/** What is wired so that it cannot work, whatever its figures. */
export function wiringSayings(
  polarity: 'n' | 'p',
  { fullSwitchVolts, isHeld }: DriverFacts,
  { place, sensorVolts, loadVolts }: DriverSetting,
): readonly DriverSaying[] {
  const said: DriverSaying[] = [];
  // Its own figures tell whether so little more holds it on: a gate takes more than a base.
  if (isHeld && polarity === 'p' && loadVolts !== null && loadVolts > sensorVolts + LIFTED_VOLTS)
    said.push({
      state: 'cannot',
      finding: { code: 'lifted-reference', isFollower: place === 'emitter', sensorVolts, loadVolts },
      fix: { kind: 'switch-side', to: 'low' },
    });
  if (place === 'emitter' && fullSwitchVolts > EMITTER_VOLTS)
    said.push({
      state: 'look',
      finding: { code: 'emitter-loses', volts: fullSwitchVolts },
      fix: { kind: 'load-at-collector' },
    });
  return said;
}

export interface RatingOptions {
  /** The smallest of the list, and another, that carries a current; `null` where none does. */
  readonly larger: (amps: number) => TransistorFigures | null;
  /** All of its heat, or that of its load alone where too much base current heats it as well. */
  readonly heat: 'transistor' | 'load';
  /** For a moment it takes so many times its continuous current. */
  readonly peakTimes: number;
  /** More than this it lets through at no moment, in A. */
  readonly passesAmps: number;
}

/**
 * What the transistor is rated for.
 */
export function ratingSayings(
  model: TransistorFigures,
  { fullAmps: amps, worst, inrushAmps, isSoft }: DriverFacts,
  { larger, heat, peakTimes, passesAmps }: RatingOptions,
): readonly DriverSaying[] {
  const said: DriverSaying[] = [];
  const taking = (next: TransistorFigures | null) =>
    next && next.id !== model.id ? ({ kind: 'take-part', id: next.id } as const) : null;
  if (amps > model.maxAmps)
    said.push({
      state: 'cannot',
      finding: { code: 'load-above-transistor', amps, maxAmps: model.maxAmps },
      fix: taking(larger(amps)),
    });
  const peakAmps = peakTimes * model.maxAmps;
  const startAmps = Math.min(inrushAmps, passesAmps);
  if (amps <= model.maxAmps && startAmps > peakAmps)
    said.push({
      state: 'cannot',
      finding: { code: 'inrush-above-transistor', amps: startAmps, maxAmps: peakAmps },
      fix: taking(larger(startAmps / peakTimes)),
    });
  const [watts, lux] = [worst[`${heat}Watts`], worst[`${heat}WattsLux`]];
  if (watts > model.maxWatts) {
    const next = larger(model.maxAmps * 1.01);
    said.push({
      state: 'cannot',
      finding: { code: 'transistor-warm', watts, maxWatts: model.maxWatts, lux, isSoft },
      fix: taking(next),
    });
  }
  if (worst.switchVolts > model.maxVolts)
    said.push({
      state: 'cannot',
      finding: { code: 'transistor-over-volts', volts: worst.switchVolts, maxVolts: model.maxVolts },
    });
  return said;
}

/** Whether figures rise. */
export const isRising = (...figures: readonly number[]) =>
  figures.every((figure, at) => at === 0 || figure >= (figures[at - 1] ?? 0));
