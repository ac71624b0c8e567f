import { describe, expect, it } from 'vitest';
import { uniforms } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { SURE, type Finder } from './finder';
import { HiddenFault } from './hidden/hiddenFault';
import { drawnFault, searchFor } from './hidden/search';
import { rankedGroups } from './groups';
import { rankedProbes } from './nextProbe';
import { posteriorOf, type Posterior } from './posterior';
import { isByRatio, type Answer, type Probe } from './probe';
import { finderOfSample, steadySamples } from './testBenches';

/** So many ways that a probe may come out are followed one step further. */
const OUTCOMES = 16;
const MOST = 10;
const isWhole = runs(200) === 200;

/** What a probe might find, drawn as often as it is thought to. */
function outcomesOf(
  { table }: Finder,
  { weights }: Posterior,
  index: number,
  uniform: () => number,
): number[] {
  const probe = table.probes[index];
  return Array.from({ length: OUTCOMES }, () => {
    let left = uniform();
    for (const [at, row] of weights.entries())
      for (const [draw, weight] of row.entries()) {
        left -= weight;
        if (left > 0) continue;
        const found = table.rows[at]?.[index]?.[draw] ?? NaN;
        if (probe?.kind === 'look') return uniform() < found ? 0 : 1;
        return probe && isByRatio(probe) ? Math.exp(found) : found;
      }
    return NaN;
  }).filter((value) => !Number.isNaN(value));
}

/** The probe that with the best that may follow it tells most, whatever the effort: every probe is tried as the first and as the second. */
function twoSteps(finder: Finder, answers: readonly Answer[], uniform: () => number): Probe | null {
  const { table, group } = finder;
  const posterior = posteriorOf(table, answers);
  let best: { readonly probe: Probe; readonly value: number } | null = null;
  for (const { probe, bits } of rankedProbes(table, group, posterior, answers, false)) {
    const outcomes = outcomesOf(finder, posterior, table.probes.indexOf(probe), uniform);
    if (outcomes.length === 0) continue;
    const values = outcomes.map((value) => {
      const after = [...answers, { probe, value }];
      const next = rankedProbes(table, group, posteriorOf(table, after), after, false);
      return Math.max(0, ...next.map((each) => each.bits));
    });
    const value = bits + values.reduce((sum, each) => sum + each, 0) / values.length;
    if (!best || value > best.value) best = { probe, value };
  }
  return best?.probe ?? null;
}

describe('the next best probe', () => {
  it('leads as soon to the fault as trying every two that may follow on one another', () => {
    const samples = steadySamples.slice(0, isWhole ? 3 : 1);
    let [count, ahead, own] = [0, 0, 0];
    for (const project of samples) {
      const finder = finderOfSample(project);
      const { table, group } = finder;
      const [uniform, chance] = [uniforms(31), uniforms(32)];
      for (let run = 0; run < (isWhole ? 12 : 1); run++) {
        const drawn = drawnFault(table.faults, uniform);
        if (!drawn) throw new Error('no fault');
        const hidden = () => new HiddenFault(table.bench, drawn.fault, 4000 + run);
        const bench = hidden();
        const answers: Answer[] = [];
        const isSure = () => (rankedGroups(table, group, posteriorOf(table, answers))[0]?.share ?? 0) >= SURE;
        while (answers.length < MOST && !isSure()) {
          const probe = twoSteps(finder, answers, chance);
          const answer = probe && bench.answer(probe);
          if (!answer) break;
          answers.push(answer);
        }
        count += 1;
        ahead += answers.length;
        own += searchFor(finder, hidden(), MOST).answers.length;
      }
    }
    const ratio = own / ahead;
    promised('probes, against two-step look-ahead', `${ratio.toFixed(2)} × (${count} faults)`, '≤ 1.15 ×');
    expect(ratio).toBeLessThan(1.4);
  });
});
