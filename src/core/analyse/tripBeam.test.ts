import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { changeFeedbackLight } from '../project/detectorEdits';
import { changeGoal, together } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { promised, runs } from '../testRuns';
import { chooseDetector } from '../size/chooseDetector';
import { someProject } from '../advise/testProjects';
import { stageOf } from '../detectors/stageOf';
import { detectorDefinition } from '../detectors/registry';
import { uniforms } from '../numeric/random';
import type { Project } from '../project/project';
import { unusualProject } from '../testUnusual';
import { isLitWhenOff, litShare } from './feedbackLight';
import { contactLights } from './loadFacts';
import { beamFacts, type Beam } from './tripBeam';

const lamps = chooseDetector('comparator')(sampleNamed('Platform lamps'));

const anyBeam = fc.record({
  action: fc.constantFrom<'on-in-dark' | 'on-in-light'>('on-in-dark', 'on-in-light'),
  ambientLux: fc.double({ min: 2, max: 200, noNaN: true }),
  contrast: fc.double({ min: 1.5, max: 60, noNaN: true }),
  wanted: fc.double({ min: 1.05, max: 30, noNaN: true }),
  own: fc.constantFrom(0, 0.1, 0.5),
});

describe('the two lights that a beam asks for', () => {
  it('lie between its own two, as far apart as they were where that leaves a fifth at either side', () => {
    let [kept, narrowed, widened] = [0, 0, 0];
    fc.assert(
      fc.property(anyBeam, ({ action, ambientLux, contrast, wanted, own }) => {
        const beamLux = ambientLux * (contrast - 1);
        const lux = 20;
        const offLux = action === 'on-in-dark' ? lux * wanted : lux / wanted;
        const ownLux = own * ambientLux;
        const project = together(
          changeGoal({ action, lux, offLux }),
          changeFeedbackLight(ownLux),
        )(chooseDetector('comparator')(lamps));
        const analysis = analyse(project);
        if (!analysis.ok) throw new Error(analysis.reason);
        // Of a design that acts as its goal does.
        if (analysis.design.action !== action) return;
        const { goalLux, goalOffLux } = beamFacts(analysis.design, { ambientLux, beamLux }, project);
        if (goalOffLux === null) throw new Error('a light to turn off at was asked for');
        expect(goalOffLux > goalLux).toBe(action === 'on-in-dark');
        const [low, high] = [Math.min(goalLux, goalOffLux), Math.max(goalLux, goalOffLux)];
        const broken = ambientLux + (action === 'on-in-dark' ? 0 : ownLux);
        const whole = ambientLux + beamLux + (action === 'on-in-dark' ? ownLux : 0);
        if (whole < 1.1 * broken) return;
        expect(low).toBeGreaterThan(broken);
        expect(high).toBeLessThan(whole);
        const [room, band] = [whole / broken, high / low];
        const isBridged = own > 0 && broken * (wanted - 1) < 1.1 * ownLux;
        if (!isBridged && wanted < room / 1.46) {
          kept += 1;
          // Three digits each.
          expect(band / wanted).toBeGreaterThan(0.985);
          // No wider than asked for, but for what its own light would carry it over.
          expect(band).toBeLessThan(1.015 * Math.max(wanted, 1 + (1.2 * ownLux) / broken));
        }
        if (wanted > room) {
          narrowed += 1;
          expect(band).toBeLessThan(room);
        }
        if (isBridged && 1 + (1.3 * ownLux) / broken < room / 1.46) {
          widened += 1;
          expect(high - low).toBeGreaterThan(ownLux);
        }
      }),
      { numRuns: runs(2000, 10), seed: 4 },
    );
    expect(Math.min(kept, narrowed, widened)).toBeGreaterThan(5);
  });

  it('are one where one was asked for', () => {
    const project = changeGoal({ offLux: null })(lamps);
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    const facts = beamFacts(analysis.design, { ambientLux: 10, beamLux: 90 }, project);
    expect(facts.goalOffLux).toBeNull();
    expect(facts.goalLux).toBeGreaterThan(10);
    expect(facts.goalLux).toBeLessThan(100);
  });
});

const solvedOf = (project: Project) => {
  const analysis = analyse(project);
  return analysis.ok ? analysis.design : null;
};
type Solved = NonNullable<ReturnType<typeof solvedOf>>;

/** What snaps, as states with borders between them; `null` where it does not, or a border is not passed both ways. */
function snapsOf(design: Solved) {
  const { thresholds, action } = design;
  const contact = design.drive.isPullIn ? contactLights(design) : null;
  const both = (rising: Solved['half'] | undefined, falling: Solved['half'] | undefined) =>
    rising?.ok && falling?.ok ? [{ rising: rising.lux, falling: falling.lux }] : [];
  if (thresholds) {
    const borders = thresholds.boundaries.flatMap(({ rising, falling }) => both(rising, falling));
    return borders.length === thresholds.boundaries.length ? { borders, isOn: thresholds.isOn } : null;
  }
  if (!contact?.on.ok || !contact.off.ok) return null;
  const [on, off] = [contact.on.lux, contact.off.lux];
  return action === 'on-in-dark'
    ? { borders: [{ rising: off, falling: on }], isOn: [true, false] }
    : { borders: [{ rising: on, falling: off }], isOn: [false, true] };
}

/** Whether its load tells a beam by being on or off, each time and whatever was before: by its borders and its own light alone. */
function tellsBeam(design: Solved, feedbackLux: number, { ambientLux, beamLux }: Beam): boolean | null {
  const snaps = snapsOf(design);
  if (!snaps) return null;
  const { borders, isOn } = snaps;
  const own = feedbackLux * litShare(design);
  const rest = (from: number, room: number) => {
    let state = from;
    for (let step = 0; step < 30; step++) {
      const lux = room + (isOn[state] === isLitWhenOff(design) ? 0 : own);
      if (lux > (borders[state]?.rising ?? Infinity)) state += 1;
      else if (lux < (borders[state - 1]?.falling ?? -Infinity)) state -= 1;
      else return state;
    }
    return null;
  };
  /** What it does in turn with the beam whole and broken, from a state, once it has come from one to the other. */
  const shown = (start: number, first: 'whole' | 'broken') => {
    let state: number | null = start;
    const turns = [0, 1, 2, 3].map((turn) => {
      const isWhole = (turn % 2 === 0) === (first === 'whole');
      if (state !== null) state = rest(state, ambientLux + (isWhole ? beamLux : 0));
      return { isWhole, isOn: state === null ? null : isOn[state] };
    });
    return turns.slice(1);
  };
  const all = [0, borders.length].flatMap((start) => [...shown(start, 'whole'), ...shown(start, 'broken')]);
  const [whole, broken] = [true, false].map(
    (is) => new Set(all.flatMap((one) => (one.isWhole === is ? [one.isOn] : []))),
  );
  return (
    whole?.size === 1 &&
    broken?.size === 1 &&
    ![...whole].some((one) => one === null || broken.has(one)) &&
    !broken.has(null)
  );
}

describe('what is said of a beam', () => {
  it('is what its borders and its own light make of it, in each room', () => {
    let [count, told, lit] = [0, 0, 0];
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(6000, 30); seed++) {
      const base = (seed % 3 === 2 ? unusualProject : someProject)(seed);
      if (!['one', 'window'].includes(detectorDefinition(base.detector).goal.lights)) continue;
      if (stageOf(base).kind !== 'follows') continue;
      const plain = solvedOf({ ...base, feedbackLux: 0 });
      if (!plain?.half.ok) continue;
      const uniform = uniforms(seed);
      const project = { ...base, feedbackLux: seed % 2 === 0 ? 0 : plain.half.lux * 0.02 * 100 ** uniform() };
      const design = solvedOf(project);
      if (!design) continue;
      for (let run = 0; run < 8; run++) {
        const beam = {
          ambientLux: plain.half.lux * 0.05 * 60 ** uniform(),
          beamLux: plain.half.lux * 0.1 * 100 ** uniform(),
        };
        const does = tellsBeam(design, project.feedbackLux, beam);
        if (does === null) continue;
        const facts = beamFacts(design, beam, project);
        const { brokenMargin, wholeMargin, minAmbientLux, maxAmbientLux } = facts;
        if ([brokenMargin, wholeMargin].some((margin) => Math.abs((margin ?? 9) - 1) < 1e-6)) continue;
        count += 1;
        if (does) told += 1;
        if (project.feedbackLux > 0) lit += 1;
        const isWithin =
          minAmbientLux !== null &&
          maxAmbientLux !== null &&
          beam.ambientLux > minAmbientLux &&
          beam.ambientLux < maxAmbientLux;
        if (facts.works !== does || isWithin !== does)
          wrong.push(
            `${seed}: ${does}, said ${facts.works} ${isWithin}, own ${project.feedbackLux} ${JSON.stringify({ beam, facts })}`,
          );
      }
    }
    promised('beams told as their borders have it', `${count - wrong.length} of ${count}`, 'all');
    expect(Math.min(told, lit, count - told)).toBeGreaterThan(30);
    expect(wrong).toEqual([]);
  });
});
