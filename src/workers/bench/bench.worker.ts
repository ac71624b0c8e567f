import { benchHost } from './host';
import type { BenchQuestion } from './protocol';

const ask = benchHost(
  (answer) => self.postMessage(answer),
  Date.now,
  (milliseconds, call) => {
    const timer = setInterval(call, milliseconds);
    return () => clearInterval(timer);
  },
);
self.onmessage = ({ data }: MessageEvent<BenchQuestion>) => ask(data);
