import { describe, expect, it } from 'vitest';
import { sampleProjects } from '../../project/samples';
import { someProject } from '../../advise/testProjects';
import { analyse } from '../../design';
import { promised, runs } from '../../testRuns';
import { withFault } from './apply';
import { probesOf } from '../predict';
import { goesWith, inTimeOf } from '../inTime';
import { rowOf } from '../row';
import type { Fault } from '../fault';
import { FaultyCircuit } from './faultyCircuit';
import { faultsOf } from '../list';
import { benchOf, sampleBench } from '../testBenches';

/** Volts at a net and load current in the dark (0) or in the light (1), with a fault. */
function measured(name: string, fault: Fault) {
  const { bench } = sampleBench(name);
  const circuit = new FaultyCircuit(withFault(bench.wiring, fault), bench.setup);
  const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
  return (net: string, light: number) => {
    const settled = circuit.settle(made, light);
    if (!settled) throw new Error('no operating point');
    return { volts: circuit.volts(settled, net), amps: circuit.loadAmps(settled)[0] ?? NaN };
  };
}
const healthy: Fault = { kind: 'healthy' };

describe('a circuit with a fault in it', () => {
  it('agrees with the design where nothing is wrong', () => {
    for (const project of sampleProjects) {
      const { bench, design } = benchOf(project);
      const circuit = new FaultyCircuit(bench.wiring, bench.setup);
      const settled = circuit.settle(circuit.made(new Float64Array(bench.setup.factors.length + 3)), 0);
      const { ldr, assembly } = design;
      expect(assembly.parts.length).toBe(bench.assembly.parts.length);
      expect(settled && Number.isFinite(circuit.volts(settled, 'mid'))).toBe(true);
      expect(bench.setup.curve).toBe(ldr.curve);
    }
  });

  it('gives what the oracle of hand says: divider upside down, LED turned round, base open', () => {
    const sound = measured('Platform lamps', healthy);
    expect(sound('collector', 0).amps).toBeGreaterThan(100 * sound('collector', 1).amps);
    const upside = measured('Platform lamps', { kind: 'exchanged', designators: ['LDR1', 'R1'] });
    expect(upside('collector', 1).amps).toBeGreaterThan(100 * sound('collector', 1).amps);
    const turned = measured('Platform lamps', { kind: 'reversed', designator: 'D1' });
    expect(turned('collector', 0).amps).toBeLessThan(1e-6);
    // With the base in the air the midpoint is the bare divider's, far above 0.7 V.
    expect(sound('mid', 0).volts).toBeLessThan(0.8);
    expect(
      measured('Platform lamps', { kind: 'open', designator: 'Q1', net: 'mid' })('mid', 0).volts,
    ).toBeGreaterThan(1.5);
  });

  it('tells a flat battery only under load, a missing one everywhere, one turned round by its sign', () => {
    const flat = measured('Platform lamps', { kind: 'supply', designator: 'BT1', state: 'flat' });
    expect(flat('supply', 0).volts).toBeLessThan(flat('supply', 1).volts - 0.05);
    expect(
      Math.abs(
        measured('Platform lamps', { kind: 'supply', designator: 'BT1', state: 'none' })('supply', 0).volts,
      ),
    ).toBeLessThan(0.01);
    expect(
      measured('Platform lamps', { kind: 'supply', designator: 'BT1', state: 'reversed' })('supply', 1).volts,
    ).toBeLessThan(-1);
  });

  it('drains through an electrolytic the wrong way round, and leaves a ceramic as it is', () => {
    const { bench } = sampleBench('Marble gate');
    const capacitors = bench.assembly.parts.flatMap((part) => (part.kind === 'capacitor' ? [part] : []));
    const reversed = faultsOf(bench.assembly, null).flatMap(({ fault }) =>
      fault.kind === 'reversed' ? [fault.designator] : [],
    );
    const leaking = capacitors.filter(({ designator }) => reversed.includes(designator));
    expect(leaking.map(({ farads }) => farads >= 1e-6)).toEqual(leaking.map(() => true));
    expect(leaking.length).toBe(capacitors.filter(({ farads }) => farads >= 1e-6).length);
    expect(leaking.length).toBeGreaterThan(0);
    for (const { designator, a, b } of leaking) {
      const wiring = withFault(bench.wiring, { kind: 'reversed', designator });
      const leaks = wiring.parts.flatMap(({ elements }) => elements).filter(({ name }) => /leak/.test(name));
      expect(leaks).toMatchObject([{ kind: 'resistor', a, b }]);
    }
  });

  it('turns a comparator’s output over when its inputs are swapped, and holds it when its supply is off', () => {
    const sound = measured('Seedling shelf', healthy);
    const swapped = measured('Seedling shelf', { kind: 'inputs', designator: 'IC1', unit: 0 });
    expect(sound('out', 0).volts).toBeGreaterThan(3);
    expect(swapped('out', 0).volts).toBeLessThan(1);
    const off = measured('Seedling shelf', { kind: 'unpowered', designator: 'IC1' });
    expect(off('out', 1).volts).toBeGreaterThan(0.5);
  });

  it('has an operating point in every light with every fault of every sample', () => {
    for (const project of sampleProjects) {
      const { bench } = benchOf(project);
      for (const { fault } of faultsOf(bench.assembly, null)) {
        const circuit = new FaultyCircuit(withFault(bench.wiring, fault), bench.setup);
        const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
        bench.lights.forEach((_, light) => {
          const settled = circuit.settle(made, light);
          expect(settled, `${project.name}: ${JSON.stringify(fault)}`).not.toBeNull();
          for (const net of bench.setup.nets)
            expect(Number.isFinite(settled ? circuit.volts(settled, net) : NaN)).toBe(true);
        });
      }
    }
  });

  it('has figures at every point and of every load, whatever the design and the fault', () => {
    let [solved, all] = [0, 0];
    for (let seed = 1; seed <= runs(400, 200, 4); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { bench } = benchOf(project, 2);
      const probes = probesOf(bench, []);
      const inTime = inTimeOf(bench.assembly.parts);
      const turning = inTime?.kind === 'turns-over' ? inTime : null;
      for (const listed of faultsOf(bench.assembly, null)) {
        if (listed.fault.kind === 'unlisted') continue;
        const row = rowOf(bench, listed, probes);
        probes.forEach((probe, index) => {
          // What changes over has no figure where nothing clocks it.
          if (probe.kind === 'look' || goesWith(probe, turning)) return;
          const [nominal = NaN] = row[index] ?? [];
          all += 1;
          if (Number.isFinite(nominal)) solved += 1;
          if (probe.kind === 'volts' && Number.isFinite(nominal))
            expect([seed, Math.abs(nominal) <= 1.2 * bench.maxVolts]).toEqual([seed, true]);
        });
      }
    }
    promised(
      'points of random designs with a fault that have a figure',
      `${((100 * solved) / all).toFixed(2)} %`,
      '99.9 %',
    );
    expect(solved / all).toBeGreaterThan(0.999);
  });
});
