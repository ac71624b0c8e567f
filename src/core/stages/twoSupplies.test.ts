import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from '../circuit/circuit';
import { currentFrom, resistorAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { defaultLoads } from '../loads/load';
import { circuitOf } from './description';
import { drivers } from './registry';
import type { CircuitInput } from './stage';
import { plainInput } from './testStage';
import { defaultPart } from './transistors';

const relay = { ...defaultLoads.relay, coilVolts: 12, coilOhms: 400 };
const onTwo = (change: Partial<CircuitInput>): CircuitInput => ({
  ...plainInput,
  part: defaultPart('nmos'),
  loads: [relay],
  loadSupply: { volts: 12, ohms: 0, commonGround: true },
  ...change,
});

function solve(input: CircuitInput) {
  const assembly = drivers[input.part.kind].describe(input);
  const circuit = circuitOf(assembly, 25);
  const point = solveOperatingPoint(circuit);
  if (!point.ok) throw new Error(point.reason);
  return { circuit, volts: point.volts };
}

describe('a load on a supply of its own', () => {
  it('takes its current from that supply, and only the divider’s from the other', () => {
    const { circuit, volts } = solve(onTwo({ ldrOhms: 100_000 }));
    const coil = resistorAmps(circuit, volts, 'K1');
    expect(coil).toBeGreaterThan(0.029);
    expect(currentFrom(circuit, volts, 'load-supply')).toBeCloseTo(coil, 8);
    expect(currentFrom(circuit, volts, 'supply')).toBeLessThan(1e-4);
  });

  it('passes nothing while its minus is loose, however hard the switch is driven', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 6, noNaN: true }), (power) => {
        const loose = { volts: 12, ohms: 0, commonGround: false };
        const { circuit, volts } = solve(onTwo({ ldrOhms: 10 ** power, loadSupply: loose }));
        expect(Math.abs(resistorAmps(circuit, volts, 'K1'))).toBeLessThan(1e-8);
      }),
    );
  });

  it('keeps a PNP on for good where it stands higher than the divider reaches', () => {
    const pnp = onTwo({ part: defaultPart('pnp'), ldrSide: 'top', baseOhms: 10_000 });
    for (const ldrOhms of [10, 1000, 1e6]) {
      const { circuit, volts } = solve({ ...pnp, ldrOhms });
      expect(nodeVolts(circuit, volts, 'collector')).toBeGreaterThan(11);
    }
  });

  it('sags behind its own resistance by just what it gives', () => {
    const { circuit, volts } = solve(onTwo({ ldrOhms: 100_000, loadSupply: { volts: 12, ohms: 20, commonGround: true } })); // prettier-ignore
    const given = currentFrom(circuit, volts, 'load-supply.open');
    expect(12 - nodeVolts(circuit, volts, 'load-supply')).toBeCloseTo(20 * given, 6);
  });
});
