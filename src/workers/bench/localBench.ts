import type { BenchControls, HiddenLdr } from '@/core/practice/bench';
import type { BenchPort, EventStream } from '@/devices/benchSource';
import type { WorkerLike } from '../client';
import type { BenchAnswer, BenchQuestion } from './protocol';

const OPEN = 1;
const CLOSED = 2;

/** The simulated bench without a server: in a worker of this page, behind the same interface. */
export class LocalBench implements BenchPort {
  private worker: WorkerLike | null = null;
  private count = 0;
  private readonly waiting = new Map<number, (answer: BenchAnswer | null) => void>();
  private hear: ((answer: Extract<BenchAnswer, { kind: 'event' }>) => void) | null = null;

  constructor(private readonly make: () => WorkerLike) {}

  connect(id: string, since: number | null): EventStream {
    const listeners = new Map<string, (event: MessageEvent<string>) => void>();
    let readyState = OPEN;
    const stream: EventStream = {
      get readyState() {
        return readyState;
      },
      onopen: null,
      onerror: null,
      addEventListener: (type, listener) => void listeners.set(type, listener),
      close: () => {
        readyState = CLOSED;
        this.hear = null;
        this.ask({ kind: 'leave' });
      },
    };
    this.hear = ({ event }) => {
      const data = JSON.stringify(event.kind === 'sample' ? event.sample : event.controls);
      listeners.get(event.kind)?.(new MessageEvent('message', { data }));
    };
    // Whoever connects has its listeners on by then, as with a stream over the network.
    queueMicrotask(() => {
      if (readyState === CLOSED) return;
      stream.onopen?.(new Event('open'));
      this.ask({ kind: 'join', id, since });
    });
    return stream;
  }

  async control(id: string, change: Partial<BenchControls>): Promise<BenchControls | null> {
    const answer = await this.answerTo((question) => ({ kind: 'control', id, question, change }));
    return answer?.kind === 'controls' ? answer.controls : null;
  }

  async reveal(id: string): Promise<HiddenLdr | null> {
    const answer = await this.answerTo((question) => ({ kind: 'hidden', id, question }));
    return answer?.kind === 'hidden' ? answer.hidden : null;
  }

  private answerTo(asked: (question: number) => BenchQuestion): Promise<BenchAnswer | null> {
    const question = ++this.count;
    return new Promise((resolve) => {
      this.waiting.set(question, resolve);
      this.ask(asked(question));
    });
  }

  private ask(question: BenchQuestion): void {
    this.worker ??= this.start();
    this.worker.postMessage(question);
  }

  private start(): WorkerLike {
    const worker = this.make();
    worker.onmessage = ({ data }: MessageEvent<BenchAnswer>) => {
      if (data.kind === 'event') return this.hear?.(data);
      this.waiting.get(data.question)?.(data);
      this.waiting.delete(data.question);
    };
    worker.onerror = () => {
      this.worker = null;
      for (const settle of this.waiting.values()) settle(null);
      this.waiting.clear();
    };
    return worker;
  }
}

/** The one bench of this page that needs no server. */
export const localBench = new LocalBench(
  () => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' }),
);
