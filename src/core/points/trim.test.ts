import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { benchOf } from '../faults/testBenches';
import { shippedMeters } from '../meter/meter';
import { uniforms } from '../numeric/random';
import { nodeVolts } from '../circuit/circuit';
import { GROUND } from '../circuit/netlist';
import { ldrOhmsAt } from '../ldr/curve';
import { Operation } from '../operate/operation';
import { partIn } from '../parts/find';
import { trackParts } from '../parts/kinds/trimmer';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, changeTrimmer } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { trimsOf, turnFrom } from './trim';

function designOf(project: Project) {
  const analysis = analyse(project);
  return analysis.ok ? analysis.design : null;
}

/** The trimmer in R1's place as a part, with what its slider leaves of its track. */
function trimmerOf(project: Project) {
  const part = partIn(designOf(project)?.assembly.parts ?? [], 'trimmer', 'fixed-trimmer');
  if (!part) throw new Error('no trimmer');
  return part;
}

/** A design whose R1 is a trimmer that reaches the goal, and stands somewhere else. */
function withTrimmer(seed: number): Project | null {
  const base = { ...someProject(seed), feedbackLux: 0 };
  const exact = designOf(base)?.exactFixed;
  if (base.divider.isDirect || !exact?.ok || exact.ohms < 50 || exact.ohms > 3e6) return null;
  const uniform = uniforms(seed);
  const trimmer = {
    trackOhms: Number((exact.ohms * (1 + uniform())).toPrecision(3)),
    endOhms: Number((exact.ohms * (0.3 + 0.4 * uniform())).toPrecision(3)),
    degrees: uniform() < 0.5 ? 270 : 3600,
  };
  const ohms = trimmer.endOhms + uniform() * trimmer.trackOhms;
  return changeDivider({ fixedOhms: Number(ohms.toPrecision(4)) })(changeTrimmer(trimmer)(base));
}

describe('turning a trimmer as it is said', () => {
  it('brings any design to its goal, by what the meter that is there shows', () => {
    let [count, agreed] = [0, 0];
    const apart: string[] = [];
    for (let seed = 80_000; seed < 80_000 + runs(2000, 160); seed++) {
      const project = withTrimmer(seed);
      const design = project && designOf(project);
      if (!project || !design?.exactFixed.ok) continue;
      const meter = shippedMeters[seed % shippedMeters.length];
      const { bench } = benchOf(project, 8, meter);
      const [trim] = trimsOf(project, design, bench);
      if (trim?.net !== 'mid') continue;
      // What the meter shows with the slider where it stands now, the detector as it is before it turns on.
      const { inputOhms } = bench.meter;
      const atMid = { kind: 'resistor', name: 'meter', a: 'mid', b: GROUND, ohms: inputOhms } as const;
      const { goalBoundary = 0, goalEnd = 'on' } = design.thresholds ?? {};
      const isUp = !design.thresholds || (design.action === 'on-in-light') === (goalEnd === 'on');
      const found = new Operation(design.assembly, { extra: [atMid] }).solveIn(
        isUp ? goalBoundary : goalBoundary + 1,
        ldrOhmsAt(design.ldr.curve, project.goal.lux),
      );
      const turn = found && turnFrom(trim, nodeVolts(found.circuit, found.volts, 'mid'));
      if (!turn) continue;
      const part = trimmerOf(project);
      // Above 0 is towards pin 1, the upper end.
      const position = part.position + turn.degrees / part.degrees;
      const fixedOhms = (project.divider.trimmer?.endOhms ?? 0) + trackParts({ ...part, position }).upper;
      const half = designOf(changeDivider({ fixedOhms })(project))?.half;
      count += 1;
      const [least, most] = half?.ok ? [half.lowLux, half.highLux] : [NaN, NaN];
      // Nobody turns nearer than a degree.
      const finer = Math.log(1 + part.trackOhms / part.degrees / fixedOhms) * 3;
      const isThere =
        half?.ok === true && Math.abs(Math.log(half.lux / project.goal.lux)) < Math.max(0.02, finer);
      if (isThere) agreed += 1;
      else
        apart.push(`${seed}: ${half?.ok ? half.lux : 'never'} for ${project.goal.lux} (${least} … ${most})`);
    }
    promised('trimmers turned as said: the design is on its goal', `${agreed} of ${count}`, 'all');
    expect(count).toBeGreaterThan(10);
    expect(agreed, apart.join('\n')).toBeGreaterThanOrEqual(0.97 * count);
  });

  it('goes towards the end that is named', () => {
    const project = changeTrimmer(
      { trackOhms: 10_000, endOhms: 470, degrees: 270 },
      4700,
    )(sampleNamed('Seedling shelf'));
    const { bench, design } = benchOf(project, 8);
    const [trim] = trimsOf(project, design, bench);
    const less = changeDivider({ fixedOhms: 3000 })(project);
    // With less of its track in use the slider is nearer to pin 1.
    expect(trimmerOf(less).position).toBeGreaterThan(trimmerOf(project).position);
    const share = (ohms: number) => (ohms - 470) / 10_000;
    if (!trim || !design.exactFixed.ok) throw new Error('no trim');
    const { ohms } = design.exactFixed;
    const ldrOhms = ldrOhmsAt(design.ldr.curve, project.goal.lux);
    const operation = new Operation(design.assembly);
    const at = operation.solveIn(design.action === 'on-in-dark' ? 1 : 0, ldrOhms, 3000);
    const turn = at && turnFrom(trim, nodeVolts(at.circuit, at.volts, 'mid'));
    expect(turn?.isRheostat).toBe(true);
    expect(turn?.targetShare).toBeCloseTo(share(ohms), 2);
    expect(turn?.degrees).toBeCloseTo(-(share(ohms) - share(3000)) * 270, -1);
  });

  it('sets a reference from its lower end up', () => {
    const base = chooseDetector('comparator')(sampleNamed('Platform lamps'));
    const trimmer = { trackOhms: 10_000, degrees: 270, position: 0.5 };
    const reference = { topOhms: 10_000, bottomOhms: 10_000, trimmer };
    const project = changeDetector('comparator', { reference })(base);
    const { bench, design } = benchOf(project, 8);
    const trim = trimsOf(project, design, bench).find(({ net }) => net !== 'mid');
    if (!trim) throw new Error('no trim');
    const turn = turnFrom(trim, trim.targetVolts * 0.9);
    expect(turn?.isRheostat).toBe(false);
    expect(turn?.degrees).toBeGreaterThan(0);
  });
});

describe('a trimmer that cannot be turned to it', () => {
  const trim = {
    ...{ designator: 'RV1', net: 'mid', lux: 10, degrees: 270, isStill: false, isRheostat: true },
    shareAt: (volts: number) => (volts >= 1 && volts <= 3 ? (volts - 1) / 2 : null),
  };

  it('is told as such, whether its own voltage or the wanted one is beyond it', () => {
    expect(turnFrom({ ...trim, targetVolts: 2 }, 1)).toMatchObject({ degrees: -135, targetShare: 0.5 });
    expect(turnFrom({ ...trim, targetVolts: 4 }, 1)).toBeNull();
    expect(turnFrom({ ...trim, targetVolts: 2 }, 4)).toBeNull();
  });

  it('stands nowhere for a voltage that takes less than its end resistor or more than its track', () => {
    let asked = 0;
    for (let seed = 80_000; seed < 80_020; seed++) {
      const project = withTrimmer(seed);
      const design = project && designOf(project);
      if (!project || !design) continue;
      const { bench } = benchOf(project, 8);
      const [found] = trimsOf(project, design, bench);
      const { trimmer } = project.divider;
      if (found?.net !== 'mid' || !trimmer) continue;
      const operation = new Operation(design.assembly, {
        extra: [{ kind: 'resistor', name: 'meter', a: 'mid', b: GROUND, ohms: bench.meter.inputOhms }],
      });
      const isUp =
        !design.thresholds || (design.action === 'on-in-light') === (design.thresholds.goalEnd === 'on');
      const state = (design.thresholds?.goalBoundary ?? 0) + (isUp ? 0 : 1);
      const voltsWith = (ohms: number) => {
        const solved = operation.solveIn(state, ldrOhmsAt(design.ldr.curve, project.goal.lux), ohms);
        return solved ? nodeVolts(solved.circuit, solved.volts, 'mid') : NaN;
      };
      const { endOhms, trackOhms } = trimmer;
      for (const [end, beyond] of [
        [endOhms, endOhms * 0.6],
        [endOhms + trackOhms, (endOhms + trackOhms) * 1.5],
      ] as const) {
        // Where a base clamps the midpoint its voltage hardly goes with R1.
        if (Math.abs(voltsWith(end) - voltsWith(beyond)) < 0.03) continue;
        asked += 1;
        expect([seed, found.shareAt(voltsWith(beyond))]).toEqual([seed, null]);
      }
    }
    expect(asked).toBeGreaterThan(4);
  });
});

describe('a trimmer that a meter hardly shows turning', () => {
  const trimOf = (project: Project) => {
    const design = designOf(project);
    const [trim] = design ? trimsOf(project, design, benchOf(project, 8).bench) : [];
    if (trim?.net !== 'mid') throw new Error('no trimmer at the midpoint');
    return trim;
  };
  const base = chooseDetector('comparator')(sampleNamed('Platform lamps'));
  const exact = designOf(base)?.exactFixed;
  if (!exact?.ok) throw new Error('out of reach');
  const trackOhms = Number(exact.ohms.toPrecision(2));

  it('is one of which ten degrees about its place move less than 30 mV', () => {
    const withDegrees = (degrees: number) =>
      trimOf(changeTrimmer({ trackOhms, endOhms: trackOhms / 2, degrees })(base));
    const { targetVolts, shareAt } = withDegrees(270);
    const ends = [targetVolts - 0.015, targetVolts + 0.015].map(shareAt);
    const share = Math.abs((ends[1] ?? NaN) - (ends[0] ?? NaN));
    const degrees = 10 / share;
    expect(degrees).toBeGreaterThan(200);
    expect(withDegrees(0.95 * degrees).isStill).toBe(false);
    expect(withDegrees(1.05 * degrees).isStill).toBe(true);
  });

  it('is none that does not reach its place: that is told by what a resistor would do, on either side', () => {
    const there = trimOf(changeTrimmer({ trackOhms, endOhms: trackOhms / 2, degrees: 3600 })(base));
    expect(there.shareAt(there.targetVolts)).toBeCloseTo(0.5, 1);
    for (const [track, endOhms] of [
      [trackOhms, 3 * trackOhms],
      [trackOhms / 2, trackOhms / 4],
    ] as const) {
      const away = trimOf(changeTrimmer({ trackOhms: track, endOhms, degrees: 3600 })(base));
      expect(away.targetVolts).toBeCloseTo(there.targetVolts, 3);
      expect(away.shareAt(away.targetVolts)).toBeNull();
      expect(away.isStill).toBe(false);
    }
  });
});
