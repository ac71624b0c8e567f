import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeDivider, changeLoad, together } from '../project/edits';
import { newProject } from '../project/newProject';
import { analyse } from './analyse';
import { findCrossing } from './crossing';
import { endsFor, sizeSeriesResistor } from './sizing';

describe('the series resistor', () => {
  it('gives the wanted current when the switch is driven hard', () => {
    const anyLoad = fc.record({
      supplyVolts: fc.double({ min: 4, max: 24, noNaN: true }),
      forwardVolts: fc.double({ min: 1.2, max: 3.4, noNaN: true }),
      wantedAmps: fc.double({ min: 0.001, max: 0.03, noNaN: true }),
    });
    fc.assert(
      fc.property(anyLoad, ({ supplyVolts, forwardVolts, wantedAmps }) => {
        const project = together(
          changeDivider({ supplyVolts }),
          changeLoad({ led: 'own', forwardVolts, atAmps: 0.01, wantedAmps }),
        )(newProject('n', 'N'));
        const sized = sizeSeriesResistor(project);
        if (!sized.ok) throw new Error(sized.reason);
        const analysis = analyse(changeLoad({ seriesOhms: sized.exactOhms })(project));
        expect(analysis.ok && analysis.design.drive.fullAmps / wantedAmps).toBeCloseTo(1, 4);
        expect(sized.e24Ohms).toBeGreaterThanOrEqual(sized.exactOhms * (1 - 1e-9));
        expect(sized.e12Ohms).toBeGreaterThanOrEqual(sized.e24Ohms);
      }),
      { numRuns: 100 },
    );
  });

  it('says what the supply would have to be where there is none', () => {
    const sized = sizeSeriesResistor(changeDivider({ supplyVolts: 1.5 })(newProject('n', 'N')));
    if (sized.ok || sized.reason !== 'supply-too-low') throw new Error('a refusal was wanted');
    expect(sized.neededVolts).toBeGreaterThan(1.8);
    expect(sized.neededVolts).toBeLessThan(2);
    const enough = changeDivider({ supplyVolts: sized.neededVolts })(newProject('n', 'N'));
    expect(sizeSeriesResistor(enough).ok).toBe(true);
  });
});

describe('crossings', () => {
  const range = { leastLux: 0.1, mostLux: 1000 };
  it('are found where the current passes the level', () => {
    const found = findCrossing((lux) => 0.01 / lux, 0.001, range);
    expect(found.ok && found.lux).toBeCloseTo(10, 5);
  });

  it('are not made up where there is none', () => {
    expect(findCrossing(() => 0.01, 0.001, range)).toEqual({ ok: false, reason: 'stays-above' });
    expect(findCrossing(() => 0, 0.001, range)).toEqual({ ok: false, reason: 'stays-below' });
    expect(findCrossing(() => null, 0.001, range)).toEqual({ ok: false, reason: 'not-converged' });
  });
});

describe('the ends of the axis', () => {
  it('are named by what the load does there', () => {
    const range = { leastLux: 0.1, mostLux: 1000 };
    expect(endsFor('on-in-dark', range)).toEqual({ onLux: 0.1, offLux: 1000 });
    expect(endsFor('on-in-light', range)).toEqual({ onLux: 1000, offLux: 0.1 });
  });
});
