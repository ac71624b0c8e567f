import { farApart } from '../light/farApart';
import { isRatedForSupply, shippedComparators, type ComparatorModel } from '../parts/kinds/comparator';
import type { GoalLights } from './bench';
import type { DetectorFix, DetectorSaying } from './finding';
import type { Thresholds } from './thresholds';

/** A band narrower than a lamp's own ripple lets it chatter. */
export const MIN_BAND_RATIO = 1.03;

/** Settings of a detector made of comparators. */
interface WithComparator {
  readonly part: ComparatorModel;
}

/**
 * Whether comparators work between their rails and with what their inputs get, with the part of the list that would.
 * @param supplyVolts rail to rail
 * @param isAllowed parts that this detector can be made of
 */
export function comparatorSayings<S extends WithComparator>(
  settings: S,
  supplyVolts: number,
  { inputs }: Pick<Thresholds, 'inputs'>,
  isAllowed: (model: ComparatorModel) => boolean = () => true,
): readonly DetectorSaying<S>[] {
  const { part } = settings;
  const fits = shippedComparators.find(
    (other) =>
      isRatedForSupply(other, supplyVolts) &&
      isAllowed(other) &&
      inputs.every(({ volts, limitVolts, end }) =>
        end === 'low'
          ? volts >= limitVolts - part.inputLowVolts + other.inputLowVolts
          : volts <= limitVolts + part.inputHighVolts - other.inputHighVolts,
      ),
  );
  const fix = fits && fits.id !== part.id ? takeComparator(settings, fits) : null;
  const said: DetectorSaying<S>[] = [];
  if (!isRatedForSupply(part, supplyVolts)) {
    const { minSupplyVolts: minVolts, maxSupplyVolts: maxVolts } = part;
    said.push({
      state: 'cannot',
      finding: { code: 'comparator-supply', volts: supplyVolts, minVolts, maxVolts },
      fix,
    });
  }
  const [worst] = inputs;
  if (worst) {
    const { input, end, volts, limitVolts } = worst;
    said.push({
      state: 'cannot',
      finding: { code: 'input-out-of-range', input, end, volts, limitVolts },
      fix,
    });
  }
  return said;
}

/** Another comparator of the list, and R1 sized for it. */
export function takeComparator<S extends WithComparator>(settings: S, part: ComparatorModel): DetectorFix<S> {
  return {
    kind: 'set-detector',
    settings: { ...settings, part },
    resizes: true,
  };
}

/** An edge whose band is off by more than this share of it is worth a word. */
const BAND_OFF = 0.35;

/**
 * What there is to say of the bands of several edges: the one that is furthest from what is wanted.
 *
 * @param stuck how grave it is that an edge is not passed on both ways
 */
export function edgeBandSayings<S>(
  wantedRatio: number | null,
  { boundaries }: Pick<Thresholds, 'boundaries'>,
  stuck: 'look' | 'cannot' = 'look',
): readonly DetectorSaying<S>[] {
  if (wantedRatio === null) return [];
  const found = boundaries.map(({ rising, falling }) =>
    rising.ok && falling.ok ? rising.lux / falling.lux : null,
  );
  const off = (ratio: number | null) =>
    ratio === null ? Infinity : Math.abs(Math.log(ratio) / Math.log(wantedRatio) - 1);
  const ratio = found.reduce((most, each) => (off(each) > off(most) ? each : most), found[0] ?? null);
  if (off(ratio) <= BAND_OFF) return [];
  return [
    {
      state: ratio === null ? stuck : 'look',
      finding: { code: 'edge-band', wantedRatio, ratio },
      fix: { kind: 'resize', by: 'string' },
    },
  ];
}

/** What there is to say of a band: none, the wrong way round, or not where it is wanted. @param fix what puts it there */
export function bandSayings<S>(
  { offLux }: Pick<GoalLights, 'offLux'>,
  { turnOn, turnOff, isInverted }: Thresholds,
  fix: DetectorFix<S> | null,
): readonly DetectorSaying<S>[] {
  if (isInverted) return [{ state: 'cannot', finding: { code: 'band-inverted' } }];
  if (!turnOn.ok) return [];
  if (!turnOff.ok)
    return [{ state: 'cannot', finding: { code: 'latches', onLux: turnOn.lux, isOnce: false } }];
  if (offLux === null || !farApart(turnOff.lux, offLux)) return [];
  return [
    {
      state: 'look',
      finding: { code: 'off-band', wantedLux: offLux, offLux: turnOff.lux, ownLux: 0, isOnce: false },
      fix,
    },
  ];
}
