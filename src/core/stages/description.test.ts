import { describe, expect, it } from 'vitest';
import { netlistOf } from './description';
import { HARD_FORCED_BETA, npnStage } from './npn';
import { stages } from './registry';
import type { StageInput } from './stage';

const input: StageInput = {
  supplyVolts: 6,
  ldrSide: 'bottom',
  ldrOhms: 1000,
  fixedOhms: 6800,
  ldrParallelOhms: null,
  ldrSeriesOhms: null,
  baseOhms: null,
  beta: 200,
  led: { forwardVolts: 2, atAmps: 0.01 },
  seriesOhms: 330,
};
const designators = (changed: Partial<StageInput>) =>
  npnStage.describe({ ...input, ...changed }).parts.map((part) => part.designator);

describe('the NPN stage as its parts', () => {
  it('has a base resistor and its test point only where one is asked for', () => {
    expect(designators({})).toEqual(['LDR1', 'R1', 'R2', 'D1', 'Q1']);
    expect(designators({ baseOhms: 1000 })).toContain('R3');
    const points = npnStage.describe({ ...input, baseOhms: 1000 }).testPoints.map((point) => point.id);
    expect(points).toEqual(['A', 'B', 'C']);
    expect(npnStage.describe(input).testPoints.map((point) => point.id)).toEqual(['A', 'C']);
  });

  it('puts the LDR where it is wanted, and says which action that gives', () => {
    const ends = (ldrSide: 'top' | 'bottom') =>
      npnStage.describe({ ...input, ldrSide }).parts.find((part) => part.kind === 'ldr');
    expect(ends('top')).toMatchObject({ a: 'supply', b: 'mid' });
    expect(ends('bottom')).toMatchObject({ a: 'mid', b: '0' });
    expect(npnStage.actionOf('bottom')).toBe('on-in-dark');
    expect(npnStage.actionOf('top')).toBe('on-in-light');
  });

  it('compiles to one netlist with every part in it', () => {
    const names = netlistOf(npnStage.describe(input), 25).elements.map((element) => element.name);
    expect(names).toEqual(['LDR1', 'R1', 'R2', 'D1.series', 'D1', 'Q1']);
  });

  it('knows its full current: little under what a mere switch would pass', () => {
    const amps = npnStage.fullAmps(input, 25) ?? 0;
    const asSwitch = (6 - 2) / 330;
    expect(amps).toBeLessThan(asSwitch * 1.01);
    expect(amps).toBeGreaterThan(asSwitch * 0.97);
    expect(HARD_FORCED_BETA).toBe(10);
  });

  it('stands in the registry under its own kind', () => {
    for (const [kind, stage] of Object.entries(stages)) expect(stage.kind).toBe(kind);
  });
});
