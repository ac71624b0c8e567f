import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { promised, runs } from '../testRuns';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, noteMidpoint, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { chooseDetector } from '../size/chooseDetector';
import { ldrOhmsAt } from '../ldr/curve';
import { shippedComparators } from '../parts/kinds/comparator';
import { ldrOhmsBand } from '../ldr/model';
import { measuredLdr } from '../readings/ldrOf';
import { toleranceOf } from '../series/stock';
import { inputOhmsOf, luxOfMidpoint, midpointsOf } from './midpoints';
import { probeOf } from './probe';

const platform = sampleProjects[0];
/** A divider whose midpoint no base clamps, so that each mistake has a voltage of its own. */
const open: Project = changeDivider({ ldrSide: 'top', fixedOhms: 120 })(platform);
const at = { kind: 'lux', lux: 85 } as const;
const causeFor = (project: Project, volts: number) =>
  midpointsOf(noteMidpoint(at, volts)(project)).find(({ light }) => light.kind === 'lux' && light.lux === 85)
    ?.cause;

describe('midpoints on the bench', () => {
  it('are what the probe shows, a little less for the voltmeter, from dark to bright', () => {
    const probe = probeOf(platform);
    const midpoints = midpointsOf(platform);
    expect(midpoints).toHaveLength(platform.readings.length);
    for (const { light, volts, lowVolts, highVolts } of midpoints) {
      if (light.kind !== 'lux') throw new Error(light.kind);
      const shown = probe(light.lux)?.midVolts ?? 0;
      expect(volts).toBeLessThanOrEqual(shown + 1e-9);
      expect(volts).toBeGreaterThan(shown * 0.99);
      expect(lowVolts).toBeLessThan(volts);
      expect(highVolts).toBeGreaterThan(volts);
    }
  });

  it('may be wherever LDR and R1 are at any end of theirs, the meter at its own, and hardly farther', () => {
    for (const ldrSide of ['top', 'bottom'] as const) {
      // No base clamps it: the switch takes nothing.
      const part = shippedComparators.find(({ id }) => id === 'rail-op-amp')!;
      const project = together(
        chooseDetector('comparator'),
        changeDetector('comparator', { part }),
        changeDivider({ ldrSide, fixedOhms: 4700 }),
      )(platform);
      const { model } = measuredLdr(project);
      const tolerance = toleranceOf(project.resistors);
      const { supplyVolts } = project.divider;
      for (const { light, volts, lowVolts, highVolts } of midpointsOf(project)) {
        if (light.kind !== 'lux') throw new Error(light.kind);
        const { low, high } = ldrOhmsBand(model, light.lux, 'meter');
        const corners = [low, high].flatMap((ohms) =>
          [1 - tolerance, 1 + tolerance].map((share) => {
            const fixed = 4700 * share;
            return (supplyVolts * (ldrSide === 'top' ? fixed : ohms)) / (fixed + ohms);
          }),
        );
        const meter = 0.008 * volts + 0.003;
        // But for what the voltmeter draws.
        expect(lowVolts / (Math.min(...corners) - meter)).toBeCloseTo(1, 2);
        expect(highVolts / (Math.max(...corners) + meter)).toBeCloseTo(1, 2);
      }
    }
  });

  it('are read with 10 MΩ where nothing is known of the voltmeter', () => {
    // Nothing but the meter hangs on this midpoint: the comparator's inputs take a picoampere.
    const part = shippedComparators.find(({ id }) => id === 'rail-op-amp');
    if (!part) throw new Error('no such part');
    const project = together(
      chooseDetector('comparator'),
      changeDetector('comparator', { part }),
      changeDivider({ ldrSide: 'top', fixedOhms: 1e6, supplyVolts: 5 }),
    )({ ...platform, meter: null });
    const { curve } = measuredLdr(project).model;
    for (const { light, volts } of midpointsOf(project)) {
      if (light.kind !== 'lux') throw new Error(light.kind);
      const lower = 1 / (1 / 1e6 + 1 / 1e7);
      expect(volts / ((5 * lower) / (lower + ldrOhmsAt(curve, light.lux)))).toBeCloseTo(1, 3);
    }
    const nearLimit = midpointsOf(changeDivider({ ldrSide: 'bottom' })(project));
    for (const { light, volts } of nearLimit) {
      const ldr = light.kind === 'lux' ? ldrOhmsAt(curve, light.lux) : NaN;
      const lower = 1 / (1 / ldr + 1 / 1e7);
      expect(volts / ((5 * lower) / (lower + 1e6))).toBeCloseTo(1, 3);
    }
    expect(inputOhmsOf({ meter: null })).toBe(1e7);
  });

  it('are pulled down by a poor voltmeter', () => {
    const poor = {
      ...platform,
      meter: {
        id: 'old',
        name: 'Needle',
        counts: 2000,
        autoRange: false,
        inputOhms: 20_000,
        ranges: [{ fullOhms: 2e6, accuracyShare: 0.02, accuracyDigits: 2 }],
      },
    };
    const [good, bad] = [midpointsOf(platform)[0], midpointsOf(poor)[0]];
    expect(bad?.volts).toBeLessThan(good?.volts ?? 0);
  });

  it('tell the light that makes them, and none where no light does', () => {
    const told: boolean[] = [];
    for (const project of sampleProjects.slice(0, 6))
      for (const { light, volts } of midpointsOf(project)) {
        if (light.kind !== 'lux') continue;
        // Where a base clamps it, the midpoint hardly goes with the light.
        const found = luxOfMidpoint(project, volts);
        told.push(found.ok);
        if (found.ok) expect(Math.abs(Math.log(found.lux / light.lux))).toBeLessThan(0.05);
        else expect(found.reason).toBe('flat');
      }
    expect(new Set(told)).toEqual(new Set([true, false]));
    for (const volts of [50, -1])
      expect(luxOfMidpoint(platform, volts)).toEqual({ ok: false, reason: 'none' });
  });

  it('tell no light that a voltmeter’s error moves by more than it is said to be known, in any project', () => {
    let [told, flat] = [0, 0];
    for (let seed = 1; seed <= runs(1000, 120, 8); seed++) {
      const project = someProject(seed);
      for (const { light, volts } of midpointsOf(project)) {
        if (light.kind !== 'lux') continue;
        for (const off of [-1, 0, 1]) {
          const found = luxOfMidpoint(project, volts + off * (0.008 * Math.abs(volts) + 0.003));
          if (found.ok) expect(Math.abs(Math.log(found.lux / light.lux))).toBeLessThan(Math.log(1.26));
          if (found.ok) told += 1;
          else flat += 1;
        }
      }
    }
    promised('lights told by a midpoint, within the factor that is said', `${told} of ${told}`, 'all');
    expect(flat).toBeGreaterThan(12);
    expect(told).toBeGreaterThan(12);
  });

  it('say nothing of a light in which nothing was measured, whatever stands elsewhere', () => {
    for (let seed = 1; seed <= runs(400, 20); seed++) {
      const project = { ...someProject(seed), midpoints: [] };
      const [first] = midpointsOf(project);
      if (!first) continue;
      const noted = noteMidpoint(first.light, first.highVolts * 3 + 1)(project);
      for (const [index, { measuredVolts, cause }] of midpointsOf(noted).entries())
        expect([seed, measuredVolts !== null, cause !== null]).toEqual([seed, index === 0, index === 0]);
    }
  });

  it('say nothing of a voltage that is as it should be', () => {
    const [first] = midpointsOf(platform);
    if (!first) throw new Error('none');
    expect(midpointsOf(noteMidpoint(first.light, first.volts * 1.001)(platform))[0]).toMatchObject({
      cause: null,
    });
    expect(midpointsOf(noteMidpoint(first.light, null)(platform))[0]?.measuredVolts).toBeNull();
  });

  it('are told from the lower rail on a supply of both signs, and so are the mistakes', () => {
    const both = together(
      chooseDetector('comparator'),
      changeDetector('comparator', { negativeVolts: 6 }),
    )(open);
    const [dark, bright] = [midpointsOf(both)[0]!, midpointsOf(both).at(-1)!];
    expect(dark.volts).toBeLessThan(-4);
    expect(bright.volts).toBeGreaterThan(0);
    for (const { volts, lowVolts, highVolts } of midpointsOf(both)) {
      expect(lowVolts).toBeLessThan(volts);
      expect(highVolts).toBeGreaterThan(volts);
    }
    const shown = midpointsOf(noteMidpoint(dark.light, dark.volts)(both))[0];
    expect(shown?.cause).toBeNull();
    expect(causeFor(both, -5.99)).toEqual({ code: 'upper-open' });
    expect(causeFor(both, 5.99)).toEqual({ code: 'lower-open' });
  });

  it('name the likeliest mistake', () => {
    expect(causeFor(open, 0.01)).toEqual({ code: 'upper-open' });
    expect(causeFor(open, 5.99)).toEqual({ code: 'lower-open' });
    const swapped = changeDivider({ ldrSide: 'bottom' })(open);
    const wrong =
      midpointsOf(swapped).find(({ light }) => light.kind === 'lux' && light.lux === 85)?.volts ?? 0;
    expect(causeFor(open, wrong)).toEqual({ code: 'swapped' });
    const voltsAt = (project: Project) =>
      midpointsOf(project).find(({ light }) => light.kind === 'lux' && light.lux === 85)?.volts ?? 0;
    const tenTimes = changeDivider({ fixedOhms: 12 })(open);
    expect(causeFor(tenTimes, voltsAt(open))).toEqual({ code: 'fixed-slipped', factor: 10 });
    expect(causeFor(open, voltsAt(tenTimes))).toEqual({ code: 'fixed-slipped', factor: 0.1 });
    // The base clamps the midpoint near 0.7 V in the dark; with the base off it is the plain divider.
    const dark = platform.readings[0]?.light;
    if (!dark) throw new Error('readings');
    const off = midpointsOf(noteMidpoint(dark, (6 * 5610) / (5610 + 6800))(platform))[0];
    expect(off?.cause).toEqual({ code: 'base-open' });
    // Half as bright again: the LDR's own resistance is what is told.
    const cause = causeFor(open, 0.6);
    if (cause?.code !== 'other-light') throw new Error(cause?.code);
    expect(cause.ldrOhms).toBeCloseTo(1080, -1);
  });
});
