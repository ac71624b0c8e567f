import { analyse } from '../src/core/design/analyse';
import { LiveCircuit } from '../src/core/design/liveCircuit';
import { ldrOf } from '../src/core/readings/ldrOf';
import { sampleProjects } from '../src/core/project/samples';
import { stages } from '../src/core/stages/registry';
import { quantile, type Figure } from './figure';

/** Benchmarks of the core in Node: whole analyses, and one warm operating point. */
export function coreFigures(): Figure[] {
  const analyses = sampleProjects.map((project): Figure => {
    const times = timed(400, () => analyse(project));
    return { name: `analyse ${project.name}`, unit: 'ms', median: quantile(times, 0.5), p95: quantile(times, 0.95), goal: 'median under 4', ok: quantile(times, 0.5) < 4 }; // prettier-ignore
  });
  return [...analyses, warmPoint()];
}

/** One NPN operating point a light apart from the one before, as a sweep or a dragged probe asks for it. */
function warmPoint(): Figure {
  const project = sampleProjects[0];
  if (!project) throw new Error('no sample');
  const live = new LiveCircuit(project, stages.npn, ldrOf(project), stages.npn.betas.typical);
  const batch = 1000;
  let lux = 1;
  const times = timed(60, () => {
    for (let i = 0; i < batch; i++) {
      lux = lux > 5000 ? 1 : lux * 1.05;
      live.solve(lux);
    }
  }).map((milliseconds) => (milliseconds * 1000) / batch);
  const median = quantile(times, 0.5);
  return { name: 'one warm NPN operating point', unit: 'µs', median, p95: quantile(times, 0.95), goal: 'under 20', ok: median < 20 }; // prettier-ignore
}

/** Milliseconds of each of `rounds` calls, after as many to warm up. */
function timed(rounds: number, work: () => void): number[] {
  for (let round = 0; round < rounds; round++) work();
  return Array.from({ length: rounds }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
}
