import fc from 'fast-check';
import { defaultLoads, type Load } from '../loads/load';
import type { CircuitInput } from './stage';
import { shippedParts, defaultPart, type TransistorKind } from './transistors';

/** For tests: an LED on a small NPN under 6 V, the LDR below. */
export const plainInput: CircuitInput = {
  supply: { volts: 6, ohms: 0 },
  loadSupply: null,
  ldrSide: 'bottom',
  ldrOhms: 1000,
  fixedOhms: 6800,
  isDirect: false,
  ldrParallelOhms: null,
  ldrSeriesOhms: null,
  baseOhms: null,
  part: defaultPart('npn'),
  grade: 'typical',
  place: 'collector',
  detector: { kind: 'transistor' },
  outputStage: { kind: 'direct' },
  loads: [{ ...defaultLoads.led, forwardVolts: 2, atAmps: 0.01, seriesOhms: 330 }],
};

const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const decades = (from: number, to: number) => within(from, to).map((power) => 10 ** power);

const anyLoad: fc.Arbitrary<Load> = fc.oneof(
  fc.record({
    forwardVolts: within(1.2, 3.6),
    seriesOhms: decades(1, 5),
    inSeries: fc.integer({ min: 1, max: 4 }),
    strings: fc.integer({ min: 1, max: 6 }),
  }).map((led) => ({ ...defaultLoads.led, ...led, atAmps: 0.01 })), // prettier-ignore
  within(0.005, 0.08).map((ratedAmps) => ({ ...defaultLoads.buzzer, ratedAmps })),
  within(30, 2000).map((coilOhms) => ({ ...defaultLoads.relay, coilOhms })),
  within(0.001, 0.02).map((inputAmps) => ({ ...defaultLoads.module, inputAmps })),
  fc
    .record({ ratedVolts: within(1.5, 24), ratedAmps: within(0.02, 1) })
    .map((lamp) => ({ kind: 'lamp' as const, ...lamp })),
  within(0.03, 1).map((ratedAmps) => ({ ...defaultLoads.motor, ratedAmps })),
);

/** For tests: any circuit of a kind of stage that someone might wire, sensible or not. */
export const anyCircuitInput = (kind: TransistorKind): fc.Arbitrary<CircuitInput> =>
  fc.record({
    supply: fc.record({ volts: within(1, 24), ohms: fc.oneof(fc.constant(0), decades(-2, 1.5)) }),
    loadSupply: fc.option(fc.record({ volts: within(1, 24), ohms: decades(-2, 1), commonGround: fc.boolean() }), { nil: null, freq: 2 }), // prettier-ignore
    ldrSide: fc.constantFrom('top', 'bottom'),
    ldrOhms: decades(1.7, 6.7),
    fixedOhms: decades(1.7, 6.7),
    isDirect: kind === 'nmos' ? fc.constant(false) : fc.boolean(),
    ldrParallelOhms: fc.option(decades(3, 7), { nil: null }),
    ldrSeriesOhms: fc.option(decades(1, 5), { nil: null }),
    baseOhms: fc.option(decades(2, 6), { nil: null }),
    part: fc.constantFrom(...shippedParts.filter((part) => part.kind === kind)),
    grade: fc.constantFrom('min', 'typical', 'max'),
    place: fc.constantFrom('collector', 'emitter'),
    detector: fc.constant({ kind: 'transistor' as const }),
    outputStage: fc.constantFrom(
      { kind: 'direct' as const },
      { kind: 'inverted' as const },
      { kind: 'toggle' as const },
      { kind: 'one-shot' as const, ohms: 1e5, farads: 1e-6 },
    ),
    loads: fc.array(anyLoad, { minLength: 1, maxLength: 3 }),
  });
