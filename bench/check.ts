import { answerTo } from '../src/app/api/analyse/answer';
import { diagnose, finderOf } from '../src/core/faults/finder';
import { HiddenFault } from '../src/core/faults/hidden/hiddenFault';
import { faultsOf } from '../src/core/faults/list';
import { searchFor } from '../src/core/faults/hidden/search';
import { benchOf } from '../src/core/faults/testBenches';
import { writeProjectFile } from '../src/core/project/file';
import { sampleProjects } from '../src/core/project/samples';
import { figure, timed, type Figure } from './figure';

/** Step 7: the circuit solved with every fault, a ranking after one more figure, and an analysis from outside. */
export function checkFigures(): Figure[] {
  return sampleProjects.flatMap((project) => {
    const { bench } = benchOf(project);
    const faults = faultsOf(bench.assembly, null);
    const finder = finderOf(bench, faults);
    const hidden = new HiddenFault(bench, { kind: 'healthy' }, 3);
    const { answers } = searchFor(finder, hidden, 3);
    const file = writeProjectFile(project, '2026-01-02T03:04:05.000Z');
    return [
      figure(
        `${project.name}: every fault solved`,
        timed(3, () => finderOf(bench, faults)),
        1000,
      ),
      figure(
        `${project.name}: ranked after a measurement`,
        timed(15, () => diagnose(finder, answers)),
        150,
      ),
      figure(
        `${project.name}: analysed from outside`,
        timed(25, () => answerTo(file)),
        50,
      ),
    ];
  });
}
