import { describe, expect, it } from 'vitest';
import { namedLightOf } from '@/core/readings/named';
import { defaultOutputStages, type OutputStage } from '@/core/detectors/outputStage/outputStage';
import { changeOutputStage } from '@/core/project/detectorEdits';
import { changeDivider, changeGoal } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { newProject } from '@/core/project/newProject';
import { summaryOf } from '@/core/analyse/projectSummary';
import { analyse } from '@/core/design';
import { chooseDetector } from '@/core/size/chooseDetector';
import { actionText, goalPhrase, onBetween, switchingText } from './goal';
import { goalSentence, summaryText } from './projects';
import { adviceSentence } from './said/advice';
import { passedOff } from '@/core/testRecord';

const project = newProject('p', 'P');
const dark = changeGoal({ action: 'on-in-dark', lux: 20, offLux: 60 })(project);
const bright = changeGoal({ action: 'on-in-light', lux: 60, offLux: 20 })(project);
const plain = (text: string) => text.replaceAll('\u00a0', ' ');

describe('a goal in words', () => {
  it('is below a light in the dark and above one in the light', () => {
    expect(plain(goalPhrase(dark, 'lux'))).toBe('in the dark, below 20 lx and off again above 60 lx');
    expect(plain(goalPhrase(bright, 'lux'))).toBe('in the light, above 60 lx and off again below 20 lx');
  });

  it('is the other way round in ohms: an LDR has more of them in the dark', () => {
    const named = changeGoal({ action: 'on-in-dark', lux: namedLightOf(47_000), offLux: null })(project);
    expect(plain(goalPhrase(named, 'ohms'))).toBe('in the dark, with the LDR above 47.0 kΩ');
    const lit = changeGoal({ action: 'on-in-light', lux: namedLightOf(2200), offLux: null })(project);
    expect(plain(goalPhrase(lit, 'ohms'))).toBe('in the light, with the LDR below 2.20 kΩ');
  });

  it('is the light of turning off where a detector is put on that', () => {
    const timer = chooseDetector('timer')(dark);
    if (timer.detector.kind !== 'timer') throw new Error('no timer');
    const off = { ...timer, detector: { ...timer.detector, matters: 'off' as const } };
    expect(plain(goalPhrase(off, 'lux'))).toBe('in the dark, off again above 20 lx');
  });

  it('tells how long, where what follows says so, and no light that turns off what ends by itself', () => {
    const comparator = chooseDetector('comparator')(dark);
    const after = (kind: OutputStage['kind']) =>
      plain(goalPhrase(changeOutputStage(defaultOutputStages[kind])(comparator), 'lux'));
    expect(after('direct')).toBe('in the dark, below 20 lx and off again above 60 lx');
    expect(after('one-shot')).toBe('in the dark, below 20 lx and off again above 60 lx, for 1.1 s at least');
    expect(after('counted')).toMatch(/^in the dark, below 20 lx, for \d+ .*$/);
    expect(after('toggle')).toBe('in the dark, below 20 lx, and off the next time');
  });

  it('has no on and off where only a change or a window counts', () => {
    expect(goalPhrase(chooseDetector('change')(dark), 'lux')).toMatch(/^at a change from /);
    expect(goalPhrase(chooseDetector('window')(dark), 'lux')).toMatch(/^between .* and /);
  });
});

describe('when a design is on, wherever it is told', () => {
  const window = changeGoal({ lux: 2, offLux: 8 })(chooseDetector('window')(bright));
  const change = chooseDetector('change')(dark);

  it('is between two lights for a window, and at a change for what hears only those', () => {
    expect(plain(goalSentence(window, 'lux'))).toBe('On between 2 lx and 8 lx.');
    expect(plain(summaryText(summaryOf(window)))).toMatch(/ on between 2 lx and 8 lx · window /);
    expect(plain(summaryText(summaryOf(change)))).toMatch(/ on at a change from 20 lx · change detector /);
    expect([window, change].map((one) => actionText(one, 'on-in-light'))).toEqual([
      'on between two lights',
      'on at a change',
    ]);
    expect(actionText(window, 'on-in-light', true)).toBe('off between two lights');
    expect(actionText(window, 'on-in-dark')).toBe('off between two lights');
    expect(actionText(window, 'on-in-dark', true)).toBe('on between two lights');
    expect(actionText(change, 'on-in-dark', true)).toBe('off at a change');
    expect([onBetween(window), onBetween(change)]).toEqual([
      { from: 2, to: 8 },
      { from: 20, to: 20 },
    ]);
  });

  it('is on one side of its light for all others, and turned over at a relay’s other contact', () => {
    expect([onBetween(dark), onBetween(bright)]).toEqual([
      { from: null, to: 20 },
      { from: 60, to: null },
    ]);
    expect(plain(summaryText(summaryOf(dark)))).toMatch(/ on in the dark, below 20 lx/);
    expect(actionText(dark, 'on-in-dark')).toBe('on in the dark');
    expect(actionText(dark, 'on-in-dark', true)).toBe('on in the light');
  });

  it('is told to be the wrong way round by what it should do there', () => {
    const wrong = (one: Project) => {
      const analysis = analyse(one);
      const said = analysis.ok ? analysis.design.advice.find(({ code }) => code === 'wrong-action') : null;
      return said ? adviceSentence(said) : null;
    };
    expect(wrong(changeOutputStage(defaultOutputStages.inverted)(window))).toBe(
      'This wiring is the wrong way round: it is off between its two lights, and should be on there.',
    );
    expect([wrong(window), wrong(change)]).toEqual([null, null]);
    expect(wrong(changeDivider({ ldrSide: 'top' })(change))).toBe(
      'This wiring is the wrong way round: it should answer as it gets darker.',
    );
  });

  it('is at no light only where it is meant to be at one', () => {
    const said = [change, window, dark].map((one) => {
      const analysis = analyse(one);
      return analysis.ok ? switchingText(one, analysis.design) : null;
    });
    expect(said[0]).toBe('switches at a change of the light');
    expect(plain(said[1] ?? '')).toMatch(/^switches at [\d.]+ lx$/);
    expect(
      switchingText(
        dark,
        passedOff({
          half: { ok: false, reason: 'stays-above' },
          resolved: { scale: 'lux' },
        }),
      ),
    ).toBe('switches at no light');
  });
});
