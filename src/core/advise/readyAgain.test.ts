import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { defaultOutputStages, outputStageKinds } from '../detectors/outputStage/outputStage';
import { changeOutputStage } from '../project/detectorEdits';
import { changeGoal } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';

describe('the other light of a detector', () => {
  it('is where it turns off, or only where it is ready for the next time, by what follows', () => {
    const base = changeGoal({ offLux: 400 })(chooseDetector('comparator')(sampleNamed('Platform lamps')));
    const said = outputStageKinds.map((kind) => {
      const analysis = analyse(changeOutputStage(defaultOutputStages[kind])(base));
      const advice = analysis.ok ? analysis.design.advice : [];
      const found = advice.find(({ code }) => code === 'off-band');
      return [kind, found?.code === 'off-band' ? found.isOnce : null];
    });
    expect(said).toEqual([
      ['direct', false],
      ['inverted', false],
      ['one-shot', false],
      ['counted', true],
      ['toggle', true],
    ]);
  });
});
