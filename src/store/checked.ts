import { transistorField } from '@/core/drivers/registry';
import { logPartField, logRecordField, type LogChunk, type LogRecord } from '@/core/live/log';
import { logbookEntryField } from '@/core/logbook/entry';
import { meterField } from '@/core/meter/meter';
import { ownIcField } from '@/core/parts/ownIc';
import { checkProject } from '@/core/project/project';
import { levelField } from '@/core/readings/reading';
import { savedLdrField } from '@/core/readings/savedLdr';
import { checked, type Field } from '@/core/schema';
import type {
  DamagedRecord,
  HistoryEntry,
  LogStorage,
  ProjectBundle,
  ProjectStorage,
  RecordTable,
  StoredProject,
} from './storage';

/**
 * A storage that takes nothing, and gives nothing, that its schemas do not. A record that is damaged loses only itself: it is left
 * as it is and told by {@link ProjectStorage.damaged}.
 */
export function checkedStorage(storage: ProjectStorage): ProjectStorage {
  const tables = {
    ldrs: checkedTable('saved LDR', storage.ldrs, savedLdrField),
    meters: checkedTable('meter', storage.meters, meterField),
    levels: checkedTable('light level', storage.levels, levelField),
    transistors: checkedTable('custom part', storage.transistors, transistorField),
    ics: checkedTable('custom part', storage.ics, ownIcField),
    entries: checkedTable('logbook entry', storage.entries, logbookEntryField),
  };
  return {
    ...storage,
    ...tables,
    logs: checkedLogs(storage.logs),
    load: async (id) => {
      const bundle = await storage.load(id);
      return bundle && withoutDamage(bundle);
    },
    write: async (change) => {
      const isSound = [change.stored, ...change.entries].every(holdsProject);
      return isSound ? storage.write(change) : 'invalid';
    },
    add: async (bundles) => {
      const isSound = bundles.every(({ stored, history }) => [stored, ...history].every(holdsProject));
      return isSound ? storage.add(bundles) : 'invalid';
    },
    damaged: async () => {
      const kept = await Promise.all(Object.values(tables).map((table) => table.damaged()));
      return kept.flat();
    },
  };
}

const holdsProject = ({ project }: Pick<StoredProject, 'project'>) => checkProject(project).ok;

/** The history without what cannot be read: of the states on either side of the present one those up to the first damage. */
function withoutDamage({ stored, history }: ProjectBundle): ProjectBundle {
  const at = history.findIndex(({ seq }) => seq === stored.cursor);
  const isDamaged = (entry: HistoryEntry) => !holdsProject(entry);
  const before = history.slice(0, Math.max(0, at));
  const from = before.findLastIndex(isDamaged) + 1;
  const after = history.slice(at + 1);
  const upTo = after.findIndex(isDamaged);
  const present = history.slice(Math.max(0, at), at + 1).filter((entry) => !isDamaged(entry));
  const kept = [...before.slice(from), ...present, ...(upTo < 0 ? after : after.slice(0, upTo))];
  return { stored, history: present.length > 0 ? kept : [] };
}

interface CheckedTable<T extends { readonly id: string }> extends RecordTable<T> {
  damaged(): Promise<readonly DamagedRecord[]>;
}

function checkedTable<T extends { readonly id: string }>(
  what: string,
  table: RecordTable<T>,
  field: Field<T>,
): CheckedTable<T> {
  const isSound = (record: T) => checked(field, record, what).ok;
  return {
    ...table,
    all: async () => (await table.all()).filter(isSound),
    put: async (record) => (isSound(record) ? table.put(record) : 'invalid'),
    watch: (onChange) => table.watch((records) => onChange(records.filter(isSound))),
    damaged: async () =>
      (await table.all())
        .filter((record) => !isSound(record))
        .map((record) => ({
          id: String(record.id),
          what,
          record,
          forget: () => table.remove(record.id),
        })),
  };
}

function checkedLogs(logs: LogStorage): LogStorage {
  const isWhole = ({ at, ohms, above }: LogChunk) =>
    at instanceof Float64Array && ohms?.length === at.length && above?.length === at.length;
  const isSoundRecord = (record: LogRecord) => checked(logRecordField, record, 'log').ok;
  return {
    ...logs,
    list: async (projectId) => (await logs.list(projectId)).filter(isSoundRecord),
    chunks: async (logId) => (await logs.chunks(logId)).filter(isWhole),
    write: async (record, chunks) => {
      const isSound = checked(logRecordField, record, 'log').ok && chunks.every(isWhole);
      return isSound ? logs.write(record, chunks) : 'invalid';
    },
    extend: async (id, part, chunks) => {
      const isSound = checked(logPartField, part, 'log').ok && chunks.every(isWhole);
      return isSound ? logs.extend(id, part, chunks) : 'invalid';
    },
    all: async () => (await logs.all()).filter(isSoundRecord),
    watch: (projectId, onChange) => logs.watch(projectId, (found) => onChange(found.filter(isSoundRecord))),
  };
}
