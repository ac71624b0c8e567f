import type { Project } from '@/core/project/project';
import type { Ok, Refused } from '@/core/result';
import type { Factor, SpreadOptions } from '@/core/spread/factors';
import { payoffsOf, type Payoff } from '@/core/spread/payoffs';
import { chunksOf, joined, runSpread, totalShares, type Builds, type Part } from '@/core/spread/spread';
import { summaryOf, TOGETHER_SHARE, type SpreadSummary } from '@/core/spread/summary';
import type { RunOptions, RunOutcome } from '../client';
import type { Compute } from '../protocol';

/** What a worker for spreads is asked: a part of the builds, what all of them come to, or what would pay. */
export type SpreadQuestion =
  | {
      readonly ask: 'builds';
      readonly project: Project;
      readonly options: SpreadOptions;
      readonly part: Part;
    }
  | {
      readonly ask: 'summary';
      readonly project: Project;
      readonly options: SpreadOptions;
      readonly factors: readonly Factor[];
      readonly parts: readonly Builds[];
    }
  | { readonly ask: 'payoffs'; readonly project: Project; readonly options: SpreadOptions };

export type SpreadAnswer =
  | { readonly of: 'builds'; readonly builds: Builds; readonly factors: readonly Factor[] }
  | { readonly of: 'summary'; readonly summary: SpreadSummary }
  | { readonly of: 'payoffs'; readonly payoffs: readonly Payoff[] }
  | { readonly of: 'nothing' };

export const computeSpread: Compute<SpreadQuestion, SpreadAnswer> = async (question, onProgress) => {
  const { project, options } = question;
  switch (question.ask) {
    case 'builds': {
      const run = runSpread(project, options, question.part, onProgress);
      return Promise.resolve(
        run.ok ? { of: 'builds', builds: run.builds, factors: run.factors } : { of: 'nothing' },
      );
    }
    case 'summary': {
      const { parts, factors } = question;
      const builds = joined(parts);
      const summary = summaryOf(builds, factors, project, options);
      if (summary.together < TOGETHER_SHARE) return Promise.resolve({ of: 'summary', summary });
      const totals = totalShares(project, options);
      return Promise.resolve({
        of: 'summary',
        summary: summaryOf(builds, factors, project, options, totals),
      });
    }
    case 'payoffs':
      return Promise.resolve({ of: 'payoffs', payoffs: payoffsOf(project, options, onProgress) });
  }
};

interface Asks {
  run(question: SpreadQuestion, options?: RunOptions): Promise<RunOutcome<SpreadAnswer>>;
}

export type SpreadResult = Ok<{ readonly summary: SpreadSummary }> | Refused<'not-converged'>;

/** A whole spread on several workers: each builds some of the chunks, and one of them says what all come to. */
export class SpreadRunner {
  /** @param workers at least one */
  constructor(private readonly workers: readonly Asks[]) {}

  async run(
    { project, options }: { readonly project: Project; readonly options: SpreadOptions },
    { onProgress, signal }: RunOptions = {},
  ): Promise<RunOutcome<SpreadResult>> {
    const chunks = chunksOf(options);
    const count = Math.min(this.workers.length, chunks);
    const shares = Array.from({ length: count }, () => 0);
    const outcomes = await Promise.all(
      this.workers.slice(0, count).map((worker, index) => {
        const part = {
          fromChunk: Math.floor((index * chunks) / count),
          toChunk: Math.floor(((index + 1) * chunks) / count),
        };
        const tell = (share: number) => {
          shares[index] = share;
          onProgress?.(shares.reduce((sum, one) => sum + one, 0) / count);
        };
        return worker.run({ ask: 'builds', project, options, part }, { onProgress: tell, signal });
      }),
    );
    const parts: Builds[] = [];
    let factors: readonly Factor[] = [];
    for (const outcome of outcomes) {
      if (!outcome.ok) return outcome;
      if (outcome.output.of !== 'builds') return { ok: true, output: { ok: false, reason: 'not-converged' } };
      parts.push(outcome.output.builds);
      factors = outcome.output.factors;
    }
    const [first] = this.workers;
    const summed =
      first && (await first.run({ ask: 'summary', project, options, factors, parts }, { signal }));
    if (!summed) return { ok: false, reason: 'died', message: 'no worker' };
    if (!summed.ok) return summed;
    if (summed.output.of !== 'summary') return { ok: false, reason: 'failed', message: 'another answer' };
    return { ok: true, output: { ok: true, summary: summed.output.summary } };
  }
}
