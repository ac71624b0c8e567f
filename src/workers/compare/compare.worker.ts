import type { Project } from '@/core/project/project';
import type { Compared } from '@/core/compare/compare';
import { serve } from '../protocol';
import { computeCompare } from './compute';

serve<Project, readonly Compared[]>(computeCompare);
