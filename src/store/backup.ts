import { strToU8, strFromU8, unzipSync, Zip, ZipDeflate } from 'fflate';
import { migrateSavedLdr } from '@/core/project/migrate';
import isEqual from 'fast-deep-equal/es6/index.js';
import { transistorField, type TransistorModel } from '@/core/drivers/registry';
import { logbookEntryField, type LogbookEntry } from '@/core/logbook/entry';
import { ownIcField, type OwnIc } from '@/core/parts/ownIc';
import { meterField, type Meter } from '@/core/meter/meter';
import { fileNameFor, FILE_VERSION, readProjectFile, type ReadProject } from '@/core/project/file';
import { levelField, type Level } from '@/core/readings/reading';
import { savedLdrField, type SavedLdr } from '@/core/readings/savedLdr';
import type { Ok, Refused } from '@/core/result';
import { checked, exactly, flag, idField, listOf, text, within, type Field } from '@/core/schema';
import { projectFileText } from './projects';
import { TAG_LIMITS, type ProjectStorage } from './storage';

/** The file in the ZIP that says what the others are. */
const CONTENTS = 'backup.json';
const BROWSER = 'browser.json';
const FORMAT = 'yemko-backup';
/** A ZIP that would unpack to more than this is refused unread. */
const MAX_UNPACKED = 2_000_000_000;

const entryField = exactly({
  file: text(200, 1),
  id: idField,
  changedAt: within({ min: 0, max: 1e14 }),
  tags: listOf(text(TAG_LIMITS.length, 1), { max: TAG_LIMITS.count }),
  isArchived: flag(),
});
const contentsField = exactly({
  format: text(40),
  version: within({ min: 1, max: 1e6 }),
  savedAt: text(40),
  projects: listOf(entryField, { max: 100_000 }),
});

/** A project of a backup, with its place in the list. */
export interface BackedUpProject extends ReadProject {
  readonly changedAt: number;
  readonly tags: readonly string[];
  readonly isArchived: boolean;
}

/** The records that are kept beside the projects. */
export interface BrowserRecords {
  readonly ldrs: readonly SavedLdr[];
  readonly meters: readonly Meter[];
  readonly levels: readonly Level[];
  readonly transistors: readonly TransistorModel[];
  readonly ics: readonly OwnIc[];
  readonly entries: readonly LogbookEntry[];
}

/** All that a backup holds and that can be read. */
export interface Backup {
  readonly savedAt: string;
  readonly projects: readonly BackedUpProject[];
  readonly records: BrowserRecords;
  /** What could not be read, and where in it. */
  readonly damaged: readonly { readonly file: string; readonly path: string }[];
}

export type BackupRefusal =
  | Refused<'too-large' | 'not-zip' | 'foreign'>
  | Refused<'newer', { version: number }>
  | Refused<'damaged', { path: string }>;

const recordFields: { readonly [K in keyof BrowserRecords]: Field<BrowserRecords[K][number]> } = {
  ldrs: savedLdrField,
  meters: meterField,
  levels: levelField,
  transistors: transistorField,
  ics: ownIcField,
  entries: logbookEntryField,
};
const kinds = ['ldrs', 'meters', 'levels', 'transistors', 'ics', 'entries'] as const;

/**
 * One ZIP of everything: a project file of each project with its time logs, and the records of this browser. Made piece by
 * piece, so that no more than one project is in memory as text.
 */
export async function makeBackup(
  storage: ProjectStorage,
  now: Date,
  onProgress: (share: number) => void,
): Promise<Blob> {
  const pieces: Uint8Array<ArrayBuffer>[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    pieces.push(new Uint8Array(piece));
  });
  const add = (name: string, content: string) => {
    const file = new ZipDeflate(name, { level: 5 });
    zip.add(file);
    file.push(strToU8(content), true);
  };
  const cards = (await storage.cards()).filter(({ deletedAt }) => deletedAt === null);
  const projects: unknown[] = [];
  for (const [index, { id, changedAt, tags, isArchived }] of cards.entries()) {
    const bundle = await storage.load(id);
    if (bundle) {
      const { project } = bundle.stored;
      const file = `projects/${id}-${fileNameFor({ name: String(project?.name) })}`;
      add(file, await projectFileText(storage, project, true, now));
      projects.push({ file, id, changedAt, tags, isArchived });
    }
    onProgress((index + 1) / (cards.length + 1));
  }
  const kept = new Set(cards.map(({ id }) => id));
  const [ldrs, meters, levels, transistors, ics, all] = await Promise.all([
    storage.ldrs.all(),
    storage.meters.all(),
    storage.levels.all(),
    storage.transistors.all(),
    storage.ics.all(),
    storage.entries.all(),
  ]);
  // The logbook of what lies in the bin stays with it.
  const entries = all.filter(({ projectId }) => kept.has(projectId));
  add(BROWSER, JSON.stringify({ ldrs, meters, levels, transistors, ics, entries }, null, 2));
  const contents = { format: FORMAT, version: FILE_VERSION, savedAt: now.toISOString(), projects };
  add(CONTENTS, JSON.stringify(contents, null, 2));
  zip.end();
  return new Blob(pieces, { type: 'application/zip' });
}

/** Reads a backup. A project in it that is damaged loses only itself. */
export async function readBackup(file: Blob): Promise<Ok<{ backup: Backup }> | BackupRefusal> {
  let files: ReadonlyMap<string, Uint8Array>;
  let unpacked = 0;
  try {
    const unzipped = unzipSync(new Uint8Array(await file.arrayBuffer()), {
      filter: ({ originalSize }) => (unpacked += originalSize) <= MAX_UNPACKED,
    });
    // Not by its keys: a file may be called as what every object has.
    files = new Map(Object.entries(unzipped));
  } catch {
    return { ok: false, reason: 'not-zip' };
  }
  if (unpacked > MAX_UNPACKED) return { ok: false, reason: 'too-large' };
  const found = parsed(files.get(CONTENTS));
  if (found === undefined) return { ok: false, reason: 'foreign' };
  const read = checked(contentsField, found, CONTENTS);
  if (!read.ok) return { ok: false, reason: 'damaged', path: read.path };
  const { format, version, savedAt, projects: entries } = read.value;
  if (format !== FORMAT) return { ok: false, reason: 'foreign' };
  if (version > FILE_VERSION) return { ok: false, reason: 'newer', version };
  const damaged: { file: string; path: string }[] = [];
  const projects: BackedUpProject[] = [];
  for (const { file: name, id, changedAt, tags, isArchived } of entries) {
    const bytes = files.get(name);
    const project = bytes && readProjectFile(strFromU8(bytes));
    if (!project?.ok || project.project.id !== id || projects.some((other) => other.project.id === id)) {
      const path = project && !project.ok && 'path' in project ? project.path : name;
      damaged.push({ file: name, path });
    } else projects.push({ project: project.project, logs: project.logs, changedAt, tags, isArchived });
  }
  const browser = parsed(files.get(BROWSER));
  const records = {
    ldrs: recordsIn('ldrs', browser, damaged, (record) => migrateSavedLdr(record, version)),
    meters: recordsIn('meters', browser, damaged),
    levels: recordsIn('levels', browser, damaged),
    transistors: recordsIn('transistors', browser, damaged),
    ics: recordsIn('ics', browser, damaged),
    entries: recordsIn('entries', browser, damaged),
  };
  return { ok: true, backup: { savedAt, projects, records, damaged } };
}

function parsed(bytes: Uint8Array | undefined): unknown {
  try {
    return bytes === undefined ? undefined : JSON.parse(strFromU8(bytes));
  } catch {
    return undefined;
  }
}

/** The sound records of one kind; those that are not go with what is damaged. */
function recordsIn<K extends keyof BrowserRecords>(
  kind: K,
  browser: unknown,
  damaged: { file: string; path: string }[],
  migrate: (record: unknown) => unknown = (record) => record,
): BrowserRecords[K] {
  const all: unknown =
    typeof browser === 'object' && browser !== null && Object.hasOwn(browser, kind)
      ? Reflect.get(browser, kind)
      : [];
  const sound: unknown[] = [];
  for (const [index, record] of (Array.isArray(all) ? all : []).entries()) {
    const found = checked<unknown>(recordFields[kind], migrate(record), 'record');
    if (found.ok) sound.push(found.value);
    else damaged.push({ file: BROWSER, path: `${kind}[${index}].${found.path}` });
  }
  // eslint-disable-next-line @typescript-eslint/no-unsafe-type-assertion -- each has just been checked by the schema of its kind
  return sound as unknown as BrowserRecords[K];
}

/** What restoring would do to a project: `binned`: it lies in the bin here. */
export type Standing = 'new' | 'newer' | 'older' | 'same' | 'binned';

export interface DryRun {
  readonly savedAt: string;
  readonly projects: readonly { readonly id: string; readonly name: string; readonly standing: Standing }[];
  /** Time logs that are not here, or shorter. */
  readonly newLogs: number;
  readonly newRecords: number;
  readonly otherRecords: number;
  /** Projects here that the backup does not have: restoring it whole puts them into the bin. */
  readonly onlyHere: readonly { readonly id: string; readonly name: string }[];
  readonly damaged: Backup['damaged'];
}

/** What a backup would change, without changing anything. */
export async function dryRun(storage: ProjectStorage, backup: Backup): Promise<DryRun> {
  const cards = new Map((await storage.cards()).map((card) => [card.id, card]));
  const logs = new Map((await storage.logs.all()).map((log) => [log.id, log]));
  const projects: DryRun['projects'][number][] = [];
  let newLogs = 0;
  for (const { project, changedAt, logs: own } of backup.projects) {
    const card = cards.get(project.id);
    projects.push({
      id: project.id,
      name: project.name,
      standing: await standingOf(storage, card, project, changedAt),
    });
    newLogs += own.filter(({ record }) => (logs.get(record.id)?.count ?? -1) < record.count).length;
  }
  let [newRecords, otherRecords] = [0, 0];
  for (const kind of kinds) {
    const here = new Map((await storage[kind].all()).map((record): [string, unknown] => [record.id, record]));
    for (const record of backup.records[kind]) {
      if (!here.has(record.id)) newRecords += 1;
      else if (!isEqual(here.get(record.id), record)) otherRecords += 1;
    }
  }
  const inBackup = new Set(backup.projects.map(({ project }) => project.id));
  const onlyHere = [...cards.values()]
    .filter(({ id, deletedAt }) => deletedAt === null && !inBackup.has(id))
    .map(({ id, summary }) => ({ id, name: summary?.name ?? id }));
  const { savedAt, damaged } = backup;
  return { savedAt, projects, newLogs, newRecords, otherRecords, onlyHere, damaged };
}

/** How a project of a backup stands to what is stored here. */
export async function standingOf(
  storage: ProjectStorage,
  card: { readonly deletedAt: number | null; readonly changedAt: number } | undefined,
  project: ReadProject['project'],
  changedAt: number,
): Promise<Standing> {
  if (!card) return 'new';
  if (card.deletedAt !== null) return 'binned';
  const stored = await storage.raw(project.id);
  if (isEqual(stored?.project, project)) return 'same';
  return changedAt > card.changedAt ? 'newer' : 'older';
}
