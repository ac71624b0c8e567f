import { describe, expect, it } from 'vitest';
import { namedLightOf } from '@/core/readings/named';
import { defaultOutputStages, type OutputStage } from '@/core/detectors/outputStage/outputStage';
import { changeOutputStage } from '@/core/project/detectorEdits';
import { changeGoal } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import { chooseDetector } from '@/core/size/chooseDetector';
import { goalPhrase } from './goal';

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
