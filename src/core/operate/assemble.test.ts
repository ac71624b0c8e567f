import { describe, expect, it } from 'vitest';
import { actionAlone, defaultTransistor } from '../drivers/registry';
import { defaultLoads, type Load } from '../loads/registry';
import { partsOfKind } from '../parts/find';
import { netlistOf } from '../parts/netlist';
import { assemble } from './assemble';
import { fullDrive } from './fullDrive';
import type { CircuitInput } from './input';
import { simpleInput } from './testCircuits';

const assembled = (changed: Partial<CircuitInput>) => assemble({ ...simpleInput, ...changed });
const designators = (changed: Partial<CircuitInput>) =>
  assembled(changed).parts.map((part) => part.designator);
type Kind = CircuitInput['transistor']['kind'];
type Place = CircuitInput['place'];

describe('a circuit as its parts', () => {
  it('has a base resistor and its test point only where one is asked for', () => {
    expect(designators({}).sort()).toEqual(['BT1', 'D1', 'LDR1', 'Q1', 'R1', 'R2']);
    expect(designators({ baseOhms: 1000 })).toContain('R3');
    const points = assembled({ baseOhms: 1000 }).testPoints.map((point) => point.id);
    expect(points).toEqual(['A', 'B', 'C']);
    expect(assembled({}).testPoints.map((point) => point.id)).toEqual(['A', 'C']);
  });

  it('puts the LDR where it is wanted, and says which action that gives', () => {
    const ends = (ldrSide: 'top' | 'bottom') =>
      assembled({ ldrSide }).parts.find((part) => part.kind === 'ldr');
    expect(ends('top')).toMatchObject({ a: 'supply', b: 'mid' });
    expect(ends('bottom')).toMatchObject({ a: 'mid', b: '0' });
    expect(actionAlone('npn', 'bottom')).toBe('on-in-dark');
    expect(actionAlone('npn', 'top')).toBe('on-in-light');
    expect(actionAlone('pnp', 'bottom')).toBe('on-in-light');
    expect(actionAlone('pmos', 'top')).toBe('on-in-dark');
  });

  it('leads R1 on to the base where the LDR drives it directly', () => {
    const direct = assembled({ isDirect: true, ldrSide: 'top', baseOhms: 470 });
    expect(direct.parts.find(({ role }) => role === 'fixed')).toMatchObject({ a: 'mid', b: 'base' });
    expect(direct.parts.some(({ role }) => role === 'base')).toBe(false);
  });

  it('compiles to one netlist with every part in it', () => {
    const { parts } = assembled({});
    const names = netlistOf(parts, { celsius: 25, grade: 'typical' }).elements.map(({ name }) => name);
    for (const name of ['LDR1', 'R1', 'R2', 'D1', 'Q1']) expect(names).toContain(name);
  });

  it('hangs the load above the switch or below it, as its kind and place want', () => {
    const ends = (kind: Kind, place: Place) => {
      const { switchNets } = assembled({ transistor: defaultTransistor(kind), place });
      return [switchNets.plus, switchNets.minus];
    };
    expect(ends('npn', 'collector')).toEqual(['collector', '0']);
    expect(ends('npn', 'emitter')).toEqual(['supply', 'emitter']);
    expect(ends('pnp', 'collector')).toEqual(['supply', 'collector']);
    expect(ends('pnp', 'emitter')).toEqual(['emitter', '0']);
    expect(ends('nmos', 'collector')).toEqual(['drain', '0']);
    expect(ends('pmos', 'collector')).toEqual(['supply', 'drain']);
  });

  it('gives one supply to all pins of the same voltage, and one to all larger relays', () => {
    const supplies = (loads: readonly Load[]) =>
      partsOfKind(assembled({ loads }).parts, 'supply')
        .filter(({ role }) => role === 'logic-supply' || role === 'second-supply')
        .map(({ role, volts }) => `${role} ${volts}`);
    const pin = { ...defaultLoads.logic, supplyVolts: 5 };
    expect(supplies([pin, defaultLoads.led, pin])).toEqual(['logic-supply 5']);
    expect(supplies([pin, { ...pin, supplyVolts: 3.3 }])).toEqual(['logic-supply 5', 'logic-supply 3.3']);
    const second = { coilVolts: 12, coilOhms: 120, supplyVolts: 12, contactAmps: 10 };
    const relay = { ...defaultLoads.relay, second };
    expect(supplies([relay, pin, relay])).toEqual(['second-supply 12', 'logic-supply 5']);
  });

  it('names several loads one after another, with a diode across every coil', () => {
    const { led, relay, motor, buzzer } = defaultLoads;
    const { loads } = assembled({ loads: [led, relay, led, motor, buzzer] });
    expect(loads.map(({ designator }) => designator)).toEqual(['D1', 'K1', 'D3', 'M1', 'BZ1']);
    expect(loads.map(({ resistor }) => resistor)).toEqual(['R2', null, 'R7', null, null]);
    expect(loads.map(({ flyback }) => flyback)).toEqual([null, 'D2', null, 'D4', null]);
  });
});

describe('the full current', () => {
  it('is little under what a mere switch would pass', () => {
    const amps = fullDrive(simpleInput)?.amps ?? 0;
    const asSwitch = (6 - 2) / 330;
    expect(amps).toBeLessThan(asSwitch * 1.01);
    expect(amps).toBeGreaterThan(asSwitch * 0.97);
  });

  it('loses a V_BE where the load is at the emitter, and two with a Darlington', () => {
    const lost = (kind: Kind, place: Place) =>
      fullDrive({ ...simpleInput, transistor: defaultTransistor(kind), place })?.switchVolts ?? 0;
    expect(lost('npn', 'collector')).toBeLessThan(0.1);
    expect(lost('npn', 'emitter')).toBeGreaterThan(0.6);
    expect(lost('darlington', 'collector')).toBeGreaterThan(0.6);
    expect(lost('darlington', 'emitter')).toBeGreaterThan(1.2);
    expect(lost('pmos', 'collector')).toBeLessThan(0.2);
  });

  it('is with a tenth of it in the base, or with ten volts at the gate at most', () => {
    // Hand figure: 10 V across 1000 Ω under a base driven with a tenth leaves V_CE(sat) of a β of 10, about 60 mV.
    const load = { ...defaultLoads.relay, coilVolts: 12, coilOhms: 120 };
    const base = fullDrive({ ...simpleInput, supply: { volts: 12, ohms: 0 }, loads: [load] });
    expect(base?.amps).toBeGreaterThan(0.0985);
    expect(base?.switchVolts).toBeGreaterThan(0.02);
    expect(base?.switchVolts).toBeLessThan(0.2);
  });
});
