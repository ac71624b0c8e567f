import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { changeDetector } from '../project/detectorEdits';
import { changeDivider, takeLoad, takeSource, together } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { IDEAL_SOURCE, type Source } from './supply';
import { defaultLoads } from './registry';

const worn: Source = { ...IDEAL_SOURCE, kind: 'battery', battery: 'coin-3v', cells: 6, ohms: 90 };
const ladder = (source: Source) =>
  together(
    chooseDetector('ladder'),
    changeDetector('ladder', { output: { to: 'transistor', loadRail: 'supply', releaseOhms: null } }),
    takeLoad({ ...defaultLoads.relay, coilVolts: 5, coilOhms: 75 }),
    takeSource(source, 18),
    changeDivider({ fixedOhms: 39_000 }),
  )(sampleNamed('Drying rack meter'));
const said = (source: Source) => {
  const analysis = analyse(ladder(source));
  if (!analysis.ok) throw new Error(analysis.reason);
  const { design } = analysis;
  return {
    load: design.loads[0]!,
    over: design.advice.find(({ code }) => code === 'load-over-voltage'),
    starved: design.advice.find(({ code }) => code === 'load-starved'),
  };
};

describe('a step of a ladder that comes alone', () => {
  it('gets more than all together on cells that give way, and both are said', () => {
    const { load, over, starved } = said(worn);
    expect(load.alone!.volts).toBeGreaterThan(1.5 * load.volts);
    expect(over).toMatchObject({ volts: load.alone!.volts, isAlone: true });
    expect(starved).toMatchObject({ volts: load.volts });
  });

  it('gets as much as the others on a supply that does not', () => {
    const { load, over } = said(IDEAL_SOURCE);
    expect(load.alone!.volts / load.volts).toBeCloseTo(1, 1);
    expect(over).toMatchObject({ isAlone: false });
  });
});
