import { serve } from '../protocol';
import { computeFind, type Found } from './compute';
import { rowHelpers } from './helpers';
import type { FindQuestion } from './table';

const helpers = rowHelpers();
serve<FindQuestion, Found | null>((question, onProgress, onSofar) =>
  computeFind(question, onProgress, onSofar, helpers),
);
