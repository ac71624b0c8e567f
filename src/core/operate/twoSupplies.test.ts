import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from '../circuit/circuit';
import { currentFrom, resistorAmps } from '../circuit/currents';
import { defaultTransistor } from '../drivers/registry';
import { defaultLoads } from '../loads/registry';
import { assemble } from './assemble';
import type { CircuitInput } from './input';
import { Operation } from './operation';
import { simpleInput } from './testCircuits';

const relay = { ...defaultLoads.relay, coilVolts: 12, coilOhms: 400 };
const onTwo = (change: Partial<CircuitInput>): CircuitInput => ({
  ...simpleInput,
  transistor: defaultTransistor('nmos'),
  loads: [relay],
  loadSupply: { volts: 12, ohms: 0, commonGround: true },
  ...change,
});

function solve(input: CircuitInput) {
  const solution = new Operation(assemble(input)).solveIn(0, input.ldrOhms);
  if (!solution) throw new Error('no operating point');
  return { solution, at: (net: string) => nodeVolts(solution.circuit, solution.volts, net) };
}

describe('a load on a supply of its own', () => {
  it('takes its current from that supply, and only the divider’s from the other', () => {
    const { solution } = solve(onTwo({ ldrOhms: 100_000 }));
    const coil = resistorAmps(solution, 'K1');
    expect(coil).toBeGreaterThan(0.029);
    expect(currentFrom(solution, 'load-supply')).toBeCloseTo(coil, 8);
    expect(currentFrom(solution, 'supply')).toBeLessThan(1e-4);
  });

  it('passes nothing while its ground floats, however hard the switch is driven', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 6, noNaN: true }), (power) => {
        const floating = { volts: 12, ohms: 0, commonGround: false };
        const { solution } = solve(onTwo({ ldrOhms: 10 ** power, loadSupply: floating }));
        expect(Math.abs(resistorAmps(solution, 'K1'))).toBeLessThan(1e-8);
      }),
    );
  });

  it('keeps a PNP on for good where it stands higher than the divider reaches', () => {
    const pnp = onTwo({ transistor: defaultTransistor('pnp'), ldrSide: 'top', baseOhms: 10_000 });
    for (const ldrOhms of [10, 1000, 1e6]) {
      const { at } = solve({ ...pnp, ldrOhms });
      expect(at('collector')).toBeGreaterThan(11);
    }
  });

  it('sags behind its own resistance by just what it gives', () => {
    const { solution, at } = solve(
      onTwo({ ldrOhms: 100_000, loadSupply: { volts: 12, ohms: 20, commonGround: true } }),
    );
    const given = currentFrom(solution, 'load-supply.open');
    expect(12 - at('load-supply')).toBeCloseTo(20 * given, 6);
  });
});
