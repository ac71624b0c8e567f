import { CornersInTurn } from '../src/core/advise/corners';
import { curesOf, editTo, searchCures } from '../src/core/advise/remedies';
import { someProject } from '../src/core/advise/testProjects';
import { analyse, type Design } from '../src/core/design';
import { shippedTransistors } from '../src/core/drivers/registry';
import { defaultLoads } from '../src/core/loads/registry';
import { forgetAll } from '../src/core/memoize';
import { uniforms } from '../src/core/numeric/random';
import { swapInputs } from '../src/core/project/detectorEdits';
import {
  changeDivider,
  changeGoal,
  swapLdrSide,
  takeLoad,
  takeSource,
  takeTransistor,
  type Edit,
} from '../src/core/project/edits';
import type { Project } from '../src/core/project/project';
import { sampleProjects } from '../src/core/project/samples';
import { unusualProject } from '../src/core/testUnusual';
import { figure, timed, type Figure } from './figure';

const DESIGNS = 80;
const PRESSES = 6;

/** What is said of a design, and what would put it right. */
export function adviceFigures(): Figure[] {
  return [...withCorners(), ...fixes()];
}

function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

const cannotsOf = (project: Project) => designOf(project).advice.filter(({ state }) => state === 'cannot');

/** A frame: so late after an analysis its ends may follow, solved beside the page. */
const FRAME_MS = 1000 / 60;

/** A whole analysis and every end of what the design may meet, while R1 is changed: the readings stay. */
function withCorners(): Figure[] {
  return sampleProjects.map((project) => {
    let round = 0;
    const times = timed(60, () => {
      const changed = changeDivider({ fixedOhms: project.divider.fixedOhms * 1.001 ** (round++ % 200) })(
        project,
      );
      void new CornersInTurn(changed, designOf(changed)).all;
    });
    return figure(`analyse ${project.name} with its corners`, times, Math.floor(FRAME_MS));
  });
}

/** Designs that were in order, each with one thing changed. */
function oneFaultDesigns(): readonly Project[] {
  const designs: Project[] = [];
  for (let seed = 930_000; designs.length < DESIGNS; seed++) {
    const design = inOrder((seed % 3 === 2 ? unusualProject : someProject)(seed));
    if (design) designs.push(oneFault(seed)(design));
  }
  return designs;
}

/** Looking for what cures designs with one fault: until their buttons are there, and until all is told that those lead to. */
function fixes(): Figure[] {
  const designs = oneFaultDesigns();
  const times = designs.map((project) => {
    forgetAll();
    const start = performance.now();
    const { whole } = searchCures(project);
    const found = performance.now();
    void whole();
    return { buttons: found - start, whole: performance.now() - start };
  });
  return [
    figure(
      'fixes of a design with one fault',
      times.map(({ buttons }) => buttons),
      100,
    ),
    figure(
      '  with all that each leads to',
      times.map(({ whole }) => whole),
      250,
    ),
  ];
}

/** A project as its own buttons bring it in order; `null` where they do not. */
function inOrder(project: Project): Project | null {
  let design = project;
  for (let press = 0; press < PRESSES; press++) {
    const left = cannotsOf(design);
    if (left.length === 0) return design;
    const cures = curesOf(design);
    const remedy = left.flatMap(({ code }) => cures.find((cure) => cure.code === code)?.remedies ?? [])[0];
    if (!remedy) return null;
    design = editTo(remedy)(design);
  }
  return null;
}

/** Something that someone changes. */
function oneFault(seed: number): Edit {
  const uniform = uniforms(seed);
  const loads = Object.values(defaultLoads);
  const pick = <T>(list: readonly T[]): T => {
    const picked = list[Math.floor(uniform() * list.length)];
    if (picked === undefined) throw new Error('nothing to pick');
    return picked;
  };
  const edits: readonly Edit[] = [
    swapLdrSide,
    swapInputs,
    (project) =>
      takeSource(
        project.source,
        Math.round(project.divider.supplyVolts * (5 + 10 * uniform())) / 10,
      )(project),
    takeLoad(pick(loads)),
    takeTransistor(pick(shippedTransistors)),
    (project) =>
      changeGoal({ action: project.goal.action === 'on-in-dark' ? 'on-in-light' : 'on-in-dark' })(project),
    (project) =>
      changeGoal({ lux: Number((project.goal.lux * 10 ** (4 * uniform() - 2)).toPrecision(2)) })(project),
  ];
  return pick(edits);
}
