import { readProjectFile } from '@/core/project/file';
import { analysisReport, type AnalysisReport } from '@/core/report/analysis';
import { lightText } from '@/ui/words/light';
import { importRefusal } from '@/ui/words/refusals';
import { adviceSentence } from '@/ui/words/said/advice';

/** A larger file is refused unread, in bytes. Time logs are no part of an analysis: they may be left out of it. */
export const MAX_BYTES = 4_000_000;

export interface Refusal {
  readonly error: string;
  /** Where in the file; `null` where that is not the matter. */
  readonly path: string | null;
}

export type Answer =
  | { readonly status: 200; readonly body: AnalysisReport }
  | { readonly status: 400 | 413 | 422; readonly body: Refusal };

export const TOO_LARGE: Answer = {
  status: 413,
  body: { error: `The file is larger than ${MAX_BYTES / 1e6} MB. Leave its time logs out.`, path: null },
};

/**
 * What is answered to a project file: its analysis, or why there is none.
 * @param withEnds whether the ends of what the design may meet are tried as well
 */
export function answerTo(text: string, withEnds = false): Answer {
  if (text.length > MAX_BYTES) return TOO_LARGE;
  const read = readProjectFile(text);
  if (!read.ok) {
    const status = read.reason === 'not-json' ? 400 : 422;
    return { status, body: { error: importRefusal(read), path: 'path' in read ? read.path : null } };
  }
  const made = analysisReport(
    read.project,
    (advice, scale) => adviceSentence(advice, lightText(scale)),
    withEnds,
  );
  return made.ok
    ? { status: 200, body: made.report }
    : {
        status: 422,
        body: { error: 'The circuit has no operating point somewhere on the light axis.', path: null },
      };
}
