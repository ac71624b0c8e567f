import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse, type Design } from '../design';
import { editFor } from '../advise/fixes';
import { takeLoad, takeSource, takeTransistor, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { shippedTransistors } from '../drivers/registry';
import { chooseDetector } from '../size/chooseDetector';
import { IDEAL_SOURCE } from './supply';
import { toneHertz } from '../parts/kinds/toneMaker';
import { DEFAULT_STOCK } from '../series/stock';
import { defaultLoads } from './registry';
import { lowerOhmsFor } from './tone';

const lantern = sampleNamed('Hedgehog hut lamp');
const strongest = shippedTransistors.find(({ id }) => id === 'power-nmos');

function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

/** A lantern with another load, on a supply of so many volts, switched by a MOSFET that loses next to nothing. */
const withLoad = (load: (typeof defaultLoads)[keyof typeof defaultLoads], volts: number, ...more: Edit[]) =>
  together(
    takeSource(IDEAL_SOURCE, volts),
    strongest ? takeTransistor(strongest) : (project) => project,
    takeLoad(load),
    ...more,
  )(lantern);

const codes = (project: Project) => designOf(project).advice.map(({ code }) => code);

describe('an LED strip', () => {
  it('takes what its label says at its voltage, next to nothing where it begins to glow, and dims between', () => {
    const labels = fc.record({
      ratedVolts: fc.constantFrom(5, 12, 24),
      share: fc.double({ min: 0.45, max: 0.8, noNaN: true }),
      ratedAmps: fc.double({ min: 0.02, max: 3, noNaN: true }),
    });
    fc.assert(
      fc.property(labels, ({ ratedVolts, share, ratedAmps }) => {
        const load = { ...defaultLoads.strip, ratedVolts, ratedAmps, litVolts: share * ratedVolts };
        const at = (volts: number) => designOf(withLoad(load, volts)).loads[0]?.amps ?? 0;
        expect(at(ratedVolts) / ratedAmps).toBeGreaterThan(0.93);
        expect(at(ratedVolts) / ratedAmps).toBeLessThan(1.001);
        expect(at(load.litVolts) / ratedAmps).toBeLessThan(0.03);
      }),
      { numRuns: 15, seed: 3 },
    );
  });

  it('is said to stay dark on too little, and not to live long on too much', () => {
    expect(codes(withLoad(defaultLoads.strip, 6))).toContain('load-starved');
    expect(codes(withLoad(defaultLoads.strip, 15))).toContain('load-over-voltage');
    expect(codes(withLoad(defaultLoads.strip, 12))).not.toContain('load-low');
  });
});

describe('a fan', () => {
  it('starts with twice its current, and is said to stand below its voltage', () => {
    const [facts] = designOf(withLoad(defaultLoads.fan, 12)).loads;
    expect(facts?.amps).toBeCloseTo(0.08, 3);
    expect(facts?.inrushAmps).toBeCloseTo(0.16, 2);
    expect(facts?.flyback).toBeNull();
    expect(codes(withLoad(defaultLoads.fan, 5))).toContain('load-starved');
  });
});

describe('a solenoid', () => {
  it('has a diode across it, and one for moments is said to burn where nothing ends its time', () => {
    const brief = { ...defaultLoads.solenoid, maxOnSeconds: 5 };
    expect(designOf(withLoad(defaultLoads.solenoid, 12)).loads[0]?.flyback).toMatch(/^D\d/);
    expect(codes(withLoad(defaultLoads.solenoid, 12))).not.toContain('solenoid-held-on');
    expect(codes(withLoad(brief, 12))).toContain('solenoid-held-on');
    // A change of light starts a pulse of its own, which is short.
    expect(codes(withLoad(brief, 12, chooseDetector('change')))).not.toContain('solenoid-held-on');
  });
});

describe('a tone buzzer', () => {
  it('swings as its resistors and its capacitor say', () => {
    expect(toneHertz({ upperOhms: 10_000, lowerOhms: 22_000, farads: 1e-8 })).toBeCloseTo(2671.66, 1);
    const { advice, assembly } = designOf(withLoad(defaultLoads.tone, 5));
    expect(advice.map(({ code }) => code)).not.toContain('tone-off-resonance');
    const roles = assembly.parts.map(({ role }) => role);
    for (const role of ['tone-timer', 'tone-upper', 'tone-lower', 'tone-capacitor'])
      expect(roles).toContain(role);
    // Its own current, the timer’s, and half of what its discharge takes through RA.
    expect(assembly.loads[0]?.designator).toBe('BZ1');
    expect(designOf(withLoad(defaultLoads.tone, 5)).loads[0]?.amps).toBeCloseTo(0.008 + 0.0001 + 0.00025, 4);
  });

  it('is brought to its own frequency from any other by the resistor that is offered', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1000, 2048, 2700, 4000),
        fc.constantFrom(4700, 10_000, 22_000, 47_000),
        (resonantHertz, lowerOhms) => {
          const load = { ...defaultLoads.tone, resonantHertz, lowerOhms };
          const project = withLoad(load, 5);
          const said = designOf(project).advice.find(({ code }) => code === 'tone-off-resonance');
          const isOff = Math.abs(Math.log(toneHertz(load) / resonantHertz)) > Math.log(1.12);
          expect(said !== undefined).toBe(isOff);
          if (!isOff) return;
          const ohms = lowerOhmsFor(load, DEFAULT_STOCK);
          expect(ohms).not.toBeNull();
          const mended = editFor({ kind: 'tone-resistor', ohms: ohms ?? 0, index: 0 })(project);
          expect(codes(mended)).not.toContain('tone-off-resonance');
        },
      ),
      { numRuns: 16, seed: 5 },
    );
  });

  it('is silent where a pin should make its tone and there is none; a timer IC makes it then', () => {
    const silent = withLoad({ ...defaultLoads.tone, source: 'pin' }, 5);
    expect(codes(silent)).toContain('tone-without-source');
    expect(codes(editFor({ kind: 'tone-by-timer' })(silent))).not.toContain('tone-without-source');
    expect(codes(chooseDetector('controller')(silent))).not.toContain('tone-without-source');
  });
});
