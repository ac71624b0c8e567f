import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import type { OwnIc } from '@/core/parts/ownIc';
import type { TransistorModel } from '@/core/drivers/registry';
import type { LogChunk, LogRecord } from '@/core/live/log';
import type { LogbookEntry } from '@/core/logbook/entry';
import type { Meter } from '@/core/meter/meter';
import { migrateProject, migrateSavedLdr, renameKeys } from '@/core/project/migrate';
import type { Level } from '@/core/readings/reading';
import type { SavedLdr } from '@/core/readings/savedLdr';
import type { HistoryEntry, ProjectCard, StoredProject } from './storage';

/** The newest version of the database that this program knows. */
export const DATABASE_VERSION = 14;

/** The browser's database. Versions are append-only. */
export class YemkoDatabase extends Dexie {
  projects!: EntityTable<StoredProject, 'id'>;
  cards!: EntityTable<ProjectCard, 'id'>;
  history!: Table<HistoryEntry, [string, number]>;
  settings!: EntityTable<{ key: string; value: unknown }, 'key'>;
  ldrs!: Table<SavedLdr, string>;
  meters!: Table<Meter, string>;
  levels!: Table<Level, string>;
  transistors!: Table<TransistorModel, string>;
  ics!: Table<OwnIc, string>;
  entries!: Table<LogbookEntry, string>;
  logs!: EntityTable<LogRecord, 'id'>;
  logChunks!: Table<LogChunk, [string, number]>;

  constructor(name = 'yemko') {
    super(name);
    this.version(1).stores({ projects: 'id, changedAt', history: '[projectId+seq]', settings: 'key' });
    this.version(2).upgrade((transaction) => migrateAll(transaction, 1, 2));
    this.version(3)
      .stores({
        ldrs: 'id',
        meters: 'id',
        levels: 'id',
        logs: 'id, projectId',
        logChunks: '[logId+seq]',
      })
      .upgrade((transaction) => migrateAll(transaction, 2, 3));
    this.version(4).upgrade((transaction) => migrateAll(transaction, 3, 4));
    this.version(5)
      .stores({ transistors: 'id' })
      .upgrade((transaction) => migrateAll(transaction, 4, 5));
    this.version(6).upgrade((transaction) => migrateAll(transaction, 5, 6));
    this.version(7).upgrade(async (transaction) => {
      await migrateAll(transaction, 6, 7);
      for (const table of ['ldrs', 'meters', 'levels', 'transistors'])
        await transaction
          .table(table)
          .toCollection()
          .modify((record: unknown, entry: { value: unknown }) => {
            entry.value = renameKeys(record);
          });
    });
    // Another tab brings a newer program, or clears everything: this one lets go and does not come back by itself.
    this.on('versionchange', () => {
      this.giveUp();
      return false;
    });
    // Projects of version 8 are those of version 7.
    this.version(8).stores({ cards: 'id' });
    this.version(9).upgrade(async (transaction) => {
      await migrateAll(transaction, 8, 9);
      await transaction
        .table('ldrs')
        .toCollection()
        .modify((record: unknown, entry: { value: unknown }) => {
          entry.value = migrateSavedLdr(record, 8);
        });
    });
    // Projects of version 10 may hold what an older program does not know.
    this.version(10).upgrade((transaction) => migrateAll(transaction, 9, 10));
    // Those of version 11 know how they are built.
    this.version(11).upgrade((transaction) => migrateAll(transaction, 10, 11));
    // Those of version 12 know what was measured of them, and there is a logbook.
    this.version(12)
      .stores({ entries: 'id, projectId' })
      .upgrade((transaction) => migrateAll(transaction, 11, 12));
    // Those of version 13 know where they go, and there is a shelf of own ICs.
    this.version(13)
      .stores({ ics: 'id' })
      .upgrade((transaction) => migrateAll(transaction, 12, 13));
    // In those of version 14 a window and a ladder may have a band at each edge.
    this.version(DATABASE_VERSION).upgrade((transaction) => migrateAll(transaction, 13, 14));
  }

  /** Whether another tab has taken it over: nothing is written any more. */
  isOvertaken = false;

  /** Lets another tab change the database, and writes nothing from now on. */
  giveUp(): void {
    this.isOvertaken = true;
    this.close({ disableAutoOpen: true });
  }

  /** Whether a newer program has made the database into one that this one must not touch. */
  get isNewer(): boolean {
    // IndexedDB counts tenfold.
    return this.isOpen() && this.backendDB().version > DATABASE_VERSION * 10;
  }
}

/** Brings every stored project and every entry of its history from one version to the next. */
async function migrateAll(transaction: Transaction, from: number, to: number): Promise<void> {
  const upgrade = (entry: { project: unknown }) => {
    entry.project = migrateProject(entry.project, from, to);
  };
  await transaction.table('projects').toCollection().modify(upgrade);
  await transaction.table('history').toCollection().modify(upgrade);
}
