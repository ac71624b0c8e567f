import { answerTo } from '../src/app/api/analyse/answer';
import { piecesOf } from '../src/core/build/pieces';
import { proposedBoard } from '../src/core/build/place';
import { boardFaults } from '../src/core/build/readBack';
import { diagnose, finderOf } from '../src/core/faults/finder';
import { HiddenFault } from '../src/core/faults/hidden/hiddenFault';
import { faultsOf } from '../src/core/faults/list';
import { searchFor } from '../src/core/faults/hidden/search';
import { benchOf } from '../src/core/faults/testBenches';
import { writeProjectFile } from '../src/core/project/file';
import { sampleProjects } from '../src/core/project/samples';
import { figure, timed, type Figure } from './figure';

/** Steps 6 and 7: parts placed, a move checked; the circuit solved with every fault, a ranking after one more figure, and an analysis from outside. */
export function checkFigures(): Figure[] {
  return sampleProjects.flatMap((project) => {
    const { bench } = benchOf(project);
    const faults = faultsOf(bench.assembly, null);
    const finder = finderOf(bench, faults);
    const hidden = new HiddenFault(bench, { kind: 'healthy' }, 3);
    const { answers } = searchFor(finder, hidden, 3);
    const file = writeProjectFile(project, '2026-01-02T03:04:05.000Z');
    const pieces = piecesOf(bench.assembly.parts);
    const { placing } = proposedBoard(pieces);
    if (!placing.ok) throw new Error(`${project.name}: ${placing.reason}`);
    return [
      figure(
        `${project.name}: placed on a board`,
        timed(5, () => proposedBoard(pieces)),
        300,
      ),
      figure(
        `${project.name}: a move checked`,
        timed(25, () => boardFaults(placing.layout, pieces)),
        16,
      ),
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
