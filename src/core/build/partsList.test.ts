import { describe, expect, it } from 'vitest';
import { assemble } from '../operate/assemble';
import { simpleInput } from '../operate/testCircuits';
import { defaultLoads } from '../loads/registry';
import { DEFAULT_STOCK, toleranceOf } from '../series/stock';
import { partsList, type PartsListInput } from './partsList';
import { piecesOf } from './pieces';
import { railOhms } from './railOhms';
import { netLegs, solderOrder } from './solder';
import { analyse } from '../design';
import { changeResistors } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { someProject } from '../advise/testProjects';
import { DEFAULT_SPREAD, factorsOf } from '../spread/factors';
import { runs } from '../testRuns';
import { unusualProject } from '../testUnusual';

function listOf(change: Partial<PartsListInput> = {}) {
  const input = {
    ...simpleInput,
    loads: [{ ...defaultLoads.led, seriesOhms: 330, inSeries: 2, strings: 3 }],
  };
  return partsList({
    parts: assemble(input).parts,
    stock: DEFAULT_STOCK,
    watts: { R1: 0.125 },
    r10Ohms: null,
    supplies: {},
    maxVolts: 6,
    copies: 1,
    spares: 0,
    ...change,
  });
}

describe('a parts list', () => {
  it('counts each LED and each resistor of its rows, for every copy and with spares', () => {
    const wanted = (lines: ReturnType<typeof listOf>, name: string) =>
      lines.find(({ designators }) => designators.includes(name))?.wanted;
    expect([wanted(listOf(), 'D1'), wanted(listOf(), 'R2')]).toEqual([6, 3]);
    const more = listOf({ copies: 4, spares: 2 });
    expect([wanted(more, 'D1'), wanted(more, 'R2'), wanted(more, 'R1')]).toEqual([26, 14, 6]);
  });

  it('tells an LED row’s resistor as it is bought, not as they act together', () => {
    const line = listOf().find(({ designators }) => designators.includes('R2'));
    expect(line?.value).toEqual({ unit: 'Ω', amount: 330 });
    expect(line?.marking).toEqual({ kind: 'bands', bands: ['orange', 'orange', 'brown', 'gold'] });
  });

  it('says what is in stock: as it is, as two, or not', () => {
    const stockOf = (stock: PartsListInput['stock']) =>
      listOf({ stock }).find(({ designators }) => designators.includes('R1'))?.inStock;
    expect(stockOf(DEFAULT_STOCK)).toEqual({ kind: 'yes' });
    const own = { ...DEFAULT_STOCK, series: 'own' as const, ownOhms: [3300, 3500, 10_000] };
    expect(stockOf({ ...own, pairs: true })).toEqual({ kind: 'pair', how: 'series', parts: [3500, 3300] });
    expect(stockOf(own)).toEqual({ kind: 'no', nearestOhms: 10_000 });
    expect(stockOf({ ...own, ownOhms: [] })).toEqual({ kind: 'no', nearestOhms: null });
  });

  it('tells of every resistor the tolerance that the stock has, which builds and checks count with', () => {
    for (let seed = 61_000; seed < 61_000 + runs(600); seed++) {
      const made = (seed % 2 ? unusualProject : someProject)(seed);
      const project = changeResistors({ series: seed % 3 ? 'E96' : 'E12' })(made);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { parts } = analysis.design.assembly;
      const lines = listOf({ parts, stock: project.resistors }).filter(
        ({ part }) => part.kind === 'resistor',
      );
      const high = toleranceOf(project.resistors);
      for (const { designators, tolerance } of lines)
        expect(tolerance, `${designators.join()} of ${seed}`).toEqual({ low: -high, high });
      for (const factor of factorsOf(project, analysis.design, DEFAULT_SPREAD, true))
        if (
          factor.of === 'resistor' &&
          factor.designator.startsWith('R') &&
          !factor.designator.startsWith('RV')
        )
          expect(factor.tolerance, `${factor.designator} of ${seed}`).toBe(high);
    }
  });

  it('puts like parts on one line', () => {
    const analysis = analyse(sampleNamed('Drying rack meter'));
    if (!analysis.ok) throw new Error(analysis.reason);
    const { parts } = analysis.design.assembly;
    const lines = listOf({ parts });
    expect(lines.flatMap(({ designators }) => designators).sort()).toEqual(
      parts.map(({ designator }) => designator).sort(),
    );
    expect(lines.length).toBeLessThan(parts.length);
  });
});

describe('soldering', () => {
  it('goes from the lowest to the highest and ends with the supply', () => {
    const order = solderOrder(piecesOf(assemble(simpleInput).parts)).map(({ piece }) => piece.part.kind);
    expect(order[0]).toBe('resistor');
    expect(order.at(-1)).toBe('supply');
    expect(order.indexOf('ldr')).toBeGreaterThan(order.lastIndexOf('resistor'));
  });

  it('joins every leg in just one net', () => {
    const pieces = piecesOf(assemble(simpleInput).parts);
    const legs = netLegs(pieces).flatMap(({ legs }) => legs.map(({ piece, pin }) => `${piece.id}.${pin}`));
    expect(new Set(legs).size).toBe(legs.length);
    expect(legs).toHaveLength(pieces.reduce((sum, { leads }) => sum + leads.length, 0));
  });
});

describe('the resistance between the rails', () => {
  it('is the divider’s with the LDR at its brightest, where only that joins them', () => {
    const { parts } = assemble(simpleInput);
    expect(railOhms(parts, 'supply', 200)).toBeCloseTo(7000, 3);
    expect(railOhms(parts, 'supply', 2000)).toBeCloseTo(8800, 3);
  });

  it('is none where nothing but junctions does', () => {
    const { parts } = assemble(simpleInput);
    expect(
      railOhms(
        parts.filter(({ kind }) => kind !== 'ldr'),
        'supply',
        200,
      ),
    ).toBe(Infinity);
  });
});
