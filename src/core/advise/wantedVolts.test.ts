import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { shippedTransistors } from '../drivers/registry';
import { defaultLoads, loadDefinition, loadOf, type Load } from '../loads/registry';
import { IDEAL_SOURCE } from '../loads/supply';
import { changeOutput } from '../project/detectorEdits';
import { changeLoadSupply, takeSource, takeTransistor, together } from '../project/edits';
import { newProject } from '../project/newProject';
import type { Project } from '../project/project';
import { promised, runs } from '../testRuns';
import { chooseDetector } from '../size/chooseDetector';
import { railsFor, seriesFitted } from './plans';
import { someProject } from './testProjects';
import { carriedLoads, disagreementOf, wantedVoltsOf } from './wantedVolts';

const firstOf = (seed: number): Load => someProject(seed).loads[0] ?? defaultLoads.led;
const apartIn = (...loads: Load[]) => disagreementOf(wantedVoltsOf(loads));
/** Tried one after another, in V. */
const SUPPLIES = Array.from({ length: 60 }, (_, step) => 1.5 * (30 / 1.5) ** (step / 59));

/** Loads on one supply of so many volts, switched below them or above. */
function onSupply(
  loads: readonly Load[],
  kind: 'nmos' | 'pmos',
  volts: number,
  size: 'small' | 'power' = 'small',
): Project {
  const part = shippedTransistors.find(({ id }) => id === `${size}-${kind}`);
  if (!part) throw new Error(kind);
  const start = newProject('together', 'Together');
  const edit = together(
    takeSource(IDEAL_SOURCE, volts),
    changeLoadSupply(null),
    takeTransistor(part),
    chooseDetector('controller'),
  );
  return seriesFitted({ ...edit(start), loads });
}

/** Whether every load has what it wants with the switch on, by solving the whole circuit. */
function areAllServed(project: Project): boolean {
  const analysis = analyse(project);
  if (!analysis.ok) return false;
  const { loads, full } = analysis.design;
  return project.loads.every((load, index) => {
    const [facts, rated, pin] = [loads[index], loadDefinition(load).volts(load), loadOf(load, 'logic')];
    if (!facts || facts.lacksVolts) return false;
    if (rated && (facts.volts < rated.min || facts.volts > rated.max)) return false;
    if (!pin || !facts.pin) return true;
    const [low, high] = [facts.pin.onVolts, facts.pin.offVolts].sort((one, other) => one - other);
    return (
      (low ?? 0) <= pin.lowVolts &&
      (high ?? 0) >= pin.highVolts &&
      (high ?? 0) <= pin.supplyVolts + 0.3 &&
      full.amps >= 0
    );
  });
}

const relay24 = { ...defaultLoads.relay, coilVolts: 24, coilOhms: 3560 };

describe('a pin that gets more than its device runs on', () => {
  it('is kept within by what the sentence asks for: a transistor at the minus side, of its own beside others', () => {
    const pin = { ...defaultLoads.logic, supplyVolts: 3.3 };
    const overOf = (project: Project) => {
      const analysis = analyse(project);
      if (!analysis.ok) throw new Error(analysis.reason);
      return analysis.design.advice.find(({ code }) => code === 'pin-over-voltage');
    };
    const asked = new Set<string>();
    const others = [
      [],
      [{ ...defaultLoads.logic, supplyVolts: 5, highVolts: 3.5, lowVolts: 1.5 }],
      [{ ...defaultLoads.module, input: 'active-high' as const }],
      [{ ...defaultLoads.buzzer, ratedVolts: 5 }],
    ];
    for (const beside of others)
      for (const kind of ['nmos', 'pmos'] as const) {
        const said = overOf(onSupply([pin, ...beside], kind, 5));
        if (said?.code !== 'pin-over-voltage') continue;
        asked.add(said.wants);
        // On a switch of its own where that is asked for, the minus side switched.
        const apart = onSupply(said.wants === 'own-switch' ? [pin] : [pin, ...beside], 'nmos', 5);
        expect([kind, beside[0]?.kind, overOf(apart)]).toEqual([kind, beside[0]?.kind, undefined]);
      }
    const driven = together(chooseDetector('comparator'), changeOutput({ to: 'load', loadRail: 'ground' }));
    const onOutput = overOf({ ...driven(onSupply([pin], 'nmos', 9)), loads: [pin] });
    if (onOutput?.code === 'pin-over-voltage') asked.add(onOutput.wants);
    expect([...asked].sort()).toEqual(['minus-side', 'own-switch', 'transistor']);
  });
});

describe('loads on one switch', () => {
  it('are not said to disagree with themselves, whatever they are', () => {
    for (let seed = 1; seed <= runs(4000); seed++) {
      const load = firstOf(seed);
      expect(apartIn(load)).toBeNull();
      expect(apartIn(load, load)).toBeNull();
    }
    // Pins of much, and a load that takes hardly more than it needs.
    const pin = { ...defaultLoads.logic, supplyVolts: 12, highVolts: 8 };
    expect(apartIn(pin, pin)).toBeNull();
    expect(apartIn({ ...defaultLoads.buzzer, ratedVolts: 5, minVolts: 5, maxVolts: 5 })).toBeNull();
  });

  it('are said to disagree only where no supply of any volts serves both, on either side of them', () => {
    let [told, asked] = [0, 0];
    for (let seed = 1; seed <= runs(2000, 300); seed++) {
      const pair = [firstOf(seed), firstOf(7000 + seed)] as const;
      asked += 1;
      const apart = apartIn(...pair);
      if (!apart) continue;
      told += 1;
      expect(apart.least.volts.min).toBeGreaterThanOrEqual(apart.most.volts.max);
      for (const volts of SUPPLIES.filter((each) => each <= 26))
        for (const kind of ['nmos', 'pmos'] as const)
          if (areAllServed(onSupply(pair, kind, volts)))
            throw new Error(`${JSON.stringify(pair)} are served by ${volts} V with ${kind}`);
    }
    promised(
      'pairs of loads that are said to disagree, served by no supply',
      `${told} of ${asked} pairs`,
      'all',
    );
    expect(told).toBeGreaterThan(asked / 5);
  });

  it('are served by some supply where that is not said', () => {
    let [told, served] = [0, 0];
    for (let seed = 1; seed <= runs(400, 20); seed++) {
      const pair = [firstOf(100_000 + seed), firstOf(107_000 + seed)] as const;
      if (apartIn(...pair)) continue;
      told += 1;
      const rails = railsFor({ ...newProject('together', 'Together'), loads: pair });
      const isServed = [...rails, ...SUPPLIES].some((volts) =>
        (['nmos', 'pmos'] as const).some((kind) => areAllServed(onSupply(pair, kind, volts, 'power'))),
      );
      if (isServed) served += 1;
    }
    promised(
      'pairs of loads that are not said to disagree, served by a supply',
      `${served} of ${told}`,
      'all',
    );
    expect(served).toBe(told);
  });

  it('are said to disagree where a pin would be held at a lamp’s lower supply, and get the one voltage that is left', () => {
    const pin = { ...defaultLoads.logic, supplyVolts: 5, lowVolts: 1.5, highVolts: 3.5 };
    expect(apartIn(pin, { ...defaultLoads.lamp, ratedVolts: 2.5 })).toMatchObject({
      most: { kind: 'lamp' },
      least: { kind: 'logic' },
    });
    // An LED lets nothing of the pin’s own resistor through.
    expect(apartIn(pin, defaultLoads.led)).toBeNull();
    expect(
      apartIn({ ...defaultLoads.buzzer, ratedVolts: 12, minVolts: 7, maxVolts: 18 }, relay24),
    ).not.toBeNull();
    const tight = [
      { ...defaultLoads.relay, coilVolts: 9, coilOhms: 180 },
      { ...defaultLoads.lamp, ratedVolts: 6 },
    ];
    const [rail = 0, ...others] = railsFor(onSupply(tight, 'nmos', 5));
    expect(others).toEqual([]);
    expect(areAllServed(onSupply(tight, 'nmos', rail, 'power'))).toBe(true);
  });

  it('count once where each step of a ladder has the first alone', () => {
    const loads = [defaultLoads.led, { ...defaultLoads.lamp, ratedVolts: 24 }];
    const ladder = { ...chooseDetector('ladder')(newProject('l', 'L')), loads };
    expect(carriedLoads(ladder)).toEqual([defaultLoads.led]);
    const analysis = analyse(ladder);
    if (!analysis.ok) throw new Error(analysis.reason);
    expect(analysis.design.advice.map(({ code }) => code)).not.toContain('loads-disagree');
  });
});
