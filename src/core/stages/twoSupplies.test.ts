import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { nodeVolts } from '../circuit/circuit';
import { currentFrom, resistorAmps } from '../circuit/currents';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { usualLoads } from '../loads/load';
import { circuitOf } from './description';
import { stages } from './registry';
import type { StageInput } from './stage';
import { plainInput } from './testStage';
import { usualPart } from './transistors';

const relay = { ...usualLoads.relay, coilVolts: 12, coilOhms: 400 };
const onTwo = (change: Partial<StageInput>): StageInput => ({
  ...plainInput,
  part: usualPart('nmos'),
  loads: [relay],
  loadSupply: { volts: 12, ohms: 0, joined: true },
  ...change,
});

function solve(input: StageInput) {
  const description = stages[input.part.kind].describe(input);
  const circuit = circuitOf(description, 25);
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
        const loose = { volts: 12, ohms: 0, joined: false };
        const { circuit, volts } = solve(onTwo({ ldrOhms: 10 ** power, loadSupply: loose }));
        expect(Math.abs(resistorAmps(circuit, volts, 'K1'))).toBeLessThan(1e-8);
      }),
    );
  });

  it('keeps a PNP on for good where it stands higher than the divider reaches', () => {
    const pnp = onTwo({ part: usualPart('pnp'), ldrSide: 'top', baseOhms: 10_000 });
    for (const ldrOhms of [10, 1000, 1e6]) {
      const { circuit, volts } = solve({ ...pnp, ldrOhms });
      expect(nodeVolts(circuit, volts, 'collector')).toBeGreaterThan(11);
    }
  });

  it('sags behind its own resistance by just what it gives', () => {
    const { circuit, volts } = solve(onTwo({ ldrOhms: 100_000, loadSupply: { volts: 12, ohms: 20, joined: true } })); // prettier-ignore
    const given = currentFrom(circuit, volts, 'load-supply.open');
    expect(12 - nodeVolts(circuit, volts, 'load-supply')).toBeCloseTo(20 * given, 6);
  });
});
