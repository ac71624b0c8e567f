import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { describe, expect, it } from 'vitest';
import { shippedComparators } from '../parts/kinds/comparator';
import { detectorKinds } from '../detectors/kinds';
import type { DetectorKind } from '../detectors/kinds';
import { defaultDetectors } from '../detectors/registry';
import { newProject } from './newProject';
import { checkProject } from './project';
const project = newProject('n', 'N');
const pathOf = (changed: object) => {
  const checked = checkProject({ ...project, ...changed });
  return checked.ok ? null : checked.path;
};
const detector = (kind: DetectorKind, change: object = {}) => ({
  detector: { ...defaultDetectors[kind], ...change },
});

describe('the schema of what switches', () => {
  it('takes every way of deciding as it starts, and every comparator of the list in those that have one', () => {
    for (const kind of detectorKinds) expect(pathOf(detector(kind))).toBeNull();
    for (const part of shippedComparators)
      for (const kind of ['comparator', 'window', 'ladder', 'change'] as const)
        expect(pathOf(detector(kind, { part }))).toBeNull();
  });

  it.each<[DetectorKind, object, string]>([
    ['comparator', { sensorInput: 'both' }, 'detector.sensorInput'],
    ['comparator', { feedbackOhms: 0 }, 'detector.feedbackOhms'],
    ['comparator', { negativeVolts: -5 }, 'detector.negativeVolts'],
    [
      'comparator',
      { reference: { topOhms: null, bottomOhms: 0, trimmer: null } },
      'detector.reference.bottomOhms',
    ],
    [
      'comparator',
      {
        reference: {
          topOhms: 1000,
          bottomOhms: 1000,
          trimmer: { trackOhms: 10_000, degrees: 270, position: 1.1 },
        },
      },
      'detector.reference.trimmer.position',
    ],
    ['comparator', { part: { ...shippedComparators[0], biasAmps: NaN } }, 'detector.part.biasAmps'],
    ['comparator', { part: { ...shippedComparators[0], kind: 'valve' } }, 'detector.part.kind'],
    ['comparator', { output: { to: 'wall', loadRail: 'supply', releaseOhms: null } }, 'detector.output.to'],
    ['window', { middleOhms: 0 }, 'detector.middleOhms'],
    ['ladder', { stringOhms: [1000, 1000] }, 'detector.stringOhms'],
    ['ladder', { stringOhms: Array.from({ length: 10 }, () => 1000) }, 'detector.stringOhms'],
    ['ladder', { stepLux: [1, 2, 3, 4, 5, 6, 7, 8, 9] }, 'detector.stepLux'],
    ['ladder', { stepLux: [10, 0] }, 'detector.stepLux[1]'],
    ['ladder', { shows: 'bar' }, 'detector.shows'],
    ['timer', { control: { ohms: 1000, to: 'side' } }, 'detector.control.to'],
    ['timer', { pulse: { ohms: 10_000, farads: 0 } }, 'detector.pulse.farads'],
    ['timer', { matters: 'never' }, 'detector.matters'],
    ['controller', { bits: 10.5 }, 'detector.bits'],
    ['controller', { bits: 0 }, 'detector.bits'],
    ['controller', { onCode: -1 }, 'detector.onCode'],
    ['controller', { samples: 0 }, 'detector.samples'],
    ['controller', { refVolts: 0 }, 'detector.refVolts'],
    ['change', { farads: 0 }, 'detector.farads'],
    ['change', { gain: 0 }, 'detector.gain'],
    ['change', { dimming: 1.5 }, 'detector.dimming'],
  ])('refuses of a %s %o, and says where', (kind, change, path) => {
    expect(pathOf(detector(kind, change))).toBe(path);
  });

  it('refuses a kind that there is none of, figures of another kind, and figures that are missing', () => {
    expect(pathOf({ detector: { kind: 'oracle' } })).toBe('detector.kind');
    expect(pathOf(detector('window', { feedbackOhms: 1000 }))).toContain('detector');
    const rest: Record<string, unknown> = { ...defaultDetectors.controller };
    delete rest.bits;
    expect(pathOf({ detector: rest })).toBe('detector.bits');
  });
});

describe('the schema of what follows it', () => {
  it('takes each as it starts', () => {
    for (const kind of ['direct', 'inverted', 'toggle']) expect(pathOf({ outputStage: { kind } })).toBeNull();
    expect(
      pathOf({ outputStage: { ...defaultOutputStages['one-shot'], ohms: 100_000, farads: 1e-5 } }),
    ).toBeNull();
  });

  it('refuses a capacitor of nothing and a kind that there is none of', () => {
    const outputStage = { ...defaultOutputStages['one-shot'], farads: 0 };
    expect(pathOf({ outputStage })).toBe('outputStage.farads');
    expect(pathOf({ outputStage: { kind: 'later' } })).toBe('outputStage.kind');
  });
});
