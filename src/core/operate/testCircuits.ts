import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import fc from 'fast-check';
import type { DetectorOutput } from '../detectors/fields';
import { detectorKinds, type DetectorKind } from '../detectors/kinds';
import { defaultDetectors, detectorDefinition, type DetectorSettings } from '../detectors/registry';
import { transistorKinds, type TransistorKind } from '../drivers/kinds';
import { defaultTransistor, drivers, shippedTransistors } from '../drivers/registry';
import { defaultLoads, type Load } from '../loads/registry';
import { NOT_RATED } from '../parts/base';
import type { CircuitInput } from './input';

/** For tests: an LED on a small NPN under 6 V, the LDR below. */
export const simpleInput: CircuitInput = {
  supply: { volts: 6, ohms: 0 },
  loadSupply: null,
  ldrSide: 'bottom',
  ldrOhms: 1000,
  ldrRating: NOT_RATED,
  fixedOhms: 6800,
  trimmer: null,
  resistorTolerance: 0.05,
  isDirect: false,
  ldrParallelOhms: null,
  ldrSeriesOhms: null,
  baseOhms: null,
  transistor: defaultTransistor('npn'),
  place: 'collector',
  detector: defaultDetectors.transistor,
  outputStage: { kind: 'direct' },
  loads: [{ ...defaultLoads.led, forwardVolts: 2, atAmps: 0.01, seriesOhms: 330 }],
};

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const decades = (from: number, to: number) => within(from, to).map((power) => 10 ** power);

export const anyLoad: fc.Arbitrary<Load> = fc.oneof(
  fc
    .record({
      forwardVolts: within(1.2, 3.6),
      seriesOhms: decades(1, 5),
      inSeries: fc.integer({ min: 1, max: 4 }),
      strings: fc.integer({ min: 1, max: 6 }),
    })
    .map((led) => ({ ...defaultLoads.led, ...led, atAmps: 0.01 })),
  within(0.005, 0.08).map((ratedAmps) => ({ ...defaultLoads.buzzer, ratedAmps })),
  within(30, 2000).map((coilOhms) => ({ ...defaultLoads.relay, coilOhms })),
  within(0.001, 0.02).map((inputAmps) => ({ ...defaultLoads.module, inputAmps })),
  fc
    .record({ ratedVolts: within(1.5, 24), ratedAmps: within(0.02, 1) })
    .map((lamp) => ({ kind: 'lamp' as const, ...lamp })),
  within(0.03, 1).map((ratedAmps) => ({ ...defaultLoads.motor, ratedAmps })),
  fc
    .record({ supplyVolts: within(1.5, 12), pullOhms: decades(3, 6) })
    .map((pin) => ({ ...defaultLoads.logic, ...pin })),
);

/** For tests: any circuit of a transistor alone that someone might wire, sensible or not. */
export const anyCircuitInput = (kind: TransistorKind): fc.Arbitrary<CircuitInput> =>
  anyWiring(kind).map((input) => {
    const { directSide } = drivers[kind];
    return input.isDirect && directSide ? { ...input, ldrSide: directSide } : input;
  });

const anyWiring = (kind: TransistorKind): fc.Arbitrary<CircuitInput> =>
  fc.record({
    supply: fc.record({ volts: within(1, 24), ohms: fc.oneof(fc.constant(0), decades(-2, 1.5)) }),
    loadSupply: fc.option(
      fc.record({ volts: within(1, 24), ohms: decades(-2, 1), commonGround: fc.boolean() }),
      { nil: null, freq: 2 },
    ),
    ldrSide: fc.constantFrom('top', 'bottom'),
    ldrOhms: decades(1.7, 6.7),
    ldrRating: fc.constant(NOT_RATED),
    fixedOhms: decades(1.7, 6.7),
    trimmer: fc.constant(null),
    resistorTolerance: fc.constant(0.05),
    isDirect: drivers[kind].directSide === null ? fc.constant(false) : fc.boolean(),
    ldrParallelOhms: fc.option(decades(3, 7), { nil: null }),
    ldrSeriesOhms: fc.option(decades(1, 5), { nil: null }),
    baseOhms: fc.option(decades(2, 6), { nil: null }),
    transistor: fc.constantFrom(...shippedTransistors.filter((part) => part.kind === kind)),
    place: fc.constantFrom('collector', 'emitter'),
    detector: fc.constant(defaultDetectors.transistor),
    outputStage: fc.constantFrom(
      { kind: 'direct' as const },
      { kind: 'inverted' as const },
      { kind: 'toggle' as const },
      { ...defaultOutputStages['one-shot'], ohms: 1e5 },
      { kind: 'counted' as const, ohms: 1e5, farads: 1e-7 },
    ),
    loads: fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
  });

const anyOutput: fc.Arbitrary<DetectorOutput> = fc.record({
  to: fc.constantFrom('transistor', 'load'),
  loadRail: fc.constantFrom('ground', 'supply'),
  releaseOhms: fc.option(decades(2, 6)),
});

/** For tests: any circuit with a detector that someone might wire, sensible or not. */
export const anyDetectorInput = (
  kind: DetectorKind,
  driver: fc.Arbitrary<TransistorKind> = fc.constantFrom(...transistorKinds),
): fc.Arbitrary<CircuitInput> =>
  fc
    .tuple(driver.chain(anyCircuitInput), anyOutput, fc.boolean())
    .map(([input, output, isTrimmed]): CircuitInput => {
      const defaults: DetectorSettings = defaultDetectors[kind];
      const definition = detectorDefinition(defaults);
      if (!definition.output(defaults)) return input;
      const detector = definition.withOutput(defaults, output);
      const baseOhms = Math.max(input.baseOhms ?? 0, 470);
      const supply = { ...input.supply, volts: 3 + input.supply.volts };
      const trimmer = isTrimmed
        ? { trackOhms: input.fixedOhms * 1.5, endOhms: input.fixedOhms / 2, degrees: 270 }
        : null;
      return { ...input, supply, baseOhms, isDirect: false, detector, trimmer };
    });

/** For tests: any circuit at all. */
export const anyInput: fc.Arbitrary<CircuitInput> = fc
  .constantFrom(...detectorKinds)
  .chain((kind) => anyDetectorInput(kind));
