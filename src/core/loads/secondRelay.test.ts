import { describe, expect, it } from 'vitest';
import { editFor } from '../advise/fixes';
import { curesOf, editTo } from '../advise/remedies';
import { analyse, type Design } from '../design';
import { pinsOf } from '../parts/registry';
import { changeLoad } from '../project/edits';
import type { Project } from '../project/project';
import { checkProject } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { contactRatingAmps, secondCoilAmps, type SecondRelay } from './relay';
import { defaultLoads } from './registry';

const lantern = sampleNamed('Hedgehog hut lamp');
const second: SecondRelay = { coilVolts: 12, coilOhms: 120, supplyVolts: 12, contactAmps: 30 };

function designOf(project: Project): Design {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const codes = (project: Project) => designOf(project).advice.map(({ code }) => code);

describe('a larger relay behind a relay', () => {
  it('has a coil, a diode and a supply of its own, joined through the first one’s contact', () => {
    const { assembly } = designOf(changeLoad({ second })(lantern));
    const partOf = (role: string) => assembly.parts.find((part) => part.role === role);
    const netsOf = (role: string) => {
      const part = partOf(role);
      return part ? pinsOf(part).map(({ net }) => net) : [];
    };
    expect(partOf('second-coil')?.designator).toBe('K2');
    expect(netsOf('load')).toEqual(expect.arrayContaining(['second-supply', 'second']));
    expect(netsOf('second-coil')).toContain('second');
    expect(netsOf('second-flyback')).toEqual(['0', 'second']);
    expect(netsOf('second-supply')).toContain('second-supply');
  });

  it('changes nothing of what the first one does', () => {
    const lights = (project: Project) => {
      const { half, loads } = designOf(project);
      return [half.ok && half.lux, loads[0]?.lights?.off.ok && loads[0].lights.off.lux, loads[0]?.amps];
    };
    const [alone, with2] = [lights(lantern), lights(changeLoad({ second })(lantern))];
    alone.forEach((figure, index) => expect(Number(with2[index]) / Number(figure)).toBeCloseTo(1, 6));
  });

  it('carries the load with its own contacts, and the first one only its coil', () => {
    expect(secondCoilAmps(second)).toBeCloseTo(0.1, 12);
    const relay = { ...defaultLoads.relay, contactAmps: 5, use: 'motor' as const, useAmps: 6 };
    expect(contactRatingAmps(relay)).toBe(1.25);
    expect(contactRatingAmps({ ...relay, second })).toBe(7.5);
    const tiny = changeLoad({ second: { ...second, coilOhms: 10 }, contactAmps: 1 })(lantern);
    expect(codes(tiny)).toContain('contact-over-rating');
  });

  it('is said to be on the wrong volts, and put right', () => {
    for (const supplyVolts of [6, 24]) {
      const wrong = changeLoad({ second: { ...second, supplyVolts } })(lantern);
      expect(codes(wrong)).toContain('second-coil');
      expect(codes(editFor({ kind: 'second-volts', index: 0 })(wrong))).not.toContain('second-coil');
    }
  });

  it('is offered where contacts are wanted that small relays do not have', () => {
    const heavy = changeLoad({ use: 'motor', useAmps: 8 })(lantern);
    expect(codes(heavy)).toContain('contact-over-rating');
    const remedy = curesOf(heavy).find(({ code }) => code === 'contact-over-rating')?.remedies[0];
    if (!remedy) throw new Error('no cure');
    expect(remedy.changes).toContainEqual({ code: 'second-relay', amps: 40, coilVolts: 6 });
    const cured = editTo(remedy)(heavy);
    expect(codes(cured)).not.toContain('contact-over-rating');
    expect(checkProject(cured).ok).toBe(true);
    // What a small relay still carries needs none.
    const light = changeLoad({ use: 'motor', useAmps: 2 })(lantern);
    const small = curesOf(light).find(({ code }) => code === 'contact-over-rating')?.remedies[0];
    expect(small?.changes.map(({ code }) => code)).toEqual(['contacts']);
  });
});
