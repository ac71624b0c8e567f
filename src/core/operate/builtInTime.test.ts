import { describe, expect, it } from 'vitest';
import { circuitInput } from '../analyse/circuitInput';
import { someProject } from '../advise/testProjects';
import { detectorKinds } from '../detectors/kinds';
import { detectorDefinition } from '../detectors/registry';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import type { Net, OutputLevel } from '../parts/base';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { takeTransistor } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { runs } from '../testRuns';
import { assemble } from './assemble';

/** What runs for a time in a circuit, as it is wired: what starts it, and what it does to the output, with the load on or off. */
function timedIn(project: Project) {
  const { parts, switching } = assemble(circuitInput(project, 1));
  if (!switching) return null;
  const outputs = parts.flatMap((part): readonly { readonly out: Net; readonly key: string }[] => {
    if ('units' in part) return part.units;
    return part.kind === 'gate' || part.kind === 'timer' || part.kind === 'controller' ? [part] : [];
  });
  // Of outputs that share a net any one pulls it low.
  const levelIn = (state: number, net: Net): OutputLevel | undefined => {
    const levels = outputs.flatMap(({ out, key }) => (out === net ? [switching.states[state]?.[key]] : []));
    return levels.includes('low') ? 'low' : levels[0];
  };
  const states = switching.isOn.map((isOn, state) => ({ isOn, state }));
  return { parts, switching, states, levelIn };
}

/** Everything that is wrong with how a pulse or a counted time is wired. */
function wrongIn(project: Project): readonly string[] {
  const timed = timedIn(project);
  if (!timed) return [];
  const { parts, switching, states, levelIn } = timed;
  const wrong: string[] = [];
  for (const part of parts) {
    // A timer's pulse runs from its trigger's going low: that must be where the load turns on.
    if (part.kind === 'timer' && part.role === 'one-shot')
      for (const { isOn, state } of states)
        if (levelIn(state, part.trigger) !== (isOn ? 'low' : 'high'))
          wrong.push(`${project.name}: triggered where it is ${isOn ? 'on: no' : 'off'}`);
    if (part.kind === 'timer' && part.discharge !== null)
      for (const { isOn, state } of states)
        if (switching.states[state]?.[part.key] !== (isOn ? 'high' : 'low'))
          wrong.push(`${project.name}: its pulse is where the load is ${isOn ? 'off' : 'on'}`);
    // What changes over does so at its clock's going high.
    if (part.kind === 'flip-flop')
      for (const { isOn, state } of states)
        if (levelIn(state, part.clock) !== (isOn ? 'high' : 'low'))
          wrong.push(`${project.name}: turned over where the load turns off`);
    if (part.kind !== 'nor') continue;
    const [counter] = parts.filter(({ kind }) => kind === 'counter');
    if (counter?.kind !== 'counter') continue;
    const onState = switching.isOn.indexOf(true);
    const offState = switching.isOn.indexOf(false);
    if (onState < 0 || offState < 0) continue;
    const on = switching.levels[onState] ?? 'high';
    // What the gates have come to, one after the other, by the detector's state and the counter's end: each keeps what it was.
    const at = new Map<Net, OutputLevel>([[counter.out, 'low']]);
    const step = (state: number, end: OutputLevel) => {
      at.set(counter.out, end);
      const level = (net: Net) => at.get(net) ?? levelIn(state, net) ?? 'low';
      for (let pass = 0; pass < 4; pass++)
        for (const { input, other: second, out } of part.gates)
          at.set(out, [input, second].some((each) => level(each) === 'high') ? 'low' : 'high');
      return [level(switching.out) === on, level(counter.reset)];
    };
    const path = [
      ['at rest', offState, 'low', false, 'high'],
      ['started', onState, 'low', true, 'low'],
      ['the light has gone back', offState, 'low', true, 'low'],
      ['the light is there again', onState, 'low', true, 'low'],
      ['at its end', onState, 'high', false, 'low'],
      ['ready again', offState, 'low', false, 'high'],
      ['started again', onState, 'low', true, 'low'],
      ['back before its end', offState, 'low', true, 'low'],
      ['at its end in the other light', offState, 'high', false, 'high'],
      ['at rest again', offState, 'low', false, 'high'],
    ] as const;
    for (const [when, state, end, isOn, reset] of path) {
      const [is, resets] = step(state, end);
      if (is !== isOn || resets !== reset)
        wrong.push(`${project.name}, ${when}: ${is ? 'on' : 'off'}, reset ${resets}`);
    }
  }
  return wrong;
}

const stages = ['one-shot', 'counted', 'toggle'] as const;

describe('a pulse, a counted time or a toggle, as it is wired', () => {
  it.each(
    detectorKinds.flatMap((detector) =>
      transistorKinds.flatMap((driver) => stages.map((stage) => ({ detector, driver, stage }))),
    ),
  )('runs from where the load turns on: $detector, $driver, $stage', ({ detector, driver, stage }) => {
    const project = chooseDetector(detector)(
      takeTransistor(defaultTransistor(driver))(sampleNamed('Platform lamps')),
    );
    if (!detectorDefinition(project.detector).takesOutputStage) return;
    expect(wrongIn(changeOutputStage(defaultOutputStages[stage])(project))).toEqual([]);
  });

  it.each(
    transistorKinds.flatMap((driver) =>
      (['direct', 'inverted'] as const).map((stage) => ({ driver, stage })),
    ),
  )('runs from there too where a timer makes it itself: $driver, $stage', ({ driver, stage }) => {
    const project = chooseDetector('timer')(
      takeTransistor(defaultTransistor(driver))(sampleNamed('Platform lamps')),
    );
    const pulsed = changeDetector('timer', { pulse: { ohms: 1e6, farads: 1e-6 } })(project);
    expect(wrongIn(changeOutputStage(defaultOutputStages[stage])(pulsed))).toEqual([]);
  });

  it('does so in every random project', () => {
    const all = Array.from({ length: runs(2000, 200) }, (_, seed) => someProject(seed));
    expect(all.flatMap(wrongIn)).toEqual([]);
  });
});
