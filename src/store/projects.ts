import { LogSeries } from '@/core/live/log';
import { copyOfLog, fileLog, type WholeLog } from '@/core/live/logFile';
import { copyOf, freeName } from '@/core/project/copy';
import type { Edit } from '@/core/project/edits';
import { readProjectFile, writeProjectFile, type ImportRefusal, type ReadProject } from '@/core/project/file';
import type { Project } from '@/core/project/project';
import { openSession } from './session';
import { freshBundle, type ProjectStorage, type WriteOutcome } from './storage';

/** Gives a fresh id at each call. */
export type NewId = () => string;

/** Stores a new project under a free name, with its time logs: all of it or nothing. */
export async function addProject(
  storage: ProjectStorage,
  project: Project,
  logs: readonly WholeLog[] = [],
): Promise<WriteOutcome> {
  const taken = (await storage.cards()).flatMap(({ summary, deletedAt }) =>
    summary && deletedAt === null ? [summary.name] : [],
  );
  const named = { ...project, name: freeName(project.name, taken) };
  const outcome = await storage.add([freshBundle(named, Date.now())]);
  if (outcome !== 'saved') return outcome;
  for (const log of logs) {
    const written = await writeLog(storage, log);
    if (written === 'saved') continue;
    await storage.purge([project.id]);
    return written;
  }
  return 'saved';
}

/** Stores a project under its own id and name, as it was changed last. */
export function addProjectAs(
  storage: ProjectStorage,
  project: Project,
  changedAt: number,
): Promise<WriteOutcome> {
  return storage.add([freshBundle(project, changedAt)]);
}

/** Stores a time log with all its points. */
export function writeLog(
  { logs }: Pick<ProjectStorage, 'logs'>,
  { record, points }: WholeLog,
): Promise<WriteOutcome> {
  return logs.write(record, LogSeries.ofArrays(points).chunksFrom(record.id, 0));
}

/** The time logs of a project, points and all. */
export async function wholeLogs(
  { logs }: Pick<ProjectStorage, 'logs'>,
  projectId: string,
): Promise<readonly WholeLog[]> {
  const whole: WholeLog[] = [];
  for (const record of await logs.list(projectId)) {
    const { at, ohms, above, length } = LogSeries.of(await logs.chunks(record.id));
    whole.push({ record: { ...record, count: length }, points: { at, ohms, above } });
  }
  return whole;
}

/** A copy of a project, time logs and all, under fresh ids. */
export async function addCopy(
  storage: ProjectStorage,
  { project, logs }: ReadProject,
  newId: NewId,
): Promise<{ readonly outcome: WriteOutcome; readonly id: string }> {
  const copy = copyOf(project, newId);
  const copies = logs.map((log) => copyOfLog(log, copy.id, newId));
  return { outcome: await addProject(storage, copy, copies), id: copy.id };
}

/** Duplicates a stored project. */
export async function duplicateProject(
  storage: ProjectStorage,
  id: string,
  newId: NewId,
): Promise<WriteOutcome> {
  const bundle = await storage.load(id);
  if (!bundle) return 'gone';
  const { project } = bundle.stored;
  const copy = { project: { ...project, name: `${project.name} copy` }, logs: await wholeLogs(storage, id) };
  return (await addCopy(storage, copy, newId)).outcome;
}

/** Applies one edit to a stored project, as a step of its own history. */
export async function editStored(storage: ProjectStorage, id: string, edit: Edit): Promise<WriteOutcome> {
  const bundle = await storage.load(id);
  if (!bundle) return 'gone';
  const session = openSession(bundle, storage, Date.now);
  session.apply(edit);
  await session.settled();
  const { saving } = session.store.getState();
  return saving === 'saving' ? 'refused' : saving;
}

/** The text of a project's file, with its time logs where they are wanted. */
export async function projectFileText(
  storage: ProjectStorage,
  project: Project,
  withLogs: boolean,
  now: Date,
): Promise<string> {
  const logs = withLogs ? await wholeLogs(storage, project.id) : [];
  return writeProjectFile(project, now.toISOString(), logs.map(fileLog));
}

export type ImportOutcome =
  | { readonly ok: true; readonly id: string }
  | ImportRefusal
  | { readonly ok: false; readonly reason: 'not-stored'; readonly outcome: Exclude<WriteOutcome, 'saved'> };

/** Adds the project in a file under a new identity: whole, or not at all. */
export async function importProject(
  storage: ProjectStorage,
  text: string,
  newId: NewId,
): Promise<ImportOutcome> {
  const read = readProjectFile(text);
  if (!read.ok) return read;
  const { outcome, id } = await addCopy(storage, read, newId);
  return outcome === 'saved' ? { ok: true, id } : { ok: false, reason: 'not-stored', outcome };
}

/** A project in the bin is deleted for good after this long. */
export const BIN_MILLISECONDS = 30 * 86_400_000;

/** Empties the bin of what has lain in it for long. */
export async function sweepBin(storage: ProjectStorage, now: number): Promise<void> {
  const old = (await storage.cards()).filter(
    ({ deletedAt }) => deletedAt !== null && now - deletedAt > BIN_MILLISECONDS,
  );
  if (old.length > 0) await storage.purge(old.map(({ id }) => id));
}
