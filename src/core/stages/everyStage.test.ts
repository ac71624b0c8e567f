import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { setOhms } from '../circuit/circuit';
import { currentFrom, lampAmps, resistorAmps } from '../circuit/currents';
import { GROUND } from '../circuit/netlist';
import { kirchhoffResidualAmps, solveOperatingPoint } from '../circuit/operatingPoint';
import { circuitOf, feedOf } from './description';
import { drivers } from './registry';
import { anyCircuitInput } from './testStage';
import { transistorKinds } from './transistors';

const celsius = fc.double({ min: -20, max: 60, noNaN: true });

describe.each(transistorKinds)('any circuit with a %s', (kind) => {
  const driver = drivers[kind];
  const enoughVolts = kind === 'darlington' ? 18 : 3;
  const room = kind === 'darlington' ? 1e-3 : 1e-7;

  it('is solved from nothing, and the currents at every node add up to under 1 nA', () => {
    fc.assert(
      fc.property(anyCircuitInput(kind), celsius, (input, warmth) => {
        const assembly = driver.describe(input);
        const circuit = circuitOf(assembly, warmth);
        const point = solveOperatingPoint(circuit);
        if (!point.ok) throw new Error(point.reason);
        expect(kirchhoffResidualAmps(circuit, point.volts)).toBeLessThan(1e-9);
        // All that the supplies give comes back to 0 V.
        const given = assembly.rails.reduce((total, rail) => {
          const feed = feedOf(rail);
          return total + (feed === null ? 0 : currentFrom(circuit, point.volts, feed));
        }, 0);
        const back = -currentFrom(circuit, point.volts, GROUND);
        expect(Math.abs(given - back)).toBeLessThan(1e-9 + 1e-7 * Math.abs(given));
      }),
      { numRuns: 5000, seed: 4 },
    );
  });

  it('passes more load current the further the light goes to its side, from whatever point the search starts', () => {
    fc.assert(
      fc.property(anyCircuitInput(kind), (wired) => {
        // Behind a resistance of its own a supply sags with the drive, and the load with it; and under two V_BE a base that is
        // driven hard pushes current back through the collector; a PNP on another supply than its divider lacks its reference.
        // None of it is the switch's own doing.
        const stiff = (supply: { readonly volts: number }) => ({
          volts: enoughVolts + supply.volts,
          ohms: 0,
        });
        const own = kind === 'pnp' ? null : wired.loadSupply;
        const loadSupply = own && { ...stiff(own), commonGround: own.commonGround };
        const { directSide } = driver;
        const side = wired.isDirect && directSide ? { ldrSide: directSide } : {};
        // A Darlington's driver turns back into a load that its supply cannot feed what is far too much for its base.
        const baseOhms = kind === 'darlington' ? Math.max(wired.baseOhms ?? 0, 2000) : wired.baseOhms;
        const fixedOhms = wired.isDirect ? Math.max(wired.fixedOhms, 2000) : wired.fixedOhms;
        const input = { ...wired, ...side, baseOhms, fixedOhms, supply: stiff(wired.supply), loadSupply };
        const assembly = driver.describe(input);
        const circuit = circuitOf(assembly, 25);
        const rising = driver.actionOf(input.ldrSide) === 'on-in-dark' ? 1 : -1;
        const loadAmps = (volts: Float64Array) =>
          assembly.loads.reduce((total, { sense }) => {
            const amps = sense.kind === 'lamp' ? lampAmps : resistorAmps;
            return total + amps(circuit, volts, sense.name);
          }, 0);
        let warm: Float64Array | undefined;
        let before = -Infinity;
        for (let step = 0; step <= 12; step++) {
          setOhms(circuit, 'LDR1', 50 * 10 ** ((rising > 0 ? step : 12 - step) * 0.4));
          const point = solveOperatingPoint(circuit, warm);
          const cold = solveOperatingPoint(circuit);
          if (!point.ok || !cold.ok) throw new Error('did not converge');
          const [amps, coldAmps] = [loadAmps(point.volts), loadAmps(cold.volts)];
          expect(Math.abs(amps - coldAmps)).toBeLessThan(1e-9 + 1e-6 * Math.abs(coldAmps));
          expect(amps).toBeGreaterThanOrEqual(before - 1e-8 - room * Math.abs(before));
          before = amps;
          warm = point.volts;
        }
      }),
      { numRuns: 5000, seed: 3 },
    );
  });
});
