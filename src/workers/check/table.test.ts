import isEqual from 'fast-deep-equal/es6/index.js';
import { describe, expect, it, vi } from 'vitest';
import { DEFAULT_PRIORS } from '@/core/faults/fault';
import { finderOf } from '@/core/faults/finder';
import { shippedMeters } from '@/core/meter/meter';
import { sampleNamed } from '@/core/project/testSamples';
import { computeRows, finderFor, rowBuffers, type Helper, type RowsQuestion } from './table';

const nothing = () => undefined;
const [meter] = shippedMeters;
if (!meter) throw new Error('no meter');

/** Another circuit each time, so that none is kept from before. */
const questionOf = (darkLux: number) => {
  const sample = sampleNamed('Seedling shelf');
  const project = { ...sample, check: { ...sample.check, darkLux, brightLux: null } };
  return { project, meter, neighbours: null, priors: DEFAULT_PRIORS };
};

const helpsOut = () => vi.fn<Helper>(async (question: RowsQuestion) => computeRows(question, nothing));

describe('a fault table that several solve', () => {
  it('is the one that is solved alone, whoever has solved which part of it', async () => {
    const question = questionOf(0.5);
    const helpers = [helpsOut(), helpsOut()];
    const shares: number[] = [];
    const made = await finderFor(question, (share) => shares.push(share), helpers);
    const { bench, faults } = made!.finder.table;
    const alone = finderOf(bench, faults);
    expect(isEqual(made?.finder.table.rows, alone.table.rows)).toBe(true);
    expect(made?.finder.group).toEqual(alone.group);
    for (const help of helpers) expect(help).toHaveBeenCalled();
    const asked = helpers.flatMap((help) => help.mock.calls.map(([{ from, to }]) => [from, to]));
    expect(new Set(asked.map(([from]) => from)).size).toBe(asked.length);
    // All but the first ranking, which whoever asks still has to wait for.
    expect(shares.at(-1)).toBeCloseTo(0.85, 6);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  it('is whole where a helper cannot help, which is not asked again', async () => {
    const cannot = vi.fn<Helper>(() => Promise.resolve(null));
    const gone = vi.fn<Helper>(() => Promise.reject(new Error('gone')));
    const made = await finderFor(questionOf(0.6), nothing, [cannot, gone]);
    expect(cannot).toHaveBeenCalledTimes(1);
    expect(gone).toHaveBeenCalledTimes(1);
    const { faults, rows } = made!.finder.table;
    faults.forEach(({ fault }, at) => expect(rows[at] === null).toBe(fault.kind === 'unlisted'));
  });

  it('is solved once for two who ask at the same time', async () => {
    const help = helpsOut();
    const shares: [number[], number[]] = [[], []];
    const [one, other] = await Promise.all(
      shares.map((own) => finderFor(questionOf(0.7), (share) => own.push(share), [help])),
    );
    for (const own of shares) expect(own.at(-1)).toBeCloseTo(0.85, 6);
    expect(one?.finder).toBe(other?.finder);
  });

  it('hands its figures over without a copy', async () => {
    const rows = await computeRows({ ...questionOf(0.9), from: 0, to: 2 }, nothing);
    const buffers = rowBuffers(rows);
    expect(buffers.length).toBe(rows?.[0]?.length);
    expect(rowBuffers(null)).toEqual([]);
  });
});
