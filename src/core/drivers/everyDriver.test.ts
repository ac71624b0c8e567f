import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currentFrom, kirchhoffResidualAmps } from '../circuit/currents';
import { GROUND } from '../circuit/netlist';
import { assemble } from '../operate/assemble';
import type { CircuitInput } from '../operate/input';
import type { Assembly } from '../operate/assembly';
import { Operation } from '../operate/operation';
import { Readout } from '../operate/read';
import { anyCircuitInput } from '../operate/testCircuits';
import { partsOfKind } from '../parts/find';
import { feedOf } from '../parts/kinds/supply';
import { promised, runs } from '../testRuns';
import { transistorKinds } from './kinds';
import { actionAlone, drivers } from './registry';

const anyCelsius = fc.double({ min: -20, max: 60, noNaN: true });
const MANY = 5000;

describe.each(transistorKinds)('any circuit with a %s', (kind) => {
  const { directSide, polarity } = drivers[kind];
  const isPair = kind === 'darlington';
  const enoughVolts = isPair ? 18 : 3;
  const room = isPair ? 1e-3 : 1e-7;

  it('is solved from nothing, and the currents at every node add up to under 1 nA', () => {
    let worst = 0;
    fc.assert(
      fc.property(anyCircuitInput(kind), anyCelsius, (input, celsius) => {
        const assembly = assemble(input);
        const solution = new Operation(assembly, { celsius }).solveIn(0, input.ldrOhms);
        if (!solution) throw new Error('no operating point');
        const residual = kirchhoffResidualAmps(solution);
        worst = Math.max(worst, residual);
        expect(residual).toBeLessThan(1e-9);
        // All that the supplies give comes back to 0 V.
        const given = partsOfKind(assembly.parts, 'supply').reduce((total, rail) => {
          const feed = feedOf(rail);
          return total + (feed === null ? 0 : currentFrom(solution, feed));
        }, 0);
        const back = -currentFrom(solution, GROUND);
        expect(Math.abs(given - back)).toBeLessThan(1e-9 + 1e-7 * Math.abs(given));
      }),
      { numRuns: runs(MANY), seed: 4 },
    );
    promised(`${kind}: worst imbalance of ${runs(MANY)} circuits, A`, worst.toExponential(1), '1e-9');
  });

  it('passes more load current the further the light goes to its side, from whatever point the search starts', () => {
    fc.assert(
      fc.property(anyCircuitInput(kind), (wired) => {
        // Behind a resistance of its own a supply sags with the drive, and the load with it; and under two V_BE a base that is
        // driven hard pushes current back through the collector; a high-side switch, or a PNP below its load, on another supply
        // than its divider lacks its reference. None of it is the switch's own doing.
        const ideal = (supply: { readonly volts: number }) => ({
          volts: enoughVolts + supply.volts,
          ohms: 0,
        });
        const own = polarity === 'p' ? null : wired.loadSupply;
        const loadSupply = own && { ...ideal(own), commonGround: own.commonGround };
        const side = wired.isDirect && directSide ? { ldrSide: directSide } : {};
        // A Darlington's driver turns back into a load that its supply cannot feed what is far too much for its base.
        const baseOhms = isPair ? Math.max(wired.baseOhms ?? 0, 20_000) : wired.baseOhms;
        const fixedOhms = wired.isDirect
          ? Math.max(wired.fixedOhms, isPair ? 20_000 : 2000)
          : wired.fixedOhms;
        const input = {
          ...wired,
          ...side,
          baseOhms,
          fixedOhms,
          supply: ideal(wired.supply),
          loadSupply,
          loads: fed(wired.loads, {
            supplyVolts: polarity === 'p' ? wired.supply.volts : Infinity,
            pullOhms: isPair ? 1000 : Infinity,
          }),
        };
        const assembly = assemble(input);
        const operation = new Operation(assembly);
        const rising = actionAlone(kind, input.ldrSide) === 'on-in-dark' ? 1 : -1;
        let before = -Infinity;
        for (let step = 0; step <= 12; step++) {
          const ohms = 50 * 10 ** ((rising > 0 ? step : 12 - step) * 0.4);
          const [amps, coldAmps] = [
            loadAmps(assembly, operation, ohms),
            loadAmps(assembly, new Operation(assembly), ohms),
          ];
          expect(Math.abs(amps - coldAmps)).toBeLessThan(1e-9 + 1e-6 * Math.abs(coldAmps));
          expect(amps).toBeGreaterThanOrEqual(before - 1e-8 - room * Math.abs(before));
          before = amps;
        }
      }),
      { numRuns: runs(MANY), seed: 3 },
    );
  });
});

/** The device of a pin on as much as the switch needs. @param max what its supply and its pull-up are at most */
const fed = (
  loads: CircuitInput['loads'],
  max: { readonly supplyVolts: number; readonly pullOhms: number },
) =>
  loads.map((load) =>
    'pullOhms' in load
      ? {
          ...load,
          supplyVolts: 3 + Math.min(max.supplyVolts, load.supplyVolts),
          pullOhms: Math.min(max.pullOhms, load.pullOhms),
        }
      : load,
  );

function loadAmps(assembly: Assembly, operation: Operation, ohms: number): number {
  const solution = operation.solveIn(0, ohms);
  if (!solution) throw new Error('no operating point');
  return new Readout(assembly, solution, 0).loadAmps();
}
