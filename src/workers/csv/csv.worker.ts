import { serve } from '../protocol';
import { computeCsv } from './compute';
import type { CsvInput, CsvOutput } from './csv';

serve<CsvInput, CsvOutput>(computeCsv, (output) =>
  output.kind === 'log' ? [output.at.buffer, output.ohms.buffer, output.above.buffer] : [],
);
