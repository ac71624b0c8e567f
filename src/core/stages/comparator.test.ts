import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setOhms } from '../circuit/circuit';
import { nodeVolts } from '../circuit/circuit';
import { kirchhoffResidualAmps, solveOperatingPoint } from '../circuit/operatingPoint';
import figures from '../checkFigures.json';
import { defaultLoads } from '../loads/load';
import { actionOf } from './action';
import { referenceVolts, tripOhms, type TripFigures } from './comparator';
import { setOutput } from './comparatorElements';
import { shippedComparators } from './comparators';
import type { ComparatorSettings } from './decider';
import { circuitOf } from './description';
import { drivers } from './registry';
import type { CircuitInput } from './stage';
import { plainInput } from './testStage';
import { defaultComparatorSettings } from './usualDeciders';

const decades = (from: number, to: number) =>
  fc.double({ min: from, max: to, noNaN: true }).map((power) => 10 ** power);

const withComparator = (
  change: Partial<ComparatorSettings>,
  input: Partial<CircuitInput> = {},
): CircuitInput => ({
  ...plainInput,
  ...input,
  baseOhms: 4700,
  detector: { ...defaultComparatorSettings, ...change },
});

describe('a reference with feedback', () => {
  it.each(figures.refs)('agrees with an independent solver: %o', (check) => {
    const { supplyVolts, outHighVolts, outLowVolts, refHighVolts, refLowVolts } = check;
    expect(referenceVolts(supplyVolts, outHighVolts, check) / refHighVolts).toBeCloseTo(1, 5);
    expect(referenceVolts(supplyVolts, outLowVolts, check) / refLowVolts).toBeCloseTo(1, 5);
  });
});

/** An ideal part in the closed forms' sense: stiff, no bias, no offset. */
const stiff = { ...shippedComparators[1]!, outputOhms: 1, biasAmps: 0, idleAmps: 0, offsetVolts: 0 };

const anyTrip = fc.record({
  sensorInput: fc.constantFrom('plus' as const, 'minus' as const),
  ldrSide: fc.constantFrom('top' as const, 'bottom' as const),
  supplyVolts: fc.double({ min: 3, max: 24, noNaN: true }),
  lowVolts: fc.oneof(fc.constant(0), fc.double({ min: -15, max: -3, noNaN: true })),
  fixedOhms: decades(3, 5.5),
  topOhms: decades(3, 5),
  bottomOhms: decades(3, 5),
  feedbackOhms: decades(4.5, 6.5),
  sensorOhms: decades(3, 4.5),
});

describe('the closed form of a comparator', () => {
  it('has the inputs level in the solved circuit, in all four wirings, on one supply or two, within 1e-6', () => {
    let found = 0;
    fc.assert(
      fc.property(anyTrip, fc.constantFrom('high', 'low'), (trip: TripFigures, level: 'high' | 'low') => {
        const input = withComparator(
          {
            part: { ...stiff, highVolts: 0.1, lowVolts: 0.1 },
            sensorInput: trip.sensorInput,
            reference: { topOhms: trip.topOhms, bottomOhms: trip.bottomOhms, trimmer: null },
            feedbackOhms: trip.feedbackOhms,
            sensorOhms: trip.sensorOhms,
            negativeVolts: -trip.lowVolts,
          },
          { supply: { volts: trip.supplyVolts, ohms: 0 }, ldrSide: trip.ldrSide, fixedOhms: trip.fixedOhms },
        );
        const assembly = drivers.npn.describe(input);
        const circuit = circuitOf(assembly, 25);
        const block = assembly.parts.find((part) => part.kind === 'comparator');
        if (block?.kind !== 'comparator') throw new Error('no comparator');
        setOutput(circuit, block, level);
        const start = solveOperatingPoint(circuit);
        if (!start.ok) throw new Error(start.reason);
        // The output sags by ohms under its load: the closed form is asked with what it really is.
        const outVolts = nodeVolts(circuit, start.volts, 'out');
        const ohms = tripOhms(trip, outVolts);
        if (ohms === null || ohms < 10 || ohms > 1e8) return;
        found += 1;
        setOhms(circuit, 'LDR1', ohms);
        const point = solveOperatingPoint(circuit, start.volts);
        if (!point.ok) throw new Error(point.reason);
        expect(kirchhoffResidualAmps(circuit, point.volts)).toBeLessThan(1e-9);
        const moved = nodeVolts(circuit, point.volts, 'out') - outVolts;
        const apart = nodeVolts(circuit, point.volts, block.plus) - nodeVolts(circuit, point.volts, block.minus); // prettier-ignore
        const room = 1e-6 * (trip.supplyVolts - trip.lowVolts) + Math.abs(moved);
        expect(Math.abs(apart)).toBeLessThan(room);
      }),
      { numRuns: 2000, seed: 12 },
    );
    expect(found).toBeGreaterThan(500);
  });
});

describe('the four ways of wiring a comparator', () => {
  it.each([
    ['plus', 'bottom', 'on-in-dark'],
    ['plus', 'top', 'on-in-light'],
    ['minus', 'bottom', 'on-in-light'],
    ['minus', 'top', 'on-in-dark'],
  ] as const)('sensor at %s, LDR at the %s: %s through an NPN', (sensorInput, ldrSide, action) => {
    expect(actionOf(withComparator({ sensorInput }, { ldrSide }))).toBe(action);
  });

  it('turn round with a PNP, or with the load between supply and output', () => {
    const sink = { to: 'load', loadRail: 'supply', releaseOhms: null } as const;
    expect(actionOf(withComparator({ sensorInput: 'plus' }))).toBe('on-in-dark');
    expect(actionOf(withComparator({ sensorInput: 'plus', output: sink }))).toBe('on-in-light');
    expect(actionOf(withComparator({ sensorInput: 'plus', output: { ...sink, loadRail: 'ground' } }))).toBe('on-in-dark'); // prettier-ignore
  });
});

describe('an output that drives a load straight', () => {
  it('gives what is left of the supply behind its own drop and resistance', () => {
    const [openCollector] = shippedComparators;
    const input = withComparator({
      part: openCollector!,
      output: { to: 'load', loadRail: 'supply', releaseOhms: null },
    });
    const full = drivers.npn.full({ ...input, loads: [{ ...defaultLoads.led, forwardVolts: 2, atAmps: 0.01, seriesOhms: 330 }] }, 25); // prettier-ignore
    // (6 − 2 − 0.06)/(330 + 30) ≈ 10.9 mA
    expect(full?.amps).toBeCloseTo(0.0109, 3);
    // The pull-up of 10 kΩ adds its own current to the output's.
    expect(full?.switchVolts).toBeCloseTo(0.06 + 30 * ((full?.amps ?? 0) + 5.6 / 10_000), 3);
  });
});
