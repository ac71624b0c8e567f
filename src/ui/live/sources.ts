import type { LineFormat } from '@/core/live/lineProtocol';
import type { LogRecord, LogSeries } from '@/core/live/log';
import { BenchSource, hasServerBench, serverBench, type BenchPort } from '@/devices/benchSource';
import { KeyboardSource } from '@/devices/keyboardSource';
import { ReplaySource } from '@/devices/replaySource';
import { SerialSource, type SerialLike } from '@/devices/serialSource';
import { LogRecorder } from '@/store/logRecorder';
import type { LogStorage } from '@/store/storage';
import { localBench } from '@/workers/bench/localBench';
import type { LiveSession } from './liveSession';
import { noLocks, type LocksLike } from './recording';

const every = (milliseconds: number, call: () => void) => {
  const timer = setInterval(call, milliseconds);
  return () => clearInterval(timer);
};

export const after = (milliseconds: number, call: () => void) => {
  const timer = setTimeout(call, milliseconds);
  return () => clearTimeout(timer);
};

export const keyboardSource = () => new KeyboardSource();

/** The server's bench answers within this time, or the page's own is taken. */
const SERVER_MILLISECONDS = 1500;

const onServer = serverBench((address) => new EventSource(address));

/** Where the bench is at present. */
let port: BenchPort = onServer;

async function findBench(id: string): Promise<BenchPort> {
  port = (await hasServerBench(id, SERVER_MILLISECONDS)) ? onServer : localBench;
  return port;
}

export const controlBench: BenchPort['control'] = (id, change) => port.control(id, change);
export const revealBench: BenchPort['reveal'] = (id) => port.reveal(id);

export const benchSource = (session: LiveSession, id: string, since: number | null) =>
  new BenchSource(
    id,
    since,
    (controls) => session.setControls(controls),
    async () => {
      const found = await findBench(id);
      session.setBenchPlace(found === localBench ? 'page' : 'server');
      return found;
    },
  );

export function serialSource(format: LineFormat, baudRate: number) {
  const { serial } = navigator as Navigator & { serial?: SerialLike };
  return new SerialSource(serial, format, baudRate, Date.now);
}

export const replaySource = (series: LogSeries, speed: number) =>
  new ReplaySource(series, speed, Date.now, every);

/** The browser's locks, by which tabs agree who records. */
export const browserLocks = (): LocksLike => ('locks' in navigator ? navigator.locks : noLocks);

/** Records into a log, and shows in the session how that goes. */
export const recorderFor =
  (session: LiveSession, logs: LogStorage) => (record: LogRecord, series: LogSeries, isNew: boolean) =>
    new LogRecorder(record, series, logs, after, (logSaved) => session.store.setState({ logSaved }), isNew);
