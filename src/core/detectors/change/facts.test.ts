import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_DYNAMICS } from '../../ldr/dynamics';
import { shippedComparator } from '../../parts/kinds/comparator';
import { runs } from '../../testRuns';
import { gainUpperOhms } from './circuit';
import { changeFacts, changeVerdict, firedSeconds, LEAST_DIMMING } from './facts';
import { CHANGE_LIMITS, defaultChange, type ChangeSettings } from './settings';

const decades = (from: number, to: number) =>
  fc.double({ min: from, max: to, noNaN: true }).map((power) => 10 ** power);
const anySettings: fc.Arbitrary<ChangeSettings> = fc
  .record({
    farads: decades(-8, -4),
    biasOhms: decades(4, 6.3),
    gain: decades(0, 3),
    triggerVolts: decades(-1, 0.5),
    dimming: fc.double({ min: 0.02, max: 0.9, noNaN: true }),
    seconds: decades(-2, 1),
  })
  .map((own) => ({ ...defaultChange, ...own }));
const benchOn = (supplyVolts: number, ldrSide: 'top' | 'bottom') => ({
  divider: {
    ...{ supplyVolts, lowVolts: 0, ldrSide, fixedOhms: 10_000 },
    ...{ ldrParallelOhms: null, ldrSeriesOhms: null },
  },
  curve: { r10Ohms: 12_000, gamma: 0.7, darkOhms: null, brightOhms: 0 },
  dynamics: DEFAULT_DYNAMICS,
  goal: { action: 'on-in-dark', lux: 30, offLux: null } as const,
});
const anyBench = fc.tuple(fc.constantFrom(3, 5, 12), fc.constantFrom('top', 'bottom')).map(([volts, side]) => benchOn(volts, side)); // prettier-ignore

describe('what a change detector is told to hear', () => {
  it('is where it begins to: a little less gain or dimming than it needs, and it does not', () => {
    const met = { gain: 0, dimming: 0, seconds: 0 };
    fc.assert(
      fc.property(anySettings, anyBench, (settings, bench) => {
        const fires = (more: Partial<ChangeSettings>) => changeVerdict({ ...settings, ...more }, bench).fires;
        const facts = changeFacts(settings, bench);
        const { supplyVolts } = bench.divider;
        expect(facts).toMatchObject(changeVerdict(settings, bench));
        if (facts.neededGain !== null) {
          met.gain += 1;
          expect([1.0001, 0.9999].map((times) => fires({ gain: facts.neededGain! * times }))).toEqual([
            true,
            false,
          ]);
        } else
          expect(facts.peakVolts / settings.gain < 1.1e-6 || settings.triggerVolts > supplyVolts).toBe(true);
        if (facts.minDimming === null) expect(fires({ dimming: 0.99 })).toBe(false);
        else if (facts.minDimming > LEAST_DIMMING) {
          met.dimming += 1;
          expect([1.01, 0.99].map((times) => fires({ dimming: facts.minDimming! * times }))).toEqual([
            true,
            false,
          ]);
        } else expect(fires({ dimming: LEAST_DIMMING })).toBe(true);
        const { min, max } = CHANGE_LIMITS.seconds;
        if (facts.slowestSeconds === null)
          expect(fires({ seconds: min }) && !fires({ seconds: max })).toBe(false);
        else if (facts.slowestSeconds < max * (1 - 1e-9)) {
          met.seconds += 1;
          // Behind a large capacitor a second more or less changes next to nothing: there it is just enough.
          const { slowestSeconds: seconds } = facts;
          const withGain = [1.001, 0.999].map((times) => fires({ seconds, gain: settings.gain * times }));
          expect(withGain).toEqual([true, false]);
        } else expect(fires({ seconds: max })).toBe(true);
        // It stays fired for as long as it is one that fires, and from what stands there in steady light on for good.
        const isAlways = facts.restVolts >= settings.triggerVolts;
        expect(facts.firedSeconds === Infinity).toBe(isAlways);
        if (!isAlways) expect(facts.firedSeconds > 0).toBe(facts.fires);
        expect(facts.firedSeconds).toBe(firedSeconds(settings, bench));
      }),
      { numRuns: runs(3000, 60) },
    );
    expect(Math.min(met.gain, met.dimming, met.seconds)).toBeGreaterThan(5);
  });

  it('stands in steady light at what its amplifier makes of its own current and offset', () => {
    const { biasAmps, offsetVolts } = shippedComparator('single-supply-op-amp');
    const settings = { ...defaultChange, gain: 30, biasOhms: 1e6 };
    const rest = (more: Partial<ChangeSettings>, volts = 12) => {
      const { restVolts, maxRestVolts, restInputVolts } = changeVerdict(
        { ...settings, ...more },
        benchOn(volts, 'top'),
      );
      return [restVolts, maxRestVolts, restInputVolts];
    };
    const own = biasAmps * (30 * 1e6 - gainUpperOhms(30));
    const expected = [own, own + 30 * offsetVolts, biasAmps * 1e6 + offsetVolts];
    for (const [index, volts] of rest({}).entries()) expect(volts).toBeCloseTo(expected[index] ?? NaN, 12);
    // Without gain no resistor stands in its feedback.
    expect(rest({ gain: 1 })[0]).toBeCloseTo(biasAmps * 1e6, 12);
    // No more than its supply; and less than nothing is nothing.
    expect(rest({ gain: 1000 }).slice(0, 2)).toEqual([12, 12]);
    expect(rest({ gain: 1.5, biasOhms: 1000 })[0]).toBeGreaterThanOrEqual(0);
    // One with inputs of next to no current, on 5 V.
    expect(rest({}, 5)[0]).toBeLessThan(1e-3);
  });
});
