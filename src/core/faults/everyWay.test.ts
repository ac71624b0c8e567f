import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { detectorKinds } from '../detectors/kinds';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { uniforms } from '../numeric/random';
import { takeTransistor } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { finderOf } from './finder';
import { HiddenFault } from './hidden/hiddenFault';
import { drawnFault, placeOf, searchFor } from './hidden/search';
import { faultsOf } from './list';
import { benchOf } from './testBenches';

const isWhole = runs(200) === 200;
const share = (one: number, of: number) => `${((100 * one) / of).toFixed(1)} %`;

function works(project: Project): boolean {
  const analysis = analyse(project);
  return analysis.ok && analysis.design.advice.every(({ state }) => state !== 'cannot');
}

/** Every way of switching with every kind of switch, as far as the two can work together; a few of them with `npm test`. */
const designs = detectorKinds.flatMap((detector, row) =>
  transistorKinds.flatMap((driver, column) => {
    if (!isWhole && (2 * row + column) % 12 !== 3) return [];
    // Not every way works on every supply.
    const projects = ['Platform lamps', 'Birdhouse logger'].map((name) =>
      chooseDetector(detector)(takeTransistor(defaultTransistor(driver))(sampleNamed(name))),
    );
    const project = projects.find(works);
    return project ? [{ detector, project, seed: 100 * row + column }] : [];
  }),
);

describe('the fault finder, with any way of switching and any switch', () => {
  it('has the true fault among the first after four probes, and calls a sound circuit sound', () => {
    const found = new Map<string, { count: number; first: number; third: number }>();
    let [well, sound] = [0, 0];
    for (const { detector, project, seed } of designs) {
      const { bench } = benchOf(project);
      const finder = finderOf(bench, faultsOf(bench.assembly, null));
      const uniform = uniforms(seed);
      for (let run = 0; run < (isWhole ? 20 : 2); run++) {
        const drawn = drawnFault(finder.table.faults, uniform);
        if (!drawn) throw new Error('no fault');
        const { diagnosis } = searchFor(finder, new HiddenFault(bench, drawn.fault, 100 + run), 4);
        const place = placeOf(diagnosis, drawn.fault);
        const its = found.get(detector) ?? { count: 0, first: 0, third: 0 };
        its.count += 1;
        if (place === 1) its.first += 1;
        if (place >= 1 && place <= 3) its.third += 1;
        found.set(detector, its);
        const healthy = { kind: 'healthy' } as const;
        const after = searchFor(finder, new HiddenFault(bench, healthy, 500 + run), 8).diagnosis;
        well += 1;
        if (placeOf(after, healthy) === 1) sound += 1;
      }
    }
    let [count, first, third] = [0, 0, 0];
    for (const [detector, its] of found) {
      promised(
        `${detector}, any switch: first after four probes`,
        share(its.first, its.count),
        '92 % of all',
      );
      promised(`${detector}, any switch: within the first three`, share(its.third, its.count), '98 % of all');
      count += its.count;
      first += its.first;
      third += its.third;
    }
    promised('any way, any switch: first after four probes', `${share(first, count)} of ${count}`, '92 %');
    promised('any way, any switch: within the first three', `${share(third, count)} of ${count}`, '98 %');
    promised('any way, any switch: a sound one called sound', share(sound, well), '97 %');
    expect(count).toBeGreaterThan(3);
    expect(first / count).toBeGreaterThan(0.7);
    expect(third / count).toBeGreaterThan(0.8);
    expect(sound / well).toBeGreaterThan(0.85);
  });
});
