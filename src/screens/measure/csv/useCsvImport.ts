import { nanoid } from 'nanoid';
import { useEffect, useRef, useState } from 'react';
import { LogSeries, MAX_POINTS } from '@/core/live/log';
import { together } from '@/core/project/edits';
import { addReadings, putLevel } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import type { Level } from '@/core/readings/reading';
import { openStorage } from '@/store/openStorage';
import type { WriteOutcome } from '@/store/storage';
import { useLive } from '@/ui/live/context';
import { useApply, useProject } from '@/ui/workbench/context';
import { csvFailure, csvNotKept } from '@/ui/words/measure/csv';
import { csvClient } from '@/workers/csv/client';
import type { CsvMapping, CsvOutput, CsvPreview, TakenLog, TakenReadings } from '@/workers/csv/csv';

/** How much of a file each target holds. */
export const CSV_MAX = { log: MAX_POINTS, readings: LIMITS.readings } as const;

type Taken = Extract<CsvOutput, { kind: 'log' | 'readings' }>;

/** A CSV file on its way in: preview, mapping, reading beside the page with progress and cancel, then keeping it. */
export function useCsvImport(file: File, target: 'log' | 'readings') {
  const apply = useApply();
  const { projectId } = useLive();
  const { readings, levels } = useProject();
  const [preview, setPreview] = useState<CsvPreview | null>(null);
  const [mapping, setMapping] = useState<CsvMapping | null>(null);
  const [taken, setTaken] = useState<Taken | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  const delimiter = mapping?.delimiter;

  useEffect(() => {
    const control = new AbortController();
    const { signal } = control;
    void csvClient.run({ kind: 'preview', file, delimiter }, {}).then((outcome) => {
      if (signal.aborted) return;
      if (!outcome.ok || outcome.output.kind !== 'preview') return setFailure(csvFailure(outcome));
      const { mapping: guessed } = outcome.output;
      setPreview(outcome.output);
      if (delimiter !== guessed.delimiter) setMapping(guessed);
    });
    return () => control.abort();
  }, [file, delimiter]);

  const cancel = () => running.current?.abort();
  const read = () => {
    if (!mapping) return;
    const control = new AbortController();
    running.current = control;
    setProgress(0);
    const input =
      target === 'log'
        ? ({ kind: 'log', file, mapping, max: MAX_POINTS, startAt: file.lastModified } as const)
        : ({
            kind: 'readings',
            file,
            mapping,
            max: LIMITS.readings - readings.length,
            known: levels.map(({ name }) => name),
            maxLevels: LIMITS.levels - levels.length,
          } as const);
    void csvClient.run(input, { signal: control.signal, onProgress: setProgress }).then((outcome) => {
      setProgress(null);
      if (!outcome.ok) {
        if (outcome.reason !== 'cancelled') setFailure(csvFailure(outcome));
        return;
      }
      const { output } = outcome;
      if (output.kind === 'log' || output.kind === 'readings') setTaken(output);
    });
  };

  /** Keeps what was taken. @returns the id of the log, empty for readings; `null` where it could not be stored */
  const keep = async (): Promise<string | null> => {
    if (taken?.kind === 'log') return keepLog(taken);
    if (taken?.kind === 'readings') keepReadings(taken);
    return '';
  };
  const keepLog = async (log: TakenLog): Promise<string | null> => {
    const id = nanoid(10);
    const storage = await openStorage();
    const record = {
      id,
      projectId,
      name: file.name.slice(0, 60),
      source: 'csv',
      startedAt: log.at[0] ?? 0,
      state: 'stopped' as const,
      count: log.at.length,
      marks: [],
      lastEvent: null,
      note: '',
    };
    const outcome = await storage.logs
      .write(record, LogSeries.ofArrays(log).chunksFrom(id, 0))
      .catch((): WriteOutcome => 'refused');
    setFailure(outcome === 'saved' ? null : csvNotKept(outcome));
    return outcome === 'saved' ? id : null;
  };
  const keepReadings = (file: TakenReadings) => {
    const known = new Map<string, Level>(levels.map((level) => [level.name.toLowerCase(), level]));
    const added: Level[] = [];
    const levelNamed = (name: string, lux: number | null): Level => {
      const found = known.get(name.toLowerCase());
      if (found) return found;
      const level = { id: nanoid(10), name, lux };
      known.set(name.toLowerCase(), level);
      added.push(level);
      return level;
    };
    const rows = file.readings.map(({ light, ohms, above, rest: { levelLux, ...rest } }) => ({
      ...rest,
      id: nanoid(10),
      light:
        'newLevel' in light
          ? ({ kind: 'level', level: levelNamed(light.newLevel, levelLux ?? null).id } as const)
          : light.light,
      ohms,
      above,
    }));
    apply(together(...added.map(putLevel), addReadings(rows)));
  };
  const back = () => setTaken(null);
  const result = taken && { ...taken, count: taken.kind === 'log' ? taken.at.length : taken.readings.length };
  return { preview, mapping, setMapping, read, cancel, back, keep, result, progress, failure };
}
