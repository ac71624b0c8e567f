import type { Placing } from '@/core/build/place';
import { serve } from '../protocol';
import { computePlace, type PlaceQuestion } from './compute';

serve<PlaceQuestion, Placing>(computePlace);
