import { describe, expect, it } from 'vitest';
import { logicOf, outputsOf } from '../registry';
import { defaultTimer, type TimerPart } from './timer';

const strong = { ...defaultTimer, maxAmps: 0.5 };
const oneShot: TimerPart = {
  ...{ kind: 'timer', role: 'one-shot', designator: 'IC1', index: 0, model: strong, key: 'one-shot' },
  ...{
    trigger: 'trigger',
    threshold: 'pulse',
    controlShare: 2 / 3,
    discharge: 'pulse',
    control: 'control',
    lower: 'lower',
  },
  ...{ out: 'out', top: 'supply', bottom: '0' },
};

describe('a timer IC', () => {
  it('discharges with its output, and is rated no less for it', () => {
    const outputs = outputsOf(oneShot);
    expect(outputs.map(({ key }) => key)).toEqual(['one-shot', 'one-shot']);
    expect(outputs.map(({ figures }) => figures.maxAmps)).toEqual([0.5, 0.5]);
    expect(outputsOf({ ...oneShot, discharge: null })).toHaveLength(1);
  });

  it('runs as a one-shot while it is triggered and until its capacitor is full; a detector goes by its circuit', () => {
    const [logic] = logicOf(oneShot);
    const [lower, control] = [3, 6];
    const at = (trigger: number, threshold: number) =>
      logic?.decides([trigger, lower, threshold, control], 4.5, 'high');
    expect(logic?.inputs).toEqual(['trigger', 'lower', 'pulse', 'control']);
    expect([at(1, 0), at(1, 9), at(5, 0), at(5, 9)]).toEqual(['high', 'high', null, 'low']);
    expect(logicOf({ ...oneShot, role: 'detector' })).toEqual([]);
  });
});
