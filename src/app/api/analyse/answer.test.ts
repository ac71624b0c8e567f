import Ajv from 'ajv';
import { describe, expect, it } from 'vitest';
import { someProject } from '@/core/advise/testProjects';
import { analyse } from '@/core/design';
import { writeProjectFile } from '@/core/project/file';
import { PROJECT_VERSION } from '@/core/project/migrate';
import { sampleProjects } from '@/core/project/samples';
import { sampleNamed } from '@/core/project/testSamples';
import { promised, runs } from '@/core/testRuns';
import { unusualProject } from '@/core/testUnusual';
import { apiSchema } from '@/core/report/schema';
import { answerTo, MAX_BYTES } from './answer';
import { recordIn } from '@/core/testRecord';

const file = (name: string) => writeProjectFile(sampleNamed(name), '2026-01-02T03:04:05.000Z');
const ajv = new Ajv({ strict: false });
const isAnswer = ajv.compile(apiSchema.definitions.answer);
const isQuestion = ajv.compile(apiSchema.definitions.question);
const isRefusal = ajv.compile(apiSchema.definitions.refusal);

describe('an analysis from outside', () => {
  it('is what its schema says, for every sample, and the file is what its schema takes', () => {
    for (const { name } of sampleProjects) {
      const { status, body } = answerTo(file(name));
      expect([name, status]).toEqual([name, 200]);
      const plain: unknown = JSON.parse(JSON.stringify(body));
      expect([name, isAnswer(plain), isAnswer.errors]).toEqual([name, true, null]);
      expect(isQuestion(JSON.parse(file(name)))).toBe(true);
    }
  });

  it('is what its schema says for any design: no figure of it gets lost on the way', () => {
    let count = 0;
    for (let seed = 1; seed <= runs(1000, 60, 8); seed++) {
      const { status, body } = answerTo(
        writeProjectFile((seed % 3 === 0 ? unusualProject : someProject)(seed), '2026-01-02T03:04:05.000Z'),
      );
      if (status !== 200) continue;
      count += 1;
      const plain: unknown = JSON.parse(JSON.stringify(body));
      expect([seed, isAnswer(plain), isAnswer.errors]).toEqual([seed, true, null]);
      expect([seed, plain]).toEqual([seed, body]);
    }
    promised('answers from outside that are what their schema says', `${count} of ${count}`, 'all');
    expect(count).toBeGreaterThan(10);
  });

  it('has the figures of the screen to all digits, and its advice in words', () => {
    const project = sampleNamed('Canoe rack marker that stays dim');
    const analysis = analyse(project);
    const answer = answerTo(file(project.name));
    if (!analysis.ok || answer.status !== 200) throw new Error('no analysis');
    const { half, drive, advice } = analysis.design;
    expect(answer.body.switching.half.lux).toBe(half.ok ? half.lux : null);
    expect(answer.body.drive.fullAmps).toBe(drive.fullAmps);
    expect(answer.body.advice.map(({ code }) => code)).toEqual(advice.map(({ code }) => code));
    for (const { text } of answer.body.advice) expect(text).toMatch(/\S{3}.*\.$/);
    const point = answer.body.testPoints.find(({ key }) => key === 'volts supply 1');
    expect(point).toMatchObject({ kind: 'volts', light: 'bright' });
    expect(point && point.low <= point.value && point.value <= point.high).toBe(true);
  });

  it('tells what fails at the ends where that is asked for, and else that nobody asked', () => {
    const shelf = sampleNamed('Seedling shelf');
    const sagging = { ...shelf, source: { ...shelf.source, lowShare: 0.55 } };
    const text = writeProjectFile(sagging, '2026-01-02T03:04:05.000Z');
    const [plain, whole] = [answerTo(text), answerTo(text, true)];
    if (plain.status !== 200 || whole.status !== 200) throw new Error('no analysis');
    expect([plain.body.advice, plain.body.ends]).toEqual([[], null]);
    expect(whole.body.ends?.map(({ code }) => code)).toEqual(['at-corner']);
    expect(whole.body.ends?.[0]?.text).toMatch(/^With the supply .* it stops working\./);
    for (const { body } of [plain, whole]) expect([isAnswer(body), isAnswer.errors]).toEqual([true, null]);
    const sound = answerTo(writeProjectFile(shelf, '2026-01-02T03:04:05.000Z'), true);
    expect(sound.status === 200 && sound.body.ends).toEqual([]);
  });

  it('is refused with a reason and a place for what is no project', () => {
    const broken = { ...recordIn(JSON.parse(file('Platform lamps'))), more: 1 };
    const deep = `${'['.repeat(10_000)}${']'.repeat(10_000)}`;
    const cases: readonly (readonly [number, string])[] = [
      [400, ''],
      [400, '{"format":'],
      [422, '{}'],
      [422, 'null'],
      [422, JSON.stringify(broken)],
      [422, `{"format":"yemko-project","version":${PROJECT_VERSION},"savedAt":"","project":${deep}}`],
      [422, file('Platform lamps').replace(`"version": ${PROJECT_VERSION}`, '"version": 99')],
      [413, ' '.repeat(MAX_BYTES + 1)],
    ];
    for (const [status, text] of cases) {
      const answer = answerTo(text);
      expect([text.slice(0, 40), answer.status]).toEqual([text.slice(0, 40), status]);
      expect(isRefusal(answer.body)).toBe(true);
    }
  });
});
