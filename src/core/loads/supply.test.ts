import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  batteryHours,
  batteryKinds,
  cellsInPlace,
  defaultSource,
  IDEAL_SOURCE,
  lostAmps,
  maxCells,
  SUPPLY_LIMITS,
} from './supply';

describe('a supply', () => {
  it('from which nothing is drawn lasts as long as its cells keep, and no other supply loses anything', () => {
    for (const { id, lostAYear } of batteryKinds) {
      const { source } = defaultSource('battery', 6, id, 1);
      expect(batteryHours(source.ampHours ?? 0, 0, 0, 0.5, lostAmps(source)) / 8766).toBeCloseTo(
        1 / lostAYear,
        6,
      );
    }
    expect(lostAmps({ ...IDEAL_SOURCE, ampHours: 2 })).toBe(0);
  });

  it('of cells has their voltage and their resistance so many times', () => {
    const { source, volts } = defaultSource('battery', 5, 'alkaline-aa', 3);
    expect(volts).toBe(4.5);
    expect(source).toMatchObject({ ohms: 0.6, ampHours: 2.4, limitAmps: null });
    expect(defaultSource('usb', 12)).toMatchObject({ volts: 5, source: { limitAmps: 0.5 } });
    expect(defaultSource('adapter', 12).volts).toBe(12);
    expect(defaultSource('ideal', 9).source.ohms).toBe(0);
  });

  it('of other cells has as many in the same holder, else about the same volts', () => {
    expect(cellsInPlace('alkaline-aa', 'nimh-aa', 4)).toBe(4);
    expect(cellsInPlace('alkaline-aaa', 'alkaline-aa', 3)).toBe(3);
    expect(cellsInPlace('alkaline-aa', 'block-9v', 6)).toBe(1);
    expect(cellsInPlace('block-9v', 'alkaline-aa', 1)).toBe(6);
    expect(cellsInPlace('alkaline-aa', 'lead-12v', 1)).toBe(1);
  });

  it('is never flat above fresh', () => {
    for (const { flatShare, freshShare } of batteryKinds) expect(flatShare).toBeLessThan(freshShare);
  });

  it('lasts between what the dark and the light alone would give', () => {
    const amps = fc.double({ min: 1e-5, max: 1, noNaN: true });
    fc.assert(
      fc.property(amps, amps, fc.double({ min: 0, max: 1, noNaN: true }), (dark, light, share) => {
        const [one, other] = [batteryHours(2, dark, light, 1), batteryHours(2, dark, light, 0)];
        const hours = batteryHours(2, dark, light, share);
        expect(hours).toBeGreaterThanOrEqual(Math.min(one, other) * (1 - 1e-9));
        expect(hours).toBeLessThanOrEqual(Math.max(one, other) * (1 + 1e-9));
      }),
    );
  });

  it('never comes to more volts than a supply may have, however many cells are asked for', () => {
    for (const { id } of batteryKinds)
      for (let cells = 1; cells <= SUPPLY_LIMITS.cells.max; cells++) {
        const { source, volts } = defaultSource('battery', 5, id, cells);
        expect(volts).toBeGreaterThanOrEqual(SUPPLY_LIMITS.volts.min);
        expect(volts).toBeLessThanOrEqual(SUPPLY_LIMITS.volts.max);
        expect(source.cells).toBe(Math.min(cells, maxCells(id)));
      }
    expect(maxCells('lead-12v')).toBe(4);
    expect(maxCells('alkaline-aa')).toBe(16);
  });
});
