import { describe, expect, it } from 'vitest';
import { probeOf } from '../analyse/probe';
import { analyse } from '../design';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { hands, LASTING, lightUnder, unitLuxOf } from './hands';
import { KEPT_SECONDS, LiveBench } from './liveBench';
import { machineOf } from './machine';

const platform = sampleNamed('Platform lamps');

const bare = { beamLux: 0, unitLux: 1 };

function machineFor(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return machineOf(project, analysis.design);
}

describe('hands over the light', () => {
  it('leave it as it was once they have gone, but for a sunset', () => {
    for (const hand of hands) {
      const bench = new LiveBench([machineFor(platform)], 300, { beamLux: 100, unitLux: 1 });
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
      lightUnder(300, [{ hand, from: 0, endedAt: null }], since, { beamLux: 100, unitLux: 1 });
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
    const bench = new LiveBench([machineFor(platform)], 300, bare);
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
      const bench = new LiveBench([machineFor(platform)], 300, bare);
      bench.tap('cloud');
      for (let time = 0; time < 30; time += frame) bench.advance(frame);
      return bench.events.map(({ at, isOn }) => [at.toFixed(2), isOn]);
    };
    expect(events(1 / 60)).toEqual(events(1 / 30));
  });

  it('has two designs under one hand', () => {
    const other = chooseDetector('timer')(platform);
    const bench = new LiveBench([machineFor(platform), machineFor(other)], 2000, bare);
    bench.tap('sunset');
    bench.advance(70);
    expect(new Set(bench.events.map(({ design }) => design))).toEqual(new Set([0, 1]));
    expect(bench.samples.at(-1)!.shares).toHaveLength(2);
  });

  it('turns its light to another', () => {
    const bench = new LiveBench([machineFor(platform)], 300, bare);
    bench.turnTo(2);
    // What was meant is known before the time goes on.
    expect([bench.aimLux, bench.lux]).toEqual([2, 300]);
    bench.advance(1);
    expect([bench.aimLux, bench.lux]).toEqual([2, 2]);
    expect(bench.events.at(-1)?.isOn).toBe(true);
  });

  it('shows the midpoint cross the threshold at which it switches, and the other take its place', () => {
    const bench = new LiveBench([machineFor(sampleNamed('Seedling shelf'))], 3000, bare);
    bench.advance(2);
    bench.turnTo(20);
    bench.advance(20);
    const moved = bench.samples.findIndex(({ thresholds }) => thresholds.darkerVolts === null);
    const [before, after] = [bench.samples[moved - 1]!, bench.samples[moved]!];
    expect(before.thresholds.darkerVolts).not.toBeNull();
    expect(Math.sign(before.midVolts - before.thresholds.darkerVolts!)).toBe(
      Math.sign(after.thresholds.brighterVolts! - after.midVolts),
    );
    expect(before.thresholds.brighterVolts).toBeNull();
    expect(after.thresholds.brighterVolts).not.toBeCloseTo(before.thresholds.darkerVolts!, 2);
  });
});

describe('the circuit as it is on the bench', () => {
  it('has its load on while a pulse lasts, though the light that began it has come back', () => {
    const gate = sampleNamed('Marble gate');
    const bright = 6 * gate.goal.lux;
    const bench = new LiveBench([machineFor(gate)], bright, bare);
    bench.advance(1);
    for (const lux of [gate.goal.lux / 6, bright]) {
      bench.turnTo(lux);
      bench.advance(0.2);
    }
    const sample = bench.samples.at(-1)!;
    expect(sample.lux / bright).toBeCloseTo(1, 3);
    expect(sample.shares[0]).toBeGreaterThan(0.5);
    const probe = probeOf(gate);
    const held = probe(sample.lux, { position: sample.tablePosition, isHeld: true })!;
    expect(held.loadAmps).toBeGreaterThan(0.01);
    expect(held.midVolts).toBeCloseTo(sample.midVolts, 1);
    expect(probe(sample.lux, held.state)!.loadAmps).toBeLessThan(0.01 * held.loadAmps);
  });
});

describe('hands where no lux is known', () => {
  it('add to the light in multiples of the goal, whatever its figure', () => {
    for (const goalLux of [1e-4, 0.7, 9000]) {
      const unitLux = unitLuxOf('ohms', goalLux);
      const lit = lightUnder(goalLux, [{ hand: 'torch', from: 0, endedAt: null }], 0.7, {
        beamLux: 0,
        unitLux,
      });
      expect(lit / goalLux).toBeCloseTo(61, 6);
    }
    expect(unitLuxOf('lux', 9000)).toBe(1);
  });
});
