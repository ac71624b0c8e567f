import { describe, expect, it } from 'vitest';
import { seriesFitted } from '../../advise/plans';
import { defaultLoads } from '../../loads/registry';
import { eachOhms } from '../../parts/kinds/resistor';
import { changeLoad, takeLoad } from '../../project/edits';
import { sampleProjects } from '../../project/samples';
import { sampleNamed } from '../../project/testSamples';
import { benchOf } from '../testBenches';
import { OVER_OHMS, type Probe } from '../probe';
import { rowOf } from '../row';
import { loadsToSee, seenIn } from '../seen';
import { BRIGHT, DARK } from '../testLights';

const ROWS = 2;
const { bench, design } = benchOf(
  changeLoad({ strings: ROWS, seriesOhms: 1200 })(sampleNamed('Platform lamps')),
  4,
);
type Single = Parameters<typeof rowOf>[1]['fault'];
const healthy: Single = { kind: 'healthy' };
const [amps, load] = [
  { kind: 'amps', light: DARK },
  { kind: 'load', light: DARK },
] as const;
const across = (designator: string): Probe => ({ kind: 'ohms', designator, light: DARK });
const found = (fault: Single, probe: Probe) => rowOf(bench, { fault }, [probe])[0]?.[0] ?? NaN;

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

  it('read and fail so on every sample’s switch, however many there are', () => {
    let lit = 0;
    for (const sample of sampleProjects)
      for (const strings of [2, 3, 5]) {
        const project = seriesFitted(takeLoad({ ...defaultLoads.led, strings })(sample));
        const { bench: its } = benchOf(project, 4);
        const series = its.assembly.parts.find(({ role }) => role === 'series');
        if (series?.kind !== 'resistor') continue;
        const place = `${strings} on ${sample.name}`;
        const of = (fault: Single, probe: Probe) => rowOf(its, { fault }, [probe])[0]?.[0] ?? NaN;
        const resistance = Math.exp(
          of(healthy, { kind: 'ohms', designator: series.designator, light: DARK }),
        );
        expect(resistance / eachOhms(series), place).toBeCloseTo(1, 2);
        const on = [DARK, BRIGHT].find(
          (light) => seenIn(of(healthy, { kind: 'load', light }), 1)[0] === 'on',
        );
        if (on === undefined || its.assembly.hasOwnOutputs) continue;
        lit++;
        const open = { kind: 'open', designator: series.designator, net: null } as const;
        const through = (fault: Single) => of(fault, { kind: 'amps', light: on });
        const left = through(open) / through(healthy);
        // What gives way gives a little more to those that are left.
        expect(left, place).toBeGreaterThan((strings - 1) / strings - 0.02);
        expect(left, place).toBeLessThan(1);
        expect(seenIn(of(open, { kind: 'load', light: on }), 1), place).toEqual(['dim']);
      }
    expect(lit).toBeGreaterThan(10);
  });
});
