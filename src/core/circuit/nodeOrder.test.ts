import { describe, expect, it } from 'vitest';
import { GROUND, type Element } from './netlist';
import { numberNodes } from './nodeOrder';
import { shapeOf } from './shape';

const resistor = (a: string, b: string): Element => ({
  kind: 'resistor',
  name: `${a}-${b}`,
  a,
  b,
  ohms: 1000,
});
const led = (anode: string, cathode: string): Element => ({
  kind: 'diode',
  name: `${anode}>${cathode}`,
  anode,
  cathode,
  saturationAmps: 1e-20,
  ideality: 1.8,
  celsius: 25,
});
const supplies = [{ node: 'supply', volts: 5 }];
const numbers = (elements: readonly Element[]) => {
  const order = numberNodes(shapeOf({ supplies, elements }));
  return { ...order, names: [...order.nodeIndex.keys()] };
};

describe('the order of nodes', () => {
  it('has the straight ones first, then those where something bends, then ground and supplies', () => {
    const elements = [
      led('lamp', GROUND),
      resistor('supply', 'lamp'),
      resistor('supply', 'mid'),
      resistor('mid', GROUND),
    ];
    const { names, linear, unknowns } = numbers(elements);
    expect(names).toEqual(['mid', 'lamp', GROUND, 'supply']);
    expect([linear, unknowns]).toEqual([1, 2]);
  });

  it('takes the ends of a star before its middle, so that nothing is filled in', () => {
    const ends = ['a', 'b', 'c', 'd'];
    const { names } = numbers(ends.flatMap((end) => [resistor('middle', end), resistor(end, GROUND)]));
    expect(names.slice(0, 3).includes('middle')).toBe(false);
  });

  it('takes what devices join last where it joins them all', () => {
    const lamps = ['a', 'b', 'c', 'd'].flatMap((end) => [led('rail', end), resistor(end, GROUND)]);
    const { names, linear, unknowns } = numbers([resistor('supply', 'rail'), ...lamps]);
    expect([linear, unknowns]).toEqual([0, 5]);
    expect(names.slice(0, 3).includes('rail')).toBe(false);
  });

  it('counts a current source’s ends as straight, though it couples nothing', () => {
    const source: Element = { kind: 'current', name: 'bias', from: 'supply', to: 'mid', amps: 1e-9 };
    const { names, linear } = numbers([source, resistor('mid', GROUND)]);
    expect([names[0], linear]).toEqual(['mid', 1]);
  });

  it('numbers every node once, each place as the map says', () => {
    const { nodeIndex, names } = numbers([
      resistor('a', 'b'),
      resistor('b', 'c'),
      led('c', 'a'),
      resistor('a', 'supply'),
    ]);
    expect(new Set(names).size).toBe(names.length);
    names.forEach((name, index) => expect(nodeIndex.get(name)).toBe(index));
  });
});
