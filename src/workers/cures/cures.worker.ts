import type { Cure } from '@/core/advise/remedies';
import type { Project } from '@/core/project/project';
import { serve } from '../protocol';
import { computeCures } from './compute';

serve<Project, readonly Cure[]>(computeCures);
