import { describe, expect, it } from 'vitest';
import type { MeterSample } from '@/core/live/sample';
import type { ReadingLight } from '@/core/readings/reading';
import { KeyboardSource } from '@/devices/keyboardSource';
import { HandsFree, type HandsFreeNews } from './handsFree';
import { LiveSession } from './liveSession';

const rungAt = (metres: number): ReadingLight => ({ kind: 'lamp', metres, layers: 0 });
const sampleOf = (at: number, ohms: number): MeterSample => ({
  at,
  ohms,
  above: false,
  rangeOhms: null,
  lux: null,
});

async function typing(plan: ReadingLight[]) {
  const session = new LiveSession();
  await session.connect(new KeyboardSource());
  const news: HandsFreeNews[] = [];
  const taken: { ohms: number; light: ReadingLight }[] = [];
  const run = new HandsFree({
    session,
    planned: () => plan[0] ?? null,
    lightOf: (_, count) => (count < 2 ? { kind: 'level', level: `l${count}` } : null),
    take: ({ ohms }, light) => {
      taken.push({ ohms, light });
      plan.shift();
      return taken.length < 4;
    },
    tell: (one) => news.push(one),
  });
  return { session, run, news, taken };
}

describe('hands free', () => {
  it('goes along the plan at the keyboard, one key a light, and ends with it', async () => {
    const { session, run, news, taken } = await typing([rungAt(0.25), rungAt(0.35)]);
    run.start();
    session.typed(sampleOf(1000, 900));
    session.typed(sampleOf(9000, 1500));
    session.typed(sampleOf(12_000, 1500));
    expect(taken).toEqual([
      { ohms: 900, light: rungAt(0.25) },
      { ohms: 1500, light: rungAt(0.35) },
    ]);
    expect(news).toEqual(['next', 'taken', 'next', 'taken', 'done']);
    expect(run.store.getState()).toMatchObject({ isRunning: false, isDone: true, count: 2 });
  });

  it('is over, but not done, when its plan is dropped; and stops where there is no more room', async () => {
    const plan = [rungAt(0.25), rungAt(0.35)];
    const { session, run, news } = await typing(plan);
    run.start();
    plan.length = 0;
    session.typed(sampleOf(1000, 900));
    expect(run.store.getState()).toMatchObject({ isRunning: false, isDone: false, count: 0 });
    expect(news).toEqual(['next']);
    const full = await typing([0.2, 0.3, 0.4, 0.5, 0.6].map(rungAt));
    full.run.start();
    for (let i = 1; i <= 5; i++) full.session.typed(sampleOf(i * 1000, i * 100));
    expect(full.news.at(-1)).toBe('full');
    expect(full.run.store.getState()).toMatchObject({ isRunning: false, count: 3 });
  });

  it('is a free series without a plan, and stops when it is told to', async () => {
    const { session, run, taken } = await typing([]);
    run.start();
    session.typed(sampleOf(1000, 900));
    run.stop();
    session.typed(sampleOf(2000, 800));
    expect(taken).toEqual([{ ohms: 900, light: { kind: 'level', level: 'l0' } }]);
    expect(run.store.getState()).toMatchObject({ isRunning: false, isDone: false });
  });
});
