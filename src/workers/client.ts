import type { WorkerAnswer, WorkerRequest } from './protocol';

/** The little of a Worker that a client needs. */
export interface WorkerLike {
  onmessage: ((event: MessageEvent) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
  postMessage(message: unknown): void;
  terminate(): void;
}

export interface RunOptions {
  readonly onProgress?: (share: number) => void;
  /** Gives the work up: the worker is ended, and a new one made when there is work again. */
  readonly signal?: AbortSignal;
}

/** How a run ended: with its output, given up, or with what went wrong. */
export type RunOutcome<Output> =
  | { readonly ok: true; readonly output: Output }
  | { readonly ok: false; readonly reason: 'cancelled' | 'failed'; readonly message: string };

interface Pending<Output> {
  readonly settle: (outcome: RunOutcome<Output>) => void;
  readonly onProgress: ((share: number) => void) | undefined;
}

/** Owns the life of one kind of worker: made when first needed, ended when given up, all that waits told if it dies. */
export class WorkerClient<Input, Output> {
  private worker: WorkerLike | null = null;
  private readonly pending = new Map<number, Pending<Output>>();
  private count = 0;

  constructor(private readonly make: () => WorkerLike) {}

  run(input: Input, { onProgress, signal }: RunOptions = {}): Promise<RunOutcome<Output>> {
    if (signal?.aborted) return Promise.resolve({ ok: false, reason: 'cancelled', message: '' });
    const worker = (this.worker ??= this.start());
    const id = ++this.count;
    return new Promise((resolve) => {
      const giveUp = () => this.end('cancelled', '');
      const settle = (outcome: RunOutcome<Output>) => {
        signal?.removeEventListener('abort', giveUp);
        this.pending.delete(id);
        resolve(outcome);
      };
      this.pending.set(id, { settle, onProgress });
      signal?.addEventListener('abort', giveUp);
      worker.postMessage({ id, input } satisfies WorkerRequest<Input>);
    });
  }

  private start(): WorkerLike {
    const worker = this.make();
    worker.onmessage = ({ data }: MessageEvent<WorkerAnswer<Output>>) => {
      const waiting = this.pending.get(data.id);
      if (data.kind === 'progress') waiting?.onProgress?.(data.share);
      else if (data.kind === 'done') waiting?.settle({ ok: true, output: data.output });
      else waiting?.settle({ ok: false, reason: 'failed', message: data.message });
    };
    worker.onerror = (event) => this.end('failed', event.message);
    return worker;
  }

  private end(reason: 'cancelled' | 'failed', message: string): void {
    this.worker?.terminate();
    this.worker = null;
    for (const { settle } of [...this.pending.values()]) settle({ ok: false, reason, message });
  }
}
