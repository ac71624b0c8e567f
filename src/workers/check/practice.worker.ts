import { serve } from '../protocol';
import { computePractice, type PracticeQuestion, type Practised } from './compute';

serve<PracticeQuestion, Practised | null>(computePractice);
