import { App } from 'antd';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { createStore } from 'zustand/vanilla';
import { openStorage } from '@/store/openStorage';
import { askToPersist } from '@/store/persist';
import { runFiles } from '@/workers/files/client';
import { importRefusal, storageTrouble } from '../words/refusals';
import { workTrouble } from '../words/work';

/** Who takes a CSV file that is dropped, and a backup that waits to be looked at. */
export const fileTaker = createStore<{
  readonly takeCsv: ((file: File) => void) | null;
  readonly backup: File | null;
}>(() => ({ takeCsv: null, backup: null }));

const endsWith = (file: File, ending: string) => file.name.toLowerCase().endsWith(ending);

/**
 * Takes files, dropped or chosen: projects are imported, a backup is shown before anything is done, a CSV file goes to the
 * open project.
 * @returns takes the files and gives a sentence for each that was not taken
 */
export function useTakeFiles(): (files: readonly File[]) => Promise<readonly string[]> {
  const { notification } = App.useApp();
  const router = useRouter();
  return useCallback(
    async (files: readonly File[]) => {
      const refusals: string[] = [];
      const taken: string[] = [];
      for (const file of files) {
        if (endsWith(file, '.zip')) {
          fileTaker.setState({ backup: file });
          router.push('/storage');
          continue;
        }
        if (endsWith(file, '.csv') || endsWith(file, '.txt')) {
          const { takeCsv } = fileTaker.getState();
          if (takeCsv) takeCsv(file);
          else refusals.push(`${file.name}: open the project that it belongs to, then drop it there.`);
          continue;
        }
        const result = await importFile(file);
        if ('id' in result) taken.push(result.id);
        else refusals.push(files.length === 1 ? result.refusal : `${file.name}: ${result.refusal}`);
      }
      if (taken.length > 0) askToPersist();
      if (taken.length === 1 && files.length === 1) router.push(`/project/${taken[0]}/measure`);
      else if (taken.length > 0)
        notification.success({
          title: taken.length === 1 ? 'One project is imported.' : `${taken.length} projects are imported.`,
        });
      return refusals;
    },
    [notification, router],
  );
}

async function importFile(file: File): Promise<{ readonly id: string } | { readonly refusal: string }> {
  const run = await runFiles(await openStorage(), { kind: 'import', file });
  if (!run.ok) return { refusal: `${workTrouble(run.reason)} Nothing was imported.` };
  if (run.output.kind !== 'import') return { refusal: '' };
  const { outcome } = run.output;
  if (outcome.ok) return { id: outcome.id };
  return {
    refusal: outcome.reason === 'not-stored' ? storageTrouble(outcome.outcome) : importRefusal(outcome),
  };
}
