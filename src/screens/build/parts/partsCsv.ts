import Papa from 'papaparse';
import { plainly } from '@/core/quantity/notation';
import type { PartLine } from '@/core/build/partsList';
import { partLineText, stockText } from '@/ui/words/building';
import { buildWords } from '@/ui/words/panels/build';

/** A parts list as rows for a spreadsheet. */
export const partsCsv = (lines: readonly PartLine[], delimiter: ',' | '\t'): string =>
  plainly(() => tableOf(lines, delimiter));

function tableOf(lines: readonly PartLine[], delimiter: ',' | '\t'): string {
  const head = [
    ...[buildWords.designators, buildWords.what, buildWords.value, buildWords.marked, buildWords.tolerance],
    ...[buildWords.atLeast, buildWords.stock, buildWords.count, buildWords.wanted],
  ];
  const rows = lines.map((line) => {
    const { designators, what, value, marked, tolerance, rated } = partLineText(line);
    return [
      designators,
      what,
      value,
      marked,
      tolerance,
      rated,
      stockText(line.inStock),
      line.count,
      line.wanted,
    ];
  });
  return Papa.unparse([head, ...rows], { delimiter, escapeFormulae: true });
}
