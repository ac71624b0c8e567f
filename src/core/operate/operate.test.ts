import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kirchhoffResidualAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { defaultDetectors } from '../detectors/registry';
import { defaultLoads } from '../loads/registry';
import { promised, runs } from '../testRuns';
import { assemble } from './assemble';
import type { CircuitInput } from './input';
import { Operation } from './operation';
import { operate, situation } from './operate';
import { anyDetectorInput, anyInput, simpleInput } from './testCircuits';

/** Two answers to one question are the same within this, in V. */
const NODE_VOLTS = 1e-9;

const anyOhms = fc.double({ min: 1.5, max: 6.5, noNaN: true }).map((power) => 10 ** power);

describe('operating a circuit', () => {
  it('gives the same answer in any order of asking, after any other questions, within 1e-9', () => {
    let worst = 0;
    fc.assert(
      fc.property(
        anyInput,
        fc.array(fc.tuple(anyOhms, fc.nat(8)), { minLength: 2, maxLength: 6 }),
        (input, questions) => {
          const assembly = assemble(input);
          const operation = new Operation(assembly);
          const ask = ([ohms, from]: readonly [number, number]) => operation.settle(from, ohms);
          const first = questions.map(ask);
          const again = [...questions].reverse().map(ask).reverse();
          questions.forEach(([ohms, from], index) => {
            const fresh = operate(assemble(input), situation(ohms), { position: from });
            const [one, two] = [first[index], again[index]];
            if (!fresh || !one || !two) {
              expect([fresh ?? null, one ?? null, two ?? null]).toEqual([null, null, null]);
              return;
            }
            expect(one.position).toBe(fresh.state.position);
            expect(two.position).toBe(fresh.state.position);
            for (const other of [one, two])
              fresh.solution.volts.forEach((volts, node) => {
                const apart = Math.abs((other.solution.volts[node] ?? 0) - volts);
                worst = Math.max(worst, apart);
                expect(apart).toBeLessThan(NODE_VOLTS);
              });
          });
        },
      ),
      { numRuns: runs(2000), seed: 41 },
    );
    promised('operate: order of asking, worst difference in V', worst.toExponential(1), '1e-9');
  });

  it('gives it where a load’s supply floats, bound to the rest by leaks alone', () => {
    const input: CircuitInput = {
      ...simpleInput,
      supply: { volts: 4, ohms: 1 },
      loadSupply: { volts: 1, ohms: 1, commonGround: false },
      ldrSide: 'top',
      fixedOhms: 50,
      detector: defaultDetectors.ladder,
      loads: [defaultLoads.buzzer, { ...defaultLoads.logic, supplyVolts: 1.5, pullOhms: 1000 }],
    };
    const operation = new Operation(assemble(input));
    const lights = [10, 31.6, 250, 1000, 4000, 1e5];
    for (const ohms of [...lights, ...lights.toReversed()]) {
      const [warm, cold] = [operation.settle(0, ohms), new Operation(assemble(input)).settle(0, ohms)];
      cold?.solution.volts.forEach((each, node) =>
        expect(Math.abs((warm?.solution.volts[node] ?? 0) - each)).toBeLessThan(NODE_VOLTS),
      );
    }
  });

  it('finds every answer from nothing in few steps', () => {
    const steps: number[] = [];
    fc.assert(
      fc.property(anyInput, anyOhms, (input, ohms) => {
        const assembly = assemble(input);
        const operation = new Operation(assembly, { ohms: { [assembly.ldr]: ohms } });
        for (let position = 0; position < operation.positions; position++) {
          const values = operation.valuesOf(position);
          const point = values && solveOperatingPoint(operation.circuit, values);
          if (point?.ok) steps.push(point.iterations);
        }
      }),
      { numRuns: runs(2000), seed: 45 },
    );
    steps.sort((one, other) => one - other);
    const [median, most] = [steps[Math.floor(steps.length / 2)] ?? Infinity, steps.at(-1) ?? Infinity];
    promised('operate: steps to an answer from nothing, median and most', `${median}, ${most}`, '7, 60');
    expect(median).toBeLessThanOrEqual(7);
    expect(most).toBeLessThanOrEqual(60);
  });

  it('balances the currents at every node to under 1 nA, and stays in a state that its own conditions allow', () => {
    fc.assert(
      fc.property(anyInput, anyOhms, fc.nat(8), (input, ohms, from) => {
        const assembly = assemble(input);
        const found = operate(assembly, situation(ohms), { position: from });
        if (!found) return;
        expect(kirchhoffResidualAmps(found.solution)).toBeLessThan(1e-9);
        expect(found.state.position).toBeLessThan(assembly.switching?.states.length ?? 1);
        const again = operate(assembly, situation(ohms), found.state);
        expect(again?.state).toEqual(found.state);
      }),
      { numRuns: runs(2000), seed: 42 },
    );
  });

  it('goes on from the dark end’s state to the one that the light asks for, and back', () => {
    let moved = 0;
    fc.assert(
      fc.property(
        fc
          .constantFrom('comparator', 'window', 'ladder', 'timer', 'controller')
          .chain((kind) => anyDetectorInput(kind)),
        (input) => {
          const assembly = assemble({
            ...input,
            ldrParallelOhms: null,
            ldrSeriesOhms: null,
            fixedOhms: 10_000,
          });
          const last = (assembly.switching?.states.length ?? 1) - 1;
          const positions = [10, 1e7].map((ohms) =>
            [0, last].map((from) => operate(assembly, situation(ohms), { position: from })?.state.position),
          );
          // So far from any threshold every state leads to the same one: in much light another than in the dark.
          for (const [one, other] of positions) expect(one).toBe(other);
          moved += Number(positions[0]?.[0] !== positions[1]?.[0]);
        },
      ),
      { numRuns: runs(1000), seed: 44 },
    );
    expect(moved).toBeGreaterThan(runs(1000) / 2);
  });

  it('takes values that differ from nominal for one solve, and changes nothing else', () => {
    fc.assert(
      fc.property(anyInput, anyOhms, (input, ohms) => {
        const assembly = assemble(input);
        const before = operate(assembly, situation(ohms), { position: 0 });
        operate(assembly, situation(ohms, { ohms: { [assembly.ldr]: 77 }, celsius: 60, grade: 'min' }), {
          position: 0,
        });
        const after = operate(assembly, situation(ohms), { position: 0 });
        expect(after?.solution.volts).toEqual(before?.solution.volts);
      }),
      { numRuns: 100, seed: 43 },
    );
  });
});
