import { BenchHub } from '@/devices/benchHub';

const keeper = globalThis as typeof globalThis & { yemkoBenches?: BenchHub };

/** The one hub of this server, however often its modules are loaded anew. */
export function benchHub(): BenchHub {
  keeper.yemkoBenches ??= new BenchHub(Date.now, (milliseconds, call) => {
    const timer = setInterval(call, milliseconds);
    timer.unref();
    return () => clearInterval(timer);
  });
  return keeper.yemkoBenches;
}

/** Whether a name can be a bench's. */
export const isBenchId = (id: string) => /^[A-Za-z0-9_-]{1,40}$/.test(id);
