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
/** Of these each finding that came up in 3 500 projects is said, twice where it came up as often. */
const SAID = [
  1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23, 24, 25, 26, 27, 28, 29,
  30, 31, 32, 33, 34, 35, 36, 37, 38, 39, 40, 41, 42, 43, 44, 45, 46, 47, 48, 49, 50, 51, 52, 53, 54, 55, 56,
  57, 58, 59, 60, 61, 62, 63, 64, 66, 67, 70, 71, 77, 79, 85, 87, 88, 91, 95, 97, 99, 101, 108, 112, 114, 123,
  124, 132, 133, 137, 138, 140, 142, 150, 158, 161, 163, 166, 173, 176, 187, 199, 209, 217, 223, 227, 245,
  248, 255, 256, 260, 275, 286, 298, 311, 313, 335, 347, 353, 366, 367, 370, 381, 400, 421, 427, 448, 460,
  463, 577, 596, 611, 633, 682, 705, 712, 776, 837, 876, 921, 967, 1029, 1075, 1181, 1196, 1211, 1264, 1287,
  1361, 1392, 1397, 1449, 1451, 1524, 1527, 1531, 1584, 1621, 1694, 1707, 1725, 1849, 1850, 1887, 1913, 2019,
  2121, 2133, 2157, 2423, 2484, 2495, 2894, 3115, 3216,
];
/** Of these most changes are offered that came up in 250. */
const CURED = [
  2, 5, 8, 12, 16, 20, 26, 29, 38, 42, 47, 53, 62, 67, 71, 77, 87, 98, 101, 116, 124, 132, 151, 158, 166, 175,
  217, 223,
];
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
    ['what is said', SAID, saidOf],
    [
      'what fails at an end of what they may meet',
      AT_CORNERS,
      (project: Project) => shortOf(cornersOf(project)),
    ],
    ['what is offered for it', CURED, curesIn],
  ] as const)('%s is as it was when it was last looked at', (_, seeds, now) => {
    expect(seeds.map((seed) => [seed, ...now(projectOf(seed))].join('\n  ')).join('\n')).toMatchSnapshot();
  });
});
