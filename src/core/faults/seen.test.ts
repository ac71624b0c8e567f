import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { defaultTransistor } from '../drivers/registry';
import { defaultLoads, loadDefinition } from '../loads/registry';
import { takeLoad, takeTransistor } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { promised, runs } from '../testRuns';
import { unusualProject } from '../testUnusual';
import { faultsOf } from './list';
import { probesOf } from './predict';
import { rowOf } from './row';
import { loadSeen, loadsToSee, seenIn } from './seen';
import { benchOf } from './testBenches';

describe('how a load is seen to be', () => {
  it('is on from its own current on where it is either on or off, and by degrees elsewhere', () => {
    const relay = defaultLoads.relay;
    const onFrom = loadDefinition(relay).onFrom(relay, false);
    const coilAmps = loadDefinition(relay).nominalAmps(relay);
    const at = (share: number) => loadSeen({ fullAmps: coilAmps, onFrom }, share * coilAmps);
    expect([0, 0.3, 0.74, 0.76, 1, -1].map(at)).toEqual(['off', 'off', 'off', 'on', 'on', 'on']);
    const led = { fullAmps: 0.02, onFrom: null };
    expect([0, 0.0005, 0.004, 0.015].map((amps) => loadSeen(led, amps))).toEqual(['off', 'off', 'dim', 'on']);
    // A pin reads by its voltage: pulled over its supply it passes a current the other way, and is not on.
    const pin = defaultLoads.logic;
    const read = { fullAmps: 7e-5, onFrom: loadDefinition(pin).onFrom(pin, false) };
    expect([6e-5, 2e-5, -2e-4].map((amps) => loadSeen(read, amps))).toEqual(['on', 'off', 'off']);
  });

  it('is never by degrees of a coil or a pin, whatever is wrong', () => {
    const kinds = ['relay', 'solenoid', 'logic', 'module'] as const;
    for (const kind of kinds) {
      const lamps = takeTransistor(defaultTransistor('npn'))(sampleNamed('Platform lamps'));
      const { bench } = benchOf(takeLoad(defaultLoads[kind])(lamps), 2);
      const probes = probesOf(bench, []).filter((probe) => probe.kind === 'load');
      expect(loadsToSee(bench.assembly).map(({ isByDegrees }) => isByDegrees)).toEqual([false]);
      for (const listed of faultsOf(bench.assembly, null))
        for (const values of rowOf(bench, listed, probes))
          expect(seenIn(values[0] ?? NaN, 1), kind).not.toContain('dim');
    }
  });

  it('is as a design in order means it, in the dark and in the light: every random project', () => {
    let [right, count] = [0, 0];
    const wanted = runs(1500, 250);
    for (let seed = 400_000; count < wanted; seed++) {
      const project = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { thresholds, advice } = analysis.design;
      // What a change starts says nothing in steady light, and what ends by itself nothing of the light.
      if (!thresholds || project.outputStage.kind === 'toggle' || project.detector.kind === 'change')
        continue;
      // Nor is it fully on, or quite off, where that is said.
      const partly = ['load-low', 'dot-smears', 'never-releases'];
      if (advice.some(({ state, code }) => state === 'cannot' || partly.includes(code))) continue;
      const { bench } = benchOf(project, 2);
      const probes = probesOf(bench, []).filter((probe) => probe.kind === 'load');
      const row = rowOf(bench, { fault: { kind: 'healthy' } }, probes);
      const on = probes.map((probe, index) => {
        const seen = seenIn(row[index]?.[0] ?? NaN, bench.seenBy.length);
        return { light: 'light' in probe ? probe.light : 0, seen };
      });
      const isAnyOn = on.some(({ seen }) => seen.includes('on'));
      const isAnyDim = on.some(({ seen }) => seen.includes('dim'));
      count += 1;
      if (isAnyOn && !isAnyDim) right += 1;
      else expect([seed, on]).toEqual([seed, 'on somewhere, dim nowhere']);
    }
    promised(
      'loads of designs that drive them fully: on in some light, dim in none',
      `${right} of ${count}`,
      'all',
    );
  });
});
