import { serve } from '../protocol';
import { computePoints, type Points, type PointsQuestion } from './compute';

serve<PointsQuestion, Points | null>(computePoints);
