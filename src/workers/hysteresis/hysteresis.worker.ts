import { searchHysteresis } from '@/core/size/hysteresis';
import { type HysteresisSearch } from '@/core/size/hysteresis';
import type { Project } from '@/core/project/project';
import { serve } from '../protocol';

serve<Project, HysteresisSearch>(searchHysteresis);
