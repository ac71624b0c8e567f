import type { CommonError } from '../ldr/observation';
import { usedRange } from '../meter/meter';
import { at } from '../result';
import { luxOf, type LampKind, type Measurement, type Reading } from './reading';
import type { ResolvedLights } from './resolveLights';
import { DARK_SHARE, relativeOf, type Ladder } from './solveLadder';

/** What moves the light of several readings together. */
export type CommonKind =
  /** Where the ladder's lamp seems to shine from, in m behind its front. */
  | { readonly kind: 'lamp-zero' }
  /** ln of the light left with the lamp off, of what a layer lets through, of the lamp's lux. */
  | { readonly kind: 'background' | 'layer' | 'anchor' }
  /** ln of how much brighter a kind of lamp is for the LDR than for the light meter. */
  | { readonly kind: 'lamp-kind'; readonly lamp: LampKind }
  /** How far the LDR that serves as light meter is off, at its middle light and more for each unit of ln E beyond. */
  | { readonly kind: 'ldr-offset' | 'ldr-tilt' }
  /** ln of how much too high the ohmmeter reads on one of its ranges. */
  | { readonly kind: 'ohms-gain'; readonly rangeOhms: number };

/** A common error with what it does to each reading: to its light, or to the resistance read for a gain. */
export type CommonShift = CommonError &
  CommonKind & {
    /** `d ln E / d c`, for a gain `d ln R read / d c`, of each reading that is used. Shape: used. */
    readonly shifts: readonly number[];
  };

/** What a hand at a lamp and an LDR that still settles add to each reading: standard deviation of ln R. */
export const HAND_SCATTER = 0.03;

/** Nothing is known beforehand of the lamp's lux, and little of the rest: standard deviations of the logarithms. */
const STD = { anchor: 6, layer: 1.5, background: 3 } as const;
const USUAL_LAYER_SHARE = 0.5;
/** The zero point lies within half the lamp's size, at two standard deviations. */
const ZERO_SHARE = 1 / 4;
/** An LDR sees another kind of lamp up to 30 % brighter or darker than the light meter does, at two standard deviations. */
export const LAMP_KIND_STD = 0.15;

/** What may move the readings that are used together, each with its prior; the light meter's own factor is not among them. */
export function commonErrorsOf(
  measurement: Measurement,
  resolved: ResolvedLights,
  used: readonly number[],
): readonly CommonShift[] {
  const readings = used.map((index) => at(measurement.readings, index));
  return [
    ...ladderErrors(measurement, resolved, readings),
    ...lampKindErrors(readings),
    ...lightLdrErrors(measurement, readings),
    ...gainErrors(measurement, readings),
  ];
}

/** A gain under this share of what the scatter leaves of a range's mean would be lost in it. */
const GAIN_SHARE = 0.2;

/**
 * The "% of reading" of the ohmmeter: one gain for each range where it is more than the mean of the range's readings scatters by
 * hand. Where it is not, and on a range with one reading, it counts as that reading's own scatter.
 */
function gainErrors({ meter }: Measurement, readings: readonly Reading[]): readonly CommonShift[] {
  if (!meter) return [];
  const ranges = readings.map((reading) => usedRange(meter, reading));
  const shared = ranges.filter((range, index) => {
    if (range === null || ranges.indexOf(range) !== index) return false;
    const count = ranges.filter((other) => other === range).length;
    return count > 1 && range.accuracyShare / 2 > (GAIN_SHARE * HAND_SCATTER) / Math.sqrt(count);
  });
  return shared.flatMap((range) =>
    range === null
      ? []
      : {
          kind: 'ohms-gain' as const,
          rangeOhms: range.fullOhms,
          std: range.accuracyShare / 2,
          shifts: ranges.map((other) => (other === range ? 1 : 0)),
        },
  );
}

function ladderErrors(
  { lampMetres }: Measurement,
  { ladder, scale }: ResolvedLights,
  readings: readonly Reading[],
): readonly CommonShift[] {
  if (!ladder) return [];
  const { background, layerShare } = ladder;
  const rungs = readings.flatMap(({ light }) => (light.kind === 'lamp' ? [light] : []));
  const dimmest = Math.min(...rungs.map((light) => relativeOf(light, 0, 1)));
  const lampShare = (light: Reading['light']) =>
    light.kind === 'lamp'
      ? relativeOf(light, 0, 1) / relativeOf({ ...light, layers: 0 }, background ?? 0, 1)
      : 0;
  const errors: CommonShift[] = [
    {
      kind: 'lamp-zero',
      std: lampMetres * ZERO_SHARE,
      shifts: readings.map(({ light }) =>
        light.kind === 'lamp' ? (-2 / light.metres) * lampShare({ ...light, layers: 0 }) : 0,
      ),
    },
  ];
  if (background !== null && background > 0)
    errors.push({
      kind: 'background',
      mean: Math.log(dimmest * DARK_SHARE) - Math.log(background),
      std: STD.background,
      shifts: readings.map(({ light }) =>
        light.kind === 'lamp-off' ? 1 : light.kind === 'lamp' ? 1 - lampShare({ ...light, layers: 0 }) : 0,
      ),
    });
  if (layerShare !== null)
    errors.push({
      kind: 'layer',
      mean: Math.log(USUAL_LAYER_SHARE / layerShare),
      std: STD.layer,
      shifts: readings.map(({ light }) => (light.kind === 'lamp' ? light.layers : 0)),
    });
  if (scale === 'lux')
    errors.push({
      kind: 'anchor',
      std: STD.anchor,
      shifts: readings.map(({ light }) => (light.kind === 'lamp' || light.kind === 'lamp-off' ? 1 : 0)),
    });
  return errors;
}

/** One factor for each kind of lamp beside the one that most readings were taken under. */
function lampKindErrors(readings: readonly Reading[]): readonly CommonShift[] {
  const counts = new Map<LampKind, number>();
  for (const { lamp } of readings) if (lamp !== null) counts.set(lamp, (counts.get(lamp) ?? 0) + 1);
  const [, ...others] = [...counts].sort(([, one], [, other]) => other - one).map(([lamp]) => lamp);
  return others.map((lamp) => ({
    kind: 'lamp-kind',
    lamp,
    std: LAMP_KIND_STD,
    shifts: readings.map((reading) => (reading.lamp === lamp ? 1 : 0)),
  }));
}

/** What the LDR that serves as light meter does not know of itself. */
function lightLdrErrors(measurement: Measurement, readings: readonly Reading[]): readonly CommonShift[] {
  const { lightLdr } = measurement;
  if (!lightLdr || !readings.some(({ light }) => light.kind === 'ldr')) return [];
  const beyond = readings.map((reading) => {
    const lux = reading.light.kind === 'ldr' ? luxOf(reading, measurement) : null;
    return lux === null ? null : Math.log(lux / lightLdr.pivotLux);
  });
  return [
    { kind: 'ldr-offset', std: lightLdr.pivotStd, shifts: beyond.map((ln) => (ln === null ? 0 : 1)) },
    { kind: 'ldr-tilt', std: lightLdr.tiltStd, shifts: beyond.map((ln) => ln ?? 0) },
  ];
}

/** A ladder's unknown is found when it moves less than this, in its logarithm. */
const FAR = 0.003;

/** The ladder with what the fit says of its unknowns; `isFar` while it still moves. */
export function movedLadder(
  ladder: Ladder,
  common: readonly CommonShift[],
  found: readonly { readonly value: number }[],
): { readonly ladder: Ladder; readonly isFar: boolean } {
  const moveOf = (kind: CommonShift['kind']) => {
    const index = common.findIndex((error) => error.kind === kind);
    return found[index]?.value ?? 0;
  };
  const times = (value: number | null, move: number) => (value === null ? null : value * Math.exp(move));
  const [background, layer, anchor] = [moveOf('background'), moveOf('layer'), moveOf('anchor')];
  return {
    ladder: {
      ...ladder,
      background: times(ladder.background, background),
      layerShare: times(ladder.layerShare, layer),
      lampLux: times(ladder.lampLux, anchor),
    },
    isFar: Math.max(...[background, layer, anchor].map(Math.abs)) > FAR,
  };
}

/** Standard deviation of the light meter's factor, in ln E: what it may be off by is two of them. 0 where no lux was read. */
export function lightStdOf(measurement: Measurement, { scale }: Pick<ResolvedLights, 'scale'>): number {
  const hasLux = measurement.readings.some(
    ({ light, setAside }) => !setAside && light.kind !== 'ldr' && luxOf({ light }, measurement) !== null,
  );
  return scale === 'lux' && hasLux ? measurement.lightTolerance / 2 : 0;
}
