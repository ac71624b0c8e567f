import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { shippedTransistors } from '../drivers/registry';
import { defaultLoads } from '../loads/registry';
import { defaultSource } from '../loads/supply';
import { changeOutputStage } from '../project/detectorEdits';
import { takeLoad, takeSource, takeTransistor, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import type { FindingCode } from './advice';
import { finished } from './plans';
import { curesOf } from './remedies';

const platform = sampleNamed('Platform lamps');
const large = shippedTransistors.find(({ id }) => id === 'power-nmos')!;
const codesOf = (project: Project): readonly FindingCode[] => {
  const analysis = analyse(project);
  return analysis.ok ? analysis.design.advice.map(({ code }) => code) : [];
};

describe('a supply that gives too little', () => {
  it.each(['usb', 'adapter'] as const)(
    'is cured by an adapter that gives more, where it is of the sort %s',
    (kind) => {
      const { source, volts } = defaultSource(kind, 5);
      const lamp = { ...defaultLoads.lamp, ratedVolts: 5, ratedAmps: 0.8 };
      const project = finished(
        together(
          takeSource({ ...source, limitAmps: 0.5 }, volts),
          takeTransistor(large),
          chooseDetector('comparator'),
          takeLoad(lamp),
        )(platform),
      );
      expect(codesOf(project)).toContain('supply-over-limit');
      const cure = curesOf(project).find(({ code }) => code === 'supply-over-limit');
      const sources = (cure?.remedies ?? []).map(({ to }) => to.source);
      expect(sources.map((one) => one.kind)).toContain('adapter');
      for (const one of sources) if (one.limitAmps !== null) expect(one.limitAmps).toBeGreaterThan(0.8);
    },
  );
});

describe('a load that a change turns on for a moment', () => {
  it('is said to be on too briefly, and not where its output changes over', () => {
    const fan = { ...defaultLoads.fan, ratedVolts: 6, ratedAmps: 0.02, minVolts: 3 };
    const brief = takeLoad(fan)(finished(chooseDetector('change')(platform)));
    expect(codesOf(brief)).toContain('on-briefly');
    expect(codesOf(changeOutputStage(defaultOutputStages.toggle)(brief))).not.toContain('on-briefly');
  });
});
