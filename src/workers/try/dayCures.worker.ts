import type { TriedCure } from '@/core/simulate/day/cureDay';
import { serve } from '../protocol';
import { computeDayCures, type DayCuresQuestion } from './day';

serve<DayCuresQuestion, readonly TriedCure[]>(computeDayCures);
