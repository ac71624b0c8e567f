import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { analyse } from '../../design';
import { detectorKinds } from '../../detectors/kinds';
import { detectorDefinition } from '../../detectors/registry';
import { defaultOutputStages, outputStageKinds } from '../../detectors/outputStage/outputStage';
import { transistorKinds } from '../../drivers/kinds';
import { defaultTransistor } from '../../drivers/registry';
import { changeOutputStage } from '../../project/detectorEdits';
import { takeTransistor } from '../../project/edits';
import type { Project } from '../../project/project';
import { sampleNamed } from '../../project/testSamples';
import { chooseDetector } from '../../size/chooseDetector';
import { runs } from '../../testRuns';
import type { Fault } from '../fault';
import { rowOf } from '../row';
import type { Probe } from '../probe';
import { seenIn } from '../seen';
import { benchOf } from '../testBenches';
import { BRIGHT, DARK } from '../testLights';
import { FaultyCircuit } from './faultyCircuit';

/** What follows a project's detector and has another level at its output than its inputs say, with nothing wrong. */
function disagreeing(project: Project): { readonly seen: number; readonly wrong: readonly string[] } {
  if (!analyse(project).ok) return { seen: 0, wrong: [] };
  const { bench } = benchOf(project, 1);
  const { wiring } = bench;
  const circuit = new FaultyCircuit({ ...wiring, logic: [] }, bench.setup);
  const made = circuit.made(bench.draws[0] ?? new Float64Array(0));
  const wrong: string[] = [];
  let seen = 0;
  for (const [light, { name }] of bench.lights.entries()) {
    const settled = circuit.settle(made, light);
    const state = settled && wiring.switching?.states[settled.position];
    if (!state) continue;
    for (const { key, inputs, top, bottom, decides } of wiring.logic) {
      const at = (net: string) => circuit.volts(settled, net);
      const level = state[key] ?? 'low';
      seen += 1;
      if ((decides(inputs.map(at), (at(top) + at(bottom)) / 2, level) ?? level) !== level)
        wrong.push(`${project.name}: ${key} ${level} in ${name}, ${inputs.map(at).join(' ')}`);
    }
  }
  return { seen, wrong };
}

const staged = detectorKinds.flatMap((detector) =>
  transistorKinds.flatMap((driver) =>
    outputStageKinds.flatMap((stage) => {
      const project = chooseDetector(detector)(
        takeTransistor(defaultTransistor(driver))(sampleNamed('Platform lamps')),
      );
      return detectorDefinition(project.detector).takesOutputStage
        ? [{ detector, driver, stage, project: changeOutputStage(defaultOutputStages[stage])(project) }]
        : [];
    }),
  ),
);

describe('what follows a detector', () => {
  it('gives what its inputs say where nothing is wrong: every detector × stage × switch', () => {
    const all = staged.map(({ project }) => disagreeing(project));
    expect(all.flatMap(({ wrong }) => wrong)).toEqual([]);
    expect(all.filter(({ seen }) => seen > 0).length).toBeGreaterThan(all.length / 2);
  });

  it('does so in every random project', () => {
    const all = Array.from({ length: runs(3000, 400) }, (_, seed) => disagreeing(someProject(40_000 + seed)));
    expect(all.flatMap(({ wrong }) => wrong)).toEqual([]);
    expect(all.some(({ seen }) => seen > 0)).toBe(true);
  });

  /** How the load is seen in the dark and in the light with a fault, and while a detector of changes is held fired. */
  const seenWith = (project: Project, fault: Fault) => {
    const { bench } = benchOf(project, 1);
    const probes = [...bench.lights.keys()].map((light): Probe => ({ kind: 'load', light }));
    return rowOf(bench, { fault }, probes).map((values) => seenIn(values[0] ?? NaN, 1)[0]);
  };
  const partOf = (project: Project, kind: string, role?: string) =>
    benchOf(project, 1).bench.assembly.parts.find(
      (part) => part.kind === kind && (role === undefined || part.role === role),
    )?.designator ?? '';

  it('does nothing but rest where what drives it is stuck', () => {
    const inverted = changeOutputStage(defaultOutputStages.inverted)(
      chooseDetector('comparator')(sampleNamed('Platform lamps')),
    );
    const designator = partOf(inverted, 'comparator');
    const [dark, bright] = seenWith(inverted, { kind: 'healthy' });
    expect([dark, bright].sort()).toEqual(['off', 'on']);
    const stuck = (level: 'high' | 'low') =>
      seenWith(inverted, { kind: 'stuck', designator, key: 'detector', level });
    expect([stuck('high')[DARK], stuck('high')[BRIGHT]]).toEqual(['off', 'off']);
    expect([stuck('low')[DARK], stuck('low')[BRIGHT]]).toEqual(['on', 'on']);
  });

  it('never runs where its trigger hangs in the air, and shows it while it is held fired', () => {
    const gate = sampleNamed('Marble gate');
    const timer = partOf(gate, 'timer');
    expect(seenWith(gate, { kind: 'healthy' })).toEqual(['off', 'off', 'on']);
    expect(seenWith(gate, { kind: 'open', designator: timer, net: 'trigger' })).toEqual([
      'off',
      'off',
      'off',
    ]);
    const inverter = partOf(gate, 'gate');
    expect(seenWith(gate, { kind: 'open', designator: inverter, net: 'trigger' })).toEqual([
      'off',
      'off',
      'off',
    ]);
    expect(seenWith(gate, { kind: 'stuck', designator: inverter, key: 'inverter', level: 'low' })).toEqual([
      'on',
      'on',
      'on',
    ]);
  });
});
