import { expect, it } from 'vitest';
import { analyse } from '../design';
import { DesignCircuit } from '../analyse/designCircuit';
import { defaultLoads, loadDefinition } from '../loads/registry';
import { changeDetector } from '../project/detectorEdits';
import { sampleNamed } from '../project/testSamples';

it('is said of a ladder whose dot is to be read at pins: they show a bar', () => {
  const rack = sampleNamed('Drying rack meter');
  const codesOf = (project: typeof rack) => {
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    return { codes: analysis.design.advice.map(({ code }) => code), design: analysis.design };
  };
  const dot = changeDetector('ladder', { shows: 'dot' })({ ...rack, loads: [defaultLoads.logic] });
  const { codes, design } = codesOf(dot);
  expect(codes).toContain('dot-of-pins');
  expect(design.advice.find(({ code }) => code === 'dot-of-pins')?.state).toBe('look');
  expect(codesOf({ ...dot, loads: rack.loads.slice(0, 1) }).codes).not.toContain('dot-of-pins');
  expect(codesOf(changeDetector('ladder', { shows: 'fill' })(dot)).codes).not.toContain('dot-of-pins');
  const circuit = DesignCircuit.of(dot, design.ldr, {}, design.assembly);
  const readout = circuit.solveOn(design.range);
  const isOn = design.assembly.loads.filter(({ load, pin }) => {
    const levels = loadDefinition(load).levels(load, design.assembly.isHighSide);
    return levels && readout && readout.volts(pin) <= levels.on === levels.on < levels.off;
  });
  expect(isOn.length).toBeGreaterThan(1);
});
