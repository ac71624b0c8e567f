import { analyse } from '@/core/design';
import type { ListedFault, Priors } from '@/core/faults/fault';
import { finderFrom, type Finder } from '@/core/faults/finder';
import { faultsOf } from '@/core/faults/list';
import type { Neighbours } from '@/core/faults/neighbours';
import { DRAWS, probesOf, testBench, type TestBench } from '@/core/faults/predict';
import { rowOf, type FaultRow } from '@/core/faults/row';
import type { Probe } from '@/core/faults/probe';
import type { Meter } from '@/core/meter/meter';
import type { Project } from '@/core/project/project';
import type { Compute } from '../protocol';

/** A circuit that is checked: all that what is found hangs on. */
export interface Checked {
  readonly project: Project;
  readonly meter: Meter;
}

export interface FindQuestion extends Checked {
  readonly neighbours: Neighbours | null;
  readonly priors: Priors;
}

export const ownLights = ({ check }: Project) => ({ darkLux: check.darkLux, brightLux: check.brightLux });

/** Rows of a table, from one fault to before another. */
export interface RowsQuestion extends FindQuestion {
  readonly from: number;
  readonly to: number;
}

/** Solves some rows of a table beside whoever asks; `null` where it cannot. */
export type Helper = (question: RowsQuestion) => Promise<Rows | null>;
/** Shape: faults; `null` for what has no row. */
export type Rows = readonly (FaultRow | null)[];

/** A circuit to be found fault with, before any fault is solved. */
export interface Begun {
  readonly of: string;
  readonly bench: TestBench;
  readonly faults: readonly ListedFault[];
  readonly probes: readonly Probe[];
  readonly onInDark: boolean;
}

/** The table of one circuit. */
interface Made {
  readonly finder: Finder;
  readonly onInDark: boolean;
}

type OnProgress = (share: number) => void;

/** The last circuit is kept: the next question is mostly of the same. */
let begun: Begun | null = null;
let kept: { readonly of: string; readonly made: Promise<Made> } | null = null;
/** Who is told how far it is while it is made. */
let told = new Set<OnProgress>();

export function begin(question: FindQuestion): Begun | null {
  const { project, meter, neighbours, priors } = question;
  const { check } = project;
  // Neither its name nor what was measured or ticked off changes what its faults do.
  const circuit = { ...project, id: '', name: '', build: null, check: null };
  const of = JSON.stringify([circuit, check.darkLux, check.brightLux, meter, neighbours, priors]);
  if (begun?.of === of) return begun;
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const bench = testBench(project, analysis.design, meter, ownLights(project), DRAWS);
  const faults = faultsOf(bench.assembly, neighbours, priors);
  const onInDark = analysis.design.action === 'on-in-dark';
  begun = { of, bench, faults, probes: probesOf(bench, faults), onInDark };
  return begun;
}

/** The finder of a circuit; `null` where that has no operating point. @param helpers solve rows at the same time */
export async function finderFor(
  question: FindQuestion,
  onProgress: OnProgress,
  helpers: readonly Helper[],
): Promise<Made | null> {
  const start = begin(question);
  if (!start) return null;
  const { of, bench, faults, probes, onInDark } = start;
  if (kept?.of === of) {
    const { made } = kept;
    told.add(onProgress);
    return made.finally(() => told.delete(onProgress));
  }
  const listeners = new Set([onProgress]);
  told = listeners;
  const tell = (share: number) => listeners.forEach((each) => each(share));
  const made = sharedOut(start, question, tell, helpers).then((rows) => ({
    finder: finderFrom({ bench, faults, probes, rows }),
    onInDark,
  }));
  kept = { of, made };
  return made;
}

const rowsFrom = ({ bench, faults, probes }: Begun, from: number, to: number): Rows =>
  faults
    .slice(from, to)
    .map((listed) => (listed.fault.kind === 'unlisted' ? null : rowOf(bench, listed, probes)));

/** Of the whole work, with the first ranking, solving is so much. */
const SOLVED_SHARE = 0.85;
/** So many faults are solved between two words of how far it is. */
const CHUNK = 8;

/** All rows of a table: whoever is free takes the next few. */
async function sharedOut(
  start: Begun,
  question: FindQuestion,
  onProgress: OnProgress,
  helpers: readonly Helper[],
): Promise<Rows> {
  const count = start.faults.length;
  const rows = new Array<FaultRow | null>(count).fill(null);
  let [next, done] = [0, 0];
  const take = () => {
    const from = next;
    next = Math.min(count, next + CHUNK);
    return from < next ? { from, to: next } : null;
  };
  const keep = (from: number, solved: Rows) => {
    solved.forEach((row, at) => (rows[from + at] = row));
    done += solved.length;
    onProgress((SOLVED_SHARE * done) / count);
  };
  const helped = helpers.map(async (help) => {
    for (let part = take(); part; part = take()) {
      const solved = await help({ ...question, ...part }).catch(() => null);
      keep(part.from, solved ?? rowsFrom(start, part.from, part.to));
      // One that could not help is not asked again.
      if (!solved) return;
    }
  });
  for (let part = take(); part; part = take()) {
    keep(part.from, rowsFrom(start, part.from, part.to));
    if (helpers.length > 0) await turn();
  }
  await Promise.all(helped);
  return rows;
}

/** Lets what others have sent come in. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

/** A helper's share of a table. */
export const computeRows: Compute<RowsQuestion, Rows | null> = (question) => {
  const start = begin(question);
  return Promise.resolve(start && rowsFrom(start, question.from, question.to));
};

/** What is handed over with it. */
export const rowBuffers = (rows: Rows | null): Transferable[] =>
  (rows ?? []).flatMap((row) =>
    (row ?? []).flatMap(({ buffer }) => (buffer instanceof ArrayBuffer ? [buffer] : [])),
  );
