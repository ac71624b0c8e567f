import { describe, expect, it } from 'vitest';
import { loadKinds, usualLoads } from '../loads/load';
import { batteryKinds, usualSource } from '../loads/supply';
import { shippedParts, usualPart } from '../stages/transistors';
import { newProject } from './newProject';
import type { Project } from './project';
import { checkProject } from './schema';

const project = newProject('n', 'N');
const pathOf = (changed: object) => {
  const checked = checkProject({ ...project, ...changed });
  return checked.ok ? null : checked.path;
};
const stage = (change: object): { stage: object } => ({ stage: { ...project.stage, ...change } });

describe('the schema of switch, loads and supplies', () => {
  it('takes every part of the list, every usual load and every kind of supply', () => {
    for (const part of shippedParts) expect(pathOf(stage({ kind: part.kind, part }))).toBeNull();
    for (const kind of loadKinds) expect(pathOf({ loads: [usualLoads[kind]] })).toBeNull();
    for (const { id } of batteryKinds)
      expect(pathOf({ source: usualSource('battery', 6, id, 2).source })).toBeNull();
    const loadSupply = { volts: 12, source: usualSource('usb', 5).source, joined: false };
    expect(pathOf({ loadSupply })).toBeNull();
  });

  it('refuses a part of another kind than its stage, and figures that no part has', () => {
    expect(pathOf(stage({ kind: 'pnp' }))).toBe('stage.part.kind');
    expect(pathOf(stage({ kind: 'valve' }))).toBe('stage.kind');
    expect(pathOf(stage({ part: { ...usualPart('npn'), leastBeta: 0 } }))).toBe('stage.part.leastBeta');
    expect(pathOf(stage({ part: { ...usualPart('npn'), mostAmps: NaN } }))).toBe('stage.part.mostAmps');
    expect(pathOf(stage({ part: { ...usualPart('npn'), onOhms: 1 } }))).toContain('stage.part');
    expect(pathOf(stage({ place: 'base' }))).toBe('stage.place');
  });

  it('refuses no load, too many, one of no kind, and figures beyond what loads have', () => {
    expect(pathOf({ loads: [] })).toBe('loads');
    expect(pathOf({ loads: Array.from({ length: 7 }, () => usualLoads.led) })).toBe('loads');
    expect(pathOf({ loads: [{ kind: 'heater' }] })).toBe('loads[0].kind');
    expect(pathOf({ loads: [usualLoads.led, { ...usualLoads.relay, coilOhms: 0 }] })).toBe(
      'loads[1].coilOhms',
    );
    expect(pathOf({ loads: [{ ...usualLoads.led, inSeries: 1.5 }] })).toBe('loads[0].inSeries');
    expect(pathOf({ loads: [{ ...usualLoads.lamp, colour: 'red' }] })).toContain('loads[0]');
  });

  it('refuses a supply of no kind, a negative resistance and a share beyond the whole', () => {
    const source = (change: object): { source: object } => ({ source: { ...project.source, ...change } });
    expect(pathOf(source({ kind: 'sun' }))).toBe('source.kind');
    expect(pathOf(source({ ohms: -1 }))).toBe('source.ohms');
    expect(pathOf(source({ limitAmps: 0 }))).toBe('source.limitAmps');
    expect(pathOf({ darkShare: 1.1 })).toBe('darkShare');
    const loadSupply: Project['loadSupply'] = { volts: 500, source: project.source, joined: true };
    expect(pathOf({ loadSupply })).toBe('loadSupply.volts');
  });
});
