import { describe, expect, it } from 'vitest';
import { defaultLoads } from '../loads/load';
import { netlistOf } from './description';
import { npnDriver } from './npn';
import { drivers } from './registry';
import type { CircuitInput } from './stage';
import { plainInput } from './testStage';
import { transistorKinds, defaultPart } from './transistors';

const describeNpn = (changed: Partial<CircuitInput>) => npnDriver.describe({ ...plainInput, ...changed });
const designators = (changed: Partial<CircuitInput>) =>
  describeNpn(changed).parts.map((part) => part.designator);

describe('a stage as its parts', () => {
  it('has a base resistor and its test point only where one is asked for', () => {
    expect(designators({})).toEqual(['LDR1', 'R1', 'R2', 'D1', 'Q1']);
    expect(designators({ baseOhms: 1000 })).toContain('R3');
    const points = describeNpn({ baseOhms: 1000 }).testPoints.map((point) => point.id);
    expect(points).toEqual(['A', 'B', 'C']);
    expect(describeNpn({}).testPoints.map((point) => point.id)).toEqual(['A', 'C']);
  });

  it('puts the LDR where it is wanted, and says which action that gives', () => {
    const ends = (ldrSide: 'top' | 'bottom') =>
      describeNpn({ ldrSide }).parts.find((part) => part.kind === 'ldr');
    expect(ends('top')).toMatchObject({ a: 'supply', b: 'mid' });
    expect(ends('bottom')).toMatchObject({ a: 'mid', b: '0' });
    expect(npnDriver.actionOf('bottom')).toBe('on-in-dark');
    expect(npnDriver.actionOf('top')).toBe('on-in-light');
    expect(drivers.pnp.actionOf('bottom')).toBe('on-in-light');
  });

  it('leads R1 on to the base where the LDR drives it directly', () => {
    const direct = describeNpn({ isDirect: true, ldrSide: 'top', baseOhms: 470 });
    expect(direct.parts.find(({ designator }) => designator === 'R1')).toMatchObject({ a: 'mid', b: 'base' });
    expect(direct.parts.some(({ designator }) => designator === 'R3')).toBe(false);
  });

  it('compiles to one netlist with every part in it', () => {
    const names = netlistOf(describeNpn({}), 25).elements.map((element) => element.name);
    expect(names).toEqual(['LDR1', 'R1', 'R2', 'D1.series', 'D1', 'Q1']);
  });

  it('hangs the load above the switch or below it, as its kind and place want', () => {
    const ends = (kind: CircuitInput['part']['kind'], place: CircuitInput['place']) => {
      const { switchNodes } = drivers[kind].describe({ ...plainInput, part: defaultPart(kind), place });
      return [switchNodes.plus, switchNodes.minus];
    };
    expect(ends('npn', 'collector')).toEqual(['collector', '0']);
    expect(ends('npn', 'emitter')).toEqual(['supply', 'emitter']);
    expect(ends('pnp', 'collector')).toEqual(['supply', 'collector']);
    expect(ends('pnp', 'emitter')).toEqual(['emitter', '0']);
    expect(ends('nmos', 'collector')).toEqual(['drain', '0']);
  });

  it('names several loads one after another, with a diode across every coil', () => {
    const { led, relay, motor, buzzer } = defaultLoads;
    const { loads } = describeNpn({ loads: [led, relay, led, motor, buzzer] });
    expect(loads.map(({ designator }) => designator)).toEqual(['D1', 'K1', 'D3', 'M1', 'BZ1']);
    expect(loads.map(({ resistor }) => resistor)).toEqual(['R2', null, 'R7', null, null]);
    expect(loads.map(({ flyback }) => flyback)).toEqual([null, 'D2', null, 'D4', null]);
  });

  it('knows its full current: little under what a mere switch would pass', () => {
    const amps = npnDriver.full(plainInput, 25)?.amps ?? 0;
    const asSwitch = (6 - 2) / 330;
    expect(amps).toBeLessThan(asSwitch * 1.01);
    expect(amps).toBeGreaterThan(asSwitch * 0.97);
  });

  it('loses a V_BE where the load stands in the emitter, and two with a Darlington', () => {
    const lost = (kind: 'npn' | 'darlington', place: CircuitInput['place']) =>
      drivers[kind].full({ ...plainInput, part: defaultPart(kind), place }, 25)?.switchVolts ?? 0;
    expect(lost('npn', 'collector')).toBeLessThan(0.1);
    expect(lost('npn', 'emitter')).toBeGreaterThan(0.6);
    expect(lost('darlington', 'collector')).toBeGreaterThan(0.6);
    expect(lost('darlington', 'emitter')).toBeGreaterThan(1.2);
  });

  it('stands in the registry under its own kind', () => {
    for (const kind of transistorKinds) expect(drivers[kind].kind).toBe(kind);
  });
});
