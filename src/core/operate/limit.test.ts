import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from '../circuit/circuit';
import { currentFrom, kirchhoffResidualAmps } from '../circuit/currents';
import { runs } from '../testRuns';
import { assemble } from './assemble';
import { Operation } from './operation';
import { Readout } from './read';
import { anyInput, simpleInput } from './testCircuits';
import { defaultLoads } from '../loads/registry';

/** An LED without a resistor to speak of, on a supply that gives 50 mA. */
const greedy = {
  ...simpleInput,
  supply: { volts: 6, ohms: 0.1, limitAmps: 0.05 },
  ldrOhms: 1e6,
  fixedOhms: 1000,
  loads: [{ ...defaultLoads.led, seriesOhms: 10 }],
};

describe('a supply with a limit', () => {
  it('lets its voltage down until it gives just that', () => {
    const assembly = assemble(greedy);
    const solution = new Operation(assembly).solveIn(0, greedy.ldrOhms);
    if (!solution) throw new Error('no operating point');
    const readout = new Readout(assembly, solution, 0);
    expect(readout.supplyAmps(0)).toBeCloseTo(0.05, 9);
    expect(readout.askedAmps(0)).toBeGreaterThan(0.1);
    expect(readout.foldedVolts(0)).toBeLessThan(4);
    expect(nodeVolts(solution.circuit, solution.volts, 'supply')).toBeCloseTo(
      (readout.foldedVolts(0) ?? 0) - 0.05 * 0.1,
      9,
    );
  });

  it('gives what is asked where that is less', () => {
    const assembly = assemble({ ...greedy, supply: { ...greedy.supply, limitAmps: 1 } });
    const solution = new Operation(assembly).solveIn(0, greedy.ldrOhms);
    expect(solution && new Readout(assembly, solution, 0).foldedVolts(0)).toBeNull();
  });

  it('never gives more, in any circuit, and its currents balance', () => {
    let [folded, exact] = [0, 0];
    fc.assert(
      fc.property(
        anyInput,
        fc.double({ min: -3, max: -0.5, noNaN: true }),
        fc.double({ min: 2, max: 6, noNaN: true }),
        (input, power, ohmsPower) => {
          const limitAmps = 10 ** power;
          const { supply, loadSupply } = input;
          const assembly = assemble({
            ...input,
            supply: { ...supply, limitAmps },
            loadSupply: loadSupply && { ...loadSupply, limitAmps: 2 * limitAmps },
          });
          const operation = new Operation(assembly);
          for (let position = 0; position < operation.positions; position++) {
            const solution = operation.solveIn(position, 10 ** ohmsPower);
            if (!solution) continue;
            expect(kirchhoffResidualAmps(solution)).toBeLessThan(1e-9);
            const readout = new Readout(assembly, solution, position);
            assembly.rails.forEach((rail, index) => {
              const volts = readout.foldedVolts(index);
              if (volts === null) return;
              folded += 1;
              expect(volts).toBeLessThan(rail.volts);
              const amps = readout.supplyAmps(index);
              // Near 0 V what is left is what takes its current whatever the voltage. Two that are let down by each other's doing come
              // near it step by step where one has no resistance of its own.
              const isAlone = rail.ohms > 0 || assembly.rails.length === 1;
              if (volts > 0.2 && isAlone) expect(amps).toBeLessThan((rail.limitAmps ?? 0) * 1.001);
              if (volts > 0.2 && rail.ohms > 0) {
                exact += 1;
                expect(Math.abs(amps / (rail.limitAmps ?? 0) - 1)).toBeLessThan(1e-6);
              }
            });
            expect(Number.isFinite(currentFrom(solution, 'mid'))).toBe(true);
          }
        },
      ),
      { numRuns: runs(2000), seed: 51 },
    );
    expect(folded).toBeGreaterThan(20);
    expect(exact).toBeGreaterThan(2);
  });
});
