import { describe, expect, it } from 'vitest';
import { cornersOf } from '@/core/advise/corners';
import { analyse } from '@/core/design';
import { someProject } from '@/core/advise/testProjects';
import { stageOf } from '@/core/detectors/stageOf';
import { machineOf } from '@/core/simulate/machine';
import { Simulation } from '@/core/simulate/simulation';
import { unusualProject } from '@/core/testUnusual';
import { sampleProjects } from '@/core/project/samples';
import { startProject } from '@/core/size/startProject';
import { startings } from '@/core/size/starting';
import { loadSupplyOf } from '@/core/analyse/led/seriesResistor';
import { areStarved } from '@/core/operate/onAmps';
import { runs } from '@/core/testRuns';
import { explained } from './explaining';

describe('a design explained', () => {
  it('is eight whole sentences with its own figures, for every sample and everything to start from', () => {
    const started = startings.map((starting) => startProject(starting, 'p', 'New'));
    for (const project of [...sampleProjects, ...started]) {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(project.name);
      const sentences = explained(project, analysis.design, []);
      expect(sentences).toHaveLength(8);
      for (const sentence of sentences) {
        expect(sentence).toMatch(/^\p{Lu}.*[.!]$/u);
        expect(sentence).not.toMatch(/undefined|NaN|null|Infinity/);
      }
    }
  });

  it('tells of any design nothing that is not so', () => {
    for (let seed = 1; seed <= runs(4000); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const sentences = explained(project, design, []);
      expect([seed, sentences.length]).toEqual([seed, 8]);
      const text = sentences.join(' ');
      const says = (words: string, isSo: boolean) =>
        expect([seed, words, text.includes(words)]).toEqual([seed, words, isSo]);
      expect([seed, /undefined|NaN|null|Infinity/.test(sentences.slice(0, 7).join())]).toEqual([seed, false]);
      for (const sentence of sentences.slice(0, 7))
        expect([seed, sentence]).toEqual([seed, expect.stringMatching(/^\p{Lu}.*\.$/u)]);
      says('No detector stands before', design.assembly.switching === null);
      says('There is no divider', project.divider.isDirect && design.assembly.switching === null);
      const { thresholds } = design;
      const isStarved = areStarved(design.loads);
      says('the switch is fully on', design.drive.saturates && !isStarved);
      says('may stay dim', !design.drive.saturates && !isStarved);
      if (text.includes('no stronger switch'))
        expect([seed, design.drive.fullSwitchVolts < 0.31 * loadSupplyOf(project).volts]).toEqual([
          seed,
          true,
        ]);
      // Two voltages of one light are those of a supply that moves.
      if (text.includes('and off again with A at') && !thresholds?.isWindow)
        expect([seed, (thresholds?.bandRatio ?? 2) > 1.002]).toEqual([seed, true]);
      const { half } = design;
      const isStuck = (reason: string) =>
        !half.ok && half.reason === reason && !text.includes('it answers to a change');
      says('the load is on at every light', isStuck('stays-above'));
      says(
        'there is no light at which the load comes on',
        !half.ok && isStuck(half.reason) && half.reason !== 'stays-above',
      );
      if (text.includes('A is always where it has the load on'))
        expect([seed, thresholds?.turnOn]).toEqual([
          seed,
          expect.objectContaining({ ok: false, reason: 'stays-above' }),
        ]);
      says('No drawbacks were found', design.advice.length === 0);
      if (seed % 8 === 0) {
        const ends = cornersOf(project);
        const told = explained(project, design, ends).join(' ');
        expect([seed, told.includes('No drawbacks were found')]).toEqual([
          seed,
          design.advice.length + ends.length === 0,
        ]);
      }
      if (text.includes('the load is on when it is darker'))
        expect([seed, design.action]).toEqual([seed, 'on-in-dark']);
      if (text.includes('the load is on when it is brighter'))
        expect([seed, design.action]).toEqual([seed, 'on-in-light']);
    }
  });

  it('says of a load that stays on that it is on, and of one that does not how long it is, as it goes in time', () => {
    const seen = { stays: 0, ends: 0, turns: 0 };
    for (let seed = 1; seed <= runs(3000, 20); seed++) {
      const some = unusualProject(seed);
      const project = { ...some, feedbackLux: 0 };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const { thresholds, half } = design;
      if (!thresholds?.turnOn.ok || !thresholds.turnOff.ok || !half.ok || thresholds.isInverted) continue;
      const stage = stageOf(project);
      const seconds = 'seconds' in stage ? stage.seconds : 0;
      if (thresholds.isOn.length > 3 || seconds > 3600) continue;
      const text = explained(project, design, []).join(' ');
      const { turnOn, turnOff, isWindow } = thresholds;
      const isDark = thresholds.isOn[0] === true;
      const between = Math.sqrt(turnOn.lux * turnOff.lux);
      const inside = isWindow && !isDark ? between : turnOn.lux * (isDark ? 0.1 : 10);
      const outside = isWindow && isDark ? between : isDark ? design.range.maxLux : design.range.minLux;
      if (isWindow) expect(text.includes('off in a window') || text.includes('leaves a window')).toBe(isDark);
      const simulation = new Simulation(machineOf(project, design), outside);
      simulation.run(1000, outside);
      const before = simulation.switchings;
      simulation.jump(inside);
      simulation.run(2 * seconds + 1000, inside);
      const what = [seed, stage.kind, text] as const;
      if (simulation.switchings === before) continue;
      if (text.includes('the load changes over')) {
        seen.turns += 1;
        expect([...what, stage.kind]).toEqual([...what, 'turns-over']);
      } else if (/load comes on for \d/.test(text)) {
        seen.ends += 1;
        expect([...what, simulation.isOn]).toEqual([...what, false]);
        expect(text).not.toContain('off again');
      } else {
        seen.stays += 1;
        expect([...what, simulation.isOn]).toEqual([...what, true]);
      }
    }
    expect(seen.stays).toBeGreaterThan(20);
    expect(seen.ends).toBeGreaterThan(0);
    expect(seen.turns).toBeGreaterThan(0);
  });

  it('says what a design that cannot work lacks', () => {
    const dim = sampleProjects.find(({ name }) => name.includes('stays dim'));
    const analysis = dim && analyse(dim);
    if (!dim || !analysis?.ok) throw new Error('no sample');
    const text = explained(dim, analysis.design, []).join(' ');
    expect(text).toContain('so the load may stay dim');
    expect(text).toContain('What to look at first:');
  });
});
