import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import type { Project } from '../project/project';
import { unusualProject } from '../testUnusual';
import { type Advice, findingKey } from './advice';
import { changesBetween } from './changes';
import { cornersOf } from './corners';
import { curesOf, editTo } from './remedies';
import { someProject } from './testProjects';

/** A project of any kind, by its number. */
const projectOf = (seed: number): Project => (seed % 2 ? unusualProject : someProject)(seed);
const upTo = (count: number) => Array.from({ length: count }, (_, index) => index + 1);
/** Of these something fails at an end of what they may meet that does not fail otherwise. */
const AT_CORNERS = [
  77, 98, 230, 242, 243, 356, 524, 588, 688, 697, 948, 978, 1027, 1082, 1116, 1341, 1440, 1448, 1482, 1640,
  1654, 1680, 1721, 1982,
];

/** Numbers to three digits: a resistor that is offered is another one by more than that. */
const inShort = (value: object) =>
  JSON.stringify(value, (_, one: unknown) =>
    typeof one === 'number' ? Number(one.toPrecision(3)) : one,
  ).replaceAll('"', '');

const shortOf = (advice: readonly Advice[]) =>
  advice.map((one) => {
    const key = findingKey(one)
      .replace(/ state=\w+/, '')
      .trim();
    return `${one.state} ${key}${one.fix ? ` → ${inShort(one.fix)}` : ''}`;
  });

function saidOf(project: Project): readonly string[] {
  const analysis = analyse(project);
  return analysis.ok ? shortOf(analysis.design.advice) : [analysis.reason];
}

const curesIn = (project: Project) =>
  curesOf(project).flatMap(({ code, remedies }) =>
    remedies.map((remedy) => `${code}: ${inShort(changesBetween(project, editTo(remedy)(project)))}`),
  );

describe('of projects of every kind', () => {
  // A change to what is said is looked at line by line, and then stored anew: npx vitest run src/core/advise/stored --update.
  it.each([
    ['what is said', upTo(200), saidOf],
    [
      'what fails at an end of what they may meet',
      AT_CORNERS,
      (project: Project) => shortOf(cornersOf(project)),
    ],
    ['what is offered for it', upTo(36), curesIn],
  ] as const)('%s is as it was when it was last looked at', (_, seeds, now) => {
    expect(seeds.map((seed) => [seed, ...now(projectOf(seed))].join('\n  ')).join('\n')).toMatchSnapshot();
  });
});
