import { serve } from '../protocol';
import { computeRows, rowBuffers, type Rows, type RowsQuestion } from './table';

serve<RowsQuestion, Rows | null>(computeRows, rowBuffers);
