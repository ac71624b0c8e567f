import { describe, expect, it } from 'vitest';
import { analyseCircuit } from '../analyse/analyseCircuit';
import { uniforms } from '../numeric/random';
import { shippedComparators } from '../parts/kinds/comparator';
import { changeDetector, takeDetector } from '../project/detectorEdits';
import { changeDivider, changeGoal, changeResistors, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { defaultComparatorSettings } from '../detectors/comparator/settings';
import { promised, runs } from '../testRuns';
import { searchNow, takeParts } from './hysteresis';

const GOALS = 100;
const rail = shippedComparators.find(({ id }) => id === 'rail-to-rail')!;

/** How far a set of parts is off both lights in the whole circuit, as ln of the ratio; `null` where it does not work. */
function errorOf(project: Project, lux: number, offLux: number): number | null {
  const solved = analyseCircuit(project);
  if (!solved.ok || !solved.analysis.thresholds) return null;
  const { turnOn, turnOff } = solved.analysis.thresholds;
  if (!turnOn.ok || !turnOff.ok) return null;
  return Math.max(Math.abs(Math.log(turnOn.lux / lux)), Math.abs(Math.log(turnOff.lux / offLux)));
}

describe('the parts that come nearest', () => {
  it('are within 1 % of the best that trying every set of a small stock finds', () => {
    const draw = uniforms(31);
    let [tried, near] = [0, 0];
    for (let goal = 0; goal < runs(GOALS, 20, 4) / 4; goal++) {
      const sensorInput = draw() < 0.5 ? 'plus' : 'minus';
      const lux = 10 ** (0.5 + 1.5 * draw());
      const offLux = lux * (1.3 + draw());
      const ownOhms = Array.from({ length: 3 }, () => Number((10 ** (3.3 + 2.2 * draw())).toPrecision(2)));
      const project = together(
        takeDetector({ ...defaultComparatorSettings, part: rail }),
        changeDivider({ supplyVolts: 5 }),
        changeResistors({ series: 'own', ownOhms: [...new Set(ownOhms), 820_000] }),
        changeDetector('comparator', { sensorInput }),
        changeDivider({ ldrSide: sensorInput === 'minus' ? 'top' : 'bottom' }),
        changeGoal({ action: 'on-in-dark', lux, offLux }),
      )(sampleNamed('Platform lamps'));
      const values = project.resistors.ownOhms;
      let best = Infinity;
      for (const fixedOhms of values)
        for (const topOhms of values)
          for (const bottomOhms of values)
            for (const feedbackOhms of values) {
              const amps = 5 / (topOhms + bottomOhms);
              if (amps < 2e-6 || amps > 0.003) continue;
              for (const sensorOhms of sensorInput === 'plus' ? values : [null]) {
                const parts = { fixedOhms, topOhms, bottomOhms, feedbackOhms, sensorOhms };
                best = Math.min(best, errorOf(takeParts(parts)(project), lux, offLux) ?? Infinity);
              }
            }
      if (!Number.isFinite(best)) continue;
      tried += 1;
      const search = searchNow(project);
      const found = search.ok
        ? Math.min(...search.found.map(({ error }) => error))
        : search.reason === 'not-reachable' && search.nearest
          ? search.nearest.error
          : Infinity;
      if (found <= best + 0.01) near += 1;
      else console.log(lux, offLux, values, best, found);
    }
    promised('nearest parts within 1 % of brute force', `${near} of ${tried}`, 'all');
    expect(tried).toBeGreaterThan(1);
    expect(near).toBe(tried);
  });
});
