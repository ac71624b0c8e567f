import type { LogSeries } from '@/core/live/log';
import type { MeterSource, SourceListener } from './meterSource';

/** Starts a repeated call; returns how to stop it. */
export type Every = (milliseconds: number, call: () => void) => () => void;

const TICK_MILLISECONDS = 100;

/** Plays a log, or a CSV file that has become one, as if it were a meter: at its own pace or faster. */
export class ReplaySource implements MeterSource {
  readonly kind = 'replay';
  private stop: (() => void) | null = null;
  private listener: SourceListener | null = null;

  constructor(
    private readonly series: LogSeries,
    private readonly speed: number,
    private readonly clock: () => number,
    private readonly every: Every,
  ) {}

  async open(listener: SourceListener): Promise<void> {
    this.listener = listener;
    listener.onState('open');
    const { at, ohms, above } = this.series;
    const [started, origin] = [this.clock(), at[0] ?? 0];
    let next = 0;
    this.stop = this.every(TICK_MILLISECONDS, () => {
      const until = origin + (this.clock() - started) * this.speed;
      while (next < at.length && (at[next] ?? Infinity) <= until) {
        const now = started + ((at[next] ?? 0) - origin) / this.speed;
        listener.onSample({
          at: now,
          ohms: ohms[next] ?? 0,
          above: above[next] === 1,
          rangeOhms: null,
          lux: null,
        });
        next += 1;
      }
      if (next < at.length) return;
      listener.onTrouble({ code: 'ended' });
      void this.close();
    });
  }

  async close(): Promise<void> {
    this.stop?.();
    this.stop = null;
    this.listener?.onState('closed');
    this.listener = null;
  }
}
