import { useCallback, useEffect, useRef, useState } from 'react';
import type { RunOptions, RunOutcome, RunTrouble } from '@/workers/client';

/** A long work beside the page, as it stands. */
export interface Work<Output> {
  /** How much is done, 0 to 1; `null` while nothing runs. */
  readonly running: number | null;
  /** Why the last one gave nothing; `null` where it did not fail. */
  readonly failed: RunTrouble | null;
  /** The last result, while it still belongs to what is asked. */
  readonly result: Output | null;
  readonly start: () => void;
  readonly cancel: () => void;
}

interface Client<Input, Output> {
  run(input: Input, options?: RunOptions): Promise<RunOutcome<Output>>;
}

/**
 * Begins a work when asked, gives it up on cancel and when the screen is left.
 * @param key what the result depends on: another one forgets it
 */
export function useWork<Input, Output>(
  client: Client<Input, Output>,
  input: Input,
  key: string,
): Work<Output> {
  const [running, setRunning] = useState<number | null>(null);
  const [kept, setKept] = useState<{ readonly of: string; readonly result: Output } | null>(null);
  const [failed, setFailed] = useState<RunTrouble | null>(null);
  const control = useRef<AbortController | null>(null);
  useEffect(() => () => control.current?.abort(), []);
  const start = useCallback(async () => {
    control.current?.abort();
    const own = new AbortController();
    control.current = own;
    setFailed(null);
    setRunning(0);
    const outcome = await client.run(input, { onProgress: setRunning, signal: own.signal });
    if (control.current !== own) return;
    setRunning(null);
    if (outcome.ok) setKept({ of: key, result: outcome.output });
    else setFailed(outcome.reason === 'cancelled' ? null : outcome.reason);
  }, [client, input, key]);
  return {
    running,
    failed,
    result: kept?.of === key ? kept.result : null,
    start: () => void start(),
    cancel: () => control.current?.abort(),
  };
}
