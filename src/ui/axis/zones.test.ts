import { describe, expect, it } from 'vitest';
import { DEFAULT_LIGHT } from '@/core/light/range';
import type { Crossing, SwitchPoint } from '@/core/light/crossing';
import type { Design } from '@/core/design';
import type { Action } from '@/core/drivers/kinds';
import { zonesOf } from './zones';
import { passedOff } from '@/core/testRecord';

const point = (lux: number): SwitchPoint => ({ ok: true, lux, lowLux: lux, highLux: lux });
const none = (reason: Exclude<Crossing, { ok: true }>['reason']): SwitchPoint => ({ ok: false, reason });
const kinds = (action: Action, justOff: SwitchPoint, fullyOn: SwitchPoint) =>
  zonesOf({ action, justOff, fullyOn, range: DEFAULT_LIGHT, thresholds: null });

describe('zones of the load', () => {
  it('run on, partly on, off toward the light when the load is on in the dark', () => {
    const zones = kinds('on-in-dark', point(100), point(10));
    expect(zones.map((zone) => zone.kind)).toEqual(['on', 'soft', 'off']);
    expect(zones[0]?.to).toBeCloseTo(2 / 6, 9);
    expect(zones[1]?.to).toBeCloseTo(3 / 6, 9);
  });

  it('run the other way when it is on in the light', () => {
    expect(kinds('on-in-light', point(10), point(100)).map((zone) => zone.kind)).toEqual([
      'off',
      'soft',
      'on',
    ]);
  });

  it('leave out what is never reached', () => {
    expect(kinds('on-in-dark', point(10), none('stays-below')).map((zone) => zone.kind)).toEqual([
      'soft',
      'off',
    ]);
    expect(kinds('on-in-dark', none('stays-below'), none('stays-below'))).toEqual([
      { kind: 'off', from: 0, to: 1 },
    ]);
    expect(kinds('on-in-dark', none('stays-above'), none('stays-above'))).toEqual([
      { kind: 'on', from: 0, to: 1 },
    ]);
    expect(kinds('on-in-light', none('stays-above'), none('stays-above'))).toEqual([
      { kind: 'on', from: 0, to: 1 },
    ]);
    expect(kinds('on-in-light', point(50), none('stays-below')).map((zone) => zone.kind)).toEqual([
      'off',
      'soft',
    ]);
  });

  it('always cover the whole axis without a gap', () => {
    for (const action of ['on-in-dark', 'on-in-light'] as const) {
      const [off, on] = action === 'on-in-dark' ? [point(70), point(30)] : [point(30), point(70)];
      const zones = kinds(action, off, on);
      expect(zones[0]?.from).toBe(0);
      expect(zones[zones.length - 1]?.to).toBe(1);
      zones.slice(1).forEach((zone, index) => expect(zone.from).toBe(zones[index]?.to));
    }
  });
});

describe('zones of a detector', () => {
  const facts = (rising: SwitchPoint, falling: SwitchPoint) => ({
    rising,
    falling,
    risingVolts: null,
    fallingVolts: null,
  });
  const of = (isOn: readonly boolean[], boundaries: readonly ReturnType<typeof facts>[]) => {
    const thresholds = passedOff<Design['thresholds']>({ isOn, boundaries });
    const rest = {
      action: 'on-in-dark',
      justOff: point(1),
      fullyOn: point(1),
      range: DEFAULT_LIGHT,
    } as const;
    return zonesOf({ ...rest, thresholds }).map(({ kind, from, to }) => [
      kind,
      from.toFixed(3),
      to.toFixed(3),
    ]);
  };

  it('have a stretch that stays as it was between the way up and the way down', () => {
    expect(of([true, false], [facts(point(100), point(10))])).toEqual([
      ['on', '0.000', '0.333'],
      ['soft', '0.333', '0.500'],
      ['off', '0.500', '1.000'],
    ]);
  });

  it('join the steps of a ladder', () => {
    const steps = [
      facts(point(10), point(10)),
      facts(point(100), point(100)),
      facts(point(1000), point(1000)),
    ];
    expect(of([false, true, true, true], steps).map(([kind]) => kind)).toEqual(['off', 'on']);
  });

  it('show a window on between its edges, and a latch that never releases', () => {
    const window = of([false, true, false], [facts(point(10), point(10)), facts(point(1000), point(1000))]);
    expect(window.map(([kind]) => kind)).toEqual(['off', 'on', 'off']);
    const latch = of([true, false], [facts(none('stays-above'), point(10))]);
    expect(latch).toEqual([
      ['on', '0.000', '0.333'],
      ['soft', '0.333', '1.000'],
    ]);
  });
});
