import type { Design } from '@/core/design/analysis';
import type { ProbeReading } from '@/core/design/probe';
import type { SchematicLayout } from './layout';

/** What every kind of drawing is given. */
export interface DrawingProps {
  readonly design: Design;
  readonly probe: ProbeReading;
  readonly place: SchematicLayout;
  /** R1 is a trimmer. */
  readonly adjustable: boolean;
}
