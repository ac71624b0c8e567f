import type { LineRefusal } from '@/core/live/lineProtocol';
import type { MeterFigure, MeterSample } from '@/core/live/sample';

/** Where live figures come from. */
export const sourceKinds = ['keyboard', 'bench', 'serial', 'replay'] as const;
export type SourceKind = (typeof sourceKinds)[number];

/** `lost`: it was open and tries to come back by itself. */
export type SourceState = 'opening' | 'open' | 'lost' | 'closed';

/** What went wrong at a source. None of it stops what was taken before. */
export type SourceTrouble =
  | { readonly code: 'line'; readonly reason: LineRefusal; readonly line: string }
  /** The port went away in the middle. */
  | { readonly code: 'unplugged' }
  /** Nobody chose a port, or the browser may not open it. */
  | { readonly code: 'not-chosen' }
  | { readonly code: 'port-busy' }
  /** This browser knows no serial ports. */
  | { readonly code: 'unsupported' }
  /** The server has no simulated bench to give. */
  | { readonly code: 'no-bench' }
  /** A replay has come to its end. */
  | { readonly code: 'ended' };

export interface SourceListener {
  readonly onSample: (sample: MeterSample) => void;
  /** A voltage or a current, where the meter is on one. */
  readonly onFigure?: (figure: MeterFigure) => void;
  readonly onState: (state: SourceState) => void;
  readonly onTrouble: (trouble: SourceTrouble) => void;
}

/** A meter, real or simulated: whoever listens cannot tell which. */
export interface MeterSource {
  readonly kind: SourceKind;
  /** Starts telling; resolves when it is open or has told why not. */
  open(listener: SourceListener): Promise<void>;
  close(): Promise<void>;
}
