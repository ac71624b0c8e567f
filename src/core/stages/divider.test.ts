import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileCircuit, nodeVolts } from '../circuit/circuit';
import { kirchhoffResidualAmps, solveOperatingPoint } from '../circuit/operatingPoint';
import { netlistOf } from './description';
import { dividerParts, isDividerPart } from './divider';

const anyOhms = fc.double({ min: 1, max: 7, noNaN: true }).map((decade) => 10 ** decade);
const anyDivider = fc.record({
  ldrSide: fc.constantFrom<'top' | 'bottom'>('top', 'bottom'),
  ldrOhms: anyOhms,
  fixedOhms: anyOhms,
  ldrParallelOhms: fc.option(anyOhms, { nil: null }),
  ldrSeriesOhms: fc.option(anyOhms, { nil: null }),
  isDirect: fc.constant(false),
});

const midOf = (divider: Parameters<typeof dividerParts>[0], supplyVolts: number) => {
  const parts = dividerParts(divider);
  const circuit = compileCircuit(
    netlistOf({ rails: [{ node: 'supply', volts: supplyVolts, ohms: 0, commonGround: true }], parts }, 25),
  );
  const point = solveOperatingPoint(circuit);
  if (!point.ok) throw new Error(point.reason);
  expect(kirchhoffResidualAmps(circuit, point.volts)).toBeLessThan(1e-9);
  return nodeVolts(circuit, point.volts, 'mid');
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
        const parts = dividerParts(divider);
        const names = parts.map(({ designator }) => designator);
        expect(names.includes('R4')).toBe(divider.ldrSeriesOhms !== null);
        expect(names.includes('R5')).toBe(divider.ldrParallelOhms !== null);
        expect(parts.every(isDividerPart)).toBe(true);
        expect(new Set(names).size).toBe(names.length);
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
});

describe('a part of another kind', () => {
  it('is not the divider’s', () => {
    const base = { kind: 'resistor', designator: 'R3', role: 'base', a: 'mid', b: 'base', ohms: 1 } as const;
    expect(isDividerPart(base)).toBe(false);
    expect(isDividerPart({ ...base, role: 'series' })).toBe(false);
  });
});
