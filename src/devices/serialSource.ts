import { LineSplitter, parseLine, type LineFormat } from '@/core/live/lineProtocol';
import type { MeterSource, SourceListener } from './meterSource';

/** The little of the Web Serial interface that is used here. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
}

export interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
}

/** A board or meter on a serial port that tells a figure in each line (docs/meter-lines.md). */
export class SerialSource implements MeterSource {
  readonly kind = 'serial';
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  private closing = false;

  /** @param serial the browser's serial ports; `undefined` where it has none */
  constructor(
    private readonly serial: SerialLike | undefined,
    private readonly format: LineFormat,
    private readonly baudRate: number,
    private readonly clock: () => number,
  ) {}

  async open(listener: SourceListener): Promise<void> {
    if (!this.serial) return this.give(listener, 'unsupported');
    listener.onState('opening');
    let port: SerialPortLike;
    try {
      port = await this.serial.requestPort();
    } catch {
      return this.give(listener, 'not-chosen');
    }
    try {
      await port.open({ baudRate: this.baudRate });
    } catch {
      return this.give(listener, 'port-busy');
    }
    listener.onState('open');
    void this.readAll(port, listener);
  }

  private give(listener: SourceListener, code: 'unsupported' | 'not-chosen' | 'port-busy') {
    listener.onTrouble({ code });
    listener.onState('closed');
  }

  private async readAll(port: SerialPortLike, listener: SourceListener): Promise<void> {
    const [splitter, decoder, startedAt] = [new LineSplitter(), new TextDecoder(), this.clock()];
    let first = true;
    try {
      // A stream that fails with a framing error is replaced by a new one; one that is gone is null, or stays as it is.
      let stream: ReadableStream<Uint8Array> | null = null;
      let ended = false;
      while (port.readable && port.readable !== stream && !ended && !this.closing) {
        stream = port.readable;
        this.reader = stream.getReader();
        try {
          for (;;) {
            const { value, done } = await this.reader.read();
            ended = done;
            if (done) break;
            for (const line of splitter.feed(decoder.decode(value, { stream: true }))) {
              // Whoever comes in the middle of a line hears only its end.
              if (!first) this.tell(line, startedAt, listener);
              first = false;
            }
          }
        } catch {
          listener.onTrouble({ code: 'line', reason: 'torn', line: '' });
        } finally {
          this.reader.releaseLock();
          this.reader = null;
        }
      }
    } finally {
      if (!this.closing) listener.onTrouble({ code: 'unplugged' });
      await port.close().catch(() => undefined);
      listener.onState('closed');
    }
  }

  private tell(line: string, startedAt: number, listener: SourceListener) {
    const parsed = parseLine(line, this.format, this.clock(), startedAt);
    if (!parsed.ok) listener.onTrouble({ code: 'line', reason: parsed.reason, line: parsed.line });
    else if (parsed.sample) listener.onSample(parsed.sample);
    else if ('figure' in parsed) listener.onFigure?.(parsed.figure);
  }

  async close(): Promise<void> {
    this.closing = true;
    await this.reader?.cancel().catch(() => undefined);
  }
}
