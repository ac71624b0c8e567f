import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { parseLine } from '@/core/live/lineProtocol';
import { together } from '@/core/project/edits';
import { addReadings, changeMeasurement, takeBag } from '@/core/project/readingEdits';
import { newProject } from '@/core/project/newProject';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import type { Flag } from '@/core/readings/judge';
import { parseLight } from '@/core/readings/parseLight';
import type { ReadingLight } from '@/core/readings/reading';
import { readingOf } from '@/core/readings/testMeasurement';
import type { SourceTrouble } from '@/devices/meterSource';
import { readingsCsv } from '../../common/readingsCsv';
import { NO_REST } from '@/workers/csv/rest';
import { csvErrorSentence, mappingTrouble } from './csv';
import { explainCurve } from '../howFound';
import { keyFigure } from '../keyFigures';
import { betweenReadings, lightText, readingLightText } from '../light';
import { troubleSentence } from './live';
import { rulerNames } from '../places';
import { flagSentence, lightRefusal, nextSentence, shownRefusal } from './readings';
import { rateText, spanText } from '../time';
import { passedOff } from '@/core/testRecord';

const plain = (text: string) => text.replaceAll('\u00a0', ' ');
const levels = [
  { id: 'hall', name: 'hall, evening', lux: null },
  { id: 'desk', name: 'desk', lux: null },
];
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

describe('a light in words', () => {
  it('is told as it was told', () => {
    expect(plain(readingLightText({ kind: 'lux', lux: 12 }, levels))).toBe('12 lx');
    expect(readingLightText({ kind: 'level', level: 'hall' }, levels)).toBe('hall, evening');
    expect(plain(readingLightText({ kind: 'lamp', metres: 0.705, layers: 2 }, levels))).toBe(
      '70.5 cm, 2 layers',
    );
    expect(plain(readingLightText({ kind: 'lamp', metres: 2.83, layers: 1 }, levels))).toBe(
      '2.83 m, 1 layer',
    );
    expect(readingLightText({ kind: 'lamp-off' }, levels)).toBe('lamp off');
  });

  it('is in lux, in multiples of the lamp, or in ohms', () => {
    expect(plain(lightText('lux')(85))).toBe('85 lx');
    expect(plain(lightText('relative')(4))).toBe('4 ×');
    expect(plain(lightText('ohms')(10))).toBe('14.0 kΩ');
  });

  it('falls between two readings by their names', () => {
    const readings = [
      readingOf('a', { kind: 'level', level: 'hall' }, 20_000),
      readingOf('b', { kind: 'level', level: 'desk' }, 2000),
    ];
    const between = (ohms: number) => betweenReadings(ohms, { readings, levels });
    expect(between(5000)).toBe('between “hall, evening” and “desk”');
    expect(between(1000)).toBe('brighter than “desk”');
    expect(between(50_000)).toBe('darker than “hall, evening”');
    expect(rulerNames('ohms', readings, levels, [1, null])).toEqual([{ text: 'hall, evening', light: 1 }]);
  });
});

describe('what is odd about a reading', () => {
  const reading = readingOf('r', { kind: 'lux', lux: 20 }, 1870);
  const say = (flag: Record<string, unknown>) =>
    plain(flagSentence(passedOff<Flag>({ id: 'r', ...flag }), reading, '20 lx', () => '5 lx'));
  it('is one sentence with its figures', () => {
    expect(say({ code: 'slip', factor: 0.001, fixedOhmsOf: 1.87e6 })).toBe(
      '1.87 kΩ at 20 lx is a thousand times too small for the others: a slipped prefix or range.',
    );
    expect(say({ code: 'skin', parallelOhms: 9e5, expectedOhms: 2e6 })).toContain(
      '900 kΩ of skin in parallel',
    );
    expect(say({ code: 'outlier', offShare: -0.4 })).toContain('lies −40 % off the curve');
    expect(say({ code: 'out-of-order', otherId: 'o' })).toContain('more than at 5 lx, where it was darker');
    expect(say({ code: 'above-contradicts', expectedOhms: 1000 })).toContain(
      'more than the others allow (1.00 kΩ)',
    );
    expect(say({ code: 'coarse', betterOhms: 2000 })).toContain('the 2 kΩ range shows more');
    expect(say({ code: 'coarse', betterOhms: null })).toContain('of the lowest range');
  });
});

describe('what was not taken', () => {
  it('is told in one sentence each', () => {
    const light = (text: string) => {
      const parsed = parseLight(text, { bare: 'lux', levels: [], previous: null });
      return parsed.ok ? '' : lightRefusal(parsed);
    };
    const sentences = ['', '0', '-1', 'x', '0 cm', '200 m', 'x2', '50 cm x99', 'n'.repeat(41), '12q'].map(
      light,
    );
    expect(new Set(sentences).size).toBe(sentences.length);
    for (const sentence of sentences) expect(sentence).toMatch(/\.$/);
    expect(light('0')).toContain('Complete dark has no place');
    expect(
      plain(
        shownRefusal({
          ok: false,
          reason: 'beyond-range',
          fullOhms: 2000,
          ohms: 15_600,
          betterOhms: null,
          plainOhms: null,
        }),
      ),
    ).toContain('no range of this meter can');
  });

  it('is told for every trouble of a source', () => {
    const line = parseLine('NaN', { kind: 'ohms' }, 0, 0);
    if (line.ok) throw new Error('read');
    const troubles: SourceTrouble[] = [
      { code: 'line', reason: line.reason, line: line.line },
      ...(['unplugged', 'not-chosen', 'port-busy', 'unsupported', 'no-bench', 'ended'] as const).map(
        (code) => ({ code }),
      ),
    ];
    expect(new Set(troubles.map((trouble) => troubleSentence(trouble, 1))).size).toBe(troubles.length);
    expect(troubleSentence({ code: 'line', reason: 'torn', line: '' }, 30)).toContain(
      '30 lines so far; is the baud rate right?',
    );
  });

  it('is told for a CSV by its row, and for columns that cannot be', () => {
    expect(csvErrorSentence({ line: 4, text: '', problem: { code: 'not-later' } })).toBe(
      'Line 4: not later than the row before.',
    );
    const mapping = {
      delimiter: ',',
      hasHeader: true,
      decimal: '.',
      ohms: 1,
      light: null,
      time: 0,
      ohmsFactor: 1,
      timeUnit: 'seconds',
      bare: 'lux',
      rest: NO_REST,
    } as const;
    expect(mappingTrouble(mapping, 'log', 2)).toBeNull();
    expect(mappingTrouble(mapping, 'log', 1)).toContain('is the delimiter right?');
    expect(mappingTrouble(mapping, 'readings', 2)).toContain('which column holds the light');
    expect(mappingTrouble({ ...mapping, ohms: 0 }, 'log', 2)).toContain('cannot be both');
  });
});

describe('figures of the measuring step', () => {
  const project = newProject('n', 'N');
  const ladder = together(
    changeMeasurement({ meter: null }),
    addReadings(
      [0.25, 0.5, 1].map((metres, index) => ({
        id: `r${index}`,
        light: { kind: 'lamp' as const, metres, layers: 0 },
        ohms: 2000 * 2.639 ** index,
      })),
    ),
  )(project);

  it('are told on the scale that the readings are on', () => {
    expect(plain(keyFigure('measure', ladder, designOf(ladder)).figure)).toBe('13.9 kΩ at 1 m');
    expect(plain(keyFigure('switch', ladder, designOf(ladder)).figure)).toMatch(/×$/);
    const named = addReadings([
      { id: 'a', light: { kind: 'level', level: 'hall' }, ohms: 20_000 },
      { id: 'b', light: { kind: 'level', level: 'desk' }, ohms: 2000 },
    ])({ ...project, levels });
    expect(plain(keyFigure('measure', named, designOf(named)).figure)).toBe('2 kΩ – 20 kΩ');
    expect(keyFigure('switch', named, designOf(named)).note).toBe('between “hall, evening” and “desk”');
    expect(explainCurve(designOf(named)).title).toBe('No light figures');
  });

  it('say that a bag stands in', () => {
    const bag = { count: 4, lnR10Mean: Math.log(12_000), lnR10Std: 0.1, gammaMean: 0.7, gammaStd: 0.02 };
    const bagged = takeBag(bag)(project);
    expect(keyFigure('measure', bagged, designOf(bagged)).note).toBe('mean of a bag of 4');
    expect(explainCurve(designOf(bagged)).lines[1]).toContain('4 LDRs: R10 within a factor of 1.11');
  });

  it('tell the next reading with its gain, and where the lamp would have to stand', () => {
    const next = {
      says: 'read',
      light: { kind: 'lux', lux: 4 },
      lux: 4,
      nowRatio: 1.8,
      thenRatio: 1.25,
      several: { count: 3, ratio: 1.08 },
    } as const;
    const nameOf = (light: ReadingLight) => readingLightText(light, []);
    expect(plain(nextSentence(next, nameOf))).toBe(
      'A reading at 4 lx would help most. It would bring the light of the goal from within a factor of 1.8 to about ± 25 %; 3 readings, to about ± 8.0 %.',
    );
    expect(
      plain(nextSentence({ ...next, light: { kind: 'lamp', metres: 0.5, layers: 0 } }, nameOf)),
    ).toContain('50 cm');
    expect(plain(nextSentence({ says: 'enough', nowRatio: 1.03, isKnown: true }, nameOf))).toContain(
      'Enough: the light of the goal is known ± 3.0 %',
    );
    const poorly = plain(nextSentence({ says: 'enough', nowRatio: 4, isKnown: false }, nameOf));
    expect(poorly).toContain('known within a factor of 4.0');
    expect(poorly).not.toContain('Enough');
  });
});

describe('times and rates', () => {
  it('are told as one says them', () => {
    expect([0, 12_400, 185_000, 7_800_000].map((span) => plain(spanText(span)))).toEqual([
      '0 s',
      '12 s',
      '3 min 05 s',
      '2 h 10 min',
    ]);
    expect([0, 3.21, -12.34, 2834.4].map((rate) => plain(rateText(rate)))).toEqual([
      '0 %/min',
      '+3.2 %/min',
      '−12.3 %/min',
      '+2834 %/min',
    ]);
  });
});

describe('readings as a CSV', () => {
  it('hold no cell that could be a formula', () => {
    const project = sampleProjects[0];
    const [first] = project.readings;
    if (!first) throw new Error('readings');
    const noted = {
      ...project,
      readings: [{ ...first, note: '=1+1', above: true, ohms: 2e6 }, ...project.readings.slice(1)],
    };
    const lines = readingsCsv(noted).split('\r\n');
    expect(lines).toHaveLength(project.readings.length + 1);
    expect(lines[1]).toMatch(/^4 lx,>2000000,above/);
    expect(lines[1]).toContain(`'=1+1`);
    for (const line of lines.slice(1)) {
      const light = parseLight(line.split(',')[0] ?? '', { bare: 'lux', levels: [], previous: null });
      expect(light.ok).toBe(true);
    }
  });
});
