import type { Edit } from '@/core/project/edits';
import { readProjectFile, type ImportRefusal } from '@/core/project/file';
import { LIMITS, type Project } from '@/core/project/project';
import { openSession } from './session';
import { freshBundle, type ProjectBundle, type ProjectStorage, type WriteOutcome } from './storage';

/** A name that none of the others has: `Hall lamp`, `Hall lamp 2`, `Hall lamp 3` … */
export function freeName(wanted: string, taken: readonly string[]): string {
  const stem = wanted.slice(0, LIMITS.nameLength - 5);
  if (!taken.includes(stem)) return stem;
  for (let number = 2; ; number++) {
    const name = `${stem} ${number}`;
    if (!taken.includes(name)) return name;
  }
}

/** Stores a new project under a free name. */
export async function addProject(storage: ProjectStorage, project: Project): Promise<WriteOutcome> {
  const taken = (await storage.list()).map((stored) => stored.project?.name);
  return storage.add([freshBundle({ ...project, name: freeName(project.name, taken) }, Date.now())]);
}

/** Applies one edit to a stored project, as a step of its own history. */
export async function editStored(storage: ProjectStorage, id: string, edit: Edit): Promise<WriteOutcome> {
  const bundle = await storage.load(id);
  if (!bundle) return 'saved';
  const session = openSession(bundle, storage, Date.now);
  session.apply(edit);
  await session.settled();
  const { saving } = session.store.getState();
  return saving === 'saving' ? 'refused' : saving;
}

/** Takes a project away, history and all, and returns it so that it can be brought back. */
export async function removeProject(storage: ProjectStorage, id: string): Promise<ProjectBundle | null> {
  const bundle = await storage.load(id);
  if (!bundle) return null;
  return (await storage.remove(id)) === 'saved' ? bundle : null;
}

export type ImportOutcome =
  | { readonly ok: true; readonly id: string }
  | ImportRefusal
  | { readonly ok: false; readonly reason: 'not-stored'; readonly outcome: Exclude<WriteOutcome, 'saved'> };

/** Adds the project in a file under a new identity: whole, or not at all. */
export async function importProject(
  storage: ProjectStorage,
  text: string,
  id: string,
): Promise<ImportOutcome> {
  const read = readProjectFile(text, id);
  if (!read.ok) return read;
  const outcome = await addProject(storage, read.project);
  return outcome === 'saved' ? { ok: true, id } : { ok: false, reason: 'not-stored', outcome };
}
