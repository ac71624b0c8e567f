import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import figures from '../checkFigures.json';
import { kirchhoffResidualAmps } from '../circuit/currents';
import { assemble } from '../operate/assemble';
import { Operation } from '../operate/operation';
import { anyCircuitInput, anyDetectorInput } from '../operate/testCircuits';
import { newProject } from '../project/newProject';
import { checkProject } from '../project/project';
import { promised, runs } from '../testRuns';
import { adcCode, adcVolts } from './controller/codes';
import { detectorKinds } from './kinds';
import { defaultDetectors } from './registry';
import { timerBandRatio } from './timer/definition';

const kinds = detectorKinds.filter((kind) => kind !== 'transistor');

describe.each(kinds)('any circuit switched by a %s', (kind) => {
  it('is solved in every state, and the currents at every node add up to under 1 nA', () => {
    let worst = 0;
    fc.assert(
      fc.property(anyDetectorInput(kind), (input) => {
        const assembly = assemble(input);
        const { switching } = assembly;
        if (!switching) throw new Error('no detector');
        expect(switching.boundaries.length).toBe(switching.states.length - 1);
        expect(switching.levels.length).toBe(switching.states.length);
        const operation = new Operation(assembly);
        switching.states.forEach((_, position) => {
          const solution = operation.solveIn(position, input.ldrOhms);
          if (!solution) throw new Error('no operating point');
          worst = Math.max(worst, kirchhoffResidualAmps(solution));
          expect(kirchhoffResidualAmps(solution)).toBeLessThan(1e-9);
        });
      }),
      { numRuns: runs(1000), seed: 21 },
    );
    promised(`${kind}: worst imbalance of ${runs(1000)} circuits, A`, worst.toExponential(1), '1e-9');
  });

  it('crosses each boundary one way as it gets brighter', () => {
    fc.assert(
      fc.property(anyDetectorInput(kind), (input) => {
        const assembly = assemble(input);
        const operation = new Operation(assembly);
        const boundaries = assembly.switching?.boundaries ?? [];
        const overAt = (ldrOhms: number) => {
          const solution = operation.solveIn(0, ldrOhms);
          if (!solution) throw new Error('no operating point');
          return boundaries.map((boundary) => operation.overIn(solution, boundary, 'rising'));
        };
        const [dark, bright] = [overAt(1e6), overAt(100)];
        dark.forEach((over, index) => expect((bright[index] ?? 0) - over).toBeGreaterThan(-1e-6));
      }),
      { numRuns: runs(1000), seed: 22 },
    );
  });

  it('is kept by the project document, and nothing else in its place', () => {
    const project = { ...newProject('a', 'A'), detector: defaultDetectors[kind] };
    expect(checkProject(project)).toMatchObject({ ok: true });
    const damaged = { ...project, detector: { ...project.detector, extra: 1 } };
    expect(checkProject(damaged)).toMatchObject({ ok: false });
  });
});

describe('a converter', () => {
  it.each(figures.adc)('reads what an independent one does: %o', ({ bits, refVolts, volts, code }) => {
    expect(adcCode(volts, refVolts, bits)).toBe(code);
  });

  it('reads a code from its least voltage on, and stays within its codes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 16 }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.double({ min: -1, max: 8, noNaN: true }),
        (bits, refVolts, volts) => {
          const code = adcCode(volts, refVolts, bits);
          expect(code).toBeGreaterThanOrEqual(0);
          expect(code).toBeLessThan(2 ** bits);
          if (volts < 0 || volts >= refVolts) return;
          expect(adcVolts(code, refVolts, bits)).toBeLessThanOrEqual(volts * (1 + 1e-12));
          expect(adcVolts(code + 1, refVolts, bits)).toBeGreaterThan(volts * (1 - 1e-12));
        },
      ),
    );
  });
});

describe('a timer', () => {
  it('has its two trips where the LDR differs by four, which the string in the solved circuit agrees with', () => {
    expect(timerBandRatio(0.5)).toBe(16);
    const { timer } = defaultDetectors;
    fc.assert(
      fc.property(anyCircuitInput('nmos'), fc.constantFrom('top', 'bottom'), (wired, ldrSide) => {
        const assembly = assemble({
          ...wired,
          ldrSide,
          isDirect: false,
          supply: { volts: 9, ohms: 0 },
          ldrParallelOhms: null,
          ldrSeriesOhms: null,
          detector: { ...timer, part: { ...timer.part, biasAmps: 0 } },
        });
        const operation = new Operation(assembly);
        const [boundary] = assembly.switching?.boundaries ?? [];
        if (!boundary) throw new Error('no boundary');
        // ⅓ and ⅔: the LDR at half or at twice R1.
        const over = (ratio: number, way: 'rising' | 'falling') => {
          const solution = operation.solveIn(0, wired.fixedOhms * ratio);
          if (!solution) throw new Error('no operating point');
          return operation.overIn(solution, boundary, way);
        };
        expect(Math.abs(over(0.5, 'rising'))).toBeLessThan(1e-6 * 9);
        expect(Math.abs(over(2, 'falling'))).toBeLessThan(1e-6 * 9);
      }),
      { numRuns: 200 },
    );
  });
});
