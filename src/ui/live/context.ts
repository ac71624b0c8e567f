import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { LiveSession, LiveState } from './liveSession';
import type { Recording } from './recording';

export interface Live {
  readonly session: LiveSession;
  readonly projectId: string;
  /** Name of this project's simulated bench on the server; `null` until the kept one is known. */
  readonly benchId: string | null;
  /** Puts another bench, with another hidden LDR, in its place. */
  readonly renewBench: () => void;
  /** Who records; `null` until the storage is open. */
  readonly recording: Recording | null;
}

export const LiveContext = createContext<Live | null>(null);

export function useLive(): Live {
  const live = useContext(LiveContext);
  if (!live) throw new Error('a live part outside a live project');
  return live;
}

/** A narrow value of the live meter. */
export function useLiveState<T>(select: (state: LiveState) => T): T {
  return useStore(useLive().session.store, select);
}
