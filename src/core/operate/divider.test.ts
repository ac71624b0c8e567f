import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from '../circuit/circuit';
import { kirchhoffResidualAmps } from '../circuit/currents';
import { solved } from '../circuit/testSolve';
import { withDesignators } from '../parts/designators';
import { netlistOf } from '../parts/netlist';
import type { Draft } from '../parts/part';
import { dividerDrafts, dividerRoles } from './divider';
import type { CircuitInput } from './input';
import { simpleInput } from './testCircuits';

const anyOhms = fc.double({ min: 1, max: 7, noNaN: true }).map((decade) => 10 ** decade);
const anyDivider: fc.Arbitrary<CircuitInput> = fc
  .record({
    ldrSide: fc.constantFrom<'top' | 'bottom'>('top', 'bottom'),
    ldrOhms: anyOhms,
    fixedOhms: anyOhms,
    ldrParallelOhms: fc.option(anyOhms, { nil: null }),
    ldrSeriesOhms: fc.option(anyOhms, { nil: null }),
  })
  .map((divider) => ({ ...simpleInput, ...divider }));
const partsOf = (input: CircuitInput, more: readonly Draft[] = []) =>
  withDesignators([...dividerDrafts(input, false), ...more], 0.05);

const midOf = (divider: CircuitInput, volts: number) => {
  const supply = {
    kind: 'supply',
    role: 'supply',
    rail: 'supply',
    volts,
    ohms: 0,
    commonGround: true,
  } as const;
  const netlist = netlistOf(partsOf(divider, [supply]), { celsius: 25, grade: 'typical' });
  const solution = solved(netlist);
  expect(kirchhoffResidualAmps(solution)).toBeLessThan(1e-9);
  return nodeVolts(solution.circuit, solution.volts, 'mid');
};

describe('a divider with nothing on its midpoint', () => {
  it('follows the plain rule, whatever stands beside the LDR', () => {
    fc.assert(
      fc.property(anyDivider, fc.double({ min: 1, max: 24, noNaN: true }), (divider, supplyVolts) => {
        const { ldrSide, ldrOhms, fixedOhms, ldrParallelOhms, ldrSeriesOhms } = divider;
        const across = ldrParallelOhms === null ? ldrOhms : 1 / (1 / ldrOhms + 1 / ldrParallelOhms);
        const ldr = across + (ldrSeriesOhms ?? 0);
        const [upper, lower] = ldrSide === 'top' ? [ldr, fixedOhms] : [fixedOhms, ldr];
        expect(midOf(divider, supplyVolts) / ((supplyVolts * lower) / (upper + lower))).toBeCloseTo(1, 4);
      }),
    );
  });

  it('has the LDR’s resistors only where they are asked for, all of them the divider’s own', () => {
    fc.assert(
      fc.property(anyDivider, (divider) => {
        const parts = partsOf(divider);
        const roles = parts.map(({ role }) => role);
        expect(roles.includes('ldr-series')).toBe(divider.ldrSeriesOhms !== null);
        expect(roles.includes('ldr-parallel')).toBe(divider.ldrParallelOhms !== null);
        expect(roles.every((role) => dividerRoles.includes(role))).toBe(true);
        expect(new Set(parts.map(({ designator }) => designator)).size).toBe(parts.length);
      }),
    );
  });

  it('swings the other way with the LDR on the other side', () => {
    fc.assert(
      fc.property(anyDivider, (divider) => {
        const [top, bottom] = (['top', 'bottom'] as const).map((ldrSide) =>
          midOf({ ...divider, ldrSide }, 10),
        );
        expect((top ?? 0) + (bottom ?? 0)).toBeCloseTo(10, 3);
      }),
    );
  });
  it('is the same with R1 as a trimmer set to its value, with or without an end resistor', () => {
    fc.assert(
      fc.property(anyDivider, fc.double({ min: 0, max: 0.9, noNaN: true }), (divider, share) => {
        const endOhms = share < 0.05 ? 0 : divider.fixedOhms * share;
        const trimmer = { trackOhms: divider.fixedOhms * 2, endOhms, degrees: 270 };
        expect(midOf({ ...divider, trimmer }, 10) / midOf(divider, 10)).toBeCloseTo(1, 6);
      }),
    );
  });
});
