import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import figures from '../checkFigures.json';
import { nodeVolts, setOhms } from '../circuit/circuit';
import { kirchhoffResidualAmps, solveOperatingPoint } from '../circuit/operatingPoint';
import { newProject } from '../project/newProject';
import { projectSchema } from '../project/schema';
import { adcCode, adcVolts } from './controller';
import { setOutput } from './comparatorElements';
import { switchingOf } from './deciders';
import { detectorKinds, type DetectorKind, type DetectorOutput } from './decider';
import { circuitOf } from './description';
import { drivers } from './registry';
import type { CircuitInput } from './stage';
import { anyCircuitInput } from './testStage';
import { timerBandRatio } from './timer';
import { defaultDetectors } from './usualDeciders';

const anyOutput: fc.Arbitrary<DetectorOutput> = fc.record({
  to: fc.constantFrom('transistor', 'load'),
  loadRail: fc.constantFrom('ground', 'supply'),
  releaseOhms: fc.option(fc.double({ min: 2, max: 6, noNaN: true }).map((power) => 10 ** power)),
});

/** Any circuit with a decider that someone might wire, sensible or not. */
const anySwitching = (kind: Exclude<DetectorKind, 'transistor'>): fc.Arbitrary<CircuitInput> =>
  fc
    .tuple(fc.constantFrom('npn', 'pnp', 'nmos' as const).chain(anyCircuitInput), anyOutput)
    .map(([input, output]): CircuitInput => {
      const detector = defaultDetectors[kind];
      if (detector.kind === 'transistor') throw new Error('decides nothing');
      const own = detector.kind === 'ladder' ? detector.output : output;
      const baseOhms = Math.max(input.baseOhms ?? 0, 470);
      const supply = { ...input.supply, volts: 3 + input.supply.volts };
      return { ...input, supply, baseOhms, isDirect: false, detector: { ...detector, output: own } };
    });

const kinds = detectorKinds.filter((kind) => kind !== 'transistor');

describe.each(kinds)('any circuit decided by a %s', (kind) => {
  it('is solved in every state, and the currents at every node add up to under 1 nA', () => {
    fc.assert(
      fc.property(anySwitching(kind), (input) => {
        const assembly = drivers[input.part.kind].describe(input);
        const { switching } = assembly;
        if (!switching) throw new Error('withoutDetector');
        expect(switching.boundaries.length).toBe(switching.states.length - 1);
        expect(switching.levels.length).toBe(switching.states.length);
        const circuit = circuitOf(assembly, 25);
        for (const levels of switching.states) {
          for (const part of assembly.parts) {
            const level = levels[part.designator];
            if (part.kind === 'comparator' && level) setOutput(circuit, part, level);
          }
          const point = solveOperatingPoint(circuit);
          if (!point.ok) throw new Error(point.reason);
          expect(kirchhoffResidualAmps(circuit, point.volts)).toBeLessThan(1e-9);
        }
      }),
      { numRuns: 1000, seed: 21 },
    );
  });

  it('passes each boundary one way as it gets brighter', () => {
    fc.assert(
      fc.property(anySwitching(kind), (input) => {
        const assembly = drivers[input.part.kind].describe(input);
        const circuit = circuitOf(assembly, 25);
        const { boundaries } = assembly.switching ?? { boundaries: [] };
        const overAt = (ldrOhms: number) => {
          setOhms(circuit, 'LDR1', ldrOhms);
          const point = solveOperatingPoint(circuit);
          if (!point.ok) throw new Error(point.reason);
          const volts = (node: string) => nodeVolts(circuit, point.volts, node);
          return boundaries.map(({ sense, rising: { plus, minus, share, offsetVolts } }) => sense * (volts(plus) - share * volts(minus) + offsetVolts)); // prettier-ignore
        };
        const [dark, bright] = [overAt(1e6), overAt(100)];
        dark.forEach((over, index) => expect(bright[index]! - over).toBeGreaterThan(-1e-6));
      }),
      { numRuns: 300, seed: 22 },
    );
  });

  it('is kept by the project document, and nothing else in its place', () => {
    const project = { ...newProject('a', 'A'), detector: defaultDetectors[kind] };
    expect(projectSchema.isValidSync(project, { strict: true })).toBe(true);
    const damaged = { ...project, detector: { ...project.detector, extra: 1 } };
    expect(projectSchema.isValidSync(damaged, { strict: true })).toBe(false);
  });
});

describe('a converter', () => {
  it.each(figures.adc)('reads what an independent one does: %o', ({ bits, refVolts, volts, code }) => {
    expect(adcCode(volts, refVolts, bits)).toBe(code);
  });

  it('reads a code from its least voltage on, and stays within its codes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 16 }), fc.double({ min: 0.5, max: 6, noNaN: true }), fc.double({ min: -1, max: 8, noNaN: true }), (bits, refVolts, volts) => {
        const code = adcCode(volts, refVolts, bits);
        expect(code).toBeGreaterThanOrEqual(0);
        expect(code).toBeLessThan(2 ** bits);
        if (volts < 0 || volts >= refVolts) return;
        expect(adcVolts(code, refVolts, bits)).toBeLessThanOrEqual(volts * (1 + 1e-12));
        expect(adcVolts(code + 1, refVolts, bits)).toBeGreaterThan(volts * (1 - 1e-12));
      }),
    ); // prettier-ignore
  });
});

describe('a timer', () => {
  it('has its two trips where the LDR differs by four, which the string in the solved circuit agrees with', () => {
    expect(timerBandRatio(0.5)).toBe(16);
    fc.assert(
      fc.property(anyCircuitInput('nmos'), fc.constantFrom('top', 'bottom'), (wired, ldrSide) => {
        const input: CircuitInput = {
          ...wired,
          ldrSide,
          isDirect: false,
          supply: { volts: 9, ohms: 0 },
          ldrParallelOhms: null,
          ldrSeriesOhms: null,
          detector: {
            ...defaultDetectors.timer,
            part: { ...shipped, biasAmps: 0 },
          } as CircuitInput['detector'],
        };
        const circuit = circuitOf(drivers.nmos.describe(input), 25);
        const boundary = switchingOf(input)?.boundaries[0];
        if (!boundary) throw new Error('no boundary');
        // ⅓ and ⅔: the LDR at half or at twice R1.
        const over = (ratio: number, way: 'rising' | 'falling') => {
          setOhms(circuit, 'LDR1', input.fixedOhms * ratio);
          const point = solveOperatingPoint(circuit);
          if (!point.ok) throw new Error(point.reason);
          const { plus, minus } = boundary[way];
          return nodeVolts(circuit, point.volts, plus) - nodeVolts(circuit, point.volts, minus);
        };
        expect(Math.abs(over(0.5, 'rising'))).toBeLessThan(1e-6 * 9);
        expect(Math.abs(over(2, 'falling'))).toBeLessThan(1e-6 * 9);
      }),
      { numRuns: 200 },
    );
  });
});

const shipped = defaultDetectors.timer.kind === 'timer' ? defaultDetectors.timer.part : null;
