import { summaryOf, type ProjectSummary } from '@/core/analyse/projectSummary';
import type { LogRecord, LogChunk } from '@/core/live/log';
import type { LogbookEntry } from '@/core/logbook/entry';
import type { OwnIc } from '@/core/parts/ownIc';
import type { Meter } from '@/core/meter/meter';
import { checkProject, type Project } from '@/core/project/project';
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

/** What the list shows of a project, and where in the list it stands. */
export interface ProjectCard {
  readonly id: string;
  readonly changedAt: number;
  readonly revision: number;
  /** `null` where what is stored cannot be read. */
  readonly summary: ProjectSummary | null;
  readonly tags: readonly string[];
  readonly isArchived: boolean;
  /** When it went into the bin, in milliseconds since 1970; `null` where it is in use. */
  readonly deletedAt: number | null;
  /** A card of another {@link CARD_SHAPE} is made anew. */
  readonly shape: number;
}

/** Grows when a summary holds something else. */
export const CARD_SHAPE = 2;

/** Where a card stands: all of it that does not follow from the project. */
export type CardLabel = Pick<ProjectCard, 'tags' | 'isArchived' | 'deletedAt'>;

/** What tags may be. */
export const TAG_LIMITS = { length: 24, count: 12 } as const;

/** A project with all its history. */
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

/**
 * `invalid`: not what its schema takes; `full`: no room; `refused`: the browser stores nothing; `gone`: it has been deleted
 * meanwhile; `newer`: a newer Yemko has taken the database over.
 */
export type WriteOutcome = 'saved' | 'refused' | 'full' | 'invalid' | 'gone' | 'newer';

/** Something stored that cannot be read, as it is. */
export interface DamagedRecord {
  readonly id: string;
  readonly what: string;
  readonly record: unknown;
  /** Deletes it. */
  readonly forget: () => Promise<WriteOutcome>;
}

/** Records that belong to no project, each under its id: own meters, light levels, measured LDRs, own transistors and ICs. */
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
  /** Stores a log's record with chunks of its points, in one transaction. */
  write(record: LogRecord, chunks: readonly LogChunk[]): Promise<WriteOutcome>;
  /** Changes part of a log that is stored, and adds or lengthens chunks; `gone` where it has been deleted: it does not come back. */
  extend(
    id: string,
    part: Partial<Omit<LogRecord, 'id' | 'projectId'>>,
    chunks: readonly LogChunk[],
  ): Promise<WriteOutcome>;
  remove(id: string): Promise<WriteOutcome>;
  /** Calls back with the project's logs now and on every change, from this tab or another; returns how to stop. */
  watch(projectId: string, onChange: (logs: readonly LogRecord[]) => void): () => void;
  /** What is known of every log, of any project. */
  all(): Promise<readonly LogRecord[]>;
}

/** Where projects are kept. One implementation in the browser's database, one in memory for when that is refused. */
export interface ProjectStorage {
  readonly kept: 'browser' | 'memory';
  readonly ldrs: RecordTable<SavedLdr>;
  readonly meters: RecordTable<Meter>;
  readonly levels: RecordTable<Level>;
  /** The shelf of own transistors. */
  readonly transistors: RecordTable<TransistorModel>;
  /** The shelf of own comparators, op-amps and timers. */
  readonly ics: RecordTable<OwnIc>;
  /** The logbooks of all projects. */
  readonly entries: RecordTable<LogbookEntry>;
  readonly logs: LogStorage;
  /** A card of each project, newest first; of those in the bin too. */
  cards(): Promise<readonly ProjectCard[]>;
  /** A project that is not in the bin. */
  load(id: string): Promise<ProjectBundle | null>;
  /** What is stored under an id, as it is, in the bin or not, sound or not. */
  raw(id: string): Promise<StoredProject | null>;
  /** `stale`: another tab has written since; what it wrote stands, and nothing of this. */
  write(change: ProjectWrite): Promise<WriteOutcome | 'stale'>;
  /** Adds whole projects in one transaction: all of them or none. */
  add(bundles: readonly ProjectBundle[]): Promise<WriteOutcome>;
  /** Puts projects elsewhere in the list: into the bin, out of it, away, under tags. All of them or none. */
  label(ids: readonly string[], change: Partial<CardLabel>): Promise<WriteOutcome>;
  /** Deletes projects for good, with their history, logbook and time logs. */
  purge(ids: readonly string[]): Promise<WriteOutcome>;
  /** What is stored and cannot be read. */
  damaged(): Promise<readonly DamagedRecord[]>;
  /**
   * Calls back now and on every change of the list, from this tab or another; returns how to stop.
   * @param onTrouble called where the list cannot be read
   */
  watch(onChange: (cards: readonly ProjectCard[]) => void, onTrouble?: () => void): () => void;
  /** Calls back when one project changes, is deleted or comes back; returns how to stop. */
  watchOne(id: string, onChange: () => void): () => void;
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

const NEW_LABEL: CardLabel = { tags: [], isArchived: false, deletedAt: null };

/** The card of a project as it stands; where it was in the list, it stays. */
export function cardOf(
  { id, project, changedAt, revision }: StoredProject,
  label: CardLabel | undefined = NEW_LABEL,
): ProjectCard {
  const checked = checkProject(project);
  const { tags, isArchived, deletedAt } = label;
  const summary = checked.ok ? summaryOf(checked.project) : null;
  return { id, changedAt, revision, summary, tags, isArchived, deletedAt, shape: CARD_SHAPE };
}

export const newestFirst = (cards: readonly ProjectCard[]) =>
  [...cards].sort((one, other) => other.changedAt - one.changedAt);
