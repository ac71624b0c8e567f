import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addReadings, putLevel } from '@/core/project/readingEdits';
import { newProject } from '@/core/project/newProject';
import { decimalMarks, distanceUnits, PLAIN_NOTATION, setNotation } from '@/core/quantity/notation';
import { lampKinds, type Reading, type ReadingLight } from '@/core/readings/reading';
import { readingsCsv } from '@/ui/common/readingsCsv';
import { computeCsv } from './compute';
import type { CsvOutput, TakenReadings } from './csv';

async function takenFrom(text: string): Promise<TakenReadings> {
  const file = new Blob([text]);
  const seen = await computeCsv({ kind: 'preview', file }, () => undefined);
  if (seen.kind !== 'preview') throw new Error(seen.kind);
  const taken: CsvOutput = await computeCsv(
    { kind: 'readings', file, mapping: seen.mapping, max: 1000, known: [], maxLevels: 200 },
    () => undefined,
  );
  if (taken.kind !== 'readings') throw new Error(taken.kind);
  return taken;
}

const anyLight: fc.Arbitrary<ReadingLight> = fc.oneof(
  fc.double({ min: 0.001, max: 1e5, noNaN: true }).map((value) => ({
    kind: 'lux' as const,
    lux: Number(value.toPrecision(5)),
  })),
  fc.record({
    kind: fc.constant('lamp' as const),
    metres: fc.integer({ min: 10, max: 2000 }).map((steps) => Number((steps * 0.005).toFixed(3))),
    layers: fc.integer({ min: 0, max: 5 }),
  }),
  fc.constant({ kind: 'lamp-off' as const }),
  fc.constant({ kind: 'level' as const, level: 'hall' }),
  fc.double({ min: 10, max: 1e6, noNaN: true }).map((ohms) => ({
    kind: 'ldr' as const,
    ohms: Number(ohms.toPrecision(4)),
  })),
);
const anyReading: fc.Arbitrary<Omit<Reading, 'id'>> = fc.record({
  light: anyLight,
  ohms: fc.double({ min: 10, max: 1e7, noNaN: true }).map((ohms) => Number(ohms.toPrecision(5))),
  above: fc.boolean(),
  rangeOhms: fc.constantFrom(null, 200, 20_000, 2e6),
  lamp: fc.constantFrom(null, ...lampKinds),
  takenAt: fc.option(fc.integer({ min: 1, max: 2e12 })),
  note: fc.constantFrom('', 'by the window', '=1+1', 'a;b, "c"', "'quoted"),
  setAside: fc.boolean(),
  trusted: fc.boolean(),
  unsettledStd: fc.constantFrom(0, 0.25),
});

const anyNotation = fc.record({
  decimal: fc.constantFrom(...decimalMarks),
  distance: fc.constantFrom(...distanceUnits),
});

describe('readings out to CSV and in again', () => {
  it('are what they were, whatever they hold', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(anyReading, { minLength: 1, maxLength: 8 }),
        anyNotation,
        async (made, notation) => {
          const project = addReadings(made.map((reading, index) => ({ id: `r${index}`, ...reading })))(
            putLevel({ id: 'hall', name: 'Hall, evening', lux: 60 })(newProject('p', 'P')),
          );
          // Written by a page in its own notation, read by a worker, which has the plain one.
          setNotation(notation);
          const table = readingsCsv(project);
          setNotation(PLAIN_NOTATION);
          const { readings, errorCount } = await takenFrom(table);
          expect(errorCount).toBe(0);
          expect(readings).toHaveLength(made.length);
          for (const [index, { light, ohms, above, rest }] of readings.entries()) {
            const was = made[index]!;
            if (was.light.kind === 'level') {
              expect(light).toEqual({ ok: true, newLevel: 'Hall, evening' });
              expect(rest.levelLux).toBe(60);
            } else expect(light).toEqual({ ok: true, light: was.light });
            expect([ohms, above]).toEqual([was.ohms, was.above]);
            expect(rest.lamp ?? null).toBe(was.lamp);
            expect(rest.takenAt ?? null).toBe(was.takenAt);
            expect(rest.note ?? '').toBe(was.note);
            expect(rest.setAside ?? false).toBe(was.setAside);
            expect(rest.trusted ?? false).toBe(was.trusted);
            expect(rest.rangeOhms ?? null).toBe(was.rangeOhms);
            expect(rest.unsettledStd ?? 0).toBe(was.unsettledStd);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the dialects of spreadsheets', () => {
  const lights = async (text: string) =>
    (await takenFrom(text)).readings.map(({ light, ohms }) => ['light' in light ? light.light : light, ohms]);
  const lux = (value: number) => ({ kind: 'lux', lux: value });

  it.each([
    ['columns lined up by spaces', 'lux   ohms\n  10  14000\n 100   2800\n'],
    ['a line that says what parts them', 'sep=;\nlux;ohms\n10;14000\n100;2800\n'],
    ['thousands in quotes', 'lux,ohms\n10,"14,000"\n100,"2,800"\n'],
    ['thousands by points', 'lux;ohms\n10,0;14.000,0\n100,0;2.800,0\n'],
    ['tabs and decimal commas', 'lux\tohms\n10,0\t14000,0\n100,0\t2800,0\n'],
    ['a mark of its encoding', '\ufefflux,ohms\n10,14k\n100,2k8\n'],
  ])('are read by themselves: %s', async (_, text) => {
    expect(await lights(text)).toEqual([
      [lux(10), 14_000],
      [lux(100), 2800],
    ]);
  });
});
