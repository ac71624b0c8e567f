import { DEFAULT_DYNAMICS } from '../ldr/dynamics';
import { describe, expect, it } from 'vitest';
import type { SwitchPoint } from '../light/crossing';
import { shippedComparator } from '../parts/kinds/comparator';
import { DEFAULT_STOCK } from '../series/stock';
import type { DetectorBench } from './bench';
import { comparator } from './comparator/definition';
import { defaultComparatorSettings, type ComparatorSettings } from './comparator/settings';
import { controller, type ControllerSettings } from './controller/definition';
import type { DetectorSaying } from './finding';
import { ladder } from './ladder/definition';
import { defaultLadder, type LadderSettings } from './ladder/settings';
import { bandSayings, comparatorSayings, edgeBandSayings } from './sayings';
import type { BoundaryFacts, InputTrouble, Thresholds } from './thresholds';

const at = (lux: number): SwitchPoint => ({ ok: true, lux, lowLux: lux, highLux: lux });
const nowhere: SwitchPoint = { ok: false, reason: 'stays-below' };
const edge = (rising: SwitchPoint, falling: SwitchPoint): BoundaryFacts => ({
  ...{ rising, falling, risingVolts: null, fallingVolts: null },
});
/** A detector with which all is well: on at 10 lx, off at 20. */
const well: Thresholds = {
  boundaries: [edge(at(20), at(10))],
  isOn: [true, false],
  isWindow: false,
  goalEnd: 'on',
  goalBoundary: 0,
  turnOn: at(10),
  turnOff: at(20),
  turnOnVolts: 2,
  turnOffVolts: 3,
  bandRatio: 2,
  isInverted: false,
  onVolts: 5,
  offVolts: 0,
  offShare: 0,
  besideShare: 0,
  outputAmps: 0.001,
  maxOutputAmps: 0.01,
  inputs: [],
};
/** A divider of 10 kΩ and an LDR of 10 kΩ at 10 lx, on 5 V. */
const bench = <S>(more: Partial<DetectorBench<S>> = {}): DetectorBench<S> => ({
  goal: { action: 'on-in-dark', lux: 10, offLux: null },
  divider: {
    ...{ supplyVolts: 5, lowVolts: 0, ldrSide: 'top', fixedOhms: 10_000 },
    ...{ ldrParallelOhms: null, ldrSeriesOhms: null },
  },
  curve: { r10Ohms: 10_000, gamma: 0.7, darkOhms: null, brightOhms: 0 },
  dynamics: DEFAULT_DYNAMICS,
  range: { minLux: 1, maxLux: 1000 },
  stock: DEFAULT_STOCK,
  voltsAt: () => null,
  isOn: [true, false],
  onLevel: 'high',
  goalBoundary: 0,
  goalTrip: null,
  overBoundary: () => null,
  with: () => bench<S>(more),
  ...more,
});
const codes = (sayings: readonly DetectorSaying<unknown>[]) =>
  sayings.map(({ state, finding }) => `${state}: ${finding.code}`);

describe('what is told of a comparator', () => {
  const part = shippedComparator('open-collector');
  const trouble = (end: 'low' | 'high', volts: number, limitVolts: number): InputTrouble => ({
    ...{ designator: 'IC1', unit: 'a', input: 'plus', end, volts, limitVolts },
  });
  const said = (supplyVolts: number, inputs: readonly InputTrouble[] = [], model = part) =>
    comparatorSayings({ part: model }, supplyVolts, { inputs });

  it('is a supply that it does not work on, with the first of the list that does', () => {
    expect(said(5)).toEqual([]);
    expect(said(40)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'comparator-supply', volts: 40, minVolts: 2, maxVolts: 36 },
        fix: null,
      },
    ]);
    const [small] = said(12, [], shippedComparator('rail-to-rail'));
    expect(small?.fix).toEqual({ kind: 'set-detector', settings: { part }, resizes: true });
  });

  it('is an input out of its range, the first; with a part whose inputs go as far', () => {
    // 4 V with 5 V above: it works up to 3.5 V; one up to its rails does.
    expect(said(5, [trouble('high', 4, 3.5), trouble('high', 3.9, 3.5)])).toEqual([
      {
        state: 'cannot',
        finding: { code: 'input-out-of-range', input: 'plus', end: 'high', volts: 4, limitVolts: 3.5 },
        fix: {
          kind: 'set-detector',
          settings: { part: shippedComparator('rail-to-rail') },
          resizes: true,
        },
      },
    ]);
    // On 12 V none of the list goes so far.
    expect(said(12, [trouble('high', 11, 10.5)])[0]?.fix).toBeNull();
    // At the low end an amplifier that works from 2 V on is helped by whatever works from 0 V, not below it.
    const amplifier = shippedComparator('op-amp');
    expect(said(12, [trouble('low', 1, 2)], amplifier)[0]?.fix).toMatchObject({ settings: { part } });
    expect(said(12, [trouble('low', -0.1, 2)], amplifier)[0]?.fix).toBeNull();
    const allowed = comparatorSayings({ part }, 5, { inputs: [trouble('high', 4, 3.5)] }, ({ kind }) => kind === 'open-collector'); // prettier-ignore
    expect(allowed[0]?.fix).toMatchObject({ settings: { part: shippedComparator('open-drain') } });
  });

  it('is that it has no hysteresis, or next to none', () => {
    const of = (bandRatio: number | null) =>
      comparator.findings(defaultComparatorSettings, bench(), { ...well, bandRatio });
    expect(of(1.03)).toEqual([]);
    expect(of(1.02)).toEqual([
      {
        state: 'look',
        finding: { code: 'no-hysteresis', ratio: 1.02 },
        fix: { kind: 'add-hysteresis', ratio: 1.25 },
      },
    ]);
    expect(of(null)).toEqual([]);
    const inverted = comparator.findings(defaultComparatorSettings, bench(), {
      ...{ ...well, bandRatio: 1 },
      isInverted: true,
    });
    expect(codes(inverted)).toEqual(['cannot: band-inverted']);
  });

  it('is a reference or a divider that carries under twenty times what an input takes', () => {
    // 25 nA, so 0.5 µA: 5 V over 10 MΩ.
    const referred = (ohms: number, more: Partial<ComparatorSettings> = {}, fixedOhms = 10_000) =>
      comparator.findings(
        {
          ...defaultComparatorSettings,
          reference: { topOhms: ohms, bottomOhms: ohms, trimmer: null },
          ...more,
        },
        bench({ divider: { ...bench().divider, fixedOhms } }),
        well,
      );
    expect(referred(4_900_000)).toEqual([]);
    const [weak] = referred(5_100_000);
    expect(weak?.finding).toEqual({
      ...{ code: 'bias-too-large', at: 'reference', amps: 5 / 10_200_000, biasAmps: 25e-9 },
    });
    expect(weak?.fix).toMatchObject({ settings: { part: { id: 'open-drain' } }, resizes: true });
    const [thin] = referred(10_000, {}, 10_100_000);
    expect(thin?.finding).toMatchObject({ at: 'midpoint', amps: 5 / 10_110_000 });
    // Under a negative rail the divider has that voltage as well.
    expect(referred(10_000, { negativeVolts: 5 }, 10_100_000)).toEqual([]);
    expect(referred(10_000, { negativeVolts: 5 }, 20_100_000)[0]?.finding).toMatchObject({ at: 'midpoint' });
    const amplifier = { part: shippedComparator('op-amp') };
    // Of amplifiers with inputs as good none of the list is for 5 V either way… of the same kind none takes less than 45 nA.
    expect(referred(5_100_000, amplifier).find(({ finding }) => finding.code === 'bias-too-large')?.fix).toBeNull(); // prettier-ignore
  });
});

describe('what is told of a band', () => {
  const fix = { kind: 'search-band' } as const;
  const said = (more: Partial<Thresholds>, offLux: number | null = null) =>
    bandSayings({ offLux }, { ...well, ...more }, fix);

  it('is that it is the wrong way round, that it never ends, or that it ends elsewhere', () => {
    expect(said({})).toEqual([]);
    expect(said({ isInverted: true, turnOff: nowhere })).toEqual([
      { state: 'cannot', finding: { code: 'band-inverted' } },
    ]);
    expect(said({ turnOff: nowhere })).toEqual([
      { state: 'cannot', finding: { code: 'latches', onLux: 10, isOnce: false } },
    ]);
    expect(said({ turnOn: nowhere, turnOff: nowhere })).toEqual([]);
    expect(said({}, 20)).toEqual([]);
    expect(said({}, 21.9)).toEqual([]);
    expect(said({}, 22.1)).toEqual([
      {
        state: 'look',
        finding: { code: 'off-band', wantedLux: 22.1, offLux: 20, ownLux: 0, isOnce: false },
        fix,
      },
    ]);
  });

  it('is which of several edges is furthest from the ratio wanted, from a third of it on', () => {
    const edges = (...ratios: (number | null)[]) => ({
      boundaries: ratios.map((ratio) => edge(ratio === null ? nowhere : at(10 * ratio), at(10))),
    });
    expect(edgeBandSayings(null, edges(5))).toEqual([]);
    // By the logarithm: 1.5 to the power 1.35 is 1.729, to 0.65 it is 1.302.
    expect(edgeBandSayings(1.5, edges(1.72, 1.31))).toEqual([]);
    expect(edgeBandSayings(1.5, edges(1.5, 1.74, 1.6))).toEqual([
      {
        state: 'look',
        finding: { code: 'edge-band', wantedRatio: 1.5, ratio: 10 * 1.74 / 10 },
        fix: { kind: 'resize', by: 'string' },
      },
    ]); // prettier-ignore
    expect(edgeBandSayings(1.5, edges(1.29, 1.5))[0]?.finding).toMatchObject({ ratio: 12.9 / 10 });
    expect(edgeBandSayings(1.5, edges(1.8, null))).toMatchObject([
      { state: 'look', finding: { ratio: null } },
    ]);
    expect(codes(edgeBandSayings(1.5, edges(null), 'cannot'))).toEqual(['cannot: edge-band']);
    expect(codes(edgeBandSayings(1.5, edges(1.8), 'cannot'))).toEqual(['look: edge-band']);
  });
});

describe('what is told of a ladder', () => {
  const settings: LadderSettings = { ...defaultLadder, stepLux: [10, 30, 100, 300, 900] };
  const boundaries = (...lights: readonly (number | null)[]) =>
    lights.map((lux) => edge(lux === null ? nowhere : at(lux), lux === null ? nowhere : at(0.9 * lux)));
  const said = (lights: readonly (number | null)[], more: Partial<LadderSettings> = {}, facts = {}) =>
    ladder.findings({ ...settings, ...more }, bench(), {
      ...well,
      boundaries: boundaries(...lights),
      ...facts,
    });

  it('is the step furthest from where it should come, by the number that it comes as', () => {
    expect(said([10, 30, 100, 300, 900])).toEqual([]);
    expect(said([10.9, 30, 92, 300, 900])).toEqual([]);
    expect(said([10, 30, 111, 300, 900])).toEqual([
      {
        state: 'look',
        finding: { code: 'step-off', rung: 3, wantedLux: 100, lux: 111 },
        fix: { kind: 'resize', by: 'string' },
      },
    ]);
    // Two: the further one, above or below.
    expect(said([10, 34, 80, 300, 900])[0]?.finding).toMatchObject({ rung: 3, lux: 80 });
    // Where more come in the dark it is the light at which it gets darker, and the brightest is the first.
    const even = { boundaries: [10, 30, 100, 300, 990].map((lux) => edge(nowhere, at(lux))) };
    expect(said([], { moreIn: 'dark' }, even)).toEqual([]);
    const off = { boundaries: [10, 30, 100, 300, 1000].map((lux) => edge(nowhere, at(lux))) };
    expect(said([], { moreIn: 'dark' }, off)[0]?.finding).toMatchObject({ rung: 1, wantedLux: 900 });
  });

  it('is that a step never comes: impossible where it should come within the axis', () => {
    expect(said([10, 30, 100, 300, null])[0]).toMatchObject({
      state: 'cannot',
      finding: { rung: 5, lux: null },
    });
    const beyond = { stepLux: [10, 30, 100, 300, 2000] };
    expect(said([10, 30, 100, 300, null], beyond)[0]?.state).toBe('look');
    expect(said([null, 30, 100, 300, 900], { stepLux: [0.5, 30, 100, 300, 900] })[0]?.state).toBe('look');
    expect(said([null, 30, 100, 300, 900], { stepLux: [1, 30, 100, 300, 900] })[0]?.state).toBe('cannot');
    expect(said([10, 30, 100, 300, null], { stepLux: [10, 30, 100, 300, 1000] })[0]?.state).toBe('cannot');
  });

  it('is how much of a load’s current another takes that should be off', () => {
    const beside = (besideShare: number) => said([10, 30, 100, 300, 900], { shows: 'dot' }, { besideShare });
    expect(beside(0.02)).toEqual([]);
    expect(beside(0.03)).toEqual([
      {
        state: 'look',
        finding: { code: 'dot-smears', share: 0.03 },
        fix: { kind: 'set-detector', settings: { ...settings, shows: 'fill' }, resizes: false },
      },
    ]);
    expect(codes(beside(0.1))).toEqual(['look: dot-smears']);
    expect(codes(beside(0.11))).toEqual(['cannot: dot-smears']);
  });
});

describe('what is told of a microcontroller', () => {
  const settings: ControllerSettings = {
    ...controller.defaults,
    ...{ bits: 10, onCode: 500, offCode: 520, samples: 1 },
  };
  const said = (
    more: Partial<ControllerSettings>,
    setting: Partial<DetectorBench<ControllerSettings>> = {},
  ) => controller.findings({ ...settings, ...more }, bench(setting), well);

  it('is a supply above what a board takes', () => {
    expect(said({})).toEqual([]);
    const on = (supplyVolts: number) => said({}, { divider: { ...bench().divider, supplyVolts } });
    expect(on(5.5)).toEqual([]);
    expect(on(6)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'controller-supply', volts: 6, maxVolts: 5.5 },
        fix: { kind: 'lower-supply', volts: 5 },
      },
    ]);
  });

  it('is codes that a single reading’s noise spans, with so many readings as it takes', () => {
    // Six deviations of one code each: 36 over the square of how far they are apart.
    expect(said({ onCode: 500, offCode: 506 })).toEqual([]);
    expect(said({ onCode: 506, offCode: 501 })).toEqual([
      {
        state: 'look',
        finding: { code: 'codes-close', apart: 5, samples: 1, wantedSamples: 2 },
        fix: {
          kind: 'set-detector',
          settings: { ...settings, onCode: 506, offCode: 501, samples: 2 },
          resizes: false,
        },
      },
    ]);
    expect(said({ onCode: 500, offCode: 500 })[0]?.finding).toMatchObject({ wantedSamples: 36 });
    expect(said({ onCode: 500, offCode: 502, samples: 9 })).toEqual([]);
  });

  it('is a code beyond its bits, and a divider too weak for its pin', () => {
    expect(said({ onCode: 1000, offCode: 1023 })).toEqual([]);
    expect(said({ onCode: 1000, offCode: 1024 })).toEqual([
      {
        state: 'cannot',
        finding: { code: 'code-out-of-range', largest: 1024, maxCode: 1023 },
        fix: { kind: 'resize', by: 'codes' },
      },
    ]);
    expect(codes(said({ onCode: 300, offCode: 200, bits: 8 }))).toEqual(['cannot: code-out-of-range']);
    // 15 kΩ beside 30 kΩ are 10 kΩ; a little more of either is too much.
    const weak = (fixedOhms: number, lux: number) =>
      said(
        {},
        {
          divider: { ...bench().divider, fixedOhms },
          goal: { ...bench().goal, lux },
          voltsAt: (_, light) => 2 + Math.log(light) / 10,
        },
      );
    const lux = 10 * 3 ** (-1 / 0.7);
    expect(weak(14_900, lux)).toEqual([]);
    const [one] = weak(15_200, lux);
    expect(one).toMatchObject({ state: 'look', finding: { code: 'source-resistance', maxOhms: 10_000 } });
    // 8.5 kΩ beside 30 kΩ of LDR: 11.9 kΩ, and 12 kΩ in stock.
    expect(one?.fix).toEqual({ kind: 'take-divider', ohms: 12_000 });
  });
});
