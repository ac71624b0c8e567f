import { fileNameFor, writeProjectFile } from '@/core/project/file';
import type { Project } from '@/core/project/project';
import { download } from './download';

/** Saves a project as its file. */
export function exportProject(project: Project): void {
  download(fileNameFor(project), writeProjectFile(project, new Date().toISOString()), 'application/json');
}
