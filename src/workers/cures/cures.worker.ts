import type { Project } from '@/core/project/project';
import { serve } from '../protocol';
import { computeCures, type CuresAnswer } from './compute';

serve<Project, CuresAnswer>(computeCures);
