import { analyse } from '../design';
import { shippedMeters, type Meter } from '../meter/meter';
import { sampleProjects } from '../project/samples';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { assert } from '../result';
import type { Design } from '../design';
import { runs } from '../testRuns';
import { faultsOf } from './list';
import { keyOf, type Fault } from './fault';
import { diagnose, finderOf, type Diagnosis, type Finder } from './finder';
import { groupsOf } from './groups';
import type { HiddenFault } from './hidden/hiddenFault';
import { testBench, type TestBench } from './predict';
import type { Answer } from './probe';

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

const finders = new Map<Project, Finder>();

/** A sample's table takes seconds to solve: it is kept. */
export function finderOfSample(project: Project): Finder {
  const known = finders.get(project);
  if (known) return known;
  const { bench } = benchOf(project);
  const finder = finderOf(bench, faultsOf(bench.assembly, null));
  finders.set(project, finder);
  return finder;
}

/** With `npm test` every other one: it is their tables that take long. */
const isWhole = runs(200) === 200;

/** Samples whose load a steady light tells of: a change detector's says nothing until the light moves. */
export const steadySamples = sampleProjects
  .filter(({ detector }) => !['change'].includes(detector.kind))
  .filter((_, index) => isWhole || index % 2 === 0);

/** Every sample; with `npm test` those of them. */
export const findSamples = isWhole ? sampleProjects : steadySamples;

/** For tests: follows what is proposed, also past the point where it is as good as sure: until the same fault has stood three tests. */
export function madeSure(finder: Finder, hidden: HiddenFault, most: number) {
  const answers: Answer[] = [];
  let diagnosis = diagnose(finder, answers);
  const firstOf = ({ groups }: Diagnosis) => groups[0]?.members[0]?.fault.fault ?? { kind: 'healthy' };
  for (let stood = 0; answers.length < most && stood < 3;) {
    const [best] = diagnosis.next;
    const answer = best && hidden.answer(best.probe);
    if (!answer) break;
    const before = diagnosis;
    answers.push(answer);
    diagnosis = diagnose(finder, answers);
    const isStill = before.isSure && diagnosis.isSure && keyOf(firstOf(before)) === keyOf(firstOf(diagnosis));
    stood = isStill ? stood + 1 : 0;
  }
  return { diagnosis, answers };
}

/** For tests: a finder that has never heard of a fault, nor of what no measurement tells from it. */
export function without({ table, group }: Finder, fault: Fault): Finder {
  const own = group[table.faults.findIndex((each) => keyOf(each.fault) === keyOf(fault))];
  const kept = table.faults.flatMap((_, at) => (group[at] === own ? [] : [at]));
  const faults = kept.flatMap((at) => table.faults[at] ?? []);
  const less = { ...table, faults, rows: kept.map((at) => table.rows[at] ?? null) };
  return { table: less, group: groupsOf(less), pairRows: new Map() };
}
