import { describe, expect, it } from 'vitest';
import { uniforms } from '../numeric/random';
import { promised, runs } from '../testRuns';
import { keyOf, partsAt, type Fault } from './fault';
import { diagnose } from './finder';
import { HiddenFault } from './hidden/hiddenFault';
import { hiddenFaultOf } from './hidden/practice';
import { probeKey, type Answer } from './probe';
import { drawnFault, placeOf, searchFor } from './hidden/search';
import { findSamples, finderOfSample, madeSure, steadySamples } from './testBenches';

describe('the fault finder', () => {
  it('has the true fault first after four probes, and a sound circuit called sound', () => {
    const each = runs(120, 40, 3);
    let [first, third, sound, count, probes, sure, right, stated] = [0, 0, 0, 0, 0, 0, 0, 0];
    let [given, givenRight] = [0, 0];
    for (const project of findSamples) {
      const finder = finderOfSample(project);
      const uniform = uniforms(77);
      const share = finder.table.faults.length > 120 ? Math.ceil(each / 4) : each;
      for (let run = 0; run < share; run++) {
        const drawn = drawnFault(finder.table.faults, uniform);
        if (!drawn) throw new Error('no fault');
        const hidden = new HiddenFault(finder.table.bench, drawn.fault, 1000 + run);
        const { diagnosis, answers } = searchFor(finder, hidden, 4);
        const place = placeOf(diagnosis, drawn.fault);
        count += 1;
        probes += answers.length;
        if (place === 1) first += 1;
        if (place >= 1 && place <= 3) third += 1;
        const said = diagnosis.groups[0]?.share ?? 0;
        if (Math.abs(said - 0.9) < 0.05) {
          given += 1;
          if (place === 1) givenRight += 1;
        }
        if (diagnosis.isSure) {
          sure += 1;
          stated += diagnosis.groups[0]?.share ?? 0;
          if (place === 1) right += 1;
        }
        const well = searchFor(
          finder,
          new HiddenFault(finder.table.bench, { kind: 'healthy' }, 5000 + run),
          8,
        );
        if (placeOf(well.diagnosis, { kind: 'healthy' }) === 1) sound += 1;
      }
    }
    promised('faults first after four probes', `${((100 * first) / count).toFixed(1)} % of ${count}`, '92 %');
    promised('faults within the first three', `${((100 * third) / count).toFixed(1)} %`, '98 %');
    promised('sound circuits called sound', `${((100 * sound) / count).toFixed(1)} %`, '97 %');
    promised('probes for each', (probes / count).toFixed(2), 'at most 4');
    promised(
      'diagnoses called sure, right',
      `${((100 * right) / sure).toFixed(1)} % (said ${((100 * stated) / sure).toFixed(1)} %)`,
      'as said',
    );
    promised(
      'diagnoses given 85 to 95 %, right',
      `${((100 * givenRight) / given).toFixed(1)} % of ${given}`,
      '87–93 %',
    );
    expect(first / count).toBeGreaterThan(0.85);
    expect(third / count).toBeGreaterThan(0.92);
    expect(sound / count).toBeGreaterThan(0.93);
  });

  it('names one of two faults that are there at once, and both where neither alone explains it', () => {
    let [count, half, both] = [0, 0, 0];
    for (const project of steadySamples) {
      const finder = finderOfSample(project);
      const { faults } = finder.table;
      const uniform = uniforms(9);
      const groupOf = (fault: Fault) =>
        finder.group[faults.findIndex((each) => keyOf(each.fault) === keyOf(fault))];
      for (let run = 0; run < Math.ceil(runs(100, 40, 8) / 3); run++) {
        const [one, other] = [drawnFault(faults, uniform)?.fault, drawnFault(faults, uniform)?.fault];
        if (!one || !other || one.kind === 'pair' || other.kind === 'pair') throw new Error('no fault');
        if (partsAt(one).some((part) => partsAt(other).includes(part)) || keyOf(one) === keyOf(other))
          continue;
        const hidden = new HiddenFault(finder.table.bench, { kind: 'pair', faults: [one, other] }, 300 + run);
        const { groups } = madeSure(finder, hidden, 12).diagnosis;
        const there = [groupOf(one), groupOf(other)];
        const named = (fault: Fault) =>
          (fault.kind === 'pair' ? fault.faults : [fault]).filter((each) => there.includes(groupOf(each)));
        const found = groups[0]?.members.map(({ fault }) => named(fault.fault).length) ?? [];
        count += 1;
        if (Math.max(...found) > 0) half += 1;
        if (Math.max(...found) > 1) both += 1;
      }
    }
    promised('two at once: one of them named first', `${((100 * half) / count).toFixed(1)} %`, '≥ 90 %');
    promised('two at once: both named first', `${((100 * both) / count).toFixed(1)} %`, 'none set');
    expect(half / count).toBeGreaterThan(0.75);
    expect(both / count).toBeGreaterThan(0.01);
  });

  it('proposes, where it is as good as sure, what would show it wrong, and says what to expect', () => {
    let seen = 0;
    for (const project of steadySamples.slice(0, 4)) {
      const finder = finderOfSample(project);
      const hidden = new HiddenFault(finder.table.bench, { kind: 'ldr', state: 'wet' }, 11);
      const { diagnosis } = searchFor(finder, hidden, 8);
      if (!diagnosis.isSure) continue;
      const [best] = diagnosis.next;
      if (!best) continue;
      const expected = diagnosis.expected(best.probe);
      const found = hidden.answer(best.probe)?.value ?? NaN;
      expect(expected).not.toBeNull();
      if (best.probe.kind === 'volts') expect(Math.abs((expected ?? 0) - found)).toBeLessThan(1);
      seen += 1;
    }
    expect(seen).toBeGreaterThan(0);
  });

  it('gives one answer, in whatever order it was asked', () => {
    const finder = finderOfSample(steadySamples[0] ?? fail());
    const hidden = new HiddenFault(finder.table.bench, { kind: 'reversed', designator: 'D1' }, 4);
    const answers = finder.table.probes.slice(0, 8).flatMap((probe) => hidden.answer(probe) ?? []);
    const shares = (list: readonly Answer[]) => [...diagnose(finder, list).posterior.shares];
    const [one, other] = [shares(answers), shares([...answers].reverse())];
    one.forEach((share, index) => expect(share).toBeCloseTo(other[index] ?? NaN, 9));
    expect(one.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it('never asks for what was asked, and calls what fits nothing none of these', () => {
    const finder = finderOfSample(steadySamples[0] ?? fail());
    const volts = finder.table.probes.filter(({ kind }) => kind === 'volts');
    // Figures that no single fault gives: as if each point stood somewhere by itself.
    const odd = volts.map((probe, index): Answer => ({ probe, value: 0.37 + 1.31 * ((index * 7) % 4) }));
    const { groups, next } = diagnose(finder, odd);
    expect(groups[0]?.members[0]?.fault.fault.kind).toBe('unlisted');
    const asked = new Set(odd.map(({ probe }) => probeKey(probe)));
    expect(next.some(({ probe }) => asked.has(probeKey(probe)))).toBe(false);
  });

  it('hides plain faults first, and at the last level those that the load does not betray', () => {
    const finder = finderOfSample(steadySamples.find(({ name }) => name === 'Seedling shelf') ?? fail());
    const kinds = (level: 1 | 2 | 3) =>
      Array.from({ length: 20 }, (_, seed) => hiddenFaultOf(finder, level, new Set(), uniforms(seed + 1)));
    for (const hidden of kinds(1))
      expect(['open', 'reversed', 'supply', 'exchanged', 'inputs']).toContain(hidden?.fault.kind);
    const { faults, probes, rows } = finder.table;
    const loads = probes.flatMap(({ kind }, index) => (kind === 'load' ? [index] : []));
    for (const hidden of kinds(3)) {
      const at = faults.findIndex(({ fault }) => hidden && keyOf(fault) === keyOf(hidden.fault));
      for (const index of loads) expect(rows[at]?.[index]?.[0]).toBe(rows[0]?.[index]?.[0]);
    }
    // What someone has had comes more often.
    const share = (had: ReadonlySet<string>) =>
      Array.from({ length: 300 }, (_, seed) => hiddenFaultOf(finder, 2, had, uniforms(seed + 1))).filter(
        (hidden) => hidden?.fault.kind === 'bridge',
      ).length;
    expect(share(new Set(['bridge']))).toBeGreaterThan(1.5 * share(new Set()));
  });
});

function fail(): never {
  throw new Error('no sample');
}
