import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { palettes } from '../theme/tokens';
import { fractionOn, STRIP_PADDING, stripOptions, type StripScale } from './chartSetup';
import { passedOff } from '@/core/testRecord';

const linear: StripScale = { kind: 'linear', min: -2, max: 6, ticks: [-2, 2, 6], label: String };
const log: StripScale = { kind: 'log', min: 1, max: 1e6, ticks: [1, 1e3, 1e6], label: String };
const range = { minLux: 0.1, maxLux: 1e5 };

describe('where a value stands in a strip', () => {
  it('is a share of the scale, straight or by decades', () => {
    expect([-2, 2, 6].map((value) => fractionOn(linear, value))).toEqual([0, 0.5, 1]);
    expect(fractionOn(log, 1e3)).toBeCloseTo(0.5, 12);
    expect(fractionOn(log, 1e6)).toBeCloseTo(1, 12);
  });

  it('is held inside the strip, also where there is no logarithm', () => {
    expect([fractionOn(linear, -50), fractionOn(linear, 50)]).toEqual([0, 1]);
    expect([fractionOn(log, 0), fractionOn(log, -3), fractionOn(log, 1e9)]).toEqual([0, 0, 1]);
  });

  it('rises with the value on either scale', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(linear, log),
        fc.double({ min: -10, max: 1e7, noNaN: true }),
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        (scale, value, more) => {
          expect(fractionOn(scale, value + more)).toBeGreaterThanOrEqual(fractionOn(scale, value));
        },
      ),
    );
  });
});

describe('a strip of the light axis', () => {
  const options = stripOptions(range, log, 66, 14, palettes.day);

  it('has the axis’ own light, whichever strip it is, and its own scale upwards', () => {
    expect(options.scales?.x).toMatchObject({ type: 'logarithmic', min: 0.1, max: 1e5, display: false });
    expect(options.scales?.y).toMatchObject({ type: 'logarithmic', min: 1, max: 1e6 });
    expect(stripOptions(range, linear, 66, 14, palettes.day).scales?.y).toMatchObject({
      type: 'linear',
      min: -2,
      max: 6,
    });
  });

  it('leaves the gutter and the edge to the ruler above it, so that lights stand under each other', () => {
    expect(options.layout?.padding).toEqual({
      top: STRIP_PADDING,
      bottom: STRIP_PADDING,
      left: 0,
      right: 14,
    });
    const axis = { width: 0, paddingTop: 9, paddingBottom: 9, ticks: [] };
    const y = passedOff<Record<'afterFit' | 'afterBuildTicks', (scale: object) => void>>(options.scales?.y);
    y.afterFit(axis);
    y.afterBuildTicks(axis);
    expect(axis).toEqual({
      width: 66,
      paddingTop: 0,
      paddingBottom: 0,
      ticks: [1, 1e3, 1e6].map((value) => ({ value })),
    });
  });

  it('does not move and does not listen: the page has the pointer', () => {
    expect([options.animation, options.events]).toEqual([false, []]);
  });
});
