import { describe, expect, it } from 'vitest';
import { isNothing } from '@/core/analyse/analysis';
import { analyse } from '@/core/design';
import { chooseDetector } from '@/core/size/chooseDetector';
import { changeDetector, changeOutput } from '@/core/project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  chooseLed,
  takeTransistor,
  together,
  type Edit,
} from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import { sampleProjects } from '@/core/project/samples';
import { detectorKinds } from '@/core/detectors/kinds';
import { defaultTransistor as defaultPart } from '@/core/drivers/registry';
import { someProject } from '@/core/advise/testProjects';
import { runs } from '@/core/testRuns';
import { keyFigure, noBandText } from './keyFigures';
import { goalWord } from './names';

const platform = sampleProjects[0];
const plain = (text: string) => text.replaceAll('\u00a0', ' ');
const steps = ['measure', 'divide', 'switch', 'drive'] as const;
const shown = (step: (typeof steps)[number], ...edits: Edit[]) => {
  const project = together(...edits)(platform);
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const { figure, note } = keyFigure(step, project, analysis.design);
  return { figure: plain(figure), note: plain(note) };
};

describe('the signal chain in words', () => {
  it('has a figure and a line for every step of every sample and every way of deciding', () => {
    for (const sample of [
      ...sampleProjects,
      ...detectorKinds.map((kind) => chooseDetector(kind)(platform)),
    ]) {
      const analysis = analyse(sample);
      if (!analysis.ok) throw new Error(analysis.reason);
      for (const step of steps) {
        const { figure, note } = keyFigure(step, sample, analysis.design);
        expect(figure).not.toMatch(/NaN|undefined|null|Infinity/);
        expect(note).not.toMatch(/NaN|undefined|null|Infinity/);
        // What is longer than this does not fit its box at 1280 pixels.
        expect(figure.length).toBeLessThanOrEqual(22);
        expect(note.length).toBeLessThanOrEqual(46);
      }
    }
  });

  it('says that there is no solution rather than a figure', () => {
    expect(keyFigure('switch', platform, null)).toEqual({ figure: '–', note: 'no solution' });
  });

  it('tells a measured LDR from one that nobody has measured yet', () => {
    expect(shown('measure').note).toMatch(/^γ 0\.\d+ ± 0\.\d+ · 7 readings$/);
    const fresh = newProject('n', 'N');
    const analysis = analyse(fresh);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(keyFigure('measure', fresh, analysis.design).note).toBe('typical LDR, not yours yet');
  });

  it('gives R1 as it is written on it, with the side and the action', () => {
    expect(shown('divide', changeDivider({ fixedOhms: 4700 }))).toEqual({
      figure: '4.7 kΩ',
      note: 'LDR below · on in the dark',
    });
    expect(shown('divide', changeDivider({ ldrSide: 'top' })).note).toBe('LDR above · on in the light');
  });

  it('says of the light at the goal what becomes of the load there', () => {
    const fan = sampleProjects.find(({ id }) => id === 'sample-cold-frame')!;
    for (const matters of ['on', 'off'] as const) {
      const analysis = analyse(changeDetector('timer', { matters })(fan));
      if (!analysis.ok || !analysis.design.thresholds) throw new Error('it does not switch');
      const { thresholds, half } = analysis.design;
      expect(goalWord(analysis.design)).toBe(`turns ${matters}`);
      expect(half).toEqual(matters === 'on' ? thresholds.turnOn : thresholds.turnOff);
    }
  });

  it('says why there is no switching light', () => {
    const starved = shown('switch', changeBaseResistor(10_000_000));
    expect(starved).toEqual({ figure: 'never', note: 'under half on at every light' });
    const always = shown('switch', changeDivider({ fixedOhms: 10_000_000, ldrSide: 'top' }));
    expect(always).toEqual({ figure: 'never', note: 'on at every light' });
  });

  it('names what switches, and where it turns off or that it chatters', () => {
    const bare = shown('switch', chooseDetector('comparator'));
    expect(bare.note).toBe('comparator · no hysteresis');
    const held = shown(
      'switch',
      chooseDetector('comparator'),
      changeDetector('comparator', { feedbackOhms: 100_000, sensorOhms: 10_000 }),
    );
    expect(held.note).toMatch(/^off at [\d.]+ lx$/);
    const change = shown(
      'switch',
      chooseDetector('change'),
      changeDetector('change', { dimming: 0.4, seconds: 0.2 }),
    );
    expect(change.figure).toBe('40 %');
    expect(change.note).toContain('dims within');
  });

  it('tells how the switch is driven: a base by its forced β, a gate by its voltage, no switch by the output', () => {
    expect(shown('drive').note).toMatch(/forced β [\d.]+$/);
    expect(shown('drive', takeTransistor(defaultPart('nmos'))).note).toMatch(/gate [\d.]+ V$/);
    const linear = shown(
      'drive',
      chooseDetector('comparator'),
      changeOutput({ to: 'load', loadRail: 'supply' }),
    );
    expect(linear.note).toMatch(/from the output$/);
    expect(shown('drive', chooseLed('red')).note).toContain('red LED');
  });
});

describe('what is said where a transistor by itself has no transition band', () => {
  it('is that it is never fully on, or never quite off, as the current over light is', () => {
    let [count, off] = [0, 0];
    for (let seed = 1; seed <= runs(3000, 30); seed++) {
      const analysis = analyse(someProject(seed));
      if (!analysis.ok) continue;
      const { thresholds, softBandRatio, extremes, drive } = analysis.design;
      if (thresholds || softBandRatio !== null || drive.isPullIn) continue;
      const note = noBandText(analysis.design);
      const { leastAmps, mostAmps } = extremes.load;
      const [least, most] = [leastAmps / drive.fullAmps, mostAmps / drive.fullAmps];
      count += 1;
      if (note === 'never quite off') off += 1;
      // Of next to nothing no share is on.
      const getsNothing = isNothing(drive.fullAmps);
      if (note === 'never fully on') expect([seed, getsNothing || most < 0.91]).toEqual([seed, true]);
      else expect([seed, note, least > 0.009]).toEqual([seed, note, true]);
      expect([seed, note]).not.toEqual([seed, '']);
    }
    expect(count).toBeGreaterThan(5);
    expect(off).toBeGreaterThan(0);
  });
});
