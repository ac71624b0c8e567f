import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import figures from '../../checkFigures.json';
import { nodeVolts } from '../../circuit/circuit';
import { kirchhoffResidualAmps, type Solution } from '../../circuit/currents';
import { defaultLoads } from '../../loads/registry';
import { actionOf, assemble } from '../../operate/assemble';
import { fullDrive } from '../../operate/fullDrive';
import type { CircuitInput } from '../../operate/input';
import { Operation } from '../../operate/operation';
import { simpleInput } from '../../operate/testCircuits';
import { partIn } from '../../parts/find';
import { shippedComparators } from '../../parts/kinds/comparator';
import { runs } from '../../testRuns';
import { defaultComparatorSettings, type ComparatorSettings } from './settings';
import { referenceVolts, tripOhms, type TripFigures } from './trips';

const decades = (from: number, to: number) =>
  fc.double({ min: from, max: to, noNaN: true }).map((power) => 10 ** power);

const withComparator = (
  change: Partial<ComparatorSettings>,
  input: Partial<CircuitInput> = {},
): CircuitInput => ({
  ...simpleInput,
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

/** An ideal part in the closed forms' sense: firm, no bias, no offset. */
const ideal = { ...shippedComparators[1]!, outputOhms: 1, biasAmps: 0, idleAmps: 0, offsetVolts: 0 };

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
            part: { ...ideal, highVolts: 0.1, lowVolts: 0.1 },
            sensorInput: trip.sensorInput,
            reference: { topOhms: trip.topOhms, bottomOhms: trip.bottomOhms, trimmer: null },
            feedbackOhms: trip.feedbackOhms,
            sensorOhms: trip.sensorOhms,
            negativeVolts: -trip.lowVolts,
          },
          { supply: { volts: trip.supplyVolts, ohms: 0 }, ldrSide: trip.ldrSide, fixedOhms: trip.fixedOhms },
        );
        const assembly = assemble(input);
        const operation = new Operation(assembly);
        const position = assembly.switching?.states.findIndex(({ detector }) => detector === level) ?? 0;
        const [unit] = partIn(assembly.parts, 'comparator', 'detector')?.units ?? [];
        const start = operation.solveIn(position, input.ldrOhms);
        if (!unit || !start) throw new Error('no operating point');
        const at = (solution: Solution, net: string) => nodeVolts(solution.circuit, solution.volts, net);
        // The output sags by ohms under its load: the closed form is asked with what it really is.
        const outVolts = at(start, 'out');
        const ohms = tripOhms(trip, outVolts);
        if (ohms === null || ohms < 10 || ohms > 1e8) return;
        found += 1;
        const point = operation.solveIn(position, ohms);
        if (!point) throw new Error('no operating point');
        expect(kirchhoffResidualAmps(point)).toBeLessThan(1e-9);
        const moved = at(point, 'out') - outVolts;
        const apart = at(point, unit.plus) - at(point, unit.minus);
        const room = 1e-6 * (trip.supplyVolts - trip.lowVolts) + Math.abs(moved);
        expect(Math.abs(apart)).toBeLessThan(room);
      }),
      { numRuns: runs(2000), seed: 12 },
    );
    expect(found).toBeGreaterThan(runs(2000) / 4);
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
    expect(actionOf(withComparator({ sensorInput: 'plus', output: { ...sink, loadRail: 'ground' } }))).toBe(
      'on-in-dark',
    );
  });
});

describe('an output that drives a load direct', () => {
  it('gives what is left of the supply behind its own drop and resistance', () => {
    const [openCollector] = shippedComparators;
    const input = withComparator({
      part: openCollector!,
      output: { to: 'load', loadRail: 'supply', releaseOhms: null },
    });
    const full = fullDrive({
      ...input,
      loads: [{ ...defaultLoads.led, forwardVolts: 2, atAmps: 0.01, seriesOhms: 330 }],
    });
    // (6 − 2 − 0.06)/(330 + 30) ≈ 10.9 mA
    expect(full?.amps).toBeCloseTo(0.0109, 3);
    // The pull-up of 10 kΩ adds its own current to the output's.
    expect(full?.switchVolts).toBeCloseTo(0.06 + 30 * ((full?.amps ?? 0) + 5.6 / 10_000), 3);
  });
});
