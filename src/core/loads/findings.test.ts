import { describe, expect, it } from 'vitest';
import { TONE_TIMER, toneHertz } from '../parts/kinds/toneMaker';
import { DEFAULT_STOCK, type ResistorStock } from '../series/stock';
import { cautions, type LoadFacts, type LoadSaying, type LoadSetting, type LoadVolts } from './definition';
import { defaultLoads, loadDefinition, type Load } from './registry';
import type { RelayLoad } from './relay';

const lights = (turnsOn: boolean, turnsOff: boolean): LoadFacts['lights'] => ({
  ...{ on: { ok: true, lux: 5 }, off: { ok: true, lux: 9 } },
  ...{ turnsOn, turnsOff },
});
const setting: LoadSetting = {
  index: 0,
  isHighSide: false,
  isOnOutput: false,
  isShared: false,
  supplyVolts: 12,
  onSeconds: null,
  makesTone: false,
  stock: DEFAULT_STOCK,
};
/** A load that gets just what it is rated for, or an LED its wanted current. */
function wellOf(load: Load): LoadFacts {
  const { volts, nominalAmps } = loadDefinition(load);
  const rated = volts(load);
  return {
    amps: nominalAmps(load),
    onAmps: nominalAmps(load),
    volts: rated?.rated ?? 5,
    mostVolts: rated?.rated ?? 5,
    alone: null,
    watts: 0.1,
    seriesWatts: 0.01,
    rated,
    series: null,
    lacksVolts: false,
    lights: null,
    inrushAmps: null,
    pin: null,
  };
}
const said = (
  load: Load,
  facts: Partial<LoadFacts> = {},
  more: Partial<LoadSetting> = {},
): readonly LoadSaying[] => {
  const well = wellOf(load);
  const mostVolts = facts.volts ?? well.mostVolts;
  return loadDefinition(load).findings(load, { ...well, mostVolts, ...facts }, { ...setting, ...more });
};
const codes = (sayings: readonly LoadSaying[]) =>
  sayings.map(({ state, finding }) => `${state}: ${finding.code}`);

describe('what is told of any load with a voltage', () => {
  const withVolts = [
    ...(['buzzer', 'fan', 'lamp', 'module', 'motor', 'relay', 'solenoid', 'strip', 'tone'] as const),
  ];
  const rated = { rated: 10, min: 6, max: 12 } as const;

  it.each(withVolts)('is of a %s too much, too little, and each of them from where on', (kind) => {
    const load: Load =
      kind === 'solenoid' ? { ...defaultLoads.solenoid, maxOnSeconds: null } : defaultLoads[kind];
    const at = (volts: number, more: Partial<LoadFacts> = {}) =>
      said(load, { volts, rated, ...more }, { isHighSide: false }).filter(({ finding }) =>
        /^load-/.test(finding.code),
      );
    expect(at(12)).toEqual([]);
    expect(at(12.1)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'load-over-voltage', load: kind, volts: 12.1, maxVolts: 12, isAlone: false },
      },
    ]);
    const starved = at(5.9);
    expect(starved).toEqual([
      {
        state: 'cannot',
        finding: { code: 'load-starved', load: kind, volts: 5.9, ratedVolts: 10, minVolts: 6 },
      },
    ]);
    const isSaidLow = kind !== 'buzzer' && kind !== 'tone';
    const low = {
      state: 'look',
      finding: { code: 'load-low', load: kind, volts: 8.4, ratedVolts: 10, minVolts: 6 },
    };
    expect(at(8.4)).toEqual(isSaidLow ? [low] : []);
    expect(codes(at(6))).toEqual(isSaidLow ? ['look: load-low'] : []);
    expect(at(8.5)).toEqual([]);
  });

  it('is too much of a step of a ladder that comes alone', () => {
    // A coil of a dot may get too little in its own step, and too much in another.
    expect(codes(said(defaultLoads.lamp, { volts: 5.9, mostVolts: 12.1, rated }))).toEqual([
      'cannot: load-over-voltage',
      'cannot: load-starved',
    ]);
    const alone = (volts: number, aloneVolts: number) =>
      said(defaultLoads.lamp, { volts, rated, alone: { amps: 0.1, volts: aloneVolts } });
    expect(alone(10, 12)).toEqual([]);
    expect(alone(10, 12.1)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'load-over-voltage', load: 'lamp', volts: 12.1, maxVolts: 12, isAlone: true },
      },
    ]);
    // Where it is so with all of them that is said, once.
    expect(alone(12.5, 13)[0]?.finding).toMatchObject({ volts: 12.5, isAlone: false });
    expect(alone(12.5, 13)).toHaveLength(1);
  });

  it('goes by the shares of its kind', () => {
    const range = (load: Load): LoadVolts => loadDefinition(load).volts(load)!;
    const shares = (load: Load) => {
      const { rated: volts, min, max } = range(load);
      return [min / volts, max / volts].map((share) => Number(share.toFixed(3)));
    };
    expect(shares(defaultLoads.lamp)).toEqual([0.5, 1.15]);
    expect(shares(defaultLoads.motor)).toEqual([0.5, 1.3]);
    expect(shares(defaultLoads.solenoid)).toEqual([0.85, 1.15]);
    expect(shares(defaultLoads.module)).toEqual([0.7, 1.1]);
    expect(shares({ ...defaultLoads.fan, ratedVolts: 12, minVolts: 6 })).toEqual([0.5, 1.15]);
    expect(shares({ ...defaultLoads.strip, ratedVolts: 12, litVolts: 6 })).toEqual([0.5, 1.1]);
    expect(shares({ ...defaultLoads.strip, ratedVolts: 12, litVolts: 12 })).toEqual([0.95, 1.1]);
    expect(range({ ...defaultLoads.buzzer, minVolts: 2, ratedVolts: 5, maxVolts: 9 })).toEqual({
      ...{ rated: 5, min: 2, max: 9 },
    });
    const tone = { ...defaultLoads.tone, ratedVolts: 20, maxVolts: 30 } as const;
    expect(range({ ...tone, source: 'pin' })).toEqual({ rated: 20, min: 8, max: 30 });
    // By a timer IC from its own least supply to its own most; and what is rated for less starts there.
    expect(range({ ...tone, ratedVolts: 3, source: 'timer' }).min).toBe(TONE_TIMER.minSupplyVolts);
    expect(range({ ...tone, source: 'timer' }).max).toBe(TONE_TIMER.maxSupplyVolts);
    expect(range({ ...tone, ratedVolts: 1.5, source: 'timer' }).min).toBe(1.5);
    expect(range({ ...tone, ratedVolts: 10, source: 'timer' }).min).toBe(4);
    expect(range({ ...tone, source: 'timer', maxVolts: 9 }).max).toBe(9);
  });

  it('takes so many times its current at the first moment, by the voltage that it gets', () => {
    const inrush = (load: Load, volts: number) => loadDefinition(load).inrushAmps(load, volts);
    expect(inrush({ ...defaultLoads.lamp, ratedVolts: 6, ratedAmps: 0.1 }, 3)).toBeCloseTo(0.5, 12);
    expect(inrush({ ...defaultLoads.fan, ratedVolts: 12, ratedAmps: 0.1 }, 6)).toBeCloseTo(0.1, 12);
    expect(inrush({ ...defaultLoads.motor, ratedVolts: 6, stallAmps: 0.9 }, 4)).toBeCloseTo(0.6, 12);
    for (const kind of ['led', 'buzzer', 'relay', 'strip', 'logic', 'module', 'solenoid', 'tone'] as const)
      expect(inrush(defaultLoads[kind], 5)).toBeNull();
  });

  it('is what can hurt someone, of its kind and of what hangs on its contacts', () => {
    const of = (load: Load) => loadDefinition(load).cautions(load);
    expect(of(defaultLoads.led)).toEqual([]);
    expect(of(defaultLoads.lamp)).toEqual(['inrush']);
    expect(of(defaultLoads.motor)).toEqual(['coil', 'inrush']);
    expect(of(defaultLoads.solenoid)).toEqual(['coil']);
    expect(of({ ...defaultLoads.module, useMains: true })).toEqual(['mains', 'capacitor-fed']);
    expect(of({ ...defaultLoads.module, useMains: false })).toEqual([]);
    const relay = { ...defaultLoads.relay, use: 'lamp', useMains: true } as const;
    expect(of(relay)).toEqual(['mains', 'capacitor-fed', 'coil', 'inrush']);
    expect(of({ ...relay, use: 'nothing' })).toEqual(['coil']);
    expect(of({ ...relay, use: 'motor', useMains: false })).toEqual(['coil', 'inrush']);
    expect(of({ ...relay, use: 'resistive' })).toEqual(['mains', 'capacitor-fed', 'coil']);
    expect(new Set(cautions).size).toBe(cautions.length);
  });
});

describe('what is told of an LED', () => {
  const led = { ...defaultLoads.led, wantedAmps: 0.01, strings: 2, seriesOhms: 330 } as const;
  const series = {
    ok: true,
    exactOhms: 460,
    ledVolts: 2,
    switchVolts: 0.1,
    supplyVolts: 5,
    isHeldBack: false,
  } as const;
  const at = (amps: number, facts: Partial<LoadFacts> = {}, load: Load = led, more = {}) =>
    said(load, { amps: 2 * amps, onAmps: Math.max(2 * amps, 0.0004), series, ...facts }, more);

  it('is a supply that is below it, and nothing else then', () => {
    expect(at(0.05, { lacksVolts: true, series: { ok: false, reason: 'supply-too-low', neededVolts: 6.5 } })).toEqual([{ state: 'cannot', finding: { code: 'supply-below-led', supplyVolts: 12, neededVolts: 6.5 } }]); // prettier-ignore
    expect(codes(at(0.05, { lacksVolts: true }))).toEqual(['cannot: led-over-maximum']);
  });

  it('is more than it takes for long, or than is wanted, by each string, with the next resistor above the exact one', () => {
    const fix = { kind: 'take-series', ohms: 470, index: 0 };
    expect(at(0.01)).toEqual([]);
    expect(at(0.0115)).toEqual([]);
    expect(at(0.0116)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'led-over-current', amps: 0.0116, isAlone: false, wantedAmps: 0.01 },
        fix,
      },
    ]);
    expect(codes(at(0.03))).toEqual(['cannot: led-over-current']);
    expect(at(0.031)).toEqual([
      {
        state: 'cannot',
        finding: {
          code: 'led-over-maximum',
          ...{ amps: 0.031, isAlone: false, maxAmps: 0.03, wantedAmps: 0.01, isOwn: false },
        },
        fix,
      },
    ]);
    const own = { ...led, led: 'own', maxAmps: 0.02 } as const;
    expect(at(0.021, {}, own)[0]?.finding).toMatchObject({ maxAmps: 0.02, isOwn: true });
    expect(codes(at(0.021, {}, { ...own, maxAmps: null }))).toEqual(['cannot: led-over-current']);
    expect(at(0.031, {}, led, { index: 2 })[0]?.fix).toEqual({ ...fix, index: 2 });
    expect(at(0.031, {}, { ...led, seriesOhms: 470 })[0]?.fix).toBeNull();
    expect(at(0.031, { series: null })[0]?.fix).toBeNull();
  });

  it('is so of one that comes alone, where all together are within it', () => {
    const alone = (amps: number) => at(0.01, { alone: { amps: 2 * amps, volts: 2 } });
    expect(alone(0.0115)).toEqual([]);
    expect(alone(0.012)[0]?.finding).toMatchObject({
      code: 'led-over-current',
      amps: 0.012,
      isAlone: true,
    });
    expect(alone(0.04)[0]?.finding).toMatchObject({ code: 'led-over-maximum', amps: 0.04, isAlone: true });
  });

  it('is that it gets under seven tenths, by its resistor or not', () => {
    const large = { ...led, seriesOhms: 1000 } as const;
    expect(at(0.007, {}, large)).toEqual([]);
    expect(at(0.0069, {}, large)).toEqual([
      {
        state: 'look',
        finding: {
          code: 'led-under-current',
          ...{ amps: 0.0069, wantedAmps: 0.01, isByResistor: true, isDark: false },
        },
        fix: { kind: 'take-series', ohms: 470, index: 0 },
      },
    ]);
    const notBy = (facts: Partial<LoadFacts>, load: Load = large) => {
      const [one] = at(0.0069, facts, load);
      expect(one?.finding).toMatchObject({ isByResistor: false });
      expect(one?.fix).toBeNull();
    };
    notBy({ series: { ...series, isHeldBack: true } });
    notBy({ series: null });
    notBy({}, { ...led, seriesOhms: 464 });
    notBy({ series: { ok: false, reason: 'supply-too-low', neededVolts: 6 } });
  });

  it('is that it cannot work where it gets less than is to be seen', () => {
    expect(codes(at(0.0002))).toEqual(['look: led-under-current']);
    expect(at(0.00019)[0]).toMatchObject({ state: 'cannot', finding: { amps: 0.00019, isDark: true } });
  });
});

describe('what is told of a pin', () => {
  const pin = { ...defaultLoads.logic, supplyVolts: 3.3, lowVolts: 0.8, highVolts: 2 } as const;
  const at = (onVolts: number, offVolts: number, more: Partial<LoadSetting> = {}) =>
    said(pin, { pin: { onVolts, offVolts } }, more);

  it('is nothing where it is read as low when on, and as high when off; the other way round on the high side', () => {
    expect(at(0.1, 3.3)).toEqual([]);
    expect(said(pin)).toEqual([]);
    expect(at(3.3, 0.1, { isHighSide: true })).toEqual([]);
    expect(at(0.1, 3.3, { isHighSide: true })).toHaveLength(2);
  });

  it('is in which state it is read as neither', () => {
    const unread = (isOn: boolean, volts: number) => ({
      state: 'cannot',
      finding: { code: 'pin-undefined', isOn, volts, lowVolts: 0.8, highVolts: 2 },
    });
    expect(at(0.9, 3.3)).toEqual([unread(true, 0.9)]);
    expect(at(0.1, 1.9)).toEqual([unread(false, 1.9)]);
    expect(at(0.9, 1.9)).toEqual([unread(true, 0.9), unread(false, 1.9)]);
  });

  it('is more than 0.3 V beyond its supply, and what it wants instead', () => {
    expect(at(0.1, 3.59)).toEqual([]);
    expect(at(0.1, 3.61)).toHaveLength(1);
    expect(at(0.1, 5)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'pin-over-voltage', volts: 5, supplyVolts: 3.3, wants: 'minus-side' },
      },
    ]);
    expect(at(-0.3, 3.3)).toEqual([]);
    expect(at(-0.4, 3.3)[0]?.finding).toMatchObject({ code: 'pin-over-voltage', volts: -0.4 });
    expect(at(0.1, 5, { isOnOutput: true })[0]?.finding).toMatchObject({ wants: 'transistor' });
    expect(at(0.1, 5, { isShared: true, isOnOutput: true })[0]?.finding).toMatchObject({
      wants: 'own-switch',
    });
  });
});

describe('what is told of a buzzer that wants a tone', () => {
  const tone = { ...defaultLoads.tone, source: 'timer', ratedVolts: 5 } as const;
  const tuned = (lowerOhms: number) => ({
    ...{ ...tone, lowerOhms },
    resonantHertz: toneHertz({ ...tone, lowerOhms }),
  });

  it('is that no one makes it one, where a pin should and there is none', () => {
    const byPin = { ...tone, source: 'pin' } as const;
    expect(said(byPin, {}, { makesTone: true })).toEqual([]);
    expect(said(byPin)).toEqual([
      { state: 'cannot', finding: { code: 'tone-without-source' }, fix: { kind: 'tone-by-timer' } },
    ]);
  });

  it('is how far from its own frequency the timer IC swings, with the resistor in stock for it', () => {
    expect(said(tuned(22_000))).toEqual([]);
    const off = { ...tuned(22_000), lowerOhms: 39_000 };
    expect(said(off)).toEqual([
      {
        state: 'look',
        finding: {
          code: 'tone-off-resonance',
          hertz: toneHertz(off),
          resonantHertz: off.resonantHertz,
        },
        fix: { kind: 'tone-resistor', ohms: 22_000, index: 0 },
      },
    ]);
    expect(said(off, {}, { index: 1 })[0]?.fix).toMatchObject({ index: 1 });
    const own = (...ownOhms: number[]): ResistorStock => ({ ...DEFAULT_STOCK, series: 'own', ownOhms });
    // The one that there is already, and none at all: no button.
    expect(said(off, {}, { stock: own(39_000) })[0]?.fix).toBeNull();
    expect(said(off, {}, { stock: own() })[0]?.fix).toBeNull();
    expect(said({ ...off, upperOhms: 100_000, resonantHertz: 1500 })[0]?.fix).toBeNull();
    // Of two in stock the nearer by ratio.
    expect(said(off, {}, { stock: own(16_000, 27_000) })[0]?.fix).toMatchObject({ ohms: 27_000 });
    const within = (ratio: number) => said({ ...tone, resonantHertz: toneHertz(tone) * ratio });
    expect(codes(within(1.11))).toEqual([]);
    expect(codes(within(1.13))).toEqual(['look: tone-off-resonance']);
    expect(codes(within(1 / 1.13))).toEqual(['look: tone-off-resonance']);
  });

  it('is that it is quiet, from 4 dB down, where nothing else is said of its voltage', () => {
    const loud = { ...tuned(22_000), ratedVolts: 10, maxVolts: 12 };
    expect(said(loud, { volts: 6.4 })).toEqual([]);
    expect(codes(said(loud, { volts: 6.2 }))).toEqual(['look: buzzer-quiet']);
    expect(codes(said(loud, { volts: 3.9 }))).toEqual(['cannot: load-starved']);
    const active = { ...defaultLoads.buzzer, ratedVolts: 10, minVolts: 3, maxVolts: 12 };
    expect(said(active, { volts: 6.4 })).toEqual([]);
    const [quiet] = said(active, { volts: 5 });
    expect(quiet).toMatchObject({ state: 'look', finding: { code: 'buzzer-quiet' } });
    expect(quiet?.finding).toHaveProperty('decibels', 20 * Math.log10(0.5));
    expect(codes(said(active, { volts: 2.9 }))).toEqual(['cannot: load-starved']);
  });
});

describe('what is told of a coil', () => {
  const relay = defaultLoads.relay;

  it('is of a relay that its light never pulls it in, or never lets it fall', () => {
    expect(said(relay, { lights: lights(true, true) })).toEqual([]);
    expect(codes(said(relay, { lights: lights(false, true) }))).toEqual(['cannot: relay-not-pulled']);
    expect(said(relay, { lights: lights(true, false) })).toEqual([
      { state: 'cannot', finding: { code: 'relay-never-drops-out', dropOutShare: 0.1 } },
    ]);
    // Where it gets too little voltage that is why, and is said alone.
    const starved = said(relay, { volts: 1, lights: lights(false, true) });
    expect(codes(starved)).toEqual(['cannot: load-starved']);
  });

  it('is of a solenoid for moments how long it is held', () => {
    const held = (maxOnSeconds: number | null, onSeconds: number | null) =>
      said({ ...defaultLoads.solenoid, maxOnSeconds }, {}, { onSeconds });
    expect(held(null, null)).toEqual([]);
    expect(held(5, 5)).toEqual([]);
    expect(held(5, 5.1)).toEqual([
      { state: 'cannot', finding: { code: 'solenoid-held-on', maxOnSeconds: 5, onSeconds: 5.1 } },
    ]);
    expect(held(5, null)[0]?.finding).toMatchObject({ onSeconds: null });
  });

  it('is of a module that its input is on the wrong side, and which side or rail is right', () => {
    const input = (of: 'active-high' | 'active-low', isHighSide: boolean, isOnOutput = false) =>
      said({ ...defaultLoads.module, input: of }, {}, { isHighSide, isOnOutput });
    expect(input('active-high', true)).toEqual([]);
    expect(input('active-low', false)).toEqual([]);
    expect(input('active-high', false)).toEqual([
      {
        state: 'cannot',
        finding: { code: 'module-wrong-side', input: 'active-high' },
        fix: { kind: 'switch-side', to: 'high' },
      },
    ]);
    expect(input('active-low', true)[0]?.fix).toEqual({ kind: 'switch-side', to: 'low' });
    expect(input('active-low', true, true)[0]?.fix).toEqual({ kind: 'output-rail', to: 'supply' });
    expect(input('active-high', false, true)[0]?.fix).toEqual({ kind: 'output-rail', to: 'ground' });
  });
});

describe('what is told of contacts', () => {
  const relay = { ...defaultLoads.relay, contact: 'no', contactAmps: 5 } as const;
  const second = { coilVolts: 12, coilOhms: 40, contactAmps: 30, supplyVolts: 12 } as const;
  const over = (more: Partial<RelayLoad>, facts: Partial<LoadSetting> = {}) =>
    said({ ...relay, ...more }, {}, facts).map(({ finding, fix }) => ({ ...finding, fix }));

  it('is more than they are rated for, with larger ones where a small relay has them, else a second relay', () => {
    expect(over({ use: 'resistive', useAmps: 5 })).toEqual([]);
    expect(over({ use: 'nothing', useAmps: 50 })).toEqual([]);
    expect(over({ use: 'resistive', useAmps: 6 })).toEqual([
      {
        ...{ code: 'contact-over-rating', use: 'resistive', amps: 6, ratedAmps: 5 },
        fix: { kind: 'step-up-relay', amps: 10, index: 0 },
      },
    ]);
    expect(over({ use: 'lamp', useAmps: 2 }, { index: 1 })).toEqual([
      {
        ...{ code: 'contact-over-rating', use: 'lamp', amps: 2, ratedAmps: 0.5 },
        fix: { kind: 'second-relay', amps: 30, index: 1 },
      },
    ]);
    expect(over({ use: 'lamp', useAmps: 20 })[0]?.fix).toBeNull();
    // The spring’s side carries three fifths.
    expect(over({ use: 'resistive', useAmps: 3, contact: 'nc' })).toEqual([]);
    expect(over({ use: 'resistive', useAmps: 3.1, contact: 'nc' })[0]?.fix).toMatchObject({ amps: 10 });
  });

  it('is a second coil on the wrong volts, or too much for the first contacts', () => {
    expect(over({ second })).toEqual([]);
    const [wrong] = over({ second: { ...second, supplyVolts: 24 } });
    expect(wrong).toEqual({
      ...{ code: 'second-coil', volts: 24, coilVolts: 12 },
      fix: { kind: 'second-volts', index: 0 },
    });
    expect(over({ second: { ...second, supplyVolts: 8 } })[0]).toMatchObject({ code: 'second-coil' });
    // 12 V over 2 Ω are 6 A.
    const heavy = over({ second: { ...second, coilOhms: 2 } });
    expect(heavy[0]).toMatchObject({
      ...{ code: 'contact-over-rating', use: 'resistive', ratedAmps: 5 },
      fix: { kind: 'step-up-relay', amps: 10, index: 0 },
    });
    expect(over({ second: { ...second, coilOhms: 0.2 } })[0]?.fix).toBeNull();
  });
});
