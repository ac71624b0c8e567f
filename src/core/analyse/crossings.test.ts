import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { transistorKinds } from '../drivers/kinds';
import { drivers } from '../drivers/registry';
import { findCrossing } from '../light/crossing';
import { IDEAL_SOURCE } from '../loads/supply';
import { fullDrive } from '../operate/fullDrive';
import { anyCircuitInput } from '../operate/testCircuits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import { promised, runs } from '../testRuns';
import { circuitInput } from './circuitInput';
import { DesignCircuit } from './designCircuit';

const range = { minLux: 0.1, maxLux: 100_000 };
const base = newProject('any', 'Any');
const { model } = measuredLdr(base);

describe.each(transistorKinds)('the switching light of any circuit with a %s', (kind) => {
  it('lies within 0.1 % of where the load current really crosses half, or is said not to be there', () => {
    let found = 0;
    fc.assert(
      fc.property(anyCircuitInput(kind), ({ supply, transistor: part, place, loads, ...input }) => {
        const ldrSide = (input.isDirect && drivers[kind].directSide) || input.ldrSide;
        const project: Project = {
          ...base,
          divider: {
            ...base.divider,
            supplyVolts: 3 + supply.volts,
            ldrSide,
            fixedOhms: Math.max(2000, input.fixedOhms),
            isDirect: input.isDirect,
            ldrParallelOhms: input.ldrParallelOhms,
            ldrSeriesOhms: input.ldrSeriesOhms,
          },
          driver: { kind, part, place, baseOhms: input.baseOhms },
          loads,
          source: { ...IDEAL_SOURCE, ohms: 0 },
        };
        const full = fullDrive(circuitInput(project));
        if (!full) throw new Error('no full current');
        // A load that its supply cannot feed has no current to halve.
        if (full.amps < 1e-6) return;
        const level = full.amps / 2;
        const live = DesignCircuit.of(project, model);
        const crossing = findCrossing((lux) => live.over(level, lux), range);
        const at = (lux: number) => DesignCircuit.of(project, model).loadAmps(lux) ?? NaN;
        const [dark, bright] = [at(range.minLux), at(range.maxLux)];
        if (!crossing.ok) {
          expect(crossing.reason).not.toBe('not-converged');
          expect(dark >= level === bright >= level).toBe(true);
          return;
        }
        found += 1;
        const [below, above] = [at(crossing.lux / 1.001), at(crossing.lux * 1.001)];
        expect((below - level) * (above - level)).toBeLessThanOrEqual(0);
      }),
      { numRuns: runs(5000), seed: 9 },
    );
    promised(`${kind}: switching lights checked`, found, 'within 0.1 %');
    expect(found).toBeGreaterThan(runs(5000) / 10);
  });
});
