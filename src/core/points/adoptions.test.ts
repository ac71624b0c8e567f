import { describe, expect, it } from 'vitest';
import { assemble } from '../operate/assemble';
import { circuitInput } from '../analyse/circuitInput';
import { changeDivider } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import type { FactorKind } from '../spread/factors';
import type { Answer } from '../faults/probe';
import type { Sharpened } from './adopt';
import { adoptionsOf } from './adoptions';

const lamps = sampleNamed('Platform lamps');
const { supplyVolts, fixedOhms } = lamps.divider;
const EVEN = 1 / Math.sqrt(3);
const known = (factor: FactorKind, mean: number, std: number, priorStd = EVEN): Sharpened => ({
  factor: { ...factor, isNormal: false },
  ...{ mean, std, priorStd },
});
const offered = (
  sharpened: readonly Sharpened[],
  {
    project = lamps,
    answers = [],
    around = {},
  }: {
    readonly project?: Project;
    readonly answers?: readonly Answer[];
    readonly around?: Parameters<typeof adoptionsOf>[5];
  } = {},
) =>
  adoptionsOf(project, assemble(circuitInput(project)), [], answers, sharpened, around).map(
    ({ edit, ...figures }) => ({ ...figures, edited: edit(project) }),
  );

describe('what is known closer is offered', () => {
  const supply = (mean: number, std: number, low = 0.9, high = 1.1) =>
    offered([known({ of: 'supply', feed: 'supply', lowShare: low, highShare: high }, mean, std)]);

  it('of a supply: its volts, and how far they may still be off', () => {
    const [one, ...more] = supply(0.5, 0.1);
    expect(more).toEqual([]);
    expect(one?.after).toBeCloseTo(supplyVolts * 1.05, 3);
    expect(one).toMatchObject({ what: 'supply', designator: 'BT1', before: supplyVolts });
    expect([one?.stdBefore, one?.stdAfter]).toEqual([expect.closeTo(0.1 * EVEN, 9), expect.closeTo(0.01, 9)]);
    expect(one?.edited.divider.supplyVolts).toBe(one?.after);
    expect(one?.edited.source.lowShare).toBeCloseTo(0.98, 9);
    expect(one?.edited.source.highShare).toBeCloseTo(1.02, 9);
    // Not where it is as near as can be told to what was said: half a deviation either way.
    expect(supply(0.04, 0.1)).toEqual([]);
    expect(supply(-0.04, 0.1)).toEqual([]);
    expect(supply(0.06, 0.1)).toHaveLength(1);
    expect(supply(-0.06, 0.1)).toHaveLength(1);
    // A lot that lies to one side: its middle is another share.
    expect(supply(0, 0.1, 0.9, 1)[0]?.after).toBeCloseTo(0.95 * supplyVolts, 3);
    // Not where it is hardly known better.
    expect(supply(0.5, 0.51 * EVEN)).toEqual([]);
    expect(supply(0.5, 0.49 * EVEN)).toHaveLength(1);
    // Nor a figure that no project may have.
    expect(supply(1, 0.1, 0.9, 40)).toEqual([]);
  });

  it('of a supply that nothing is told of by its lot, as it was measured', () => {
    const volts = (value: number): Answer => ({
      probe: { kind: 'volts', net: 'supply', light: 0 },
      value,
    });
    const ideal = { ...lamps, source: { ...lamps.source, ohms: 0.5 } };
    const [one] = offered([], { project: ideal, answers: [volts(1.02 * supplyVolts)] });
    expect(one).toMatchObject({ what: 'supply', after: 1.02 * supplyVolts, stdAfter: 0.005 });
    expect(offered([], { project: ideal, answers: [volts(1.009 * supplyVolts)] })).toEqual([]);
    expect(offered([], { project: ideal, answers: [volts(0.98 * supplyVolts)] })).toHaveLength(1);
    const weak = { ...lamps, source: { ...lamps.source, ohms: 2 } };
    expect(offered([], { project: weak, answers: [volts(1.02 * supplyVolts)] })).toEqual([]);
  });

  const r1 = (mean: number, std: number, designator = 'R1') =>
    known({ of: 'resistor', designator, elements: [designator], tolerance: 0.05 }, mean, std);

  it('of a resistor: R1 itself, others where the design has a place for them', () => {
    const [one, ...more] = offered([r1(-0.4, 0.1)]);
    expect(more).toEqual([]);
    expect(one).toMatchObject({ what: 'resistor', designator: 'R1', before: fixedOhms });
    expect(one?.after).toBeCloseTo(fixedOhms * 0.98, 0);
    expect([one?.stdBefore, one?.stdAfter]).toEqual([0.05 * EVEN, expect.closeTo(0.005, 12)]);
    expect(one?.edited.divider.fixedOhms).toBe(one?.after);
    expect(offered([r1(0.04, 0.1)])).toEqual([]);
    expect(offered([r1(0.06, 0.1)])).toHaveLength(1);
    expect(offered([r1(-0.4, 0.51 * EVEN)])).toEqual([]);
    expect(offered([r1(-0.4, 0.1, 'R99')])).toEqual([]);
    expect(offered([r1(-0.4, 0.1, 'LDR1')])).toEqual([]);
    // R2 is the LED’s own: it has a place only where someone says so, as so many times what it was.
    expect(offered([r1(0.4, 0.1, 'R2')])).toEqual([]);
    const asked: [string, number][] = [];
    const editOf = (designator: string, times: number) => {
      asked.push([designator, times]);
      return changeDivider({ ldrSeriesOhms: 1000 * times });
    };
    expect(offered([r1(0.4, 0.1, 'R2')], { around: { editOf } })).toHaveLength(1);
    expect(asked).toEqual([['R2', expect.closeTo(1.02, 3)]]);
    expect(offered([known({ of: 'offset' }, 0.5, 0.1)], { around: { editOf } })).toEqual([]);
  });

  it('of a resistor that was measured by itself as that tells it, whatever else is inferred', () => {
    const resistances = [{ designator: 'R1', ohms: 1.01 * fixedOhms, stdBefore: 0.03, stdAfter: 0.002 }];
    const found = offered([r1(-0.4, 0.1)], { around: { resistances } });
    expect(found.map(({ after }) => after)).toEqual([1.01 * fixedOhms]);
    const trimmed = changeDivider({ trimmer: { trackOhms: 5000, endOhms: 470, degrees: 270 } })(lamps);
    expect(
      adoptionsOf(trimmed, assemble(circuitInput(lamps)), [], [], [], { resistances }).filter(
        ({ what }) => what === 'resistor',
      ),
    ).toEqual([]);
  });

  it('of a gain: a transistor of its own, named as one that was measured, and not twice', () => {
    const { part } = lamps.driver;
    if (!('typicalBeta' in part)) throw new Error('no gain');
    const gain = (mean: number, std: number) =>
      known({ of: 'gain', designator: 'Q1', elements: ['Q1'], lnMiddle: 0.1, lnHalf: 0.5 }, mean, std);
    const measuredName = () => 'measured '.repeat(30);
    const [one] = offered([gain(0.4, 0.1)], { around: { measuredName } });
    const after = part.typicalBeta * Math.exp(0.1 + 0.5 * 0.4);
    expect(one?.after).toBe(Number(after.toPrecision(3)));
    expect(one).toMatchObject({ what: 'gain', designator: 'Q1', before: part.typicalBeta });
    expect([one?.stdBefore, one?.stdAfter]).toEqual([0.5 * EVEN, 0.05]);
    const taken = one?.edited.driver.part;
    if (!taken || !('typicalBeta' in taken)) throw new Error('no gain taken');
    expect(taken.typicalBeta).toBe(one?.after);
    expect(taken.maxBeta / taken.typicalBeta).toBeCloseTo(Math.exp(0.1), 1);
    expect(taken.typicalBeta / taken.minBeta).toBeCloseTo(Math.exp(0.1), 1);
    expect(taken.name.length).toBeLessThan(measuredName().length);
    expect(offered([gain(0.4, 0.1)], { project: one?.edited })).toEqual([]);
    expect(offered([gain(-0.2, 0.1)])).toEqual([]);
    expect(offered([gain(0.4, 0.51 * EVEN)])).toEqual([]);
  });
});
