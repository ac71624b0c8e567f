import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { hands, LASTING, lightUnder } from './hands';
import { KEPT_SECONDS, LiveBench } from './liveBench';
import { machineOf } from './machine';

const platform = sampleNamed('Platform lamps');

function machineFor(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return machineOf(project, analysis.design);
}

describe('hands over the light', () => {
  it('leave it as it was once they have gone, but for a sunset', () => {
    for (const hand of hands) {
      const bench = new LiveBench([machineFor(platform)], 300, 100);
      bench.tap(hand);
      bench.advance(1);
      if (LASTING.includes(hand)) bench.tap(hand);
      bench.advance(KEPT_SECONDS + 5);
      expect(bench.gestures).toEqual([]);
      const { lux } = bench.samples.at(-1)!;
      expect(lux / (hand === 'sunset' ? 0.3 : 300)).toBeCloseTo(1, 2);
    }
  });

  it('make it darker or brighter as they do in a room', () => {
    const at = (hand: (typeof hands)[number], since: number) =>
      lightUnder(300, [{ hand, from: 0, endedAt: null }], since, 100);
    for (const darker of ['hand', 'cover', 'cloud', 'beam'] as const)
      expect(at(darker, 0.6)).toBeLessThan(300);
    for (const brighter of ['torch', 'headlights', 'room-lamp'] as const)
      expect(at(brighter, 0.7)).toBeGreaterThan(300);
    expect(at('cover', 5)).toBeCloseTo(0.3, 2);
    expect(at('beam', 5)).toBeCloseTo(200, 6);
  });
});

describe('a live bench', () => {
  it('switches under a hand and back again, and keeps a minute to look back on', () => {
    const bench = new LiveBench([machineFor(platform)], 300, 0);
    bench.advance(2);
    bench.tap('hand');
    bench.advance(80);
    expect(bench.events.map(({ isOn }) => isOn)).toEqual([true, false]);
    expect(bench.samples.at(-1)!.time - bench.samples[0]!.time).toBeLessThanOrEqual(KEPT_SECONDS + 0.1);
    expect(bench.samples.length).toBeGreaterThan(3000);
    expect(bench.at(bench.time - 10)!.time).toBeCloseTo(bench.time - 10, 1);
  });

  it('is the same however its frames come', () => {
    const events = (frame: number) => {
      const bench = new LiveBench([machineFor(platform)], 300, 0);
      bench.tap('cloud');
      for (let time = 0; time < 30; time += frame) bench.advance(frame);
      return bench.events.map(({ at, isOn }) => [at.toFixed(2), isOn]);
    };
    expect(events(1 / 60)).toEqual(events(1 / 30));
  });

  it('has two designs under one hand', () => {
    const other = chooseDetector('timer')(platform);
    const bench = new LiveBench([machineFor(platform), machineFor(other)], 2000, 0);
    bench.tap('sunset');
    bench.advance(70);
    expect(new Set(bench.events.map(({ design }) => design))).toEqual(new Set([0, 1]));
    expect(bench.samples.at(-1)!.shares).toHaveLength(2);
  });

  it('turns its light to another', () => {
    const bench = new LiveBench([machineFor(platform)], 300, 0);
    bench.turnTo(2);
    bench.advance(1);
    expect(bench.lux).toBe(2);
    expect(bench.events.at(-1)?.isOn).toBe(true);
  });
});
