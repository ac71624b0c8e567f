import { describe, expect, it } from 'vitest';
import { changeBeam, changeFeedbackLight } from '../project/detectorEdits';
import { addLoad, changeDivider, changeGoal, changeLoad } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { defaultLoads } from '../loads/registry';
import { keepsWishes } from './wishes';

const platform = sampleNamed('Platform lamps');
const nothing = { moveGoal: false, moveOff: false, showAll: false };
const action = platform.goal.action === 'on-in-dark' ? 'on-in-light' : 'on-in-dark';

describe('what a user has said that they want', () => {
  it.each([
    ['another R1', changeDivider({ fixedOhms: 4700 }), true, true],
    ['another series resistor', changeLoad({ seriesOhms: 470 }), true, true],
    ['the other way round', changeGoal({ action }), false, false],
    ['another light', changeGoal({ lux: 2 * platform.goal.lux }), false, true],
    ['another load', addLoad(defaultLoads.buzzer), false, false],
    ['another light of its own', changeFeedbackLight(platform.goal.lux), false, false],
    ['a beam', changeBeam({ ambientLux: 1, beamLux: 10 }), false, false],
  ] as const)('is kept or not by %s', (_, edit, isKept, isKeptWithGoal) => {
    const after = edit(platform);
    expect(keepsWishes(platform, after, nothing)).toBe(isKept);
    expect(keepsWishes(platform, after, { ...nothing, moveGoal: true })).toBe(isKeptWithGoal);
  });
});
