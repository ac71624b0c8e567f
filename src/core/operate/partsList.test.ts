import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inTheHand } from '../compare/compare';
import { GROUND } from '../circuit/netlist';
import { circuitInput } from '../analyse/circuitInput';
import { detectorKinds } from '../detectors/kinds';
import { defaultOutputStages } from '../detectors/outputStage/outputStage';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { loadKinds } from '../loads/kinds';
import { defaultLoads } from '../loads/registry';
import type { Part } from '../parts/part';
import { isPin, pinOrderOf } from '../parts/packages';
import { elementsOf, pinsOf } from '../parts/registry';
import { changeOutputStage } from '../project/detectorEdits';
import { takeTransistor } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { assemble } from './assemble';
import type { CircuitInput } from './input';
import { anyDetectorInput, anyInput } from './testCircuits';

const IC_KINDS = ['comparator', 'counter', 'flip-flop', 'gate', 'nor', 'oscillator', 'timer'];

/** What every list of parts must be, whatever it is of. */
function expectWhole(input: CircuitInput): void {
  const { parts } = assemble(input);
  const names = parts.map(({ designator }) => designator);
  expect(new Set(names).size).toBe(names.length);
  const joined = new Map<string, number>();
  for (const part of parts)
    for (const { net } of pinsOf(part)) if (net !== null) joined.set(net, (joined.get(net) ?? 0) + 1);
  const loose = parts.flatMap((part) =>
    pinsOf(part)
      .filter(({ net, isRequired }) => isRequired && (net === null || (joined.get(net) ?? 0) < 2))
      .map(({ name, net }) => `${part.designator} ${name} on ${net}`),
  );
  expect(loose).toEqual([]);
  expectSameNets(parts);
}

/** The netlist has no node that no pin of a part is on, but those inside a part, which are named after it or its rail. */
function expectSameNets(parts: readonly Part[]) {
  for (const part of parts) {
    const own = new Set([...pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net])), GROUND]);
    const inside = part.kind === 'supply' ? part.rail : part.designator;
    const elements = elementsOf(part, { celsius: 25, grade: 'typical' });
    for (const element of elements)
      for (const [key, node] of Object.entries(element)) {
        const isNode = [
          'a',
          'b',
          'anode',
          'cathode',
          'from',
          'to',
          'collector',
          'base',
          'emitter',
          'drain',
          'gate',
          'source',
        ].includes(key);
        if (!isNode || typeof node !== 'string') continue;
        const isInner = 'lower' in part && part.lower === node;
        if (!own.has(node) && !isInner) expect(node.startsWith(inside)).toBe(true);
      }
  }
}

describe('the parts of a circuit', () => {
  it('have a name each, and every required pin on a net with another, for every detector × driver × load × supply', () => {
    let count = 0;
    for (const detector of detectorKinds)
      for (const driver of transistorKinds)
        for (const load of loadKinds)
          for (const isOwn of [false, true]) {
            const [sample] = fc.sample(anyDetectorInput(detector, fc.constant(driver)), {
              numRuns: 1,
              seed: count,
            });
            if (!sample) continue;
            const loadSupply = isOwn ? { volts: 12, ohms: 0.1, commonGround: true } : null;
            expectWhole({
              ...sample,
              loads: [defaultLoads[load]],
              loadSupply,
              transistor: defaultTransistor(driver),
            });
            count += 1;
          }
    promised('parts whole: detector × driver × load × supply', count, 'all of 770');
    expect(count).toBe(770);
  });

  it('are whole for any circuit that someone might wire', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const loadSupply = input.loadSupply && { ...input.loadSupply, commonGround: true };
        expectWhole({ ...input, loadSupply });
      }),
      { numRuns: runs(20_000), seed: 31 },
    );
    promised('parts whole: random circuits', runs(20_000), '20 000');
  });

  it('count all that goes onto the board, the supplies aside', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const { parts } = assemble(input);
        const supplies = parts.filter(({ kind }) => kind === 'supply').length;
        expect(inTheHand(parts)).toHaveLength(parts.length - supplies);
      }),
      { numRuns: 50, seed: 32 },
    );
  });

  it('have every pin of an IC at a place of its package, and no place twice', () => {
    const kinds = new Set<string>();
    const check = (input: CircuitInput) => {
      for (const part of assemble(input).parts) {
        const order = pinOrderOf(part);
        if (!order) continue;
        kinds.add(part.kind);
        for (const { name, net } of pinsOf(part)) {
          const places = order.filter((wanted) => isPin(wanted, name));
          if (net !== null) expect([part.kind, name, places.length]).toEqual([part.kind, name, 1]);
        }
      }
    };
    fc.assert(fc.property(anyInput, check), { numRuns: runs(2000, 20), seed: 34 });
    for (const kind of transistorKinds) {
      const lamps = takeTransistor(defaultTransistor(kind))(sampleNamed('Platform lamps'));
      for (const stage of Object.values(defaultOutputStages))
        check(circuitInput(changeOutputStage(stage)(chooseDetector('comparator')(lamps)), 1));
    }
    const seldom = ['oscillator'];
    expect(IC_KINDS.filter((kind) => !kinds.has(kind) && !seldom.includes(kind))).toEqual([]);
  });

  it('give every IC its supply pins and a capacitor between them', () => {
    fc.assert(
      fc.property(anyInput, (input) => {
        const { parts } = assemble(input);
        const ics = parts.filter((part) => IC_KINDS.includes(part.kind));
        const capacitors = parts.filter(({ role }) => role === 'decoupling');
        expect(capacitors).toHaveLength(ics.length);
        for (const ic of ics) {
          const nets = pinsOf(ic).map(({ net }) => net);
          expect(nets).toContain('top' in ic ? ic.top : '');
          expect(nets).toContain('bottom' in ic ? ic.bottom : '');
        }
      }),
      { numRuns: 200, seed: 33 },
    );
  });
});
