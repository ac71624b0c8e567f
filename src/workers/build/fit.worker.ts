import { serve } from '../protocol';
import { computeFit, type FitQuestion } from './compute';

serve<FitQuestion, readonly boolean[]>(computeFit);
