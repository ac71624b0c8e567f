import { unfileLog, type FiledLog, type WholeLog } from '../live/logFile';
import type { Ok, Refused } from '../result';
import { isTooDeep } from '../schema';
import { migrateProject, PROJECT_VERSION } from './migrate';
import { checkProject, type Project } from './project';

/** The word that tells a Yemko project file from any other JSON. */
export const FILE_FORMAT = 'yemko-project';
/** The newest version this program writes and reads. */
export const FILE_VERSION = PROJECT_VERSION;
/** Larger files are refused unread: one of a project with several days of time logs fits. */
export const MAX_FILE_CHARACTERS = 200_000_000;

/** What stands in an exported file. */
export interface ProjectFile {
  readonly format: typeof FILE_FORMAT;
  readonly version: number;
  readonly savedAt: string;
  readonly project: Project;
  /** Its time logs; left out where there are none, or none are wanted. */
  readonly logs?: readonly FiledLog[];
}

export type ImportRefusal =
  | Refused<'too-large' | 'not-json' | 'foreign'>
  | Refused<'newer', { version: number }>
  | Refused<'damaged', { path: string }>;

/** What a file holds: a project with its time logs. */
export interface ReadProject {
  readonly project: Project;
  readonly logs: readonly WholeLog[];
}

/** The text of a project file. @param savedAt ISO 8601 */
export function writeProjectFile(project: Project, savedAt: string, logs: readonly FiledLog[] = []): string {
  const file: ProjectFile = { format: FILE_FORMAT, version: FILE_VERSION, savedAt, project };
  const text = JSON.stringify(file, null, 2);
  if (logs.length === 0) return `${text}\n`;
  // Points stand on one line: there are many of them.
  return `${text.slice(0, -2)},\n  "logs": [\n${logs.map((log) => JSON.stringify(log)).join(',\n')}\n  ]\n}\n`;
}

/** Reads a project file: the whole of it is valid, or nothing is taken. */
export function readProjectFile(text: string): Ok<ReadProject> | ImportRefusal {
  const file = parseFile(text);
  if (!file.ok) return file;
  const { version, value } = file;
  const keys = ['format', 'version', 'savedAt', 'project', 'logs'];
  const stray = Object.keys(value).find((key) => !keys.includes(key));
  if (stray !== undefined) return { ok: false, reason: 'damaged', path: stray.slice(0, 60) };
  if (isTooDeep(value.project)) return { ok: false, reason: 'damaged', path: 'project' };
  const checked = checkProject(migrateProject(value.project, version));
  if (!checked.ok) return checked;
  const { project } = checked;
  const logs = readLogs(value.logs, project.id);
  return logs.ok ? { ok: true, project, logs: logs.logs } : logs;
}

function readLogs(
  value: unknown,
  projectId: string,
): Ok<Pick<ReadProject, 'logs'>> | Refused<'damaged', { path: string }> {
  if (value === undefined) return { ok: true, logs: [] };
  if (!Array.isArray(value)) return { ok: false, reason: 'damaged', path: 'logs' };
  const logs: WholeLog[] = [];
  for (const [index, filed] of value.entries()) {
    const read = unfileLog(filed, projectId);
    if (!read.ok) return { ...read, path: `logs[${index}].${read.path}` };
    logs.push(read.log);
  }
  return { ok: true, logs };
}

/** What every file of ours begins with. */
function parseFile(text: string): Ok<{ version: number; value: Record<string, unknown> }> | ImportRefusal {
  if (text.length > MAX_FILE_CHARACTERS) return { ok: false, reason: 'too-large' };
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { ok: false, reason: 'not-json' };
  }
  if (!isRecord(value) || value.format !== FILE_FORMAT) return { ok: false, reason: 'foreign' };
  const { version } = value;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { ok: false, reason: 'damaged', path: 'version' };
  if (version > FILE_VERSION) return { ok: false, reason: 'newer', version };
  return { ok: true, version, value };
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A file name from a project's name: letters, digits and dashes only. */
export function fileNameFor({ name }: Pick<Project, 'name'>): string {
  const stem = name
    .normalize('NFKD')
    .replaceAll(/[^A-Za-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60);
  return `${stem || 'project'}.yemko.json`;
}
