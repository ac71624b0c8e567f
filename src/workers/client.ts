import type { WorkerAnswer, WorkerRequest } from './protocol';

/** The little of a Worker that a client needs. */
export interface WorkerLike {
  onmessage: ((event: MessageEvent) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
  postMessage(message: unknown): void;
  terminate(): void;
}

export interface RunOptions<Output = unknown> {
  readonly onProgress?: (share: number) => void;
  /** What is known before all is. */
  readonly onSofar?: (output: Output) => void;
  /** Gives the work up: the worker is ended, and a new one made when there is work again. */
  readonly signal?: AbortSignal;
}

/**
 * Why a run gave nothing. `cancelled`: given up; `failed`: the computation says what is wrong; `died`: the worker could not be
 * started or ended by itself; `silent`: it did not answer any more. The last two after one more try.
 */
export type RunTrouble = 'cancelled' | 'failed' | 'died' | 'silent';

/** How a run ended. */
export type RunOutcome<Output> =
  | { readonly ok: true; readonly output: Output }
  | { readonly ok: false; readonly reason: RunTrouble; readonly message: string };

interface Pending<Input, Output> {
  readonly input: Input;
  readonly settle: (outcome: RunOutcome<Output>) => void;
  readonly onProgress: ((share: number) => void) | undefined;
  readonly onSofar: ((output: Output) => void) | undefined;
  /** It has been begun anew once already. */
  isSecond: boolean;
}

/** A worker that has work and tells nothing for this long is taken for hung. */
export const SILENT_MILLISECONDS = 30_000;

const timers: Clockwork = {
  set: (milliseconds, call) => {
    const timer = setTimeout(call, milliseconds);
    return () => clearTimeout(timer);
  },
};

/** Calls once after a time; returns how not to. */
export interface Clockwork {
  set(milliseconds: number, call: () => void): () => void;
}

/**
 * Owns the life of one kind of worker: made when first needed, ended when given up, watched while it works. One that dies or
 * falls silent is made anew once, with all that waits.
 */
export class WorkerClient<Input, Output> {
  private worker: WorkerLike | null = null;
  private readonly pending = new Map<number, Pending<Input, Output>>();
  private count = 0;
  private unwatch: () => void = () => undefined;

  constructor(
    private readonly make: () => WorkerLike,
    private readonly clockwork: Clockwork = timers,
  ) {}

  /** Starts it before there is work, so that the first need not wait for it. One that cannot be started is left to the work. */
  warm(): void {
    try {
      this.worker ??= this.start();
    } catch {
      this.stop();
    }
  }

  run(input: Input, { onProgress, onSofar, signal }: RunOptions<Output> = {}): Promise<RunOutcome<Output>> {
    if (signal?.aborted) return Promise.resolve({ ok: false, reason: 'cancelled', message: '' });
    const id = ++this.count;
    return new Promise((resolve) => {
      const giveUp = () => this.end('cancelled', '');
      const settle = (outcome: RunOutcome<Output>) => {
        signal?.removeEventListener('abort', giveUp);
        this.pending.delete(id);
        this.watch();
        resolve(outcome);
      };
      this.pending.set(id, { input, settle, onProgress, onSofar, isSecond: false });
      signal?.addEventListener('abort', giveUp);
      this.post(id, input);
    });
  }

  private post(id: number, input: Input): void {
    try {
      this.worker ??= this.start();
      this.worker.postMessage({ id, input } satisfies WorkerRequest<Input>);
      this.watch();
    } catch (error) {
      this.again('died', String(error));
    }
  }

  private start(): WorkerLike {
    const worker = this.make();
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer<Output>>) => {
      this.watch();
      const waiting = this.pending.get(data.id);
      if (data.kind === 'progress') waiting?.onProgress?.(data.share);
      else if (data.kind === 'sofar') waiting?.onSofar?.(data.output);
      else if (data.kind === 'done') waiting?.settle({ ok: true, output: data.output });
      else waiting?.settle({ ok: false, reason: 'failed', message: data.message });
    };
    worker.onerror = (event) => this.again('died', event.message);
    return worker;
  }

  /** Waits for the next word of a worker that has work. */
  private watch(): void {
    this.unwatch();
    this.unwatch =
      this.pending.size === 0
        ? () => undefined
        : this.clockwork.set(SILENT_MILLISECONDS, () => this.again('silent', ''));
  }

  /** A new worker for all that waits; what it was the second for is given up. */
  private again(reason: 'died' | 'silent', message: string): void {
    this.stop();
    const waiting = [...this.pending];
    for (const [, { isSecond, settle }] of waiting) if (isSecond) settle({ ok: false, reason, message });
    for (const [id, entry] of waiting) {
      if (entry.isSecond) continue;
      entry.isSecond = true;
      this.post(id, entry.input);
    }
  }

  private end(reason: RunTrouble, message: string): void {
    this.stop();
    for (const { settle } of [...this.pending.values()]) settle({ ok: false, reason, message });
  }

  private stop(): void {
    this.unwatch();
    this.worker?.terminate();
    this.worker = null;
  }
}
