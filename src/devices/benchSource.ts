import { meterSampleField } from '@/core/live/sample';
import {
  benchControlsField,
  hiddenLdrField,
  type BenchControls,
  type HiddenLdr,
} from '@/core/practice/bench';
import { soundOr, type Field } from '@/core/schema';
import type { MeterSource, SourceListener } from './meterSource';

/** The little of an EventSource that is used here. */
export interface EventStream {
  readonly readyState: number;
  onopen: ((event: Event) => void) | null;
  onerror: ((event: Event) => void) | null;
  addEventListener(type: string, listener: (event: MessageEvent<string>) => void): void;
  close(): void;
}

/** Where a simulated bench stands: on the server, or in a worker of the page. */
export interface BenchPort {
  /** @param since time of the last sample one has: what came after it is sent first; `null` to start now */
  connect(id: string, since: number | null): EventStream;
  /** Turns the knobs of a bench. @returns the knobs as they are now, or `null` where the change was not taken */
  control(id: string, change: Partial<BenchControls>): Promise<BenchControls | null>;
  /** Asks what a bench hides; `null` where there is no answer. */
  reveal(id: string): Promise<HiddenLdr | null>;
}

const CLOSED = 2;

/** The simulated bench, streamed from the server or from a worker. A lost connection comes back by itself and misses nothing. */
export class BenchSource implements MeterSource {
  readonly kind = 'bench';
  private stream: EventStream | null = null;
  private listener: SourceListener | null = null;

  /** @param since time of the last sample one has: what came after it is sent first; `null` to start now */
  constructor(
    private readonly id: string,
    private readonly since: number | null,
    private readonly onControls: (controls: BenchControls) => void,
    /** Finds the bench each time one connects: the server's, or another where the server does not answer. */
    private readonly find: () => Promise<BenchPort>,
  ) {}

  async open(listener: SourceListener): Promise<void> {
    this.listener = listener;
    listener.onState('opening');
    const port = await this.find();
    // It may have been left while it was looked for.
    if (this.listener !== listener) return;
    const stream = port.connect(this.id, this.since);
    this.stream = stream;
    stream.onopen = () => listener.onState('open');
    stream.onerror = () => {
      if (this.stream !== stream) return;
      if (stream.readyState !== CLOSED) return listener.onState('lost');
      listener.onTrouble({ code: 'no-bench' });
      listener.onState('closed');
    };
    const hear = <T>(type: string, field: Field<T>, take: (value: T) => void) =>
      stream.addEventListener(type, ({ data }) => {
        const value = soundOr(field, parsed(data));
        if (value === null) listener.onTrouble({ code: 'line', reason: 'torn', line: data });
        else take(value);
      });
    hear('sample', meterSampleField, (sample) => listener.onSample(sample));
    hear('controls', benchControlsField, this.onControls);
  }

  async close(): Promise<void> {
    this.stream?.close();
    this.stream = null;
    this.listener?.onState('closed');
    this.listener = null;
  }
}

/** The benches of the server. */
export const serverBench = (connect: (address: string) => EventStream): BenchPort => ({
  connect: (id, since) => connect(`/api/bench/${id}${since === null ? '' : `?since=${since}`}`),
  control: async (id, change) => {
    const answer = await fetch(`/api/bench/${id}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(change),
    }).catch(() => null);
    return answer?.ok ? soundOr(benchControlsField, parsed(await answer.text())) : null;
  },
  reveal: async (id) => {
    const answer = await fetch(`/api/bench/${id}/hidden`).catch(() => null);
    return answer?.ok ? soundOr(hiddenLdrField, parsed(await answer.text())) : null;
  },
});

/** Whether the server answers for its benches within a moment. */
export async function hasServerBench(id: string, milliseconds: number): Promise<boolean> {
  const signal = AbortSignal.timeout(milliseconds);
  const answer = await fetch(`/api/bench/${id}`, { method: 'HEAD', signal }).catch(() => null);
  return answer?.ok ?? false;
}

/** What came over the wire; `undefined` where it is no JSON. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
