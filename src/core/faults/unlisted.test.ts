import { describe, expect, it } from 'vitest';
import type { Element } from '../circuit/netlist';
import { uniforms } from '../numeric/random';
import { pinsOf } from '../parts/registry';
import { promised, runs } from '../testRuns';
import { diagnose, type Diagnosis } from './finder';
import { firstGroups } from './groups';
import { HiddenFault } from './hidden/hiddenFault';
import { drawnFault, placeOf } from './hidden/search';
import { asFound } from './makingSure';
import { deviation } from './scatter';
import { errorOf, type TestBench } from './predict';
import { rowOf, type FaultRow } from './row';
import { probeKey, type Answer, type Probe } from './probe';
import { finderOfSample, madeSure, steadySamples, without } from './testBenches';
import { renamed, suppliesIn, type Wiring } from './circuit/wiring';

const MOST = 20;
const isNone = ({ groups }: Pick<Diagnosis, 'groups'>) =>
  groups[0]?.members[0]?.fault.fault.kind === 'unlisted';
const share = (one: number, of: number) => `${((100 * one) / of).toFixed(1)} %`;

/** A circuit with something wrong that no list has: a leak between two nets, a poor joint, or a resistor of an odd value. */
function madeUp(wiring: Wiring, nets: readonly string[], uniform: () => number): Wiring {
  const any = <T>(list: readonly T[]): T => {
    const one = list[Math.floor(uniform() * list.length)];
    if (one === undefined) throw new Error('nothing to choose from');
    return one;
  };
  const through = (a: string, b: string): Element => ({
    ...{ kind: 'resistor', name: 'made up', a, b },
    ohms: 10 ** (2 + 3 * uniform()),
  });
  const sort = any(['leak', 'odd', 'poor'] as const);
  if (sort === 'leak') {
    const a = any(nets);
    return {
      ...wiring,
      extra: [...wiring.extra, through(a, any(['0', ...nets.filter((net) => net !== a)]))],
    };
  }
  const fits = ({ part, elements }: Wiring['parts'][number]) =>
    elements.length > 0 && (sort === 'odd' ? part.kind === 'resistor' : part.kind !== 'supply');
  const one = any(wiring.parts.filter(fits));
  const changed = (change: (element: Element) => Element): Wiring => {
    const parts = wiring.parts.map((each) =>
      each === one ? { ...each, elements: each.elements.map(change) } : each,
    );
    return { ...wiring, parts, supplies: suppliesIn(parts) };
  };
  if (sort === 'odd') {
    const times = 10 ** (any([1, -1]) * (0.3 + 0.4 * uniform()));
    return changed((each) => (each.kind === 'resistor' ? { ...each, ohms: each.ohms * times } : each));
  }
  const net = any(pinsOf(one.part).flatMap((pin) => (pin.net === null ? [] : [pin.net])));
  const apart = changed((each) => renamed(each, (its) => (its === net ? 'apart' : its)));
  return { ...apart, extra: [...apart.extra, through('apart', net)] };
}

/** By how many errors two faults differ where they differ most. */
function apart(bench: TestBench, probes: readonly Probe[], one: FaultRow, other: FaultRow): number {
  return probes.reduce((most, probe, index) => {
    const [a, b] = [one[index]?.[0] ?? NaN, other[index]?.[0] ?? NaN];
    if (probe.kind === 'look' || Number.isNaN(a) || Number.isNaN(b)) return most;
    if (probe.kind === 'load') return a === b ? most : Infinity;
    const error = Math.hypot(errorOf(bench, probe, b), 0.5 * deviation(other[index] ?? new Float64Array(0)));
    return Math.max(most, Math.abs(a - b) / error);
  }, 0);
}

describe('what is not in the list', () => {
  it('is called none of these, and what is in it still by its name', () => {
    let [count, none, named, sound] = [0, 0, 0, 0];
    for (const project of steadySamples) {
      const finder = finderOfSample(project);
      const uniform = uniforms(9);
      for (let run = 0; run < runs(400) / 20; run++) {
        const { fault } = drawnFault(finder.table.faults, uniform) ?? {};
        if (!fault) throw new Error('no fault');
        const hidden = () => new HiddenFault(finder.table.bench, fault, 700 + run);
        count += 1;
        if (isNone(madeSure(without(finder, fault), hidden(), MOST).diagnosis)) none += 1;
        if (placeOf(madeSure(finder, hidden(), MOST).diagnosis, fault) === 1) named += 1;
        const well = new HiddenFault(finder.table.bench, { kind: 'healthy' }, 9000 + run);
        if (placeOf(madeSure(finder, well, MOST).diagnosis, { kind: 'healthy' }) === 1) sound += 1;
      }
    }
    promised('taken out of the list: none of these', share(none, count), '≥ 80 %');
    promised('left in the list, made sure of: named', share(named, count), '≥ 92 %');
    promised('sound, made sure of: called sound', share(sound, count), '≥ 97 %');
    expect(none / count).toBeGreaterThan(0.6);
    expect(named / count).toBeGreaterThan(0.85);
    expect(sound / count).toBeGreaterThan(0.95);
  });

  it('is called none of these too where it is a leak, a poor joint or an odd value', () => {
    let [count, none] = [0, 0];
    for (const project of steadySamples) {
      const finder = finderOfSample(project);
      const { bench, probes, rows } = finder.table;
      const uniform = uniforms(19);
      for (let run = 0; run < runs(1600, 160) / 20; run++) {
        const its: TestBench = { ...bench, wiring: madeUp(bench.wiring, bench.setup.nets, uniform) };
        const row = rowOf(its, { fault: { kind: 'unlisted' } }, probes);
        // Someone must see that something is wrong, and it must not be as good as one that is listed.
        const isSeen = probes.some(
          ({ kind }, index) => kind === 'load' && row[index]?.[0] !== rows[0]?.[index]?.[0],
        );
        const nearest = Math.min(...rows.flatMap((each) => (each ? [apart(bench, probes, row, each)] : [])));
        if (!isSeen || nearest < 6) continue;
        count += 1;
        if (isNone(madeSure(finder, new HiddenFault(its, { kind: 'unlisted' }, 700 + run), MOST).diagnosis))
          none += 1;
      }
    }
    promised('made up: none of these', `${share(none, count)} of ${count}`, '≥ 80 %');
    expect(count).toBeGreaterThan(2);
    expect(none / count).toBeGreaterThan(0.65);
  });
});

/** Something that a probe of its kind may find. @param share 0–1 */
function anyValue({ kind }: Probe, share: number): number {
  switch (kind) {
    case 'volts':
      return 6 * share;
    case 'amps':
      return 0.01 * share;
    case 'ohms':
      return 10 ** (1 + 6 * share);
    case 'time':
      return 10 ** (3 * share);
    case 'load':
      return Math.floor(3 * share);
    case 'look':
      return Math.round(share);
  }
}

describe('what is measured again', () => {
  const finder = finderOfSample(steadySamples[0] ?? fail());
  const { bench } = finder.table;
  const probe: Probe = { kind: 'volts', net: 'collector', light: 0 };

  it('counts twice where it says the same, and in place of a slip where not', () => {
    expect(
      asFound(
        bench,
        [3.1, 3.12].map((value) => ({ probe, value })),
      ),
    ).toEqual([{ probe, value: 3.12, isAgain: true, isTwice: true }]);
    expect(
      asFound(
        bench,
        [5.9, 0.02].map((value) => ({ probe, value })),
      ),
    ).toEqual([{ probe, value: 0.02, isAgain: true }]);
    const ohms: Probe = { kind: 'ohms', designator: 'R1', light: 0 };
    expect(
      asFound(
        bench,
        [4700, 4740].map((value) => ({ probe: ohms, value })),
      ),
    ).toMatchObject([{ isTwice: true }]);
    expect(
      asFound(
        bench,
        [4700, 1e12].map((value) => ({ probe: ohms, value })),
      ),
    ).not.toMatchObject([{ isTwice: true }]);
  });

  it('is what alone does not fit: then a slip is one, and what stays is not', () => {
    const well = new HiddenFault(bench, { kind: 'healthy' }, 3);
    const others = finder.table.probes.filter(
      (each) => (each.kind === 'volts' || each.kind === 'load') && probeKey(each) !== probeKey(probe),
    );
    const rest = others.flatMap((each) => well.answer(each) ?? []);
    const right = well.answer(probe);
    if (!right) throw new Error('no figure');
    const slip: Answer = { probe, value: right.value + 2.2 };
    const first = diagnose(finder, [...rest, slip]);
    expect(first.next[0]).toMatchObject({ probe, isAgain: true });
    const cleared = diagnose(finder, [...rest, slip, right]);
    expect(cleared.next.filter(({ isAgain }) => isAgain)).toEqual([]);
    expect(cleared.isSure).toBe(true);
    expect(placeOf(cleared, { kind: 'healthy' })).toBe(1);
    const stays = diagnose(finder, [...rest, slip, slip]);
    expect(stays.next.filter((each) => each.isAgain && probeKey(each.probe) === probeKey(probe))).toEqual([]);
    const healthy = (of: Diagnosis) => of.posterior.shares[0] ?? 1;
    expect(healthy(stays)).toBeLessThan(healthy(first) / 4);
  });

  it('is asked for no third time, whatever someone with a shaking hand finds', () => {
    for (let seed = 1; seed <= runs(200) / 4; seed++) {
      const uniform = uniforms(seed);
      const answers: Answer[] = [];
      const asked = new Map<string, number>();
      for (let step = 0; step < 30; step++) {
        const [best] = diagnose(finder, answers).next;
        if (!best) break;
        const key = probeKey(best.probe);
        asked.set(key, (asked.get(key) ?? 0) + 1);
        answers.push({ probe: best.probe, value: anyValue(best.probe, uniform()) });
      }
      expect(Math.max(...asked.values())).toBeLessThanOrEqual(2);
    }
  });

  it('leaves none of these to the end of the list, and on it however short that is', () => {
    const { groups } = diagnose(finder, []);
    expect(isNone({ groups: groups.slice(-1) })).toBe(true);
    expect(firstGroups(groups, 3)).toHaveLength(3);
    expect(isNone({ groups: firstGroups(groups, 3).slice(-1) })).toBe(true);
  });
});

function fail(): never {
  throw new Error('no sample');
}
