import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { minBandRatio } from '../light/minBand';
import { ldrOhmsAt } from '../ldr/curve';
import {
  changeOutputStage,
  changeBeam,
  changeDetector,
  changeOutput,
  changeFeedbackLight,
} from '../project/detectorEdits';
import { changeBaseResistor, changeGoal, changeResistors, together, type Edit } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { checkProject, type Project } from '../project/project';
import { analyse } from '../design';
import { someProject } from '../advise/testProjects';
import { detectorDefinition } from '../detectors/registry';
import { uniforms } from '../numeric/random';
import { goalForBeam } from '../size/goalForBeam';
import { resized } from '../size/resize';
import { withAction } from '../size/withAction';
import { machineOf } from '../simulate/machine';
import { Simulation } from '../simulate/simulation';
import { promised, runs } from '../testRuns';
import { chooseDetector } from '../size/chooseDetector';
import { bandGoal, searchNow, withBand } from '../size/hysteresis';
import { editFor } from '../advise/fixes';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { feedbackLightFacts, feedbackLightFrom } from './feedbackLight';
import { beamFacts } from './tripBeam';

const [platform, larder] = sampleProjects;
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const banded = (ratio: number, base = platform) => {
  const wanted = together(
    chooseDetector('comparator'),
    changeResistors({ series: 'E24' }),
    bandGoal(ratio),
  )(base);
  return withBand(wanted, searchNow(wanted));
};

/** What its own light of so much makes of a project. */
function litBy(own: number, project: Project) {
  const facts = feedbackLightFacts({ ...project, feedbackLux: own }, designOf(project));
  if (!facts) throw new Error('does not switch');
  return facts;
}

describe('a load that lights its own LDR', () => {
  it('blinks once its light is as wide as the band, and not before', () => {
    const project = banded(1.5);
    const maxLux = litBy(0, project).maxLux!;
    expect(maxLux / 30).toBeCloseTo(1, 1);
    expect(litBy(maxLux * 0.99, project).verdict).toBe('steady');
    expect(litBy(maxLux * 1.01, project)).toMatchObject({ verdict: 'blinks', maxLux });
    const { advice } = designOf(changeFeedbackLight(50)(project));
    expect(advice.find(({ code }) => code === 'feedback-light')).toMatchObject({ widens: true });
  });

  it('is not told to widen a band that nobody can widen', () => {
    const { advice } = designOf(changeFeedbackLight(50)(chooseDetector('timer')(larder)));
    expect(advice.find(({ code }) => code === 'feedback-light')).toMatchObject({ widens: false });
  });

  it('latches where it is on in the light, and says at which ambient it releases', () => {
    const project = banded(1.5, larder);
    const off = designOf(project).thresholds!.turnOff;
    if (!off.ok) throw new Error('never off');
    expect(litBy(off.lux * 1.1, project)).toMatchObject({ verdict: 'latches', releaseLux: null });
    const held = litBy(off.lux * 0.6, project);
    expect(held.verdict).toBe('steady');
    // Its output gives its LED a little less than a switch driven hard would.
    expect(held.releaseLux! / (off.lux * 0.4)).toBeCloseTo(1, 1);
    expect(held.maxLux! / off.lux).toBeCloseTo(1, 1);
  });

  it('starts again at the end of each pulse, or turns over and back, where its output is one that runs or changes over', () => {
    const after = (kind: 'one-shot' | 'counted' | 'toggle') => {
      const project = changeOutputStage(defaultOutputStages[kind])(chooseDetector('comparator')(platform));
      return litBy(5, project).verdict;
    };
    expect((['one-shot', 'counted', 'toggle'] as const).map(after)).toEqual([
      'restarts',
      'restarts',
      'turns-back',
    ]);
    // What ends whatever the light is not held on by its own.
    const inLight = chooseDetector('comparator')(changeGoal({ action: 'on-in-light' })(platform));
    const counted = changeOutputStage(defaultOutputStages.counted)(inLight);
    expect(litBy(1e4, counted)).toMatchObject({ verdict: 'steady', maxLux: null });
  });

  it('dims itself with a soft switch: fully on only where both lights together are dark enough', () => {
    const design = designOf(platform);
    if (!design.fullyOn.ok) throw new Error('never fully on');
    const facts = litBy(20, platform);
    expect(facts.verdict).toBe('dims-itself');
    expect(facts.fullyOnBelowLux! / (design.fullyOn.lux - 18)).toBeCloseTo(1, 6);
    expect(litBy(0, platform).verdict).toBe('steady');
    // Its own light alone is as much as turns it down, and more.
    const most = design.fullyOn.lux / 0.9;
    expect(litBy(most * 0.999, platform).fullyOnBelowLux).toBeGreaterThan(0);
    expect(litBy(most * 1.001, platform).fullyOnBelowLux).toBeNull();
    expect(litBy(most, platform).maxLux! / (0.05 * design.fullyOn.lux)).toBeCloseTo(1, 6);
  });

  it('is fully on in no room with a soft switch that never is, however little it adds', () => {
    const faint = [22_000, 47_000, 68_000, 100_000, 150_000, 220_000]
      .map((ohms) => changeBaseResistor(ohms)(platform))
      .find((project) => !designOf(project).fullyOn.ok && designOf(project).half.ok);
    if (!faint) throw new Error('each is fully on, or never half');
    expect(litBy(0.001, faint)).toEqual({
      verdict: 'dims-itself',
      maxLux: 0,
      releaseLux: null,
      fullyOnBelowLux: null,
    });
  });

  it('is found from two readings in the same room', () => {
    const { ldr } = designOf(platform);
    const ohmsAt = (lux: number) => ldrOhmsAt(ldr.curve, lux);
    expect(feedbackLightFrom(ldr, ohmsAt(70), ohmsAt(50))).toBeCloseTo(20, 6);
    expect(feedbackLightFrom(ldr, ohmsAt(50), ohmsAt(70))).toBeNull();
  });
});

describe('a load that adds to the light in which it is on', () => {
  it('has a band by that: no feedback is asked for, and no light about its threshold makes it chatter', () => {
    const plain = together(chooseDetector('comparator'), changeGoal({ action: 'on-in-light' }))(platform);
    const project = resized(withAction(plain));
    const { turnOn } = designOf(project).thresholds!;
    if (!turnOn.ok) throw new Error('it does not switch');
    const codesWith = (own: number) =>
      designOf(changeFeedbackLight(own)(project)).advice.map(({ code }) => code);
    expect(codesWith(0)).toContain('no-hysteresis');
    expect(codesWith(turnOn.lux * 0.01)).toContain('no-hysteresis');
    expect(codesWith(turnOn.lux * 0.3)).not.toContain('no-hysteresis');
    const lit = changeFeedbackLight(turnOn.lux * 0.3)(project);
    const simulation = new Simulation(machineOf(lit, designOf(lit)), turnOn.lux / 3);
    for (let time = 0; time < 40; time++) simulation.run(1, turnOn.lux * (time % 2 === 0 ? 1.05 : 0.95));
    expect(simulation.switchings).toBe(1);
  });
});

describe('a trip beam', () => {
  it('is best told at the geometric mean of both resistances, as far from either', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1.2, max: 50, noNaN: true }),
        (ambientLux, times) => {
          const design = designOf(platform);
          const { bestLux, contrast } = beamFacts(
            design,
            { ambientLux, beamLux: ambientLux * (times - 1) },
            platform,
          );
          expect(contrast).toBeCloseTo(times, 6);
          const ohms = [ambientLux, bestLux, ambientLux * times].map((lux) =>
            ldrOhmsAt(design.ldr.curve, lux),
          );
          expect((ohms[0]! * ohms[2]!) / ohms[1]! ** 2).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('works up to the room that is as bright as the threshold; past it the advice puts the goal right', () => {
    const project = changeBeam({ ambientLux: 100, beamLux: 400 })(banded(1.2));
    const facts = beamFacts(designOf(project), project.beam!, project);
    expect(facts.works).toBe(false);
    expect(facts.maxAmbientLux! / 60).toBeCloseTo(1, 1);
    const advice = designOf(project).advice.find(({ code }) => code === 'beam-missed');
    expect(advice).toMatchObject({ isBroken: true, state: 'cannot' });
    const withFix = editFor(advice!.fix!)(project);
    expect(beamFacts(designOf(withFix), project.beam!, withFix).works).toBe(true);
  });

  it('is told once its goal is where it is put, and a design switches there', () => {
    let [asked, met] = [0, 0];
    for (let seed = 1; seed <= runs(3000, 60); seed++) {
      const base = someProject(seed);
      const { lights } = detectorDefinition(base.detector).goal;
      const uniform = uniforms(seed);
      const ambientLux = base.goal.lux * 0.05 * 100 ** uniform();
      const beam = { ambientLux, beamLux: ambientLux * (0.5 + 20 * uniform()) };
      const { offLux, lux } = base.goal;
      const wanted =
        uniform() < 0.5
          ? { lux, offLux: offLux ?? (base.goal.action === 'on-in-dark' ? 2 * lux : lux / 2) }
          : {};
      const project = changeBeam(beam)(changeGoal(wanted)(base));
      const solved = analyse(project);
      if (lights !== 'one' || !solved.ok) continue;
      const after = goalForBeam(project);
      const { lux: goalLux, offLux: goalOffLux } = after.goal;
      expect([seed, checkProject(after).ok]).toEqual([seed, true]);
      if (project.goal.offLux !== null && detectorDefinition(project.detector).goal.asksOff)
        expect([seed, after.goal.offLux]).not.toEqual([seed, null]);
      const there = analyse(after);
      if (!there.ok || !there.design.thresholds) continue;
      asked += 1;
      const { turnOn, turnOff } = there.design.thresholds;
      const isAt = (at: typeof turnOn, at0: number | null) =>
        at.ok && (at0 === null || Math.abs(Math.log(at.lux / at0)) < 0.1);
      const isOff = detectorDefinition(after.detector).goalEnd(after.detector) === 'off';
      const [first, second] = isOff ? [turnOff, turnOn] : [turnOn, turnOff];
      if (!isAt(first, goalLux) || !isAt(second, goalOffLux)) continue;
      met += 1;
      const { works, wholeMargin, brokenMargin, contrast } = beamFacts(there.design, beam, after);
      const isWide = (there.design.thresholds.bandRatio ?? 1) * Math.exp(0.2) > contrast;
      expect([seed, works || isWide, wholeMargin, brokenMargin]).toEqual([
        seed,
        true,
        wholeMargin,
        brokenMargin,
      ]);
    }
    promised('beams told once the goal is put there', `${met} of ${asked} that switch there`, 'all that do');
    expect(met).toBeGreaterThan(asked / 4);
  });
});

describe('the rooms in which a trip beam is told', () => {
  const broad = designOf(banded(1.5));
  const [on, off] = [broad.thresholds!.turnOn, broad.thresholds!.turnOff];
  if (!on.ok || !off.ok) throw new Error('does not switch');

  it('are none where the beam is narrower than the band, however bright or dark they are', () => {
    const narrow = { ambientLux: on.lux * 0.99, beamLux: (off.lux - on.lux) * 0.9 };
    expect(beamFacts(broad, narrow, platform)).toMatchObject({
      works: false,
      minAmbientLux: null,
      maxAmbientLux: null,
    });
  });

  it('are just those in which it works', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (room, beam) => {
          const beamLux = (off.lux - on.lux) * beam;
          const facts = beamFacts(broad, { ambientLux: on.lux * room, beamLux }, platform);
          const [min, max] = [facts.minAmbientLux, facts.maxAmbientLux];
          const isInside = min !== null && max !== null && on.lux * room > min && on.lux * room < max;
          expect(facts.works).toBe(isInside);
        },
      ),
    );
  });
});

describe('the least band', () => {
  it('grows with shadow, ripple and own light, and the LDR’s lag takes most of the ripple', () => {
    const min = { shadowShare: 0, rippleShare: 0, ownShare: 0, lagSeconds: 0.04 };
    expect(minBandRatio(min)).toBe(1);
    expect(minBandRatio({ ...min, shadowShare: 0.5, ownShare: 0.5 })).toBeCloseTo(3, 9);
    const fast = minBandRatio({ ...min, rippleShare: 1, lagSeconds: 0 });
    expect(fast).toBeCloseTo(3, 9);
    expect(minBandRatio({ ...min, rippleShare: 1 })).toBeLessThan(1.05);
  });
});

describe('what follows the detector', () => {
  const base = chooseDetector('comparator')(platform);
  it('turned over does the opposite, and the mend turns it back', () => {
    const turned = changeOutputStage({ kind: 'inverted' })(base);
    const design = designOf(turned);
    expect(design.action).toBe('on-in-light');
    expect(designOf(editFor(design.advice[0]!.fix!)(turned)).action).toBe('on-in-dark');
  });

  it('drives loads and transistors as well as the detector itself, whichever it is', () => {
    for (const kind of ['inverted', 'toggle', 'one-shot'] as const) {
      const outputStage = defaultOutputStages[kind];
      const edits: Edit[] = [
        changeOutputStage(outputStage),
        together(changeOutputStage(outputStage), changeOutput({ to: 'load' })),
      ];
      for (const edit of edits) {
        const { half, drive, assembly } = designOf(edit(base));
        expect(half.ok).toBe(true);
        expect(drive.saturates).toBe(true);
        expect(assembly.switching?.out).toBe('driven');
      }
    }
  });

  it('says of a pulse with a large electrolytic and a large resistor that it leaks', () => {
    const leaky = changeOutputStage({ ...defaultOutputStages['one-shot'], farads: 1e-4 })(base);
    expect(designOf(leaky).advice.map(({ code }) => code)).toContain('pulse-leaks');
  });

  it('as a one-shot straight from the divider starts and ends at the timer’s trigger level', () => {
    const timer = changeDetector('timer', { pulse: { ohms: 1e5, farads: 1e-5 } })(
      chooseDetector('timer')(platform),
    );
    const { thresholds } = designOf(timer);
    expect(thresholds?.bandRatio).toBeCloseTo(1, 4);
  });
});
