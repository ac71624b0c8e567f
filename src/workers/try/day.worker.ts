import { serve } from '../protocol';
import { computeDay, type DayQuestion, type DayAnswer } from './day';

serve<DayQuestion, DayAnswer>(computeDay);
