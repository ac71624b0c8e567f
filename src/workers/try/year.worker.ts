import type { YearDay } from '@/core/simulate/day/year';
import { serve } from '../protocol';
import { computeYear, type YearQuestion } from './day';

serve<YearQuestion, readonly YearDay[]>(computeYear);
