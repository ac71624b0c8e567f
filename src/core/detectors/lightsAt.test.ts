import { describe, expect, it } from 'vitest';
import { ldrOhmsAt } from '../ldr/curve';
import { lightsAtMidpoints } from './lightsAt';

const curve = { r10Ohms: 9000, gamma: 0.7, darkOhms: null, brightOhms: 0 };
const divider = { supplyVolts: 6, fixedOhms: 5000, ldrParallelOhms: null, ldrSeriesOhms: null } as const;

describe('the lights of a bare midpoint', () => {
  it('come from dark to bright whatever the order of the voltages, with the LDR on either side', () => {
    for (const ldrSide of ['top', 'bottom'] as const)
      for (const volts of [
        [1, 2.5, 4],
        [4, 1, 2.5],
      ]) {
        const lights = lightsAtMidpoints({ ...divider, ldrSide }, curve, volts)!;
        expect(lights).toEqual([...lights].sort((one, other) => one - other));
        const there = lights.map((lux) => {
          const ohms = ldrOhmsAt(curve, lux);
          return (6 * (ldrSide === 'top' ? 5000 : ohms)) / (5000 + ohms);
        });
        const sorted = [...volts].sort((one, other) => (ldrSide === 'top' ? one - other : other - one));
        there.forEach((each, index) => expect(each / sorted[index]!).toBeCloseTo(1, 2));
      }
  });

  it('are none where one of the voltages has none', () => {
    const bottom = { ...divider, ldrSide: 'bottom' } as const;
    expect(lightsAtMidpoints(bottom, curve, [1, 6.5])).toBeNull();
    expect(lightsAtMidpoints(bottom, curve, [])).toEqual([]);
  });
});
