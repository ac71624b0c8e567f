import { describe, expect, it } from 'vitest';
import { displayed, type Measured } from './voltmeter';

const full = (counts: number, what: Measured, value: number) => displayed({ counts }, what, value).full;

describe('a meter on direct volts or amperes', () => {
  it.each([
    // 2000 counts: 200 mV, 2 V, 20 V, 200 V, 1000 V has no range of its own.
    [2000, 'volts', 0, 0.2],
    [2000, 'volts', 0.1999, 0.2],
    [2000, 'volts', 0.2, 2],
    [2000, 'volts', 1.999, 2],
    [2000, 'volts', 2, 20],
    [2000, 'volts', -19.99, 20],
    [2000, 'volts', 48, 200],
    [2000, 'volts', 5000, 200],
    [6000, 'volts', 0.3, 0.6],
    [6000, 'volts', 5.1, 6],
    [4000, 'volts', 3.999, 4],
    [50_000, 'volts', 4.9, 5],
    [2000, 'amps', 0.0005, 0.002],
    [2000, 'amps', 0.0199, 0.02],
    [2000, 'amps', 1, 2],
    [2000, 'amps', 15, 20],
    [2000, 'amps', 150, 20],
    [6000, 'amps', 0.001, 0.006],
  ] as const)('of %i counts takes for %s of %d the range of %d', (counts, what, value, wanted) => {
    expect(full(counts, what, value)).toBeCloseTo(wanted, 9);
  });

  it('shows whole counts of its range, and as many digits as they have', () => {
    expect(displayed({ counts: 2000 }, 'volts', 1.2345)).toMatchObject({ decimals: 3 });
    expect(displayed({ counts: 2000 }, 'volts', 1.2345).shown).toBeCloseTo(1.235, 9);
    expect(displayed({ counts: 2000 }, 'volts', 12.345)).toMatchObject({ decimals: 2 });
    expect(displayed({ counts: 2000 }, 'volts', 12.344).shown).toBeCloseTo(12.34, 9);
    expect(displayed({ counts: 2000 }, 'volts', 150)).toMatchObject({ decimals: 1 });
    expect(displayed({ counts: 200 }, 'volts', 150)).toMatchObject({ decimals: 0, step: 1 });
    expect(displayed({ counts: 2000 }, 'amps', 0.0123456).shown).toBeCloseTo(0.01235, 9);
  });

  it('is off by half a percent of a voltage, one of a current, and three digits: two deviations', () => {
    const volts = displayed({ counts: 2000 }, 'volts', -1.5);
    expect(volts.std).toBeCloseTo((0.005 * 1.5 + 3 * 0.001) / 2, 12);
    const amps = displayed({ counts: 2000 }, 'amps', 0.015);
    expect(amps.std).toBeCloseTo((0.01 * 0.015 + 3 * 0.00001) / 2, 12);
  });
});
