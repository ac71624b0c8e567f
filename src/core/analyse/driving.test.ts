import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { describe, expect, it } from 'vitest';
import { contactRatingAmps } from '../loads/relay';
import { defaultLoads } from '../loads/registry';
import type { Load } from '../loads/registry';
import { defaultSource } from '../loads/supply';
import {
  addLoad,
  changeDivider,
  changeLoadSupply,
  changeDriver,
  takeLoad,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { sampleProjects } from '../project/samples';
import { shippedTransistors as shippedParts, defaultTransistor as defaultPart } from '../drivers/registry';
import { analyse } from '../design';
import { budgetOf } from './budget';
import { cautionsOf } from '../advise/cautions';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { chooseDetector } from '../size/chooseDetector';
import { editFor } from '../advise/fixes';
import { troubledParts } from '../advise/trouble';
import { ratingsOf } from './ratings';

const [platform, , , shed] = sampleProjects;
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
const changed = (...edits: Edit[]) => together(...edits)(shed);
const codes = (project: Project) => designOf(project).advice.map(({ code }) => code);
const outputStage = (project: Project, code: string) => {
  const advice = designOf(project).advice.find((entry) => entry.code === code);
  if (!advice?.fix) throw new Error(`no mend for ${code}`);
  return editFor(advice.fix)(project);
};
const relay = (change: object): Load => ({ ...defaultLoads.relay, coilOhms: 120, ...change });

describe('advice on the switch', () => {
  it('finds grounds that are not joined, as the one cause, and joins them', () => {
    const apart = changed(changeLoadSupply({ ...defaultSource('adapter', 6), commonGround: false }));
    expect(codes(apart)).toEqual(['floating-ground']);
    expect(codes(outputStage(apart, 'floating-ground'))).not.toContain('floating-ground');
    expect(designOf(apart).half).toMatchObject({ ok: false, reason: 'stays-below' });
  });

  it('finds a PNP whose base cannot reach its emitter’s supply, and switches the other side', () => {
    const lifted = changed(
      takeTransistor(defaultPart('pnp')),
      changeDivider({ ldrSide: 'top' }),
      takeLoad(relay({ coilVolts: 12, coilOhms: 400 })),
      changeLoadSupply({ ...defaultSource('adapter', 12), commonGround: true }),
    );
    expect(codes(lifted)[0]).toBe('lifted-reference');
    expect(designOf(lifted).half).toMatchObject({ ok: false, reason: 'stays-above' });
    const withFix = outputStage(lifted, 'lifted-reference');
    expect(withFix.driver.kind).toBe('npn');
    expect(designOf(withFix).action).toBe('on-in-dark');
  });

  it('says what a load in the emitter loses, and moves it', () => {
    const below = together(changeDriver({ place: 'emitter' }))(platform);
    expect(codes(below)).toContain('emitter-loses');
    expect(outputStage(below, 'emitter-loses').driver.place).toBe('collector');
  });

  it('takes a larger part for a larger load, and says when the gate gets too little', () => {
    const heavy = changed(takeLoad({ ...defaultLoads.lamp, ratedAmps: 0.6 }));
    expect(codes(heavy)).toContain('load-above-transistor');
    expect(outputStage(heavy, 'load-above-transistor').driver.part.id).toBe('power-nmos');
    const low = changed(changeDivider({ supplyVolts: 2 }), takeLoad(relay({ coilVolts: 2, coilOhms: 40 })));
    expect(codes(low)).toContain('gate-too-low');
  });

  it('finds what is over the transistor’s voltage', () => {
    const high = together(changeLoadSupply({ ...defaultSource('adapter', 45), commonGround: true }))(
      platform,
    );
    expect(codes(high)).toContain('transistor-over-volts');
  });
});

describe('advice on load and supply', () => {
  it('finds a load above the supply, and one below it', () => {
    expect(codes(changed(takeLoad(relay({ coilVolts: 12 }))))).toContain('load-starved');
    expect(codes(changed(takeLoad(relay({ coilVolts: 3 }))))).toContain('load-over-voltage');
    expect(codes(changed(takeLoad({ ...defaultLoads.lamp, ratedVolts: 9 })))).toContain('load-low');
    expect(codes(changed(takeLoad({ ...defaultLoads.buzzer, ratedVolts: 12, maxVolts: 15 })))).toContain(
      'buzzer-quiet',
    );
  });

  it('finds contacts over their rating by kind of load, and steps up', () => {
    const over = changed(takeLoad(relay({ use: 'motor', useAmps: 2 })));
    expect(codes(over)).toContain('contact-over-rating');
    const withFix = outputStage(over, 'contact-over-rating').loads[0];
    expect(withFix).toMatchObject({ contactAmps: 10 });
    expect(codes({ ...over, loads: withFix ? [withFix] : [] })).not.toContain('contact-over-rating');
    expect(contactRatingAmps({ ...defaultLoads.relay, contact: 'nc', use: 'resistive' })).toBeCloseTo(3, 9);
  });

  it('finds a module on the wrong side of the switch, and turns the switch over', () => {
    const wrong = changed(takeLoad({ ...defaultLoads.module, input: 'active-high' }));
    expect(codes(wrong)).toContain('module-wrong-side');
    const withFix = outputStage(wrong, 'module-wrong-side');
    expect(withFix.driver.kind).toBe('pmos');
    expect(codes(withFix)).not.toContain('module-wrong-side');
    expect(codes(withFix)).not.toContain('wrong-action');
  });

  it('finds currents beyond the adapter, at once or when switched on, and cells that sag', () => {
    const adapter = (limitAmps: number) =>
      takeSource({ ...defaultSource('adapter', 6).source, limitAmps }, 6);
    expect(codes(changed(adapter(0.03)))).toContain('supply-over-limit');
    expect(codes(changed(adapter(0.3), takeLoad(defaultLoads.lamp)))).toContain('inrush-over-limit');
    const coin = defaultSource('battery', 6, 'coin-3v', 2);
    expect(codes(changed(takeSource(coin.source, coin.volts)))).toContain('supply-sags');
  });

  it('finds a relay that never pulls in for want of drive', () => {
    const starved = changed(takeTransistor(defaultPart('npn')), changeDivider({ fixedOhms: 470_000 }));
    expect(codes(starved)).toContain('relay-not-pulled');
  });
});

describe('the budget', () => {
  it('sums both ends of the axis, modules among them, and tells the life of a battery', () => {
    const project = changed(addLoad(defaultLoads.module));
    const [budget] = budgetOf(project, designOf(project));
    expect(budget?.feeds).toBe('both');
    // Relay 49 mA, module's input 3 mA and its own 75 mA.
    expect(budget?.darkAmps).toBeGreaterThan(0.12);
    expect(budget?.darkAmps).toBeLessThan(0.13);
    expect(budget?.brightAmps).toBeLessThan(0.004);
    expect(budget?.hours).toBeCloseTo(
      // Cells lose 3 % a year by themselves.
      2.4 / (0.4 * (budget?.darkAmps ?? 0) + 0.6 * (budget?.brightAmps ?? 0) + (0.03 * 2.4) / 8766),
      6,
    );
  });

  it('counts what each of a ladder’s modules takes by itself, and of a dot of them one', () => {
    const module = { ...defaultLoads.module, onAmps: 0.075, idleAmps: 0.003 };
    const ladder = { ...chooseDetector('ladder')(platform), loads: [module] };
    const [filled] = budgetOf(ladder, designOf(ladder));
    expect(filled?.maxAmps).toBeGreaterThan(5 * 0.075);
    expect(filled?.maxAmps).toBeLessThan(5 * 0.09);
    // A second load has no place in a ladder.
    const two = { ...ladder, loads: [module, module] };
    expect(budgetOf(two, designOf(two))[0]?.maxAmps).toBeCloseTo(filled?.maxAmps ?? 0, 9);
    const dot = changeDetector('ladder', { shows: 'dot' })(ladder);
    expect(budgetOf(dot, designOf(dot))[0]?.maxAmps).toBeLessThan(2 * 0.09);
  });

  it('keeps two supplies apart', () => {
    const project = changed(changeLoadSupply({ ...defaultSource('adapter', 6), commonGround: true }));
    const [sensor, load] = budgetOf(project, designOf(project));
    expect(sensor?.maxAmps).toBeLessThan(0.001);
    expect(load?.maxAmps).toBeGreaterThan(0.04);
    expect(load?.hours).toBeNull();
  });
});

describe('ratings', () => {
  it('name the next standard power of each resistor and what is over its own', () => {
    const rows = ratingsOf(designOf(platform));
    expect(rows.map(({ designator }) => designator)).toEqual(['LDR1', 'R1', 'Q1', 'R2', 'D1']);
    expect(rows.find(({ designator }) => designator === 'R2')).toMatchObject({
      ratedWatts: 0.125,
      isToBuy: true,
    });
    expect(troubledParts(designOf(platform))).toEqual([]);
    const starved = changed(takeLoad(relay({ coilVolts: 12 })));
    expect(troubledParts(designOf(starved))).toContain('K1');
  });
});

describe('a resistor too hot for any rating', () => {
  const many = (strings: number, wantedAmps: number, seriesOhms: number) =>
    together(
      takeTransistor(shippedParts.find(({ id }) => id === 'power-nmos') ?? defaultPart('nmos')),
      changeDivider({ supplyVolts: 24 }),
      takeLoad({ ...defaultLoads.led, strings, wantedAmps, seriesOhms }),
    )(platform);

  it('is said of one resistor, not of all the rows’ resistors together', () => {
    expect(codes(many(20, 0.02, 1100))).not.toContain('resistor-hot');
    expect(codes(many(1, 0.3, 75))).toContain('resistor-hot');
  });
});

describe('cautions of what is not a load', () => {
  const withBattery = (kind: 'lead-12v' | 'coin-3v' | 'alkaline-aa') => {
    const { source, volts } = defaultSource('battery', 6, kind, 2);
    return cautionsOf(takeSource(source, volts)(platform));
  };

  it('stand where there is a beam, cells that burn or are swallowed, a hot lamp, a capacitor with a way round', () => {
    expect(cautionsOf({ ...platform, beam: { ambientLux: 10, beamLux: 50 } })).toEqual(['beam']);
    expect(withBattery('lead-12v')).toEqual(['strong-cells']);
    expect(withBattery('coin-3v')).toEqual(['coin-cell']);
    expect(withBattery('alkaline-aa')).toEqual([]);
    expect(cautionsOf(takeLoad({ ...defaultLoads.lamp, ratedAmps: 0.1 })(platform))).toEqual(['inrush']);
    expect(cautionsOf(takeLoad({ ...defaultLoads.lamp, ratedAmps: 0.5 })(platform))).toEqual([
      'inrush',
      'hot',
    ]);
    const pulsed = changeOutputStage({ ...defaultOutputStages['one-shot'], farads: 1e-5 })(
      chooseDetector('comparator')(platform),
    );
    expect(cautionsOf(pulsed)).toEqual(['electrolytic']);
  });
});

describe('cautions', () => {
  it('stand only where they apply', () => {
    expect(cautionsOf(platform)).toEqual([]);
    expect(cautionsOf(shed)).toEqual(['coil', 'inrush']);
    expect(cautionsOf(changed(takeLoad(relay({ use: 'resistive', useMains: true }))))).toEqual([
      'mains',
      'capacitor-fed',
      'coil',
    ]);
    expect(cautionsOf(changed(takeLoad({ ...defaultLoads.module, useMains: true })))).toEqual([
      'mains',
      'capacitor-fed',
    ]);
  });
});
