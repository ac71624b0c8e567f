import { compileCircuit } from '../circuit/circuit';
import { resistorAmps } from '../circuit/currents';
import { GROUND } from '../circuit/netlist';
import { solveOperatingPoint } from '../circuit/operatingPoint';
import { netlistOf, type Part, type StageDescription } from './description';
import { dividerParts } from './divider';
import type { Stage, StageInput } from './stage';

/** A small-signal NPN: the figures every kind of that size shares closely enough. */
export const SMALL_SIGNAL_NPN = {
  saturationAmps: 2e-14,
  reverseBeta: 4,
  leastBeta: 100,
  typicalBeta: 200,
  mostLoadAmps: 0.2,
  mostBaseAmps: 0.02,
} as const;

/** A switch counts as driven hard when its base has a tenth of the load's current (the usual rule for saturation). */
export const HARD_FORCED_BETA = 10;

/** LDR divider into the base of an NPN, emitter at 0 V; supply, series resistor, LED, collector. */
export const npnStage: Stage = {
  kind: 'npn',
  actionOf: (ldrSide) => (ldrSide === 'bottom' ? 'on-in-dark' : 'on-in-light'),
  describe,
  fullAmps,
  betas: { least: SMALL_SIGNAL_NPN.leastBeta, typical: SMALL_SIGNAL_NPN.typicalBeta },
  limits: { loadAmps: SMALL_SIGNAL_NPN.mostLoadAmps, baseAmps: SMALL_SIGNAL_NPN.mostBaseAmps },
};

function describe(input: StageInput): StageDescription {
  const base = input.baseOhms === null ? 'mid' : 'base';
  const baseResistor: Part[] =
    input.baseOhms === null
      ? []
      : [{ kind: 'resistor', designator: 'R3', role: 'base', a: 'mid', b: 'base', ohms: input.baseOhms }];
  return {
    supplyNode: 'supply',
    supplyVolts: input.supplyVolts,
    parts: [...dividerParts(input), ...baseResistor, ...switchedLoad(input, base)],
    testPoints: [
      { id: 'A', node: 'mid' },
      ...(base === 'mid' ? [] : [{ id: 'B', node: 'base' }]),
      { id: 'C', node: 'collector' },
    ],
    ldr: 'LDR1',
    fixed: 'R1',
    loadResistor: 'R2',
    transistor: 'Q1',
  };
}

function switchedLoad(input: StageInput, base: string): readonly Part[] {
  const { saturationAmps, reverseBeta } = SMALL_SIGNAL_NPN;
  return [
    { kind: 'resistor', designator: 'R2', role: 'series', a: 'supply', b: 'anode', ohms: input.seriesOhms },
    { kind: 'led', designator: 'D1', anode: 'anode', cathode: 'collector', led: input.led },
    {
      kind: 'npn',
      designator: 'Q1',
      collector: 'collector',
      base,
      emitter: GROUND,
      npn: { saturationAmps, forwardBeta: input.beta, reverseBeta },
    },
  ];
}

/** Solves the load and transistor alone, with a tenth of the load's own current pushed into the base. */
function fullAmps(input: StageInput, celsius: number): number | null {
  const description = {
    supplyNode: 'supply',
    supplyVolts: input.supplyVolts,
    parts: switchedLoad(input, 'base'),
  };
  let amps = input.supplyVolts / input.seriesOhms;
  for (let pass = 0; pass < 4; pass++) {
    const drive = {
      kind: 'current',
      name: 'drive',
      from: GROUND,
      to: 'base',
      amps: amps / HARD_FORCED_BETA,
    } as const;
    const circuit = compileCircuit(netlistOf(description, celsius, [drive]));
    const point = solveOperatingPoint(circuit);
    if (!point.ok) return null;
    amps = resistorAmps(circuit, point.volts, 'R2');
  }
  return amps;
}
