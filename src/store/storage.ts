import type { LogRecord, LogChunk } from '@/core/live/log';
import type { Meter } from '@/core/meter/meter';
import type { Project } from '@/core/project/project';
import type { SavedLdr } from '@/core/readings/savedLdr';
import type { Level } from '@/core/readings/reading';
import type { Field } from '@/core/schema';
import type { TransistorModel } from '@/core/drivers/registry';

/** A project as it is kept, with its place in its own history. */
export interface StoredProject {
  readonly id: string;
  readonly project: Project;
  /** Milliseconds since 1970 of the last change. */
  readonly changedAt: number;
  /** Grows by one with every write; tells another tab's change from one's own. */
  readonly revision: number;
  /** Which entry of the history is the present one. */
  readonly cursor: number;
}

/** One state of a project in its undo history. */
export interface HistoryEntry {
  readonly projectId: string;
  readonly seq: number;
  readonly project: Project;
}

/** A project with all its history: what deleting takes away and undo brings back. */
export interface ProjectBundle {
  readonly stored: StoredProject;
  readonly history: readonly HistoryEntry[];
}

/** What a write changes: the present state, the history entries that are new, and from where older redo is cut. */
export interface ProjectWrite {
  /** The revision that it was made from: where the stored one is another, nothing is written. */
  readonly base: number;
  readonly stored: StoredProject;
  readonly entries: readonly HistoryEntry[];
  /** Entries after this one and before the oldest kept one are removed. */
  readonly lastSeq: number;
  readonly firstSeq: number;
}

/** `invalid`: not what its schema takes; `full`: no room; `refused`: the browser stores nothing; `gone`: it has been deleted meanwhile. */
export type WriteOutcome = 'saved' | 'refused' | 'full' | 'invalid' | 'gone';

/** Something stored that cannot be read, as it is. */
export interface DamagedRecord {
  readonly id: string;
  readonly what: string;
  readonly record: unknown;
  /** Deletes it. */
  readonly forget: () => Promise<WriteOutcome>;
}

/** Records that belong to no project, each under its id: own meters, light levels, measured LDRs, own transistors. */
export interface RecordTable<T extends { readonly id: string }> {
  all(): Promise<readonly T[]>;
  put(record: T): Promise<WriteOutcome>;
  remove(id: string): Promise<WriteOutcome>;
  /** Calls back now and on every change, from this tab or another; returns how to stop. */
  watch(onChange: (records: readonly T[]) => void): () => void;
}

/** Time logs: what is told of each, and its points in chunks. */
export interface LogStorage {
  list(projectId: string): Promise<readonly LogRecord[]>;
  /** All its points, in order. */
  chunks(logId: string): Promise<readonly LogChunk[]>;
  /** Stores the log's record with the chunks that are new or have grown, in one transaction. */
  write(record: LogRecord, chunks: readonly LogChunk[]): Promise<WriteOutcome>;
  remove(id: string): Promise<WriteOutcome>;
  /** Drops the logs of projects that are gone for good. */
  keepOnly(projectIds: readonly string[]): Promise<void>;
}

/** Where projects are kept. One implementation in the browser's database, one in memory for when that is refused. */
export interface ProjectStorage {
  readonly kept: 'browser' | 'memory';
  readonly ldrs: RecordTable<SavedLdr>;
  readonly meters: RecordTable<Meter>;
  readonly levels: RecordTable<Level>;
  /** The shelf of own transistors. */
  readonly transistors: RecordTable<TransistorModel>;
  readonly logs: LogStorage;
  list(): Promise<readonly StoredProject[]>;
  load(id: string): Promise<ProjectBundle | null>;
  /** `stale`: another tab has written since; what it wrote stands, and nothing of this. */
  write(change: ProjectWrite): Promise<WriteOutcome | 'stale'>;
  /** Adds whole projects in one transaction: all of them or none. */
  add(bundles: readonly ProjectBundle[]): Promise<WriteOutcome>;
  /** Puts back what was deleted. */
  restore(bundle: ProjectBundle): Promise<WriteOutcome>;
  /** What is stored and cannot be read. */
  damaged(): Promise<readonly DamagedRecord[]>;
  remove(id: string): Promise<WriteOutcome>;
  /** Calls back on every change of the stored projects, from this tab or another; returns how to stop. */
  watch(onChange: () => void): () => void;
  /** A setting by name, where it is what its schema takes. */
  setting<T>(key: string, field: Field<T>): Promise<T | null>;
  saveSetting(key: string, value: unknown): Promise<WriteOutcome>;
}

/** A new project's bundle: one entry of history, itself. */
export function freshBundle(project: Project, changedAt: number): ProjectBundle {
  return {
    stored: { id: project.id, project, changedAt, revision: 1, cursor: 0 },
    history: [{ projectId: project.id, seq: 0, project }],
  };
}
