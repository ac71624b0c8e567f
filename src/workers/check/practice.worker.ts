import { serve } from '../protocol';
import { computePractice, type PracticeQuestion, type Practised } from './compute';
import { rowHelpers } from './helpers';

const helpers = rowHelpers();
serve<PracticeQuestion, Practised | null>((question, onProgress) =>
  computePractice(question, onProgress, helpers),
);
