import { describe, expect, it } from 'vitest';
import { changeLoad } from '../../project/edits';
import { sampleNamed } from '../../project/testSamples';
import { benchOf } from '../testBenches';
import type { Fault } from '../fault';
import { OVER_OHMS, type Probe } from '../probe';
import { rowOf } from '../row';
import { loadsToSee, seenIn } from '../seen';
import { DARK } from '../testLights';

const ROWS = 2;
const { bench, design } = benchOf(
  changeLoad({ strings: ROWS, seriesOhms: 1200 })(sampleNamed('Platform lamps')),
  4,
);
const healthy: Fault = { kind: 'healthy' };
const [amps, load] = [
  { kind: 'amps', light: DARK },
  { kind: 'load', light: DARK },
] as const;
const across = (designator: string): Probe => ({ kind: 'ohms', designator, light: DARK });
const found = (fault: Fault, probe: Probe) => rowOf(bench, { fault }, [probe])[0]?.[0] ?? NaN;

describe('rows of LEDs side by side', () => {
  it('pass together what the design says, each through a resistor that reads as it was bought', () => {
    expect(found(healthy, amps) / design.full.amps).toBeCloseTo(1, 1);
    expect(Math.exp(found(healthy, across('R2')))).toBeCloseTo(1200, 0);
  });

  it('are dark one at a time: where a resistor is open or an LED turned round, the others stay lit', () => {
    const whole = found(healthy, amps);
    expect(seenIn(found(healthy, load), 1)).toEqual(['on']);
    expect(loadsToSee(bench.assembly)).toMatchObject([{ isByDegrees: true, hasRows: true }]);
    for (const fault of [
      { kind: 'open', designator: 'R2', net: null },
      { kind: 'open', designator: 'D1', net: null },
      { kind: 'reversed', designator: 'D1' },
    ] as const) {
      expect(found(fault, amps) / whole, fault.designator).toBeCloseTo((ROWS - 1) / ROWS, 1);
      expect(seenIn(found(fault, load), 1), fault.designator).toEqual(['dim']);
    }
    expect(found({ kind: 'open', designator: 'R2', net: null }, across('R2'))).toBeGreaterThan(
      Math.log(OVER_OHMS) / 2,
    );
  });

  it('get more in one of them where its resistor is too small', () => {
    const times = found({ kind: 'value', designator: 'R2', times: 0.1 }, amps) / found(healthy, amps);
    expect(times).toBeGreaterThan(1.5);
    expect(times).toBeLessThan(10);
    expect(Math.exp(found({ kind: 'value', designator: 'R2', times: 0.1 }, across('R2')))).toBeCloseTo(
      120,
      0,
    );
  });
});
