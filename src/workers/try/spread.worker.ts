import { serve } from '../protocol';
import { computeSpread, type SpreadQuestion, type SpreadAnswer } from './spread';

serve<SpreadQuestion, SpreadAnswer>(computeSpread);
