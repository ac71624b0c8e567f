import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lightAsTyped, parseLight } from './parseLight';
import type { Level, ReadingLight } from './reading';

const levels: readonly Level[] = [{ id: 'hall', name: 'Hall, evening', lux: null }];
const lux = (text: string) => parseLight(text, { bare: 'lux', levels, previous: null });
const ladder = (text: string) =>
  parseLight(text, { bare: 'distance', levels, previous: { kind: 'lamp', metres: 0.5, layers: 0 } });

describe('a light typed in one field', () => {
  it('is lux, with or without the unit', () => {
    expect(lux('12')).toEqual({ ok: true, light: { kind: 'lux', lux: 12 } });
    expect(lux('1,5')).toEqual({ ok: true, light: { kind: 'lux', lux: 1.5 } });
    expect(lux('0.5 lx')).toEqual({ ok: true, light: { kind: 'lux', lux: 0.5 } });
    expect(ladder('3 lx')).toEqual({ ok: true, light: { kind: 'lux', lux: 3 } });
  });

  it('is a distance with its unit, or bare while a ladder is climbed; layers may lie between', () => {
    expect(lux('50 cm')).toEqual({ ok: true, light: { kind: 'lamp', metres: 0.5, layers: 0 } });
    expect(ladder('70,5')).toEqual({ ok: true, light: { kind: 'lamp', metres: 0.705, layers: 0 } });
    expect(lux('1 m x3')).toEqual({ ok: true, light: { kind: 'lamp', metres: 1, layers: 3 } });
    expect(lux('40 cm, 1 layer')).toEqual({ ok: true, light: { kind: 'lamp', metres: 0.4, layers: 1 } });
    expect(ladder('x2')).toEqual({ ok: true, light: { kind: 'lamp', metres: 0.5, layers: 2 } });
    expect(lux('x2')).toEqual({ ok: false, reason: 'layers-without-distance' });
    expect(lux('50 cm x99')).toEqual({ ok: false, reason: 'too-many-layers' });
  });

  it('is the lamp off, a level that is known, or a new one', () => {
    expect(lux('off')).toEqual({ ok: true, light: { kind: 'lamp-off' } });
    expect(lux('hall, EVENING')).toEqual({ ok: true, light: { kind: 'level', level: 'hall' } });
    expect(lux('hall  noon')).toEqual({ ok: true, newLevel: 'hall noon' });
  });

  it('is the resistance of the LDR that serves as light meter, however its name and the figure are set apart', () => {
    const light = { kind: 'ldr', ohms: 4700 };
    for (const text of ['ldr 4k7', 'LDR: 4.7 kΩ', 'ldr4700', 'Ldr :4,7k', 'ldr  4k7'])
      expect(lux(text), text).toEqual({ ok: true, light });
    expect(ladder('ldr 4k7')).toEqual({ ok: true, light });
    expect(lux('ldr 0')).toMatchObject({ ok: false, reason: 'ldr', refusal: { ok: false } });
    expect(lux('ldr 4q7')).toMatchObject({ ok: false, reason: 'ldr', refusal: { ok: false } });
    // A level may begin like it, or end so.
    expect(lux('ldr shelf')).toEqual({ ok: true, newLevel: 'ldr shelf' });
    expect(lux('my ldr 4k7')).toEqual({ ok: true, newLevel: 'my ldr 4k7' });
  });

  it('is a level where only a part of it reads as something else', () => {
    expect(lux('lamp off')).toEqual({ ok: true, light: { kind: 'lamp-off' } });
    for (const text of [
      'blinds off',
      'office',
      'off at noon',
      'box x2',
      'room 3',
      'hall, 2 layers',
      'ßa',
      'Küche 2',
    ])
      expect(lux(text), text).toEqual({ ok: true, newLevel: text });
    expect(ladder('room 3')).toEqual({ ok: true, newLevel: 'room 3' });
    const longest = 'a'.repeat(40);
    expect(lux(longest)).toEqual({ ok: true, newLevel: longest });
    for (const text of ['?!', 'x', '(', 'a!'])
      expect(lux(text), text).toEqual({ ok: false, reason: 'not-a-light' });
  });

  it('is refused where it says nothing that could be', () => {
    expect(lux(' ')).toEqual({ ok: false, reason: 'empty' });
    expect(lux('x')).toEqual({ ok: false, reason: 'not-a-light' });
    expect(lux('0')).toMatchObject({ reason: 'lux', refusal: { reason: 'zero' } });
    expect(lux('-3')).toMatchObject({ reason: 'lux', refusal: { reason: 'negative' } });
    expect(lux('12q')).toMatchObject({ ok: false, reason: 'lux' });
    expect(lux('0 cm')).toMatchObject({ ok: false, reason: 'distance', refusal: 'too-near' });
    expect(lux('a'.repeat(41))).toEqual({ ok: false, reason: 'name-too-long' });
  });

  it('stands there without layers where there are none, and as nothing where its level is gone', () => {
    expect(lightAsTyped({ kind: 'lamp', metres: 0.5, layers: 0 }, levels)).toBe('50 cm');
    expect(lightAsTyped({ kind: 'lamp', metres: 0.5, layers: 2 }, levels)).toBe('50 cm x2');
    expect(lightAsTyped({ kind: 'level', level: 'gone' }, levels)).toBe('');
    const two = [{ id: 'attic', name: 'Attic', lux: 3 }, ...levels];
    expect(lightAsTyped({ kind: 'level', level: 'hall' }, two)).toBe('Hall, evening');
  });

  it('is read back from what stands for it', () => {
    const anyLight: fc.Arbitrary<ReadingLight> = fc.oneof(
      fc.double({ min: 0.0001, max: 1e6, noNaN: true }).map((value) => ({
        kind: 'lux' as const,
        lux: Number(value.toPrecision(6)),
      })),
      fc.record({
        kind: fc.constant('lamp' as const),
        metres: fc.integer({ min: 1, max: 2000 }).map((steps) => Number((steps * 0.005).toFixed(3))),
        layers: fc.integer({ min: 0, max: 50 }),
      }),
      fc.constant({ kind: 'level' as const, level: 'hall' }),
      fc.constant({ kind: 'lamp-off' as const }),
      fc.double({ min: 1, max: 1e9, noNaN: true }).map((ohms) => ({
        kind: 'ldr' as const,
        ohms: Number(ohms.toPrecision(6)),
      })),
    );
    fc.assert(
      fc.property(anyLight, fc.constantFrom('lux' as const, 'distance' as const), (light, bare) => {
        const text = lightAsTyped(light, levels);
        expect(parseLight(text, { bare, levels, previous: null })).toEqual({ ok: true, light });
      }),
    );
  });
});
