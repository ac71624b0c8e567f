import { describe, expect, it } from 'vitest';
import { normals, uniforms } from '../numeric/random';
import { ldrOhmsAt } from './curve';
import { runs } from '../testRuns';
import { fitLdr } from './fitLdr';
import { floorKinds, type FloorKind } from './kinds';
import { evaluate, evaluation } from './likelihood';
import { prepare, type Observation } from './observation';

const SETS = runs(600, 5);

/** Readings of all sorts: scattered, some beyond the meter's range, some slipped or simply wrong, some sure. */
function someReadings(seed: number) {
  const [normal, uniform] = [normals(seed), uniforms(seed + 1)];
  const truth = {
    r10Ohms: 1e3 * 100 ** uniform(),
    gamma: 0.4 + 0.6 * uniform(),
    darkOhms: seed % 2 === 0 ? 1e6 : null,
    brightOhms: seed % 3 === 0 ? 60 : 0,
  };
  const common = seed % 4 < 2 ? [] : [{ std: 0.1 }, { std: 0.02 }];
  const observations = Array.from({ length: 4 + (seed % 9) }, (_, index): Observation => {
    const lux = 0.1 * 1e5 ** uniform();
    const wrong = [1, 1, 1, 10, 0.1, 2.5, 1, 1, 1][(index * 7 + seed) % 9]!;
    return {
      lux,
      ohms: ldrOhmsAt(truth, lux) * wrong * Math.exp(0.04 * normal()),
      sigma: 0.03 * (1 + uniform()),
      above: uniform() < 0.1,
      trusted: uniform() < 0.1,
      lightShifts: common.length === 0 ? [] : [1, 0],
      ohmsShifts: common.length === 0 ? [] : [0, 1],
    };
  });
  return { observations, common, uniform };
}

describe('the likelihood of readings', () => {
  it.each(floorKinds)(
    'has the score by which it really changes, kind %s, mistakes and all',
    (kind: FloorKind) => {
      for (let seed = 0; seed < SETS; seed++) {
        const { observations, common, uniform } = someReadings(seed);
        const prepared = prepare(observations, common, { hasPriors: true });
        const theta = Float64Array.of(
          8 + 3 * uniform(),
          0.4 + 0.6 * uniform(),
          15,
          4.5,
          ...common.map(() => 0.01),
        );
        const settings = { kind, scale: 0.7 + 2 * uniform(), mayErr: true };
        const { score } = evaluate(prepared, theta, settings, evaluation(prepared));
        for (let index = 0; index < theta.length; index++) {
          const at = (by: number) => {
            const moved = theta.slice();
            moved[index]! += by;
            return evaluate(prepared, moved, settings, evaluation(prepared)).value;
          };
          const step = 1e-5;
          const slope = (at(step) - at(-step)) / (2 * step);
          expect(Math.abs(score[index]! - slope), `seed ${seed}, parameter ${index}`).toBeLessThan(
            1e-3 * (1 + Math.abs(slope)),
          );
        }
      }
    },
  );
});

describe('a fit', () => {
  it('is the same in whatever order the readings were taken', () => {
    let fitted = 0;
    for (let seed = 0; seed < SETS; seed += 3) {
      const { observations, common } = someReadings(seed);
      const [one, other] = [observations, observations.toReversed()].map((each) => fitLdr(each, { common }));
      expect(one!.ok).toBe(other!.ok);
      if (!one!.ok || !other!.ok) continue;
      fitted += 1;
      const [first, second] = [one!.fit, other!.fit];
      const errors = Math.max(1e-3, first.gammaStdError);
      expect(Math.abs(first.curve.gamma - second.curve.gamma) / errors, `seed ${seed}`).toBeLessThan(0.02);
      expect(Math.abs(first.gammaStdError / second.gammaStdError - 1), `seed ${seed}`).toBeLessThan(0.02);
    }
    expect(fitted).toBeGreaterThan(SETS / 6);
  });
});
