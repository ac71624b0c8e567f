import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  HANDS_FREE_START,
  handsFreeStep,
  type HandsFreePhase,
  type HandsFreeState,
} from '@/core/live/handsFree';
import type { MeterSample } from '@/core/live/sample';
import type { ReadingLight } from '@/core/readings/reading';
import type { LiveSession } from './liveSession';

/** What a run along a plan tells of itself. */
export type HandsFreeNews = 'taken' | 'not-yet' | 'next' | 'done' | 'full';

export interface HandsFreeRun {
  readonly isRunning: boolean;
  readonly phase: HandsFreePhase;
  /** How many were taken in this run. */
  readonly count: number;
  readonly last: MeterSample | null;
  /** It has come to the end of its plan. */
  readonly isDone: boolean;
}

export interface HandsFreeOptions {
  readonly session: LiveSession;
  /** The light to be read now; `null` where the plan is over. */
  readonly planned: () => ReadingLight | null;
  /** The light of a sample in a series without a plan; `null` where nothing tells it. */
  readonly lightOf: (sample: MeterSample, count: number) => ReadingLight | null;
  /** @returns whether there was room for it */
  readonly take: (sample: MeterSample, light: ReadingLight) => boolean;
  readonly tell: (news: HandsFreeNews) => void;
}

const IDLE: HandsFreeRun = { isRunning: false, phase: 'set', count: 0, last: null, isDone: false };
/** A light that is not as it should be is told again after so long, in ms. */
const REMIND_MILLISECONDS = 8000;

/** Measures along a plan, or a free series, while both hands are at the lamp. */
export class HandsFree {
  readonly store: StoreApi<HandsFreeRun> = createStore<HandsFreeRun>(() => IDLE);
  private state: HandsFreeState = HANDS_FREE_START;
  private follows = false;
  private remindedAt = 0;
  private unsubscribe: () => void = () => undefined;

  constructor(private readonly options: HandsFreeOptions) {}

  start(): void {
    this.stop();
    this.state = HANDS_FREE_START;
    this.remindedAt = 0;
    this.follows = this.options.planned() !== null;
    this.store.setState({ ...IDLE, isRunning: true });
    const { store } = this.options.session;
    let seen = store.getState().last;
    this.unsubscribe = store.subscribe(({ last }) => {
      if (last && last !== seen) {
        seen = last;
        this.hear(last);
      }
    });
    this.options.tell('next');
  }

  stop(): void {
    this.unsubscribe();
    this.unsubscribe = () => undefined;
    this.store.setState({ isRunning: false });
  }

  private hear(sample: MeterSample): void {
    const { session, planned, lightOf, take, tell } = this.options;
    const { count } = this.store.getState();
    const light = this.follows ? planned() : lightOf(sample, count);
    if (light === null) {
      // Dropped or skipped by hand: it is over, but not all of it was read.
      if (this.follows) this.stop();
      return;
    }
    const { kind, settling } = session.store.getState();
    // A figure that was typed is one that a person has seen come to rest.
    const isTyped = kind === 'keyboard';
    const step = isTyped
      ? { state: { phase: 'set' as const, taken: { sample, light }, restingSince: null }, takes: true }
      : handsFreeStep(this.state, sample, settling, light);
    const isNewlyWrong =
      step.state.phase === 'wrong-way' && sample.at - this.remindedAt > REMIND_MILLISECONDS;
    this.state = step.state;
    this.store.setState({ phase: step.state.phase });
    if (isNewlyWrong) {
      this.remindedAt = sample.at;
      tell('not-yet');
    }
    if (!step.takes) return;
    if (!take(sample, light)) {
      this.stop();
      return tell('full');
    }
    this.store.setState({ count: count + 1, last: sample });
    tell('taken');
    if (this.follows && planned() === null) this.finish();
    else tell('next');
  }

  private finish(): void {
    this.stop();
    this.store.setState({ isDone: true });
    this.options.tell('done');
  }
}
