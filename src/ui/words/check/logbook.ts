import { precise } from '@/core/quantity/notation';
import Papa from 'papaparse';
import { changedValues, lastWorking, type LogbookEntry } from '@/core/logbook/entry';
import { checkWords } from '../panels/check';

const two = (value: number) => String(value).padStart(2, '0');

/** A time as it is written in a logbook: `2026-05-04 21:30`. */
export function timeText(milliseconds: number): string {
  const at = new Date(milliseconds);
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
}

/** What is other than in the last run that worked; `null` where there was none. */
export function againstText(entries: readonly LogbookEntry[], entry: LogbookEntry): string | null {
  const before = lastWorking(entries, entry);
  if (!before) return null;
  const changed = changedValues(before.values, entry.values).filter(({ name }) => name !== 'fault');
  if (changed.length === 0) return checkWords.noChange;
  return changed
    .map(({ name, from, to }) => `${name}: ${from ?? 'not there'} → ${to ?? 'not there'}`)
    .join('; ');
}

/** What has a meaning in Markdown, as plain letters; a line break inside an entry stays one. */
export const escapedMarkdown = (text: string): string =>
  text
    .replaceAll(/([\\`*_[\]<>#|~])/g, '\\$1')
    .replaceAll(/^([-+=])/gm, '\\$1')
    .replaceAll('\n', '  \n');

/** Entries as Markdown, the newest first. Photos stay in the browser and in backups. */
export function logbookMarkdown(name: string, entries: readonly LogbookEntry[]): string {
  const parts = entries.map((entry) => {
    const figures =
      entry.figures.length === 0
        ? []
        : [
            '',
            '| point | measured, V | predicted, V |',
            '| --- | ---: | ---: |',
            ...entry.figures.map(
              (figure) =>
                `| ${escapedMarkdown(figure.name)} | ${figure.measured} | ${precise(figure.predicted, 4)} |`,
            ),
          ];
    const photos = entry.photos.length === 0 ? [] : ['', `${entry.photos.length} photo(s) in the browser.`];
    return [
      `## ${timeText(entry.at)}, ${checkWords.kinds[entry.kind]}, ${checkWords.outcomes[entry.outcome]}`,
      '',
      escapedMarkdown(entry.text),
      ...figures,
      ...photos,
    ].join('\n');
  });
  return [`# ${escapedMarkdown(name)}: logbook`, ...parts].join('\n\n').concat('\n');
}

/** Entries as rows for a spreadsheet. */
export function logbookCsv(entries: readonly LogbookEntry[]): string {
  const head = ['time', 'kind', 'outcome', 'text', 'point', 'measured', 'predicted'];
  const rows = entries.flatMap(({ at, kind, outcome, text, figures }) => {
    const start = [timeText(at), checkWords.kinds[kind], checkWords.outcomes[outcome], text];
    if (figures.length === 0) return [[...start, '', '', '']];
    return figures.map(({ name, measured, predicted }) => [...start, name, measured, predicted]);
  });
  return Papa.unparse([head, ...rows], { escapeFormulae: true });
}
