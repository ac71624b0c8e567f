import { entryFor } from '@/core/record';
import type { ComponentType } from 'react';
import type { Design } from '@/core/design';
import type { DetectorKind } from '@/core/detectors/kinds';
import type { DetectorOf, DetectorSettings } from '@/core/detectors/registry';
import type { Thresholds } from '@/core/detectors/thresholds';
import { BandPanel } from './BandPanel';
import { ChangeFields } from './change/ChangeFields';
import { OutputOnlyPanel } from './change/OutputOnlyPanel';
import { ComparatorFields } from './comparator/ComparatorFields';
import { HysteresisPanel } from './comparator/HysteresisPanel';
import { ControllerFields } from './controller/ControllerFields';
import { LadderFields } from './ladder/LadderFields';
import { StepsPanel } from './ladder/StepsPanel';
import { TimerFields } from './timer/TimerFields';
import { WindowFields } from './window/WindowFields';

export interface FieldsProps<S> {
  readonly settings: S;
  readonly design: Design;
}

export interface ThresholdsProps<S> extends FieldsProps<S> {
  readonly thresholds: Thresholds;
}

/** A way of switching on this step's screen. */
interface DetectorScreen<S> {
  /** Its own fields; `null` for none. */
  readonly Fields: ComponentType<FieldsProps<S>> | null;
  /** Where it switches. */
  readonly Thresholds: ComponentType<ThresholdsProps<S>>;
  /** A wide panel of its own; `null` for none. */
  readonly More: ComponentType<FieldsProps<S>> | null;
  /** The button that puts a threshold between two midpoints, and why there is none. */
  readonly midpoints: { readonly take: string; readonly refused: string } | null;
}

const NO_LIGHT = 'No light on your LDR’s curve gives these midpoints: check R1 and the readings.';

/** One entry for each way of switching. */
const screens: { readonly [K in DetectorKind]: DetectorScreen<DetectorOf<K>> } = {
  transistor: { Fields: null, Thresholds: BandPanel, More: null, midpoints: null },
  comparator: {
    Fields: ComparatorFields,
    Thresholds: BandPanel,
    More: HysteresisPanel,
    midpoints: {
      take: 'Put the reference there',
      refused:
        'Its reference lies between 0 V and plus: choose R1 so that the midpoint crosses a voltage above 0 V.',
    },
  },
  window: {
    Fields: WindowFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: { take: 'On between these two midpoints', refused: NO_LIGHT },
  },
  ladder: {
    Fields: LadderFields,
    Thresholds: StepsPanel,
    More: null,
    midpoints: { take: 'Spread the steps between these two', refused: NO_LIGHT },
  },
  timer: {
    Fields: TimerFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: {
      take: 'Put the threshold there by the control pin',
      refused:
        'Nothing at its control pin brings the threshold there: choose R1 so that the midpoint crosses a third or two thirds of the supply.',
    },
  },
  controller: {
    Fields: ControllerFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: { take: 'Put the codes there', refused: 'No code lies between these two midpoints.' },
  },
  change: {
    Fields: ChangeFields,
    Thresholds: OutputOnlyPanel,
    More: null,
    midpoints: {
      take: 'Trigger at half of this jump',
      refused: 'These midpoints make no jump to trigger at.',
    },
  },
};

/** The screen of a detector; the one place where settings and screens are said to go together. */
export const detectorScreen = ({ kind }: Pick<DetectorSettings, 'kind'>) =>
  entryFor<DetectorScreen<DetectorSettings>>(screens, kind);
