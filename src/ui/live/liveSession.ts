import { createStore, type StoreApi } from 'zustand/vanilla';
import type { LogRecord } from '@/core/live/log';
import type { MeterFigure, MeterSample } from '@/core/live/sample';
import { SettlingTracker, type Settling } from '@/core/live/settling';
import type { BenchControls } from '@/core/practice/bench';
import { KeyboardSource } from '@/devices/keyboardSource';
import type { MeterSource, SourceKind, SourceState, SourceTrouble } from '@/devices/meterSource';
import type { LogRecorder } from '@/store/logRecorder';
import type { WriteOutcome } from '@/store/storage';

/** How long the short trend reaches back, in ms. */
export const TREND_MILLISECONDS = 60_000;

export interface LiveState {
  readonly kind: SourceKind | null;
  readonly state: SourceState;
  readonly last: MeterSample | null;
  /** A voltage or current that the meter has told since it last told a resistance. */
  readonly figure: MeterFigure | null;
  /** The figure that was held; what comes after it goes on unseen. */
  readonly held: MeterSample | null;
  readonly settling: Settling;
  readonly trend: readonly MeterSample[];
  readonly trouble: SourceTrouble | null;
  /** Lines that could not be read since the source was opened. */
  readonly badLines: number;
  /** The simulated bench's knobs, as the server has them. */
  readonly controls: BenchControls | null;
  /** Where the simulated bench runs. */
  readonly benchPlace: 'server' | 'page';
  readonly log: LogRecord | null;
  /** The log that another tab is recording. */
  readonly elsewhere: LogRecord | null;
  /** How the log's last write went. */
  readonly logSaved: WriteOutcome;
}

const UNSETTLED: Settling = { settled: false, ratePerSecond: null };

const CLOSED: LiveState = {
  kind: null,
  state: 'closed',
  last: null,
  figure: null,
  held: null,
  settling: UNSETTLED,
  trend: [],
  trouble: null,
  badLines: 0,
  controls: null,
  benchPlace: 'server',
  log: null,
  elsewhere: null,
  logSaved: 'saved',
};

/** The live meter of an opened project: it goes on while one looks at other things. */
export class LiveSession {
  readonly store: StoreApi<LiveState> = createStore<LiveState>(() => CLOSED);
  private source: MeterSource | null = null;
  private readonly tracker = new SettlingTracker();
  recorder: LogRecorder | null = null;

  /** Leaves the present source, if any, and opens another. */
  async connect(source: MeterSource): Promise<void> {
    await this.disconnect();
    this.source = source;
    this.tracker.reset();
    this.store.setState({
      kind: source.kind,
      state: 'opening',
      trouble: null,
      badLines: 0,
      trend: [],
      last: null,
      figure: null,
      held: null,
      settling: UNSETTLED,
    });
    await source.open({
      onSample: (sample) => this.source === source && this.take(sample),
      onFigure: (figure) => this.source === source && this.store.setState({ figure, state: 'open' }),
      onState: (state) => this.source === source && this.store.setState({ state }),
      onTrouble: (trouble) => this.source === source && this.tell(trouble),
    });
  }

  async disconnect(): Promise<void> {
    const leaving = this.source;
    this.source = null;
    await leaving?.close();
    this.store.setState({ state: 'closed', settling: UNSETTLED });
  }

  /** A figure typed at the keyboard, where that is the source. */
  typed(sample: MeterSample): void {
    if (this.source instanceof KeyboardSource) this.source.type(sample);
  }

  setControls(controls: BenchControls): void {
    this.store.setState({ controls });
  }

  setBenchPlace(benchPlace: LiveState['benchPlace']): void {
    this.store.setState({ benchPlace });
  }

  /** Holds the figure that stands there, or lets it go. */
  hold(): void {
    const { held } = this.store.getState();
    this.store.setState({ held: held ? null : this.shown() });
  }

  /** The resistance that a capture takes: the held one, or the last; `null` where the meter is on something else now. */
  shown(): MeterSample | null {
    const { last, held, figure } = this.store.getState();
    return held ?? (figure ? null : last);
  }

  record(recorder: LogRecorder | null): void {
    this.recorder = recorder;
    this.store.setState({ log: recorder?.record ?? null });
  }

  /** Shows what another tab is recording; `null` where none does. */
  follow(elsewhere: LogRecord | null): void {
    this.store.setState({ elsewhere });
  }

  /** Changes the running log and shows the change. */
  changeLog(change: (recorder: LogRecorder) => void): void {
    if (!this.recorder) return;
    change(this.recorder);
    this.store.setState({ log: this.recorder.record });
  }

  private take(sample: MeterSample): void {
    const { trend } = this.store.getState();
    const from = sample.at - TREND_MILLISECONDS;
    const settling = this.tracker.push(sample);
    const isNew = this.recorder?.add(sample) ?? false;
    this.store.setState({
      last: sample,
      figure: null,
      settling,
      state: 'open',
      trend: [...trend.filter(({ at }) => at > from && at < sample.at), sample],
      ...(isNew && this.recorder ? { log: this.recorder.record } : {}),
    });
  }

  private tell(trouble: SourceTrouble): void {
    const { badLines } = this.store.getState();
    this.store.setState({ trouble, badLines: badLines + (trouble.code === 'line' ? 1 : 0) });
  }
}
