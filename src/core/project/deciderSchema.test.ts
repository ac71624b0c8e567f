import { describe, expect, it } from 'vitest';
import { shippedComparators } from '../stages/comparators';
import { deciderKinds, type DeciderKind } from '../stages/decider';
import { usualDeciders } from '../stages/usualDeciders';
import { newProject } from './newProject';
import { checkProject } from './schema';

const project = newProject('n', 'N');
const pathOf = (changed: object) => {
  const checked = checkProject({ ...project, ...changed });
  return checked.ok ? null : checked.path;
};
const decider = (kind: DeciderKind, change: object = {}) => ({ decider: { ...usualDeciders[kind], ...change } }); // prettier-ignore

describe('the schema of what decides', () => {
  it('takes every way of deciding as it starts, and every comparator of the list in those that have one', () => {
    for (const kind of deciderKinds) expect(pathOf(decider(kind))).toBeNull();
    for (const part of shippedComparators)
      for (const kind of ['comparator', 'window', 'ladder', 'change'] as const)
        expect(pathOf(decider(kind, { part }))).toBeNull();
  });

  it.each<[DeciderKind, object, string]>([
    ['comparator', { sensorInput: 'both' }, 'decider.sensorInput'],
    ['comparator', { feedbackOhms: 0 }, 'decider.feedbackOhms'],
    ['comparator', { negativeVolts: -5 }, 'decider.negativeVolts'],
    ['comparator', { reference: { topOhms: null, bottomOhms: 0, trimmer: null } }, 'decider.reference.bottomOhms'], // prettier-ignore
    ['comparator', { reference: { topOhms: 1000, bottomOhms: 1000, trimmer: { trackOhms: 10_000, degrees: 270, position: 1.1 } } }, 'decider.reference.trimmer.position'], // prettier-ignore
    ['comparator', { part: { ...shippedComparators[0], biasAmps: NaN } }, 'decider.part.biasAmps'],
    ['comparator', { part: { ...shippedComparators[0], kind: 'valve' } }, 'decider.part.kind'],
    ['comparator', { output: { to: 'wall', loadRail: 'supply', releaseOhms: null } }, 'decider.output.to'],
    ['window', { middleOhms: 0 }, 'decider.middleOhms'],
    ['ladder', { stringOhms: [1000, 1000] }, 'decider.stringOhms'],
    ['ladder', { stringOhms: Array.from({ length: 10 }, () => 1000) }, 'decider.stringOhms'],
    ['ladder', { stepLux: [1, 2, 3, 4, 5, 6, 7, 8, 9] }, 'decider.stepLux'],
    ['ladder', { stepLux: [10, 0] }, 'decider.stepLux[1]'],
    ['ladder', { shows: 'bar' }, 'decider.shows'],
    ['timer', { control: { ohms: 1000, to: 'side' } }, 'decider.control.to'],
    ['timer', { pulse: { ohms: 10_000, farads: 0 } }, 'decider.pulse.farads'],
    ['timer', { matters: 'never' }, 'decider.matters'],
    ['controller', { bits: 10.5 }, 'decider.bits'],
    ['controller', { bits: 0 }, 'decider.bits'],
    ['controller', { onCode: -1 }, 'decider.onCode'],
    ['controller', { samples: 0 }, 'decider.samples'],
    ['controller', { refVolts: 0 }, 'decider.refVolts'],
    ['change', { farads: 0 }, 'decider.farads'],
    ['change', { gain: 0 }, 'decider.gain'],
    ['change', { dimming: 1.5 }, 'decider.dimming'],
  ])('refuses of a %s %o, and says where', (kind, change, path) => {
    expect(pathOf(decider(kind, change))).toBe(path);
  });

  it('refuses a kind that there is none of, figures of another kind, and figures that are missing', () => {
    expect(pathOf({ decider: { kind: 'oracle' } })).toBe('decider.kind');
    expect(pathOf(decider('window', { feedbackOhms: 1000 }))).toContain('decider');
    const rest: Record<string, unknown> = { ...usualDeciders.controller };
    delete rest.bits;
    expect(pathOf({ decider: rest })).toBe('decider.bits');
  });
});

describe('the schema of what follows it', () => {
  it('takes each as it starts', () => {
    for (const kind of ['straight', 'inverted', 'toggle']) expect(pathOf({ after: { kind } })).toBeNull();
    expect(pathOf({ after: { kind: 'one-shot', ohms: 100_000, farads: 1e-5 } })).toBeNull();
  });

  it('refuses a capacitor of nothing and a kind that there is none of', () => {
    const after = { kind: 'one-shot', ohms: 100_000, farads: 0 };
    expect(pathOf({ after })).toBe('after.farads');
    expect(pathOf({ after: { kind: 'later' } })).toBe('after.kind');
  });
});
