import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leastBandRatio } from '../light/leastBand';
import { ldrOhmsAt } from '../ldr/curve';
import {
  changeAfter,
  changeBeam,
  changeDecider,
  changeOutput,
  changeOwnLight,
} from '../project/deciderEdits';
import { changeGoal, changeResistors, together, type Edit } from '../project/edits'; // prettier-ignore
import { sampleProjects } from '../project/samples';
import type { Project } from '../project/project';
import { analyse } from './analyse';
import { chooseDecider } from './chooseDecider';
import { bandGoal, searchNow, withBand } from './hysteresis';
import { editFor } from './mend';
import { ownLightFacts, ownLightFrom } from './ownLight';
import { beamFacts } from './tripBeam';

const [platform, larder] = sampleProjects as [Project, Project];
function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const banded = (ratio: number, base = platform) => {
  const wanted = together(
    chooseDecider('comparator'),
    changeResistors({ series: 'E24' }),
    bandGoal(ratio),
  )(base);
  return withBand(wanted, searchNow(wanted));
};

describe('a load that lights its own LDR', () => {
  it('blinks once its light is as wide as the band, and not before', () => {
    const project = banded(1.5);
    const design = designOf(project);
    const { mostLux } = ownLightFacts(design, 0);
    expect(mostLux! / 30).toBeCloseTo(1, 1);
    expect(ownLightFacts(design, mostLux! * 0.99).verdict).toBe('steady');
    expect(ownLightFacts(design, mostLux! * 1.01).verdict).toBe('blinks');
    const codes = designOf(changeOwnLight(50)(project)).advice.map(({ code }) => code);
    expect(codes).toContain('own-light');
  });

  it('latches where it is on in the light, and says at which ambient it lets go', () => {
    const design = designOf(banded(1.5, larder));
    const off = design.decision!.turnOff;
    if (!off.ok) throw new Error('never off');
    expect(ownLightFacts(design, off.lux * 1.1)).toMatchObject({ verdict: 'latches', releaseLux: null });
    const held = ownLightFacts(design, off.lux * 0.6);
    expect(held.verdict).toBe('steady');
    expect(held.releaseLux! / (off.lux * 0.4)).toBeCloseTo(1, 6);
  });

  it('dims itself with a soft switch: fully on only where both lights together are dark enough', () => {
    const design = designOf(platform);
    if (!design.fullyOn.ok) throw new Error('never fully on');
    const facts = ownLightFacts(design, 20);
    expect(facts.verdict).toBe('dims-itself');
    expect(facts.fullyOnBelowLux! / (design.fullyOn.lux - 18)).toBeCloseTo(1, 6);
    expect(ownLightFacts(design, 0).verdict).toBe('steady');
  });

  it('is found from two readings in the same room', () => {
    const { ldr } = designOf(platform);
    const ohmsAt = (lux: number) => ldrOhmsAt(ldr.curve, lux);
    expect(ownLightFrom(ldr, ohmsAt(70), ohmsAt(50))).toBeCloseTo(20, 6);
    expect(ownLightFrom(ldr, ohmsAt(50), ohmsAt(70))).toBeNull();
  });
});

describe('a trip beam', () => {
  it('is best told at the geometric mean of both resistances, as far from either', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 500, noNaN: true }), fc.double({ min: 1.2, max: 50, noNaN: true }), (ambientLux, times) => {
        const design = designOf(platform);
        const { bestLux, contrast } = beamFacts(design, { ambientLux, beamLux: ambientLux * (times - 1) });
        expect(contrast).toBeCloseTo(times, 6);
        const ohms = [ambientLux, bestLux, ambientLux * times].map((lux) => ldrOhmsAt(design.ldr.curve, lux));
        expect((ohms[0]! * ohms[2]!) / ohms[1]! ** 2).toBeCloseTo(1, 6);
      }),
      { numRuns: 40 },
    ); // prettier-ignore
  });

  it('works up to the room that is as bright as the threshold; past it the advice puts the goal right', () => {
    const project = changeBeam({ ambientLux: 100, beamLux: 400 })(banded(1.2));
    const facts = beamFacts(designOf(project), project.beam!);
    expect(facts.works).toBe(false);
    expect(facts.mostAmbientLux! / 60).toBeCloseTo(1, 1);
    const advice = designOf(project).advice.find(({ code }) => code === 'beam-missed');
    expect(advice).toMatchObject({ isBroken: true, state: 'cannot' });
    const mended = editFor(advice!.mend!)(changeGoal({ offLux: null })(project));
    expect(beamFacts(designOf(mended), project.beam!).works).toBe(true);
  });
});

describe('the rooms in which a trip beam is told', () => {
  const broad = designOf(banded(1.5));
  const [on, off] = [broad.decision!.turnOn, broad.decision!.turnOff];
  if (!on.ok || !off.ok) throw new Error('does not switch');

  it('are none where the beam is narrower than the band, however bright or dark they are', () => {
    const narrow = { ambientLux: on.lux * 0.99, beamLux: (off.lux - on.lux) * 0.9 };
    expect(beamFacts(broad, narrow)).toMatchObject({
      works: false,
      leastAmbientLux: null,
      mostAmbientLux: null,
    });
  });

  it('are just those in which it works', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        (room, beam) => {
          const beamLux = (off.lux - on.lux) * beam;
          const facts = beamFacts(broad, { ambientLux: on.lux * room, beamLux });
          const [least, most] = [facts.leastAmbientLux, facts.mostAmbientLux];
          const isInside = least !== null && most !== null && on.lux * room > least && on.lux * room < most;
          expect(facts.works).toBe(isInside);
        },
      ),
    );
  });
});

describe('the least band', () => {
  it('grows with shadow, ripple and own light, and the LDR’s lag takes most of the ripple', () => {
    const least = { shadowShare: 0, rippleShare: 0, ownShare: 0, lagSeconds: 0.04 };
    expect(leastBandRatio(least)).toBe(1);
    expect(leastBandRatio({ ...least, shadowShare: 0.5, ownShare: 0.5 })).toBeCloseTo(3, 9);
    const fast = leastBandRatio({ ...least, rippleShare: 1, lagSeconds: 0 });
    expect(fast).toBeCloseTo(3, 9);
    expect(leastBandRatio({ ...least, rippleShare: 1 })).toBeLessThan(1.05);
  });
});

describe('what follows the decider', () => {
  const base = chooseDecider('comparator')(platform);
  it('turned over does the opposite, and the mend turns it back', () => {
    const turned = changeAfter({ kind: 'inverted' })(base);
    const design = designOf(turned);
    expect(design.action).toBe('on-in-light');
    expect(designOf(editFor(design.advice[0]!.mend!)(turned)).action).toBe('on-in-dark');
  });

  it('drives loads and transistors as well as the decider itself, whichever it is', () => {
    for (const kind of ['inverted', 'toggle', 'one-shot'] as const) {
      const after = kind === 'one-shot' ? ({ kind, ohms: 1e6, farads: 1e-6 } as const) : { kind };
      const edits: Edit[] = [changeAfter(after), together(changeAfter(after), changeOutput({ to: 'load' }))];
      for (const edit of edits) {
        const { half, drive, description } = designOf(edit(base));
        expect(half.ok).toBe(true);
        expect(drive.holdsFullyOn).toBe(true);
        expect(description.decided?.out).toBe('after');
      }
    }
  });

  it('says of a pulse with a large electrolytic and a large resistor that it leaks', () => {
    const leaky = changeAfter({ kind: 'one-shot', ohms: 1e6, farads: 1e-4 })(base);
    expect(designOf(leaky).advice.map(({ code }) => code)).toContain('pulse-leaks');
  });

  it('as a one-shot straight from the divider starts and ends at the timer’s trigger level', () => {
    const timer = changeDecider('timer', { pulse: { ohms: 1e5, farads: 1e-5 } })(
      chooseDecider('timer')(platform),
    );
    const { decision } = designOf(timer);
    expect(decision?.bandRatio).toBeCloseTo(1, 4);
  });
});
