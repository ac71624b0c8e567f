import { searchHysteresis } from '@/core/size/hysteresis';
import { type HysteresisSearch } from '@/core/size/hysteresis';
import type { Project } from '@/core/project/project';
import { serve, type WorkerScope } from '../protocol';

serve<Project, HysteresisSearch>(self as unknown as WorkerScope, searchHysteresis);
