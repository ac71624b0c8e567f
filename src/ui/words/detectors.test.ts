import { defaultOutputStages } from '@/core/detectors/outputStage/outputStage';
import { describe, expect, it } from 'vitest';
import type { Advice } from '@/core/advise/advice';
import { analyse } from '@/core/design';
import { chooseDetector } from '@/core/size/chooseDetector';
import { compareIds } from '@/core/compare/compare';
import { changeEdgeBand } from '@/core/size/edgeBand';
import { searchNow } from '@/core/size/hysteresis';
import {
  changeOutputStage,
  changeBeam,
  changeDetector,
  changeOutput,
  changeFeedbackLight,
  swapInputs,
} from '@/core/project/detectorEdits';
import {
  changeDivider,
  changeGoal,
  changeResistors,
  changeDriver,
  takeLoad,
  together,
  type Edit,
} from '@/core/project/edits';
import { defaultLoads } from '@/core/loads/registry';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import { detectorKinds } from '@/core/detectors/kinds';
import { defaultDetectors, detectorOf } from '@/core/detectors/registry';
import { adviceSentence } from './said/advice';
import { comparatorName, compareName } from './names';
import { detectorText, detectorWords } from './detectors';
import { searchRefusal } from './searching';
import { keyFigure } from './keyFigures';
import { timeText } from './time';

const [platform, larder, stair] = sampleProjects;
const plain = (text: string) => text.replaceAll('\u00a0', ' ');
const adviceFor = (project: Project, ...edits: Edit[]): readonly Advice[] => {
  const analysis = analyse(together(...edits)(project));
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design.advice;
};
const part = (id: string) => shippedComparators.find((other) => other.id === id) ?? shippedComparators[0]!;
const comparator = chooseDetector('comparator');
const opAmp = changeDetector('comparator', { part: part('op-amp') });

/** Designs that between them bring out every kind of advice about what switches. */
const troubled = [
  adviceFor(platform, comparator),
  adviceFor(platform, comparator, swapInputs),
  adviceFor(platform, comparator, changeDivider({ ldrParallelOhms: 100 })),
  adviceFor(platform, comparator, changeDivider({ supplyVolts: 12 }), opAmp),
  adviceFor(
    platform,
    comparator,
    changeDivider({ supplyVolts: 12 }),
    opAmp,
    changeDetector('comparator', { reference: { topOhms: 100_000, bottomOhms: 10_000, trimmer: null } }),
    changeGoal({ lux: 900 }),
  ),
  adviceFor(platform, comparator, changeDivider({ supplyVolts: 5 }), opAmp),
  adviceFor(
    platform,
    comparator,
    changeDivider({ supplyVolts: 12 }),
    opAmp,
    changeDetector('comparator', { negativeVolts: 12 }),
  ),
  adviceFor(platform, comparator, changeOutput({ to: 'load' }), takeLoad(defaultLoads.relay)),
  adviceFor(
    platform,
    comparator,
    changeDetector('comparator', { sensorOhms: 10_000, feedbackOhms: 100_000 }),
    changeGoal({ offLux: 300 }),
  ),
  adviceFor(
    platform,
    comparator,
    changeDivider({ supplyVolts: 5 }),
    changeDetector('comparator', {
      part: part('rail-to-rail'),
      sensorOhms: 100_000,
      feedbackOhms: 22_000,
      reference: { topOhms: 91_000, bottomOhms: 10_000, trimmer: null },
    }),
  ),
  adviceFor(platform, comparator, changeFeedbackLight(500)),
  adviceFor(larder, comparator, changeFeedbackLight(500)),
  adviceFor(platform, changeFeedbackLight(30)),
  adviceFor(platform, comparator, changeBeam({ ambientLux: 200, beamLux: 100 })),
  adviceFor(platform, comparator, changeBeam({ ambientLux: 5, beamLux: 10 })),
  adviceFor(platform, comparator, changeOutputStage({ ...defaultOutputStages['one-shot'], farads: 1e-4 })),
  adviceFor(platform, chooseDetector('controller')),
  adviceFor(platform, chooseDetector('controller'), changeDetector('controller', { onCode: 3000 })),
  adviceFor(
    platform,
    chooseDetector('controller'),
    changeDetector('controller', { onCode: 300, offCode: 600 }),
  ),
  adviceFor(stair, chooseDetector('controller'), changeGoal({ lux: 0.5 })),
  adviceFor(platform, chooseDetector('controller'), changeDriver({ baseOhms: null })),
  adviceFor(
    larder,
    chooseDetector('ladder'),
    changeDetector('ladder', { stringOhms: [1e4, 1e4, 1e4, 1e4, 1e4, 1e4] }),
  ),
  adviceFor(larder, chooseDetector('window'), changeGoal({ offLux: 600 })),
  adviceFor(platform, chooseDetector('change'), changeDetector('change', { gain: 1, dimming: 0.03 })),
  adviceFor(platform, chooseDetector('change'), changeDetector('change', { gain: 5000, rippleShare: 1.5 })),
  adviceFor(
    platform,
    comparator,
    changeDetector('comparator', { reference: { topOhms: 1e7, bottomOhms: 1e7, trimmer: null } }),
  ),
  adviceFor(
    platform,
    comparator,
    changeOutput({ to: 'load' }),
    takeLoad({ ...defaultLoads.module, input: 'active-high' }),
  ),
  adviceFor(platform, chooseDetector('window')),
  adviceFor(platform, chooseDetector('window'), changeEdgeBand(1.5), (project) => {
    const window = detectorOf(project.detector, 'window');
    const feedbackOhms = [10_000_000, 10_000_000];
    return window?.hysteresis
      ? changeDetector('window', { hysteresis: { ...window.hysteresis, feedbackOhms } })(project)
      : project;
  }),
  adviceFor(
    platform,
    chooseDetector('controller'),
    changeDetector('controller', { onCode: 500, offCode: 499, samples: 1 }),
  ),
].flat();

describe('what is said of a detector', () => {
  const codes: readonly Advice['code'][] = [
    'no-hysteresis',
    'no-edge-band',
    'edge-band',
    'wrong-action',
    'reference-beyond',
    'never-releases',
    'input-out-of-range',
    'comparator-supply',
    'base-reversed',
    'output-over-current',
    'off-band',
    'latches',
    'feedback-light',
    'beam-missed',
    'pulse-leaks',
    'controller-supply',
    'code-out-of-range',
    'band-inverted',
    'source-resistance',
    'step-off',
    'change-misses',
    'ripple-fires',
    'bias-too-large',
    'codes-close',
    'module-wrong-side',
  ];

  it('is brought out by some design, each kind', () => {
    const found = new Set(troubled.map(({ code }) => code));
    expect(codes.filter((code) => !found.has(code))).toEqual([]);
  });

  it('is one or two plain sentences with real figures', () => {
    for (const advice of troubled) {
      const sentence = adviceSentence(advice);
      expect(sentence).not.toMatch(/undefined|NaN|Infinity|\[object/);
      expect(sentence).toMatch(/^[A-Z“γ].*\.$/);
    }
  });
});

describe('names of what switches', () => {
  it('are there for every kind, part and way that is compared', () => {
    for (const kind of detectorKinds) {
      expect(detectorWords[kind].name).toMatch(/^(a|the) /);
      expect(detectorText(defaultDetectors[kind])).not.toBe('');
    }
    const parts = shippedComparators.map(comparatorName);
    expect(new Set(parts).size).toBe(parts.length);
    expect(comparatorName({ ...part('op-amp'), id: 'mine', name: 'From the old radio' })).toBe(
      'From the old radio',
    );
    for (const id of compareIds) expect(compareName(id)).toMatch(/^[A-Z]/);
  });

  it('stand in the chain with the light, or with the change that fires it', () => {
    const figureOf = (project: Project) => {
      const analysis = analyse(project);
      return keyFigure('switch', project, analysis.ok ? analysis.design : null);
    };
    const band = together(
      comparator,
      changeDetector('comparator', { sensorOhms: 10_000, feedbackOhms: 100_000 }),
    )(platform);
    expect(plain(figureOf(band).note)).toMatch(/^off at \d+(\.\d+)? lx$/);
    expect(plain(figureOf(comparator(platform)).note)).toBe('comparator · no hysteresis');
    const change = figureOf(chooseDetector('change')(platform));
    expect(plain(change.figure)).toBe('30 %');
    expect(plain(change.note)).toBe('dims within 300 ms · change detector');
  });
});

describe('why no parts were found', () => {
  const wanting = (...edits: Edit[]) => {
    const search = searchNow(together(comparator, ...edits)(platform));
    if (search.ok) throw new Error('found');
    return searchRefusal(search, true);
  };
  it('is told in one sentence that says what to do', () => {
    const fed = changeDetector('comparator', { feedbackOhms: 1e6 });
    expect(wanting(fed, changeGoal({ offLux: null }))).toBe(
      'Enter the light at which it should turn off again.',
    );
    expect(wanting(changeGoal({ offLux: 30 }))).toContain('must turn off above');
    expect(wanting(changeGoal({ offLux: 90 }), changeResistors({ series: 'own', ownOhms: [] }))).toContain(
      'No resistors are in stock',
    );
    const poor = changeResistors({ series: 'own', ownOhms: [1000, 100_000] });
    expect(wanting(changeGoal({ offLux: 90 }), poor)).toMatch(/^No parts in stock/);
  });
});

describe('a span of time', () => {
  it('is as short or as long as it is', () => {
    expect(plain(timeText(0.0033))).toBe('3.3 ms');
    expect(plain(timeText(1.5))).toBe('1.5 s');
    expect(plain(timeText(200))).toBe('3 min 20 s');
  });
});
