import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { changeFeedbackLight } from '../project/detectorEdits';
import { changeGoal, together } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { runs } from '../testRuns';
import { chooseDetector } from '../size/chooseDetector';
import { beamFacts } from './tripBeam';

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
