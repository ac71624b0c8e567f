import { MAX_FILE_CHARACTERS } from '@/core/project/file';
import type { Project } from '@/core/project/project';
import { dryRun, makeBackup, readBackup, type BackupRefusal, type DryRun } from './backup';
import { importProject, projectFileText, type ImportOutcome, type NewId } from './projects';
import { restoreBackup, type Restored, type RestoreMode } from './restore';
import { sizesOf, type Sizes } from './sizes';
import type { ProjectStorage } from './storage';

/** Work on files that may be large: done beside the page where the browser's database can be reached from there. */
export type FileWork =
  | { readonly kind: 'export'; readonly project: Project; readonly withLogs: boolean }
  | { readonly kind: 'import'; readonly file: Blob }
  | { readonly kind: 'backup' }
  | { readonly kind: 'look'; readonly file: Blob }
  | { readonly kind: 'restore'; readonly file: Blob; readonly mode: RestoreMode }
  | { readonly kind: 'sizes' };

export type FileResult =
  | { readonly kind: 'export' | 'backup'; readonly file: Blob }
  | { readonly kind: 'import'; readonly outcome: ImportOutcome }
  | { readonly kind: 'look'; readonly run: DryRun }
  | { readonly kind: 'restore'; readonly restored: Restored }
  | { readonly kind: 'sizes'; readonly sizes: Sizes }
  | { readonly kind: 'refused'; readonly refusal: BackupRefusal };

export async function workOnFiles(
  storage: ProjectStorage,
  work: FileWork,
  newId: NewId,
  onProgress: (share: number) => void,
): Promise<FileResult> {
  const now = new Date();
  switch (work.kind) {
    case 'export': {
      const text = await projectFileText(storage, work.project, work.withLogs, now);
      return { kind: 'export', file: new Blob([text], { type: 'application/json' }) };
    }
    case 'import': {
      // Bytes, at least as many as characters; past this the file need not be read to be refused.
      if (work.file.size > MAX_FILE_CHARACTERS * 3)
        return { kind: 'import', outcome: { ok: false, reason: 'too-large' } };
      return { kind: 'import', outcome: await importProject(storage, await work.file.text(), newId) };
    }
    case 'backup':
      return { kind: 'backup', file: await makeBackup(storage, now, onProgress) };
    case 'look':
    case 'restore': {
      const read = await readBackup(work.file);
      if (!read.ok) return { kind: 'refused', refusal: read };
      if (work.kind === 'look') return { kind: 'look', run: await dryRun(storage, read.backup) };
      const restored = await restoreBackup(storage, read.backup, work.mode, now.getTime(), onProgress);
      return { kind: 'restore', restored };
    }
    case 'sizes':
      return { kind: 'sizes', sizes: await sizesOf(storage) };
  }
}
