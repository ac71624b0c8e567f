import { LogSeries, type LogRecord } from '@/core/live/log';
import type { After, LogRecorder } from '@/store/logRecorder';
import type { LogStorage } from '@/store/storage';
import { hold, letGo } from '@/store/unsaved';
import type { LiveSession } from './liveSession';

/** The little of the browser's locks that is used here. */
export interface LocksLike {
  request(
    name: string,
    options: { readonly ifAvailable?: boolean; readonly signal?: AbortSignal },
    held: (lock: unknown) => Promise<void> | undefined,
  ): Promise<unknown>;
}

/** For a browser without locks: whoever asks, has it. */
export const noLocks: LocksLike = { request: async (_, __, held) => held({}) };

/** Another tab's recording is shown when the lock has not come within this time. */
const ELSEWHERE_MILLISECONDS = 300;

interface RecordingParts {
  readonly projectId: string;
  readonly session: LiveSession;
  readonly logs: LogStorage;
  readonly locks: LocksLike;
  readonly after: After;
  readonly recorderOf: (record: LogRecord, series: LogSeries, isNew: boolean) => LogRecorder;
  /** Joins the source that a log is recorded from, where it can be joined again. */
  readonly rejoin: (record: LogRecord) => Promise<void>;
}

/**
 * Who records the project's log. One tab holds its lock and writes; the others follow, and the next of them goes on by itself
 * when that tab is closed.
 */
export class Recording {
  private release: (() => void) | null = null;
  private waiting: AbortController | null = null;
  private isClosed = false;
  private unwatch: () => void = () => undefined;

  constructor(private readonly parts: RecordingParts) {}

  /** Goes on with a log that was running, or follows the tab that does. */
  open(): void {
    const { logs, projectId } = this.parts;
    this.unwatch = logs.watch(projectId, (all) => this.see(all));
  }

  /** Starts a new log here. @returns `false` where another tab is recording */
  start(record: LogRecord): Promise<boolean> {
    return new Promise((resolve) => {
      const held = (lock: unknown) => {
        resolve(lock !== null && !this.isClosed);
        if (lock === null || this.isClosed) return undefined;
        this.parts.session.record(this.parts.recorderOf(record, new LogSeries(), true));
        return this.hold();
      };
      this.parts.locks.request(this.lockName, { ifAvailable: true }, held).catch(() => resolve(false));
    });
  }

  /** The log here has ended: another may be started, by whichever tab. */
  end(): void {
    this.parts.session.record(null);
    this.release?.();
    this.release = null;
  }

  /** The project is left: what is not stored yet is, and then the next tab may go on. */
  async close(): Promise<void> {
    this.isClosed = true;
    this.unwatch();
    this.waiting?.abort();
    const { recorder } = this.parts.session;
    const outcome = await recorder?.flush();
    if (recorder && (outcome === 'full' || outcome === 'refused' || outcome === 'newer')) {
      const { id } = recorder.record;
      hold(id, { kind: 'log', recorder });
      recorder.onStored = () => letGo(id);
    }
    this.end();
  }

  private get lockName() {
    return `yemko-recording-${this.parts.projectId}`;
  }

  private hold(): Promise<void> {
    return new Promise((resolve) => (this.release = resolve));
  }

  private see(all: readonly LogRecord[]): void {
    const { session, after } = this.parts;
    if (session.recorder || this.isClosed) return;
    const running = runningOf(all);
    if (!running) {
      this.waiting?.abort();
      this.waiting = null;
      return session.follow(null);
    }
    if (this.waiting) return session.store.getState().elsewhere ? session.follow(running) : undefined;
    const control = (this.waiting = new AbortController());
    const { signal } = control;
    after(ELSEWHERE_MILLISECONDS, () => {
      if (!signal.aborted && !session.recorder) session.follow(running);
    });
    this.parts.locks
      .request(this.lockName, { signal }, () => {
        this.waiting = null;
        const held = this.hold();
        void this.goOn(signal);
        return held;
      })
      .catch(() => undefined);
  }

  /** The lock is here: goes on with what is still running. */
  private async goOn(signal: AbortSignal): Promise<void> {
    const { session, logs, projectId, recorderOf, rejoin } = this.parts;
    const running = runningOf(await logs.list(projectId).catch(() => []));
    const series = running && LogSeries.of(await logs.chunks(running.id));
    session.follow(null);
    if (!running || !series || signal.aborted || this.isClosed) return this.end();
    session.record(recorderOf(running, series, false));
    await rejoin(running);
  }
}

const runningOf = (all: readonly LogRecord[]) => all.find(({ state }) => state !== 'stopped') ?? null;
