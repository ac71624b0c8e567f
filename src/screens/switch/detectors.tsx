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
import { switchWords } from '@/ui/words/panels/switch';

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
      take: switchWords.putTheReference,
      refused: switchWords.itsReferenceLies,
    },
  },
  window: {
    Fields: WindowFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: { take: switchWords.onBetweenThese, refused: NO_LIGHT },
  },
  ladder: {
    Fields: LadderFields,
    Thresholds: StepsPanel,
    More: null,
    midpoints: { take: switchWords.spreadTheSteps, refused: NO_LIGHT },
  },
  timer: {
    Fields: TimerFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: {
      take: switchWords.putTheThreshold,
      refused: switchWords.nothingAtIts,
    },
  },
  controller: {
    Fields: ControllerFields,
    Thresholds: BandPanel,
    More: null,
    midpoints: { take: switchWords.putTheCodes, refused: switchWords.noCodeLies },
  },
  change: {
    Fields: ChangeFields,
    Thresholds: OutputOnlyPanel,
    More: null,
    midpoints: {
      take: switchWords.triggerAtHalf,
      refused: switchWords.theseMidpointsMake,
    },
  },
};

/** The screen of a detector; the one place where settings and screens are said to go together. */
export const detectorScreen = ({ kind }: Pick<DetectorSettings, 'kind'>) =>
  entryFor<DetectorScreen<DetectorSettings>>(screens, kind);
