import { nanoid } from 'nanoid';
import { useCallback, useMemo, useState } from 'react';
import type { Design } from '@/core/design';
import { LOGBOOK_LIMITS, type LogbookEntry } from '@/core/logbook/entry';
import type { Project } from '@/core/project/project';
import { openStorage } from '@/store/openStorage';
import type { WriteOutcome } from '@/store/storage';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useProject } from '@/ui/workbench/context';
import { valueOfPart } from '@/ui/words/nets';

/** A project's entries, newest first. @param projectId `null` for those of all projects */
export function useEntries(projectId: string | null): readonly LogbookEntry[] {
  const all = useRecords(tables.entries);
  return useMemo(
    () =>
      [...(all ?? [])]
        .filter((entry) => projectId === null || entry.projectId === projectId)
        .sort((one, other) => other.at - one.at),
    [all, projectId],
  );
}

/** The values of a design, as an entry keeps them: what changed between two entries is told by them. */
export function valuesOf(project: Project, design: Design): readonly string[] {
  const parts = design.assembly.parts.flatMap((part) => {
    const value = valueOfPart(part).replaceAll('\u00a0', ' ');
    return value === '' ? [] : [`${part.designator}=${value}`];
  });
  return [
    ...parts,
    `supply=${project.divider.supplyVolts} V`,
    `LDR=${project.divider.ldrSide}`,
    `switched by=${project.detector.kind}`,
  ]
    .filter((value) => value.length <= LOGBOOK_LIMITS.figureNameLength)
    .slice(0, 180);
}

export interface NewEntry extends Pick<LogbookEntry, 'kind' | 'text' | 'outcome'> {
  readonly figures?: LogbookEntry['figures'];
  readonly photos?: readonly string[];
  /** Said besides the design's values. */
  readonly extra?: readonly string[];
}

/** Writes an entry, and says whether it was stored; the same one is not written twice while the project stays as it is. */
export function useWriteDown(design: Design) {
  const project = useProject();
  const [writtenOf, setWrittenOf] = useState<Project | null>(null);
  const [trouble, setTrouble] = useState<Exclude<WriteOutcome, 'saved'> | null>(null);
  const writeDown = useCallback(
    async (entry: NewEntry): Promise<boolean> => {
      const { kind, text, outcome, figures = [], photos = [], extra = [] } = entry;
      const record: LogbookEntry = {
        ...{ id: nanoid(), projectId: project.id, at: Date.now(), kind, outcome },
        text: text.slice(0, LOGBOOK_LIMITS.textLength),
        figures: figures.slice(0, LOGBOOK_LIMITS.figures),
        values: [
          ...valuesOf(project, design),
          ...extra.map((each) => each.slice(0, LOGBOOK_LIMITS.figureNameLength)),
        ],
        photos: photos.slice(0, LOGBOOK_LIMITS.photos),
      };
      setWrittenOf(project);
      const storage = await openStorage();
      const written = await storage.entries.put(record);
      setTrouble(written === 'saved' ? null : written);
      if (written !== 'saved') setWrittenOf(null);
      return written === 'saved';
    },
    [project, design],
  );
  return { writeDown, isWritten: writtenOf === project, trouble };
}

/** Takes an entry out of the logbook. */
export const removeEntry = (id: string): void =>
  void openStorage().then((storage) => storage.entries.remove(id));
