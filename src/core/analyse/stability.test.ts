import { describe, expect, it } from 'vitest';
import {
  changeBaseResistor,
  changeDivider,
  driveDirectly,
  takeSource,
  takeTransistor,
  together,
} from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { defaultSource } from '../loads/supply';
import { defaultTransistor as defaultPart } from '../drivers/registry';
import { analyse } from '../design';
import { stabilityOf } from './stability';
const [platform, , stair, shed] = sampleProjects as readonly [Project, Project, Project, Project];
const stability = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return { design: analysis.design, stability: stabilityOf(project, analysis.design) };
};
const spread = (project: Project) => {
  const { min, max } = stability(project).stability.grades;
  return min.ok && max.ok ? max.lux / min.lux : Infinity;
};

describe('how steady a switching light is', () => {
  it('moves to more light with warmth: V_BE falls by 2 mV a degree', () => {
    const ratio = stability(platform).stability.perTenCelsius ?? 0;
    // 20 mV of 0.67 V, through a γ of about 0.6.
    expect(ratio).toBeGreaterThan(1.02);
    expect(ratio).toBeLessThan(1.12);
  });

  it('moves to more light with a higher supply where the LDR is below', () => {
    expect(stability(platform).stability.perVolt ?? 0).toBeGreaterThan(1.05);
  });

  it('agrees with the design itself at another supply', () => {
    const at = (supplyVolts: number) => stability(changeDivider({ supplyVolts })(platform)).design.half;
    const { flat, fresh, flatVolts, freshVolts } = stability(platform).stability;
    const [low, high] = [at(flatVolts), at(freshVolts)];
    expect(flat.ok && low.ok && flat.lux / low.lux).toBeCloseTo(1, 5);
    expect(fresh.ok && high.ok && fresh.lux / high.lux).toBeCloseTo(1, 5);
  });

  it('tells fresh from flat cells', () => {
    const { stability: told } = stability(shed);
    expect(told.flatVolts).toBeCloseTo(4.02, 2);
    expect(told.flat.ok && told.fresh.ok && told.flat.lux < told.fresh.lux).toBe(true);
    const nine = takeSource(defaultSource('battery', 9, 'block-9v', 1).source, 9)(platform);
    expect(stability(nine).stability.freshVolts).toBeGreaterThan(9);
  });

  it('depends on β when the LDR drives the base directly, and hardly with a divider', () => {
    const direct = together(driveDirectly(true), changeDivider({ fixedOhms: 10_000 }))(stair);
    expect(spread(direct)).not.toBe(Infinity);
    expect(Math.abs(Math.log(spread(direct)))).toBeGreaterThan(3 * Math.abs(Math.log(spread(platform))));
  });

  it('goes with the threshold of a MOSFET', () => {
    expect(
      spread(together(takeTransistor(defaultPart('nmos')), changeBaseResistor(null))(shed)),
    ).toBeGreaterThan(1.5);
  });
});
