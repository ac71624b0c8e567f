import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { runs } from '../testRuns';
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
import { findCrossing } from '../light/crossing';
import type { Conditions } from '../operate/operation';
import { measuredLdr } from '../readings/ldrOf';
import { chooseDetector } from '../size/chooseDetector';
import { DesignCircuit } from './designCircuit';
import { lightRangeOf } from './lightRange';
import { cornerRows, stabilityOf } from './stability';
const [platform, , stair, shed] = sampleProjects;
const stability = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return { design: analysis.design, stability: stabilityOf(project, analysis.design) };
};
const spread = (project: Project) => {
  const { min, max } = stability(project).stability.grades;
  return min.ok && max.ok ? max.lux / min.lux : Infinity;
};

/** The half-on light solved under other conditions, without the figures under test. */
const halfAt = (project: Project, level: number, conditions: Partial<Conditions>) => {
  const circuit = DesignCircuit.of(project, measuredLdr(project).model, conditions);
  const found = findCrossing((lux) => circuit.over(level, lux), lightRangeOf(project));
  if (!found.ok) throw new Error(found.reason);
  return found.lux;
};

describe('how steady a switching light is', () => {
  it('is told for 10 °C: the light at 35 °C over that at 25 °C', () => {
    const { design, stability: of } = stability(platform);
    const level = design.drive.fullAmps / 2;
    const ratio = halfAt(platform, level, { celsius: 35 }) / halfAt(platform, level, { celsius: 25 });
    expect(of.perTenCelsius).toBeCloseTo(ratio, 5);
    expect(Math.abs(ratio - 1)).toBeGreaterThan(0.01);
  });

  it('is told for one volt: from half a volt under the supply to half a volt over it', () => {
    const comparator = chooseDetector('timer')(stair);
    for (const project of [platform, comparator]) {
      const half = (volts: number) => {
        const analysis = analyse(
          changeDivider({ supplyVolts: project.divider.supplyVolts + volts })(project),
        );
        if (!analysis.ok || !analysis.design.half.ok) throw new Error('does not switch');
        return analysis.design.half.lux;
      };
      expect(stability(project).stability.perVolt).toBeCloseTo(half(0.5) / half(-0.5), 4);
    }
    expect(Math.abs((stability(platform).stability.perVolt ?? 1) - 1)).toBeGreaterThan(0.01);
  });

  it('tells how far the drift of a comparator’s offset takes it: 150 µV in 10 °C, over the midpoint’s slope', () => {
    const project = chooseDetector('comparator')(platform);
    const { design, stability: of } = stability(project);
    if (!design.half.ok) throw new Error('does not switch');
    const mid = (lux: number) => {
      const circuit = DesignCircuit.of(project, measuredLdr(project).model);
      return circuit.solveIn(0, lux)?.volts('mid') ?? NaN;
    };
    const slope = Math.abs(mid(design.half.lux * 1.01) - mid(design.half.lux / 1.01)) / Math.log(1.01 ** 2);
    expect((of.driftPerTen ?? 0) - 1).toBeCloseTo(150e-6 / slope, 5);
    expect(stability(platform).stability.driftPerTen).toBeNull();
  });

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

describe('the row of each corner', () => {
  it('is the switching light under its own condition, solved apart', () => {
    let [asked, moved] = [0, 0];
    for (let seed = 1; seed <= runs(600, 15); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok || !analysis.design.half.ok) continue;
      const { design } = analysis;
      const level = design.drive.switchAmps;
      const range = lightRangeOf(project);
      const under = (conditions: Partial<Conditions>) =>
        DesignCircuit.of(project, measuredLdr(project).model, conditions).crossing(level, range);
      const told = stabilityOf(project, design);
      const wanted = {
        weak: under({ grade: 'min' }),
        strong: under({ grade: 'max' }),
        flat: told.flat,
        fresh: told.fresh,
        cold: under({ celsius: 0 }),
        hot: under({ celsius: 50 }),
      };
      const rows = cornerRows(project, design, told);
      expect(rows.map(({ corner }) => corner)).toEqual(Object.keys(wanted));
      for (const { corner, crossing } of rows) {
        const apart = wanted[corner];
        expect([seed, corner, crossing.ok]).toEqual([seed, corner, apart.ok]);
        if (!crossing.ok || !apart.ok) continue;
        asked += 1;
        expect([seed, corner, Math.abs(Math.log(crossing.lux / apart.lux)) < 1e-4]).toEqual([
          seed,
          corner,
          true,
        ]);
        if (Math.abs(Math.log(crossing.lux / analysis.design.half.lux)) > 0.001) moved += 1;
      }
    }
    expect(asked).toBeGreaterThan(30);
    expect(moved).toBeGreaterThan(20);
  });
});
