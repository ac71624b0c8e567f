import Papa from 'papaparse';
import { LOG_LIMITS } from '@/core/live/log';
import { MEASUREMENT_LIMITS } from '@/core/readings/limits';
import { parseLight } from '@/core/readings/parseLight';
import { cellOhms, cellTime, withPoint } from './cells';
import { guessMapping } from './guess';
import { restOf, unescaped } from './rest';
import {
  delimiters,
  LISTED_ERRORS,
  type CsvError,
  type CsvInput,
  type CsvMapping,
  type CsvOutput,
  type CsvProblem,
  type Delimiter,
} from './csv';

const PREVIEW_BYTES = 200_000;
const PREVIEW_ROWS = 12;
/** No time beyond the year 2100 is taken: its unit is another. */
const FAR_TIME = Date.UTC(2100, 0);
/** Progress is told once in so many rows. */
const PROGRESS_ROWS = 20_000;

/** Reads and writes CSV files: pure, so that it runs in a worker and in a test alike. */
export async function computeCsv(input: CsvInput, onProgress: (share: number) => void): Promise<CsvOutput> {
  switch (input.kind) {
    case 'preview':
      return preview(input.file, input.delimiter);
    case 'log':
      return takeLog(input, onProgress);
    case 'readings':
      return takeReadings(input, onProgress);
    case 'write-log':
      return { kind: 'write-log', text: writeLog(input) };
  }
}

/** The text of a file: UTF-8 or UTF-16 by its mark, else Windows-1252 where it is no UTF-8. The mark goes. */
export async function textOf(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const text = new TextDecoder('utf-8').decode(bytes);
  return text.includes('\ufffd') ? new TextDecoder('windows-1252').decode(bytes) : text;
}

/** A first line such as `sep=;` says what parts the columns: some spreadsheets write it. */
function withoutSeparatorLine(text: string): { readonly text: string; readonly separator: Delimiter | null } {
  const match = /^sep=(.)\r?\n/i.exec(text);
  if (!match) return { text, separator: null };
  return { text: text.slice(match[0].length), separator: delimiters.find((one) => one === match[1]) ?? null };
}

/** Columns that several spaces line up are parted by one. */
const spaced = (text: string, delimiter: string) =>
  delimiter === ' ' ? text.replaceAll(/^[ \t]+|[ \t]+$/gm, '').replaceAll(/[ \t]+/g, ' ') : text;

async function preview(file: Blob, chosen: Delimiter | undefined): Promise<CsvOutput> {
  const head = file.slice(0, PREVIEW_BYTES);
  const { text, separator } = withoutSeparatorLine(await textOf(head));
  const parse = (delimiter: string) =>
    Papa.parse<string[]>(spaced(text, delimiter), {
      delimiter,
      delimitersToGuess: delimiters.filter((candidate) => candidate !== ' '),
      preview: 200,
      skipEmptyLines: 'greedy',
    });
  const guessed = parse(chosen ?? separator ?? '');
  // Only where nothing else parts the columns do spaces.
  const isOneColumn = guessed.data.every((row) => row.length < 2);
  const bySpaces = !chosen && isOneColumn ? parse(' ') : null;
  const isSpaced = bySpaces !== null && bySpaces.data.some((row) => row.length > 1);
  const rows = isSpaced ? bySpaces.data : guessed.data;
  const delimiter = isSpaced
    ? ' '
    : (chosen ?? delimiters.find((candidate) => candidate === guessed.meta.delimiter) ?? ',');
  const lines = text.split(/\r\n|\n|\r/).length;
  return {
    kind: 'preview',
    rows: rows.slice(0, PREVIEW_ROWS),
    mapping: guessMapping(rows, delimiter),
    aboutRows: file.size <= PREVIEW_BYTES ? rows.length : Math.round((lines * file.size) / head.size),
  };
}

/** Calls for every row that holds something, with its line in the file, until `most` rows have been taken. */
async function eachRow(
  { file, mapping, max }: { file: Blob; mapping: CsvMapping; max: number },
  onProgress: (share: number) => void,
  take: (row: readonly string[]) => CsvProblem | null,
) {
  const whole = await textOf(file);
  const { text: body, separator } = withoutSeparatorLine(whole);
  const text = spaced(body, mapping.delimiter);
  const errors: CsvError[] = [];
  const firstLine = separator === null && body === whole ? 0 : 1;
  let [line, rows, taken, errorCount, cut] = [0, 0, 0, 0, 0];
  Papa.parse<string[]>(text, {
    delimiter: mapping.delimiter,
    step: ({ data, meta }) => {
      line += 1;
      if (line === 1 && mapping.hasHeader) return;
      if (data.every((cell) => cell.trim() === '')) return;
      rows += 1;
      if (rows % PROGRESS_ROWS === 0) onProgress(Math.min(1, meta.cursor / text.length));
      if (taken >= max) {
        cut += 1;
        return;
      }
      const problem = take(data);
      if (problem === null) {
        taken += 1;
        return;
      }
      errorCount += 1;
      if (errors.length < LISTED_ERRORS)
        errors.push({ line: line + firstLine, text: data.join(' | ').slice(0, 80), problem });
    },
  });
  return { errors, errorCount, rows, cut };
}

const cell = (row: readonly string[], column: number | null) => (column === null ? '' : (row[column] ?? ''));

async function takeLog(
  input: Extract<CsvInput, { kind: 'log' }>,
  onProgress: (share: number) => void,
): Promise<CsvOutput> {
  const { mapping, startAt } = input;
  let [size, length] = [4096, 0];
  let at = new Float64Array(size);
  let ohms = new Float64Array(size);
  let above = new Uint8Array(size);
  const grow = () => {
    size *= 2;
    const [times, values, limits] = [new Float64Array(size), new Float64Array(size), new Uint8Array(size)];
    times.set(at);
    values.set(ohms);
    limits.set(above);
    [at, ohms, above] = [times, values, limits];
  };
  let day = 0;
  const told = await eachRow(input, onProgress, (row) => {
    const read = cellOhms(cell(row, mapping.ohms), mapping);
    if (!read.ok) return { code: read.reason };
    const time = cellTime(cell(row, mapping.time), mapping);
    if (time === null) return { code: 'no-time' };
    let millisecond = time.isDate ? time.milliseconds : startAt + day + time.milliseconds;
    const last = length > 0 ? (at[length - 1] ?? 0) : -Infinity;
    // A time of day that jumps back by hours has passed midnight.
    if (time.isClock && millisecond < last - 12 * 3_600_000) {
      day += 24 * 3_600_000;
      millisecond += 24 * 3_600_000;
    }
    if (millisecond < LOG_LIMITS.milliseconds.min || millisecond > FAR_TIME) return { code: 'far-time' };
    if (millisecond <= last) return { code: 'not-later' };
    if (length === size) grow();
    at[length] = millisecond;
    ohms[length] = read.ohms;
    above[length] = read.above ? 1 : 0;
    length += 1;
    return null;
  });
  return {
    kind: 'log',
    ...told,
    at: at.slice(0, length),
    ohms: ohms.slice(0, length),
    above: above.slice(0, length),
  };
}

async function takeReadings(
  input: Extract<CsvInput, { kind: 'readings' }>,
  onProgress: (share: number) => void,
): Promise<CsvOutput> {
  const { mapping } = input;
  const readings: Extract<CsvOutput, { kind: 'readings' }>['readings'][number][] = [];
  const known = new Set(input.known.map((name) => name.toLowerCase()));
  const room = known.size + input.maxLevels;
  const told = await eachRow(input, onProgress, (row) => {
    const read = cellOhms(cell(row, mapping.ohms), mapping);
    if (!read.ok) return { code: read.reason };
    const { min, max } = MEASUREMENT_LIMITS.readingOhms;
    if (read.ohms < min || read.ohms > max) return { code: 'out-of-range' };
    const typed = withPoint(unescaped(cell(row, mapping.light)), mapping.decimal);
    const light = parseLight(typed, { bare: mapping.bare, levels: [], previous: null });
    if (!light.ok) return { code: 'light', refusal: light };
    if ('newLevel' in light) {
      const name = light.newLevel.toLowerCase();
      if (!known.has(name) && known.size >= room) return { code: 'levels' };
      known.add(name);
    }
    readings.push({ light, ohms: read.ohms, above: read.above, rest: restOf(row, mapping) });
    return null;
  });
  return { kind: 'readings', ...told, readings };
}

/** A log as a table that spreadsheets read: no cell of it can be taken for a formula. */
function writeLog({ at, ohms, above, marks }: Extract<CsvInput, { kind: 'write-log' }>): string {
  const rows: (string | number)[][] = [];
  const started = at[0] ?? 0;
  let next = 0;
  for (let i = 0; i < at.length; i++) {
    const time = at[i] ?? 0;
    const texts: string[] = [];
    while (next < marks.length && (marks[next]?.at ?? Infinity) <= time)
      texts.push(marks[next++]?.text ?? '');
    rows.push([
      new Date(time).toISOString(),
      (time - started) / 1000,
      ohms[i] ?? 0,
      above[i] === 1 ? 'above' : '',
      texts.join('; '),
    ]);
  }
  for (const mark of marks.slice(next)) {
    rows.push([new Date(mark.at).toISOString(), (mark.at - started) / 1000, '', '', mark.text]);
  }
  return Papa.unparse(
    { fields: ['time', 'seconds', 'ohms', 'over range', 'mark'], data: rows },
    { escapeFormulae: true },
  );
}
