import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { fitErrors, lnOhmsBand } from '../ldr/model';
import { bestRange, type Meter } from '../meter/meter';
import { normals, uniforms } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { measuredLdr } from './ldrOf';
import { lux, measurementOf, readingOf } from './testMeasurement';

const SETS = 2000;

/** A meter of one wide range, or of one for each decade, whose "% of reading" is what its owner says. */
const meterWith = (accuracyShare: number, tops: readonly number[]): Meter => ({
  id: 'own',
  name: 'own',
  counts: 200_000,
  autoRange: true,
  inputOhms: 1e7,
  ranges: tops.map((fullOhms) => ({ fullOhms, accuracyShare, accuracyDigits: 1 })),
});
const oneRange = [1e7];
const decades = [200, 2000, 2e4, 2e5, 2e6, 2e7];

describe('an ohmmeter that reads all of a range too high or too low', () => {
  it.each([
    [0.05, 'one range', oneRange],
    [0.2, 'one range', oneRange],
    [0.2, 'a range for each decade', decades],
  ] as const)('covers R10 and γ: ± %s, %s', (share, name, tops) => {
    const [normal, uniform] = [normals(51), uniforms(52)];
    const sets = runs(SETS);
    const meter = meterWith(share, tops);
    const hits = { gamma: 0, r10: 0 };
    for (let round = 0; round < sets; round++) {
      const truth = {
        r10Ohms: 14_000 * Math.exp(0.4 * normal()),
        gamma: 0.55 + 0.3 * uniform(),
        darkOhms: round % 2 === 0 ? 5e5 * 40 ** uniform() : null,
        brightOhms: round % 4 < 2 ? 20 * 10 ** uniform() : 0,
      };
      const gains = tops.map(() => Math.exp((share / 2) * normal()));
      const count = 4 + (round % 9);
      const readings = Array.from({ length: count }, (_, index) => {
        const light = 1 * 5000 ** ((index + 0.6 * (uniform() - 0.5)) / (count - 1));
        const ohms = ldrOhmsAt(truth, light) * Math.exp(0.03 * normal());
        const range = bestRange(meter, ohms);
        return readingOf(`r${index}`, lux(light), ohms * (range ? gains[meter.ranges.indexOf(range)]! : 1), {
          rangeOhms: range?.fullOhms ?? null,
        });
      });
      const { model } = measuredLdr(measurementOf(readings, { meter }));
      if (model.source !== 'measured') throw new Error(model.source);
      if (Math.abs(model.curve.gamma - truth.gamma) <= fitErrors(model.fit).gamma) hits.gamma += 1;
      if (Math.abs(Math.log(ldrOhmsAt(model.curve, 10) / ldrOhmsAt(truth, 10))) <= lnOhmsBand(model, 10))
        hits.r10 += 1;
    }
    for (const [key, count] of Object.entries(hits)) {
      promised(
        `ohmmeter off by ${share * 100} % on ${name}: 95 % interval of ${key}`,
        ((100 * count) / sets).toFixed(1),
        '≥ 91',
      );
      expect(count / sets, key).toBeGreaterThanOrEqual(sets < SETS ? 0.86 : 0.91);
    }
  });

  it('is a parameter for each range that two readings share, with the prior of its leaflet', () => {
    const meter = meterWith(0.04, decades);
    const figures = [150, 900, 5000, 9000, 15_000].map((ohms, index) =>
      readingOf(`r${index}`, lux(2000 / 4 ** index), ohms, { rangeOhms: bestRange(meter, ohms)!.fullOhms }),
    );
    const { common } = measuredLdr(measurementOf(figures, { meter }));
    expect(common.map(({ kind, std, shifts }) => ({ kind, std, shifts }))).toEqual([
      { kind: 'ohms-gain', std: 0.02, shifts: [0, 0, 1, 1, 1] },
    ]);
  });
});
