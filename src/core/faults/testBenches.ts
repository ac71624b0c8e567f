import { analyse } from '../design';
import { shippedMeters, type Meter } from '../meter/meter';
import { sampleProjects } from '../project/samples';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { assert } from '../result';
import type { Design } from '../design';
import { faultsOf } from './list';
import { finderOf, type Finder } from './finder';
import { testBench, type TestBench } from './predict';

/** For tests: a project's design and its bench, measured with the commonest meter in the proposed lights. */
export function benchOf(
  project: Project,
  count?: number,
  meter: Meter | undefined = shippedMeters[0],
): { readonly bench: TestBench; readonly design: Design } {
  const analysis = analyse(project);
  assert(analysis.ok && meter !== undefined, () => `no design of ${project.name}`);
  const { design } = analysis;
  return { design, bench: testBench(project, design, meter, { darkLux: null, brightLux: null }, count) };
}

export const sampleBench = (name: string, count?: number) => benchOf(sampleNamed(name), count);

export function finderOfSample(project: Project): Finder {
  const { bench } = benchOf(project);
  return finderOf(bench, faultsOf(bench.assembly, null));
}

/** Samples whose load a steady light tells of: a change detector's says nothing until the light moves. */
export const steadySamples = sampleProjects.filter(({ detector }) => !['change'].includes(detector.kind));
