import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { probeOf } from '../analyse/probe';
import { analyse, type Design } from '../design';
import { ldrLuxAt } from '../ldr/curve';
import { changeBuild, changeSiting } from '../project/built/buildEdits';
import { changeDivider } from '../project/edits';
import { boxKinds, leadKinds, ON_THE_BENCH, type Siting } from '../project/built/siting';
import { defaultLoads } from '../loads/registry';
import { checkProject, type Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { dayLight } from '../simulate/day/dayLight';
import { DEFAULT_DAY } from '../simulate/day/daySettings';
import { machineOf } from '../simulate/machine';
import { Simulation } from '../simulate/simulation';
import { promised, runs } from '../testRuns';
import { boardWatts, boxKelvin, warmParts } from './boxHeat';
import { humAmps, humOf } from './hum';
import { sitingNotes } from './notes';
import { sitedDay } from './sitedDay';

function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

const anySiting: fc.Arbitrary<Siting> = fc.record({
  leadMetres: fc.oneof(fc.constant(0), fc.double({ min: 0.01, max: 100, noNaN: true })),
  leads: fc.constantFrom(...leadKinds),
  isNearMains: fc.boolean(),
  clearShare: fc.oneof(fc.constant(1), fc.double({ min: 0.001, max: 1, noNaN: true })),
  box: fc.constantFrom(...boxKinds),
  isReached: fc.boolean(),
});

const nearMains: Partial<Siting> = { leadMetres: 2, isNearMains: true };

describe('hum on the LDR’s leads', () => {
  it('is a current that goes with their length, and hardly gets through a shield', () => {
    const siting = { ...ON_THE_BENCH, leadMetres: 1, isNearMains: true };
    // 230 V · √2 · 2 from peak to peak, through 10 pF at 50 Hz.
    expect(humAmps(siting)).toBeCloseTo(2.044e-6, 8);
    expect(humAmps({ ...siting, leadMetres: 3 })).toBeCloseTo(3 * humAmps(siting), 12);
    expect(humAmps({ ...siting, leads: 'shielded' })).toBeCloseTo(humAmps(siting) / 50, 12);
    expect(humAmps({ ...siting, isNearMains: false })).toBe(0);
  });

  it('is so much more or less through the LDR at its threshold', () => {
    const project = changeSiting(nearMains)(sampleNamed('Seedling shelf'));
    const design = designOf(project);
    const on = design.thresholds!.turnOn;
    if (!on.ok) throw new Error('it does not switch');
    const probe = probeOf(project)(on.lux, { position: 1 })!;
    const volts = probe.ldrAmps * probe.ldrOhms;
    const half = humAmps(project.build.siting) / 2;
    const high = ldrLuxAt(design.ldr.curve, volts / (probe.ldrAmps + half))!;
    const low = ldrLuxAt(design.ldr.curve, volts / (probe.ldrAmps - half))!;
    const hum = humOf(project, design)!;
    expect(hum.ratio).toBeCloseTo(high / low, 4);
    expect(hum.ratio).toBeGreaterThan(1.0001);
    expect(hum.bandRatio).toBeCloseTo(design.thresholds!.bandRatio!, 3);
    expect(humOf(sampleNamed('Seedling shelf'), design)).toBeNull();
  });

  it('is more than nothing, grows with the leads, and is endless where it is more than the LDR passes', () => {
    let grown = 0;
    for (let seed = 1; seed <= runs(300); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      let before = 1;
      for (const leadMetres of [0.1, 1, 10, 100]) {
        const hum = humOf(changeSiting({ ...nearMains, leadMetres })(project), analysis.design);
        if (!hum) continue;
        expect(hum.ratio).toBeGreaterThanOrEqual(before);
        grown += 1;
        before = hum.ratio;
      }
    }
    expect(grown).toBeGreaterThan(10);
    const weak = changeDivider({ fixedOhms: 1e5 })(sampleNamed('Seedling shelf'));
    const hum = humOf(changeSiting({ leadMetres: 100, isNearMains: true })(weak), designOf(weak));
    expect(hum?.ratio).toBe(Infinity);
  });

  it('leaves a coil alone where it is, within the band of its pull-in and drop-out, and chatters beyond', () => {
    let coils = 0;
    for (let seed = 1; seed <= runs(400, 20); seed++) {
      const relay = { ...someProject(seed), loads: [defaultLoads.relay] };
      const project = { ...chooseDetector('transistor')(relay), feedbackLux: 0 };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const hum = humOf(changeSiting(nearMains)(project), design);
      const { on, off } = design.loads[0]?.lights ?? {};
      if (!hum || hum.isSoft || design.thresholds || !on?.ok || !off?.ok) continue;
      const middle = Math.sqrt(on.lux * off.lux);
      const chatters = (ratio: number) => {
        const sim = new Simulation(machineOf(project, design), middle);
        const seen = new Set<boolean>();
        for (let swing = 0; swing < 6; swing++) {
          sim.run(20, middle * ratio ** (swing % 2 === 0 ? 0.5 : -0.5));
          sim.run(20, sim.ambientLux);
          if (swing > 1) seen.add((sim.loads[0]?.level ?? 0) > 0.5);
        }
        return seen.size > 1;
      };
      coils++;
      expect([seed, chatters(1 + (hum.bandRatio - 1) * 0.9)]).toEqual([seed, false]);
      expect([seed, chatters(1 + (hum.bandRatio - 1) * 1.1)]).toEqual([seed, true]);
    }
    expect(coils).toBeGreaterThan(5);
  });
});

describe('a box', () => {
  it('is warmed by what is in it, not by what stands beside the board', () => {
    const project = sampleNamed('Seedling shelf');
    const design = designOf(project);
    const inIt = boardWatts(design);
    expect(inIt).toBeGreaterThan(0);
    expect(boxKelvin(design, 'open')).toBe(0);
    expect(boxKelvin(design, 'closed')).toBeCloseTo(2 * boxKelvin(design, 'vented'), 9);
    // A strip of its own watts hangs outside.
    const lit = designOf({ ...project, loads: [defaultLoads.strip] });
    const strip = lit.loads.find(({ kind }) => kind === 'strip')!;
    expect(strip.watts).toBeGreaterThan(0.5);
    expect(boardWatts(lit)).toBeLessThan(strip.watts);
    for (const designator of warmParts(design))
      expect(design.assembly.parts.map((part) => part.designator)).toContain(designator);
  });
});

describe('a day where it goes', () => {
  it('brings the share of its light that comes through window or tube', () => {
    const clear = { ...DEFAULT_DAY, weather: 'clear' as const };
    const lightAt = (clearShare: number) => {
      const { seconds, lux } = dayLight(sitedDay(clear, { ...ON_THE_BENCH, clearShare }));
      return lux[seconds.findIndex((second) => second >= 43_200)]!;
    };
    expect(lightAt(0.25) / lightAt(1)).toBeCloseTo(0.25, 3);
    expect(sitedDay(clear, ON_THE_BENCH)).toBe(clear);
  });
});

/** The same with a relay's contact or a module that switches mains; as it was where it has neither. */
const withMains = (project: Project): Project => ({
  ...project,
  loads: project.loads.map((load) =>
    load.kind === 'relay'
      ? { ...load, use: 'lamp' as const, useMains: true }
      : load.kind === 'module'
        ? { ...load, useMains: true }
        : load,
  ),
});

describe('what is said of a place', () => {
  it('brings the LDR out of a box that is too warm for it, whatever is switched in there', () => {
    const seedling = withMains(sampleNamed('Seedling shelf'));
    // A coil driver that is far too weak: several watts of heat on the board.
    const hot = { ...seedling, loads: [{ ...defaultLoads.led, wantedAmps: 0.3, seriesOhms: 27 }] };
    const project = changeSiting({ box: 'closed' })(hot);
    const note = sitingNotes(project, designOf(project)).find(({ kind }) => kind === 'warm-box');
    expect(note).toMatchObject({ isTooWarm: true });
    const next = note!.edit!(project);
    expect(next.build.siting).toMatchObject({ box: 'closed', leadMetres: 0.3 });
    expect(sitingNotes(next, designOf(next)).map(({ kind }) => kind)).not.toContain('warm-box');
  });

  it('has buttons that cure or lessen it and add nothing, in random designs and places', () => {
    let [offered, cured, mains] = [0, 0, 0];
    fc.assert(
      fc.property(fc.nat(20_000), anySiting, fc.boolean(), (seed, siting, hasMains) => {
        const made = changeSiting(siting)(someProject(seed));
        const project = hasMains ? withMains(made) : made;
        const analysis = analyse(project);
        if (!analysis.ok) return;
        expect(checkProject(project).ok).toBe(true);
        const notes = sitingNotes(project, analysis.design);
        const kinds = notes.map(({ kind }) => kind);
        expect(new Set(kinds).size).toBe(kinds.length);
        for (const { kind, edit } of notes) {
          if (!edit) continue;
          const next = edit(project);
          // What keeps fingers off is never taken away.
          expect(next.build.siting.box).toBe(siting.box);
          mains += Number(hasMains);
          expect(checkProject(next).ok).toBe(true);
          const left = sitingNotes(next, designOf(next));
          const same = left.find((note) => note.kind === kind);
          offered += 1;
          if (!same) cured += 1;
          else {
            // Hum through a shield may still be too much; then no button says so again.
            expect(kind).toBe('hum');
            expect(same.edit).toBeNull();
            const [before, after] = [humOf(project, analysis.design)!, humOf(next, designOf(next))!];
            expect(after.ratio).toBeLessThanOrEqual(before.ratio);
          }
          expect(left.map((note) => note.kind).filter((each) => !kinds.includes(each))).toEqual([]);
        }
      }),
      { numRuns: runs(2000), seed: 163 },
    );
    promised(
      'buttons of a place that cure what they stand beside',
      `${cured} of ${offered}`,
      'all, hum excepted',
    );
    expect(cured).toBeGreaterThan(0.8 * offered);
    expect(mains).toBeGreaterThan(3);
  });

  it('takes a board made by hand away only where the LDR comes onto it or leaves it', () => {
    const layout = { board: '400' as const, placed: [], wires: [] };
    const project = changeBuild({ layout })(sampleNamed('Platform lamps'));
    expect(changeSiting({ box: 'closed' })(project).build.layout).toBe(layout);
    expect(changeSiting({ leadMetres: 1 })(project).build.layout).toBeNull();
  });
});
