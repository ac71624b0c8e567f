import { describe, expect, it } from 'vitest';
import { rankedProbes } from './nextProbe';
import type { Table } from './posterior';
import type { Probe } from './probe';
import { sampleBench } from './testBenches';
import { passedOff } from '../testRecord';

/** A table of two faults, as likely as each other, of which one probe finds these figures. */
function bitsOf(probe: Probe, one: number, other: number): number {
  const { bench } = sampleBench('Platform lamps', 4);
  const count = bench.draws.length;
  const row = (value: number) => [Float64Array.from({ length: count }, (_, at) => value * (1 + at / 1e4))];
  const faults = (['dry', 'wet'] as const).map((designator) => ({
    ...{ fault: { kind: 'open', designator, net: null } as const, cause: 'loose' as const },
    prior: 0.5,
  }));
  const table = passedOff<Table>({ bench, faults, probes: [probe], rows: [row(one), row(other)] });
  const weights = faults.map(() => new Float64Array(count).fill(0.5 / count));
  const posterior = { weights, shares: Float64Array.of(0.5, 0.5) };
  return rankedProbes(table, Int32Array.of(0, 1), posterior, [])[0]?.bits ?? NaN;
}

const volts: Probe = { kind: 'volts', net: 'mid', light: 0 };
const ohms: Probe = { kind: 'ohms', designator: 'R1', light: 0 };

describe('what a probe would bring', () => {
  it.each([
    [volts, 0.66, 4.58],
    [volts, 4.5, 5.9],
    [volts, -1.2, 5],
    [ohms, Math.log(470), Math.log(1e6)],
    [ohms, Math.log(4700), Math.log(1e12)],
  ])('is the whole question where its two figures lie far apart: %o, %d and %d', (probe, one, other) => {
    expect(bitsOf(probe, one, other)).toBeGreaterThan(0.97);
  });

  it('is nothing where they are the same, and little where the meter hardly tells them apart', () => {
    expect(bitsOf(volts, 2.5, 2.5)).toBeLessThan(0.01);
    expect(bitsOf(volts, 2.5, 2.505)).toBeLessThan(0.5);
  });
});
