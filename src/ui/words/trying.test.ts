import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { uniforms } from '@/core/numeric/random';
import { sampleProjects } from '@/core/project/samples';
import { trackOf } from '@/core/simulate/day/recorded';
import { kindsFor, questionOf } from '@/core/simulate/predict';
import { DEFAULT_SPREAD, factorsOf } from '@/core/spread/factors';
import { chooseDetector } from '@/core/size/chooseDetector';
import { detectorKinds } from '@/core/detectors/kinds';
import { lightText } from './light';
import {
  dayCureText,
  daySpanText,
  dayTimeText,
  hoursWhere,
  factorName,
  optionText,
  questionText,
  reasonText,
  recordedRefusal,
} from './trying';
import { isOneOf, keysOf } from '@/core/record';

const plain = (text: string) => text.replaceAll('\u00a0', ' ');

describe('the words of trying', () => {
  it('tell a time of day, and its end as its end', () => {
    expect(dayTimeText(0)).toBe('00:00');
    expect(dayTimeText(7 * 3600 + 5 * 60)).toBe('07:05');
    expect(dayTimeText(86_400)).toBe('24:00');
    expect(dayTimeText(18 * 3600 + 61, true)).toBe('18:01:01');
  });

  it('tell a span as short or long as it is', () => {
    expect(plain(daySpanText(0))).toBe('0 s');
    expect(plain(daySpanText(12))).toBe('12 s');
    expect(plain(daySpanText(7 * 3600 + 720))).toBe('7 h 12 min');
    expect(plain(daySpanText(11 * 3600 - 10))).toBe('11 h 0 min');
  });

  it('tell every span of a day so that it can be reckoned back, with no minute or second too many', () => {
    const units = { h: 3600, min: 60, s: 1, ms: 0.001 } as const;
    for (let seconds = 0.2; seconds < 86_400; seconds = seconds * 1.003 + 0.01) {
      const parts = [...plain(daySpanText(seconds)).matchAll(/([\d.]+) (h|min|s|ms)/g)];
      const [, ...lesser] = parts.map(([, figure, unit]) => [Number(figure), unit] as const);
      for (const [figure, unit] of lesser)
        expect([seconds, figure < 60 && unit !== 'h']).toEqual([seconds, true]);
      const told = parts.reduce(
        (sum, [, figure, unit = '']) =>
          sum + Number(figure) * (isOneOf(keysOf(units), unit) ? units[unit] : NaN),
        0,
      );
      expect(Math.abs(told - seconds)).toBeLessThanOrEqual(seconds < 3600 ? 0.51 : 30);
    }
  });

  it('tell where a light is by the end or ends that there are', () => {
    const light = (lux: number) => `${lux} lx`;
    expect(hoursWhere({ fromLux: 0, toLux: 12 }, light)).toBe('darker than 12 lx');
    expect(hoursWhere({ fromLux: 12, toLux: Infinity }, light)).toBe('brighter than 12 lx');
    expect(hoursWhere({ fromLux: 2, toLux: 8 }, light)).toBe('between 2 lx and 8 lx');
  });

  it('have a name for all that differs from build to build, of every way of switching', () => {
    for (const kind of detectorKinds) {
      const project = chooseDetector(kind)(sampleProjects[0]);
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(analysis.reason);
      const names = factorsOf(project, analysis.design, DEFAULT_SPREAD).map(factorName);
      expect(new Set(names).size).toBe(names.length);
      for (const name of names) expect(name).not.toMatch(/undefined|NaN/);
      // A timer has thresholds of its own, and no input offset that a datasheet would tell.
      expect(names.includes('IC1, its thresholds')).toBe(kind === 'timer');
      if (kind === 'timer') expect(names).not.toContain('the input offset');
    }
  });

  it('have a sentence for every cure and every refusal', () => {
    expect(plain(dayCureText({ kind: 'hysteresis', ratio: 1.5 }))).toBe(
      'Its lights to turn on and to turn off ×1.50 apart',
    );
    expect(plain(dayCureText({ kind: 'averaging', samples: 50, isReplaced: false }))).toContain(
      '50 readings',
    );
    expect(plain(dayCureText({ kind: 'min-on', seconds: 60, isReplaced: true }))).toContain('60 s');
    expect(dayCureText({ kind: 'comparator-with-hysteresis', ratio: 2 })).toContain('comparator');
    for (const seconds of [[], [1], [2, 1]]) {
      const found = trackOf({ seconds, lux: seconds });
      if (found.ok) throw new Error('a track');
      expect(recordedRefusal(found)).toMatch(/^(This log|The time)/);
    }
  });

  it('ask and give reasons with real figures, of every sample', () => {
    const light = lightText('lux');
    for (const project of sampleProjects) {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(analysis.reason);
      for (const kind of kindsFor(project, analysis.design)) {
        const question = questionOf(project, analysis.design, kind, 1, uniforms(4));
        if (!question) continue;
        const texts = [
          questionText(question, light),
          reasonText(question, light),
          ...question.options.map((option) => optionText(question, option)),
        ];
        for (const text of texts) expect(text).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });
});
