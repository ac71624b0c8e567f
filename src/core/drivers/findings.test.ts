import { describe, expect, it } from 'vitest';
import { DEFAULT_STOCK, type ResistorStock } from '../series/stock';
import type { DriverFacts, DriverSaying, DriverSetting } from './definition';
import type { DriverFix } from './finding';
import { nmosDriver } from './nmos';
import { npnDriver } from './npn';
import { pmosDriver } from './pmos';
import { pnpDriver } from './pnp';
import { darlingtonDriver } from './darlington';

const [small, medium] = npnDriver.shipped;
const [gated] = nmosDriver.shipped;

/** A switch with which all is well: 100 mA through a small NPN with 5 mA into its base. */
const well: DriverFacts = {
  fullAmps: 0.1,
  fullSwitchVolts: 0.1,
  baseAmps: 0.005,
  minBeta: null,
  gateVolts: 5,
  maxThresholdVolts: null,
  guaranteedAmps: 0.5,
  saturates: true,
  isSoft: false,
  isHeld: false,
  inrushAmps: 0.1,
  worst: {
    baseAmps: 0.005,
    baseAmpsLux: 1,
    transistorWatts: 0.02,
    transistorWattsLux: 2,
    loadWatts: 0.01,
    loadWattsLux: 3,
    switchVolts: 9,
    controlVolts: 0.8,
  },
};
const usual: DriverSetting = {
  place: 'collector',
  baseOhms: 1000,
  isDirect: false,
  sensorVolts: 9,
  loadVolts: null,
  stock: { ...DEFAULT_STOCK, series: 'E24' },
  canLight: true,
  output: null,
  lighterLoad: { kind: 'lighten-load', amps: 0.05 },
};
const own = (ohms: number): ResistorStock => ({ ...DEFAULT_STOCK, series: 'own', ownOhms: [ohms] });
type Facts = Partial<Omit<DriverFacts, 'worst'>> & { readonly worst?: Partial<DriverFacts['worst']> };
const factsOf = ({ worst, ...more }: Facts): DriverFacts => ({
  ...well,
  ...more,
  worst: { ...well.worst, ...worst },
});
const npn = (facts: Facts, setting: Partial<DriverSetting> = {}, model = small) =>
  npnDriver.findings(model, factsOf(facts), { ...usual, ...setting });
const pnp = (facts: Facts, setting: Partial<DriverSetting> = {}) =>
  pnpDriver.findings(pnpDriver.shipped[0], factsOf(facts), { ...usual, ...setting });
const nmos = (facts: Facts, setting: Partial<DriverSetting> = {}) =>
  nmosDriver.findings(gated, factsOf({ baseAmps: 0, ...facts }), { ...usual, ...setting });
const codes = (sayings: readonly DriverSaying[]) =>
  sayings.map(({ state, finding }) => `${state}: ${finding.code}`);

describe('what is told of a switch', () => {
  it('is nothing where all is well', () => {
    expect(npn({})).toEqual([]);
    expect(pnp({})).toEqual([]);
    expect(nmos({})).toEqual([]);
    expect(darlingtonDriver.findings(darlingtonDriver.shipped[0], factsOf({ minBeta: 1000 }), usual)).toEqual(
      [],
    );
  });

  it('is a P type that a higher supply keeps on, as a follower or on the high side, and how much higher', () => {
    const lifted = (place: 'collector' | 'emitter', loadVolts: number | null): readonly DriverSaying[] =>
      pnp({ isHeld: true }, { place, sensorVolts: 5, loadVolts });
    expect(lifted('collector', 12)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'lifted-reference', isFollower: false, sensorVolts: 5, loadVolts: 12 },
        fix: { kind: 'switch-side', to: 'low' },
      },
    ]);
    expect(lifted('emitter', 12)[0]?.finding).toMatchObject({ isFollower: true });
    expect(lifted('collector', 5.4)).toEqual([]);
    expect(lifted('collector', 5.41)).toHaveLength(1);
    expect(lifted('collector', null)).toEqual([]);
    expect(pnp({}, { sensorVolts: 5, loadVolts: 12 })).toEqual([]);
    expect(npn({ isHeld: true }, { sensorVolts: 5, loadVolts: 12 })).toEqual([]);
    expect(codes(pmosDriver.findings(pmosDriver.shipped[0], factsOf({ isHeld: true }), { ...usual, sensorVolts: 5, loadVolts: 12 }))).toEqual(['cannot: lifted-reference']); // prettier-ignore
  });

  it('is a load in the emitter that loses more than 0.4 V', () => {
    const loses = (fullSwitchVolts: number, place: 'collector' | 'emitter') =>
      npn({ fullSwitchVolts }, { place });
    expect(loses(0.41, 'emitter')).toEqual([
      {
        state: 'look',
        finding: { code: 'emitter-loses', volts: 0.41 },
        fix: { kind: 'load-at-collector' },
      },
    ]);
    expect(loses(0.4, 'emitter')).toEqual([]);
    expect(loses(0.41, 'collector')).toEqual([]);
  });
});

describe('what is told of a base', () => {
  it('is how far it is pulled back past its emitter: looked at from 5 V, impossible from 7', () => {
    const reversed = (controlVolts: number) => npn({ worst: { controlVolts } });
    expect(reversed(5)).toEqual([]);
    expect(reversed(5.1)).toEqual([
      { state: 'look', finding: { code: 'base-reversed', volts: 5.1, isApart: false } },
    ]);
    expect(codes(reversed(7))).toEqual(['look: base-reversed']);
    expect(codes(reversed(7.1))).toEqual(['cannot: base-reversed']);
  });

  it('is that it cannot saturate its load, with a lighter one where no output drives it', () => {
    const weak = { saturates: false, baseAmps: 0.0005, guaranteedAmps: 0.05 } as const;
    const [said, ...more] = npn(weak);
    expect(said).toEqual({
      state: 'cannot',
      finding: {
        code: 'load-not-saturated',
        baseAmps: 0.0005,
        forcedBeta: 200,
        minBeta: 100,
        guaranteedAmps: 0.05,
        fullAmps: 0.1,
      },
      fix: usual.lighterLoad,
    });
    expect(more).toEqual([]);
    // The gain that it has where it is used, where that is known, in place of its datasheet’s.
    expect(npn({ ...weak, minBeta: 70 })[0]?.finding).toMatchObject({ minBeta: 70 });
    expect(npn(weak, { canLight: false })).toEqual([]);
    // With no current at all the forced gain stays a figure.
    expect(npn({ ...weak, baseAmps: 0 })[0]?.finding).toMatchObject({ forcedBeta: 0.1 / 1e-12 });
  });

  it('is that it has under twice what its least gain asks for, at the collector alone', () => {
    const little = (baseAmps: number, setting: Partial<DriverSetting> = {}) => npn({ baseAmps }, setting);
    expect(little(0.002)).toEqual([]);
    expect(little(0.0019)).toEqual([
      {
        state: 'look',
        finding: { code: 'little-drive-margin', forcedBeta: 0.1 / 0.0019, minBeta: 100 },
        fix: null,
      },
    ]);
    expect(little(0.0019, { place: 'emitter' })).toEqual([]);
    expect(little(0.0019, { canLight: false })).toEqual([]);
  });

  it('is cured by the resistor that lets 2.4 times that current through, where the output gives it', () => {
    const fixOf = (facts: Facts, setting: Partial<DriverSetting> = {}): DriverFix | null | undefined =>
      npn(
        { baseAmps: 0.0012, ...facts },
        { sensorVolts: 5, baseOhms: 3300, output: { onVolts: 5, maxAmps: 0.02 }, ...setting },
      )[0]?.fix;
    // Nothing held back: 3.3 kΩ × 1.2 mA over 2.4 mA is 1650 Ω; of 1.6 and 1.8 kΩ in E24 the nearer is 1.6.
    expect(fixOf({})).toEqual({ kind: 'take-base', ohms: 1600 });
    // 1 V held back of 5, at 1.2 mA: 833 Ω of its own, which share the voltage.
    const exact = (3300 * 0.0012 + 1) / 0.0024 - 1 / 0.0012;
    expect(exact).toBeCloseTo(1233.3, 0);
    expect(fixOf({}, { output: { onVolts: 4, maxAmps: 0.02 } })).toEqual({ kind: 'take-base', ohms: 1200 });
    // Of a P type what is held back is what its output leaves above 0 V.
    const low = pnp(
      { baseAmps: 0.0012 },
      { sensorVolts: 5, baseOhms: 3300, output: { onVolts: 1, maxAmps: 0.02 } },
    )[0];
    expect(low?.fix).toEqual({ kind: 'take-base', ohms: 1200 });
    expect(fixOf({ saturates: false })).toEqual({ kind: 'take-base', ohms: 1600 });
    // None: too weak an output, none at all, no resistor, or one that could only get larger.
    expect(fixOf({}, { output: { onVolts: 5, maxAmps: 0.0024 } })).toEqual({ kind: 'take-base', ohms: 1600 });
    expect(fixOf({}, { output: { onVolts: 5, maxAmps: 0.0023 } })).toBeNull();
    expect(fixOf({}, { output: null })).toBeNull();
    expect(fixOf({}, { baseOhms: null })).toBeNull();
    expect(fixOf({}, { output: { onVolts: 0.5, maxAmps: 0.02 } })).toBeNull();
    expect(fixOf({}, { stock: own(3300) })).toBeNull();
    // Nor more than the base may take.
    expect(fixOf({ fullAmps: 0.9, baseAmps: 0.01 }, { output: { onVolts: 5, maxAmps: 1 } })).toBeNull();
  });

  it('is that it gets more than it may, with the resistor that would halve it at worst', () => {
    const over = (amps: number, setting: Partial<DriverSetting> = {}) =>
      npn({ worst: { baseAmps: amps, baseAmpsLux: 7 } }, setting);
    expect(over(0.02)).toEqual([]);
    expect(over(0.021)).toEqual([
      {
        state: 'look',
        finding: { code: 'base-over-current', amps: 0.021, maxAmps: 0.02, lux: 7, by: 'base' },
        // 9 V over 10 mA is 900 Ω: the next in E24 is 910.
        fix: { kind: 'take-base', ohms: 910 },
      },
    ]);
    expect(over(0.021, { baseOhms: null })[0]?.finding).toMatchObject({ by: 'nothing' });
    expect(over(0.021, { isDirect: true })[0]).toMatchObject({ finding: { by: 'r1' }, fix: null });
    // Where none in stock is large enough the figure itself, to two digits.
    expect(over(0.021, { stock: own(100), sensorVolts: 9.36 })[0]?.fix).toEqual({
      kind: 'take-base',
      ohms: 940,
    });
  });
});

describe('what is told of a gate', () => {
  it('is that it gets too little for its load, by the threshold that it has at most where it is used', () => {
    const low: Facts = { saturates: false, gateVolts: 1.5, guaranteedAmps: 0.01 };
    expect(nmos(low)).toEqual([
      {
        state: 'cannot',
        finding: {
          code: 'gate-too-low',
          gateVolts: 1.5,
          maxThresholdVolts: gated.maxThresholdVolts,
          guaranteedAmps: 0.01,
          fullAmps: 0.1,
        },
      },
    ]);
    expect(nmos({ ...low, maxThresholdVolts: 2.2 })[0]?.finding).toMatchObject({ maxThresholdVolts: 2.2 });
    expect(nmos({ ...low, gateVolts: null })[0]?.finding).toMatchObject({ gateVolts: 0 });
    expect(nmos(low, { canLight: false })).toEqual([]);
  });

  it('is more than it stands', () => {
    expect(nmos({ worst: { controlVolts: gated.maxGateVolts } })).toEqual([]);
    expect(nmos({ worst: { controlVolts: gated.maxGateVolts + 0.1 } })).toEqual([
      {
        state: 'cannot',
        finding: { code: 'gate-over-volts', volts: gated.maxGateVolts + 0.1, maxVolts: gated.maxGateVolts },
      },
    ]);
  });
});

describe('what a transistor is rated for', () => {
  it('is a current all the time: the smallest that carries more is offered, where there is one', () => {
    const loaded = (fullAmps: number, model = small) =>
      npn({ fullAmps, inrushAmps: fullAmps, baseAmps: 0.1, worst: { baseAmps: 0.01 } }, {}, model);
    expect(loaded(0.2)).toEqual([]);
    expect(loaded(0.21)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'load-above-transistor', amps: 0.21, maxAmps: 0.2 },
        fix: { kind: 'take-part', id: medium?.id },
      },
    ]);
    expect(loaded(5)[0]?.fix).toEqual({ kind: 'take-part', id: 'power-nmos' });
    expect(loaded(50)[0]?.fix).toBeNull();
    // An own part of less than a listed one of its name is not offered itself.
    expect(loaded(0.15, { ...small, maxAmps: 0.1 })[0]?.fix).toBeNull();
  });

  it('is a few times that for a moment: twice of a base, and no more than it lets through, four times of a gate', () => {
    const starting = (inrushAmps: number, baseAmps = 0.01) => npn({ inrushAmps, worst: { baseAmps } });
    expect(starting(0.4)).toEqual([]);
    expect(starting(0.41)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'inrush-above-transistor', amps: 0.41, maxAmps: 0.4 },
        fix: { kind: 'take-part', id: medium?.id },
      },
    ]);
    // It lets through its most gain times its most base current: 400 times 1 mA.
    expect(starting(3, 0.001)).toEqual([]);
    expect(starting(3, 0.0015)[0]?.finding).toMatchObject({ amps: 400 * 0.0015 });
    // A half of it is what the next must carry all the time.
    expect(starting(1.9)[0]?.fix).toEqual({ kind: 'take-part', id: medium?.id });
    expect(starting(2.1)[0]?.fix).toEqual({ kind: 'take-part', id: 'power-nmos' });
    // Where its load is too much already all the time that is all.
    expect(codes(npn({ fullAmps: 0.3, inrushAmps: 3, baseAmps: 0.1 }))).toEqual([
      'cannot: load-above-transistor',
    ]);
    expect(nmos({ inrushAmps: 4 * gated.maxAmps })).toEqual([]);
    expect(codes(nmos({ inrushAmps: 4.1 * gated.maxAmps }))).toEqual(['cannot: inrush-above-transistor']);
  });

  it('is its heat, its load’s alone where the base has too much; a larger one is offered', () => {
    const warm = npn({ isSoft: true, worst: { transistorWatts: 0.6 } });
    expect(warm).toEqual([
      {
        state: 'cannot',
        finding: { code: 'transistor-warm', watts: 0.6, maxWatts: 0.5, lux: 2, isSoft: true },
        fix: { kind: 'take-part', id: medium?.id },
      },
    ]);
    expect(npn({ worst: { transistorWatts: 0.5 } })).toEqual([]);
    const tooMuch = { baseAmps: 0.03, transistorWatts: 0.6 } as const;
    expect(codes(npn({ worst: tooMuch }))).toEqual(['look: base-over-current']);
    expect(npn({ worst: { ...tooMuch, loadWatts: 0.7 } })[1]?.finding).toMatchObject({ watts: 0.7, lux: 3 });
    expect(nmos({ worst: { transistorWatts: 0.4 } })[0]?.finding).toMatchObject({ watts: 0.4, lux: 2 });
  });

  it('is the voltage across it when off', () => {
    expect(npn({ worst: { switchVolts: 40 } })).toEqual([]);
    expect(npn({ worst: { switchVolts: 41 } })).toEqual([
      { state: 'cannot', finding: { code: 'transistor-over-volts', volts: 41, maxVolts: 40 } },
    ]);
  });
});
