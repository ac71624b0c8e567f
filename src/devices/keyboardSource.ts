import type { MeterSample } from '@/core/live/sample';
import type { MeterSource, SourceListener } from './meterSource';

/** Figures that someone reads off a meter and types. */
export class KeyboardSource implements MeterSource {
  readonly kind = 'keyboard';
  private listener: SourceListener | null = null;

  async open(listener: SourceListener): Promise<void> {
    this.listener = listener;
    listener.onState('open');
  }

  /** Tells a typed figure. */
  type(sample: MeterSample): void {
    this.listener?.onSample(sample);
  }

  async close(): Promise<void> {
    this.listener?.onState('closed');
    this.listener = null;
  }
}
