import type { Advice } from './advise/advice';
import { curesOf, editTo } from './advise/remedies';
import { someProject } from './advise/testProjects';
import { analyse } from './design';
import type { Project } from './project/project';
import { runs } from './testRuns';
import { unusualProject } from './testUnusual';

const PROJECTS = 20_000;
/** Without `npm run verify` so many of them. */
const SHARE = 9;
/** So many buttons are pressed one after another at most. */
const STEPS = 6;

/** For tests: what is said of a project. */
export function adviceOf(project: Project): readonly Advice[] {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design.advice;
}

/** For tests: what of it cannot work. */
export const cannots = (project: Project) => adviceOf(project).filter(({ state }) => state === 'cannot');

/** For tests: presses the first button of the worst finding, again and again; what is left then. */
export function pressAll(project: Project): {
  readonly left: readonly Advice[];
  readonly design: Project;
  readonly presses: number;
  readonly isStuck: boolean;
} {
  const seen = new Set([JSON.stringify(project)]);
  let design = project;
  for (let presses = 0; ; presses++) {
    const left = cannots(design);
    const cures = left.length > 0 ? curesOf(design) : [];
    const remedy = left.flatMap(({ code }) => cures.find((cure) => cure.code === code)?.remedies ?? [])[0];
    if (!remedy || presses === STEPS) return { left, design, presses, isStuck: remedy !== undefined };
    design = editTo(remedy)(design);
    const key = JSON.stringify(design);
    if (seen.has(key)) throw new Error('a button led back to what was left');
    seen.add(key);
  }
}

/** For tests: random projects of every kind. */
export const pressedProjects = (): readonly Project[] =>
  Array.from({ length: runs(PROJECTS) < PROJECTS ? SHARE : PROJECTS }, (_, index) =>
    (index % 3 === 2 ? unusualProject : someProject)(index + 1),
  );
