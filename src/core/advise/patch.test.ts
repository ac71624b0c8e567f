import { describe, expect, it } from 'vitest';
import { addLoad, changeDivider, changeLoad } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { circuitOf } from '../project/variants';
import { defaultLoads } from '../loads/registry';
import { editBetween } from './patch';

const platform = sampleNamed('Platform lamps');
const from = circuitOf(platform);

describe('an edit that is done again on a project that was changed meanwhile', () => {
  it('changes what it is about, and leaves alone what was changed elsewhere, be it of another shape', () => {
    const edit = editBetween(from, circuitOf(changeDivider({ fixedOhms: 4700 })(platform)));
    const two = addLoad(defaultLoads.buzzer)(platform);
    const after = edit(two);
    expect(after.divider.fixedOhms).toBe(4700);
    expect(after.loads).toEqual(two.loads);
    expect(edit(changeDivider({ supplyVolts: 9 })(platform)).divider).toMatchObject({
      fixedOhms: 4700,
      supplyVolts: 9,
    });
  });

  it('takes its own where both changed the same to other shapes', () => {
    const wanted = addLoad(defaultLoads.buzzer)(platform);
    const edit = editBetween(from, circuitOf(wanted));
    expect(edit(changeLoad({ seriesOhms: 470 })(platform)).loads).toEqual(wanted.loads);
  });
});
