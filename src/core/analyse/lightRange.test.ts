import { describe, expect, it } from 'vitest';
import { changeBeam, changeDetector } from '../project/detectorEdits';
import { sampleNamed } from '../project/testSamples';
import { analyse } from '../design';
import { changeSteps } from '../size/changeSteps';
import { chooseDetector } from '../size/chooseDetector';
import { resized } from '../size/resize';
import { lightRangeOf } from './lightRange';

const platform = sampleNamed('Platform lamps');

describe('the light axis', () => {
  it('holds every light that is wanted: a ladder’s steps, a beam’s two', () => {
    const ladder = chooseDetector('ladder')(platform);
    expect(lightRangeOf(changeSteps([0.02, 0.1, 1])(ladder)).minLux).toBe(0.01);
    expect(lightRangeOf(changeBeam({ ambientLux: 100, beamLux: 150_000 })(platform)).maxLux).toBe(1e6);
  });

  it('never calls a step that lies beyond it one that never comes', () => {
    const dark = resized(
      changeSteps([0.05, 0.2, 1])(
        changeDetector('ladder', { moreIn: 'dark' })(chooseDetector('ladder')(platform)),
      ),
    );
    const analysis = analyse(dark);
    const said = analysis.ok ? analysis.design.advice.filter(({ code }) => code === 'step-off') : [];
    expect(said.filter((found) => found.code === 'step-off' && found.lux === null)).toEqual([]);
  });
});
