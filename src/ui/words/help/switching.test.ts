import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { defaultOutputStages } from '@/core/detectors/outputStage/outputStage';
import { changeDetector, changeOutputStage } from '@/core/project/detectorEdits';
import { setFixed, together } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { chooseDetector } from '@/core/size/chooseDetector';
import { resized } from '@/core/size/resize';
import { lightText } from '../light';
import { switchingText } from './figures/working';

const platform = sampleNamed('Platform lamps');
const said = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  const { design } = analysis;
  return { design, text: switchingText({ project, design, light: lightText(design.resolved.scale) }) };
};

describe('what help says of where a design switches', () => {
  it('tells both lights of a timer, whichever of them its goal is', () => {
    for (const matters of ['on', 'off'] as const) {
      const { design, text } = said(
        together(chooseDetector('timer'), changeDetector('timer', { matters }), resized)(platform),
      );
      const { turnOn, turnOff } = design.thresholds ?? {};
      if (!turnOn?.ok || !turnOff?.ok) throw new Error('no lights');
      const light = lightText(design.resolved.scale);
      expect(text).toBe(
        `It turns on at ${light(turnOn.lux)} and turns off at ${light(turnOff.lux)} in slow light.`,
      );
    }
  });

  it('tells a load that is always on from one that never is, and what answers to changes', () => {
    const stuck = [10, 1e8].map((ohms) => {
      const { design, text } = said(setFixed(ohms)(platform));
      return [design.half.ok ? 'switches' : design.half.reason, text];
    });
    expect(stuck.sort()).toEqual([
      ['stays-above', 'As it stands the load is on at every light of the axis.'],
      ['stays-below', 'As it stands there is no light at which the load comes on.'],
    ]);
    expect(said(chooseDetector('change')(platform)).text).toBe(
      'It answers to a change, from whatever light that begins.',
    );
  });

  it('says of a toggle that it changes over, and where it is ready again', () => {
    const { text } = said(
      changeOutputStage(defaultOutputStages.toggle)(chooseDetector('comparator')(platform)),
    );
    expect(text).toMatch(/^It changes over at .* and is ready for the next time at /);
  });
});
