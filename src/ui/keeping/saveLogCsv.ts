import type { LogMark, LogSeries } from '@/core/live/log';
import { download } from '../common/download';
import { csvClient } from '@/workers/csv/client';

/** Saves a log as a CSV file, written beside the page. @returns whether it could be written */
export async function saveLogCsv(
  name: string,
  { at, ohms, above }: LogSeries,
  marks: readonly LogMark[],
): Promise<boolean> {
  const outcome = await csvClient.run({
    kind: 'write-log',
    at: at.slice(),
    ohms: ohms.slice(),
    above: above.slice(),
    marks,
  });
  if (!outcome.ok || outcome.output.kind !== 'write-log') return false;
  download(`${name.replaceAll(/[^\p{L}\p{N} .-]/gu, '-')}.csv`, outcome.output.text, 'text/csv');
  return true;
}
