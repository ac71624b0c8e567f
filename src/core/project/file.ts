import type { Ok, Refused } from '../result';
import { migrateProject, PROJECT_VERSION } from './migrate';
import { checkProject, type Project } from './project';

/** The word that tells a Yemko project file from any other JSON. */
export const FILE_FORMAT = 'yemko-project';
/** The newest version this program writes and reads. */
export const FILE_VERSION = PROJECT_VERSION;
/** Larger files are refused unread. */
export const MAX_FILE_CHARACTERS = 2_000_000;

/** What stands in an exported file. */
export interface ProjectFile {
  readonly format: typeof FILE_FORMAT;
  readonly version: number;
  readonly savedAt: string;
  readonly project: Project;
}

export type ImportRefusal =
  | Refused<'too-large' | 'not-json' | 'foreign'>
  | Refused<'newer', { version: number }>
  | Refused<'damaged', { path: string }>;

/** The text of a project file. @param savedAt ISO 8601 */
export function writeProjectFile(project: Project, savedAt: string): string {
  const file: ProjectFile = { format: FILE_FORMAT, version: FILE_VERSION, savedAt, project };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/**
 * Reads a project file: the whole of it is valid, or nothing is taken.
 * @param id the identity that the imported project gets, so that it never overwrites one that is stored
 */
export function readProjectFile(text: string, id: string): Ok<{ project: Project }> | ImportRefusal {
  if (text.length > MAX_FILE_CHARACTERS) return { ok: false, reason: 'too-large' };
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { ok: false, reason: 'not-json' };
  }
  if (!isRecord(value) || value.format !== FILE_FORMAT) return { ok: false, reason: 'foreign' };
  if (typeof value.version !== 'number' || !Number.isInteger(value.version) || value.version < 1) {
    return { ok: false, reason: 'damaged', path: 'version' };
  }
  if (value.version > FILE_VERSION) return { ok: false, reason: 'newer', version: value.version };
  const stray = Object.keys(value).find((key) => !['format', 'version', 'savedAt', 'project'].includes(key));
  if (stray !== undefined) return { ok: false, reason: 'damaged', path: stray.slice(0, 60) };
  const checked = checkProject(migrateProject(value.project, value.version));
  if (!checked.ok) return checked;
  return { ok: true, project: { ...checked.project, id } };
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A file name from a project's name: letters, digits and dashes only. */
export function fileNameFor(project: Project): string {
  const stem = project.name
    .normalize('NFKD')
    .replaceAll(/[^A-Za-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60);
  return `${stem || 'project'}.yemko.json`;
}
