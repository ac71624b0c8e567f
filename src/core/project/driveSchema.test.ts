import { describe, expect, it } from 'vitest';
import { loadKinds } from '../loads/kinds';
import { defaultLoads } from '../loads/registry';
import { batteryKinds, defaultSource } from '../loads/supply';
import { shippedTransistors as shippedParts, defaultTransistor as defaultPart } from '../drivers/registry';
import { newProject } from './newProject';
import type { Project } from './project';
import { checkProject } from './project';
const project = newProject('n', 'N');
const pathOf = (changed: object) => {
  const checked = checkProject({ ...project, ...changed });
  return checked.ok ? null : checked.path;
};
const driver = (change: object): { driver: object } => ({ driver: { ...project.driver, ...change } });

describe('the schema of switch, loads and supplies', () => {
  it('takes every part of the list, every usual load and every kind of supply', () => {
    for (const part of shippedParts) expect(pathOf(driver({ kind: part.kind, part }))).toBeNull();
    for (const kind of loadKinds) expect(pathOf({ loads: [defaultLoads[kind]] })).toBeNull();
    for (const { id } of batteryKinds)
      expect(pathOf({ source: defaultSource('battery', 6, id, 2).source })).toBeNull();
    const loadSupply = { volts: 12, source: defaultSource('usb', 5).source, commonGround: false };
    expect(pathOf({ loadSupply })).toBeNull();
  });

  it('refuses a part of another kind than its stage, and figures that no part has', () => {
    expect(pathOf(driver({ kind: 'pnp' }))).toBe('driver.part.kind');
    expect(pathOf(driver({ kind: 'valve' }))).toBe('driver.kind');
    expect(pathOf(driver({ part: { ...defaultPart('npn'), minBeta: 0 } }))).toBe('driver.part.minBeta');
    expect(pathOf(driver({ part: { ...defaultPart('npn'), maxAmps: NaN } }))).toBe('driver.part.maxAmps');
    expect(pathOf(driver({ part: { ...defaultPart('npn'), onOhms: 1 } }))).toContain('driver.part');
    expect(pathOf(driver({ place: 'base' }))).toBe('driver.place');
  });

  it('refuses no load, too many, one of no kind, and figures beyond what loads have', () => {
    expect(pathOf({ loads: [] })).toBe('loads');
    expect(pathOf({ loads: Array.from({ length: 7 }, () => defaultLoads.led) })).toBe('loads');
    expect(pathOf({ loads: [{ kind: 'heater' }] })).toBe('loads[0].kind');
    expect(pathOf({ loads: [defaultLoads.led, { ...defaultLoads.relay, coilOhms: 0 }] })).toBe(
      'loads[1].coilOhms',
    );
    expect(pathOf({ loads: [{ ...defaultLoads.led, inSeries: 1.5 }] })).toBe('loads[0].inSeries');
    expect(pathOf({ loads: [{ ...defaultLoads.lamp, colour: 'red' }] })).toContain('loads[0]');
  });

  it('refuses a supply of no kind, a negative resistance and a share beyond the whole', () => {
    const source = (change: object): { source: object } => ({ source: { ...project.source, ...change } });
    expect(pathOf(source({ kind: 'sun' }))).toBe('source.kind');
    expect(pathOf(source({ ohms: -1 }))).toBe('source.ohms');
    expect(pathOf(source({ limitAmps: 0 }))).toBe('source.limitAmps');
    expect(pathOf({ darkShare: 1.1 })).toBe('darkShare');
    const loadSupply: Project['loadSupply'] = { volts: 500, source: project.source, commonGround: true };
    expect(pathOf({ loadSupply })).toBe('loadSupply.volts');
  });
});
