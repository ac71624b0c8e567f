import { serve } from '../protocol';
import { computeFind, type FindQuestion, type Found } from './compute';

serve<FindQuestion, Found | null>(computeFind);
