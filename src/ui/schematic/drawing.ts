import type { ComponentType } from 'react';
import type { ProbeReading } from '@/core/analyse/probe';
import type { Design } from '@/core/design';
import type { DetectorSettings } from '@/core/detectors/registry';
import type { Part } from '@/core/parts/part';
import type { Role } from '@/core/parts/roles';
import type { SchematicLayout } from './layout';
import type { ValueOf } from './valueOf';

/** What every kind of drawing is given. */
export interface DrawingProps {
  readonly design: Design;
  readonly probe: ProbeReading;
  readonly place: SchematicLayout;
}

/** How a way of switching is drawn. */
export interface DetectorDrawing<S> {
  readonly Drawing: ComponentType<DrawingProps>;
  /** The roles that its drawing places; every other part is drawn beside it, with its nets' names. */
  readonly places: readonly Role[];
  /** Resistances that can be changed where they stand; `null` for a part that has none of its own. */
  readonly ohms: (settings: S, part: Part) => ValueOf | null;
}

export type AnyDetectorDrawing = DetectorDrawing<DetectorSettings>;
