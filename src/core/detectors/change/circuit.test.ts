import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../../operate/assemble';
import { circuitInput } from '../../analyse/circuitInput';
import { changeDetector } from '../../project/detectorEdits';
import { changeDivider, changeResistors } from '../../project/edits';
import type { Project } from '../../project/project';
import { sampleNamed } from '../../project/testSamples';
import { DEFAULT_STOCK, valuesIn } from '../../series/stock';
import { runs } from '../../testRuns';
import { chooseDetector } from '../../size/chooseDetector';
import { gainOf, gainUpperOhms, ofStock, triggerOf, triggerOhms } from './circuit';
import { defaultChange } from './settings';

const supplies = fc.double({ min: 1.8, max: 30, noNaN: true });
const gains = fc.double({ min: 1.01, max: 10_000, noNaN: true });
const triggers = fc.double({ min: 0.01, max: 15, noNaN: true });

/** The resistors that its gain and its trigger are made of, and whether each is in stock. */
function ownResistors(project: Project) {
  const stocked = valuesIn(project.resistors);
  return assemble(circuitInput(project, 1)).parts.flatMap((part) =>
    part.kind === 'resistor' &&
    ['gain-upper', 'gain-lower', 'reference-upper', 'reference-lower'].includes(part.role)
      ? [{ role: part.role, isStocked: stocked.some((ohms) => Math.abs(ohms / part.ohms - 1) < 1e-6) }]
      : [],
  );
}

describe('what a change detector is made of', () => {
  it('makes the gain and the trigger that are asked for, of resistors that are sold', () => {
    fc.assert(
      fc.property(gains, triggers, supplies, (gain, triggerVolts, supplyVolts) => {
        expect(gainOf(gainUpperOhms(gain), gain)).toBeCloseTo(gain, 6);
        fc.pre(triggerVolts < 0.9 * supplyVolts);
        const { upper, lower } = triggerOhms(triggerVolts, supplyVolts);
        expect((supplyVolts * lower) / (lower + upper) / triggerVolts).toBeCloseTo(1, 9);
        expect(triggerOf(upper, triggerVolts, supplyVolts) / triggerVolts).toBeCloseTo(1, 9);
        expect([upper <= 1e6, lower > 0]).toEqual([true, true]);
      }),
    );
  });

  it('comes as near to them as resistors in stock do', () => {
    fc.assert(
      fc.property(gains, triggers, supplies, (gain, triggerVolts, supplyVolts) => {
        fc.pre(gain > 1.2 && gain < 100 && triggerVolts < 0.5 * supplyVolts);
        const made = ofStock({ ...defaultChange, gain, triggerVolts }, supplyVolts, DEFAULT_STOCK);
        expect(Math.abs(Math.log((made.gain - 1) / (gain - 1)))).toBeLessThan(0.11);
        expect(Math.abs(Math.log(made.triggerVolts / triggerVolts))).toBeLessThan(0.11);
      }),
    );
  });

  it('stays what was meant, and what the schema takes, whatever lies in the drawer', () => {
    const drawers = fc.array(
      fc.double({ min: 0, max: 7, noNaN: true }).map((power) => 10 ** power),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(gains, triggers, supplies, drawers, (gain, triggerVolts, supplyVolts, ownOhms) => {
        const stock = { ...DEFAULT_STOCK, series: 'own' as const, ownOhms };
        const made = ofStock({ ...defaultChange, gain, triggerVolts }, supplyVolts, stock);
        for (const [is, meant] of [
          [made.gain, gain],
          [made.triggerVolts, triggerVolts],
        ] as const)
          expect(Math.abs(Math.log(is / meant))).toBeLessThan(Math.log(1.36));
        expect([
          made.gain >= 1,
          made.gain <= 10_000,
          made.triggerVolts >= 0.01,
          made.triggerVolts <= 30,
        ]).toEqual([true, true, true, true]);
      }),
      { numRuns: runs(20_000, 40) },
    );
  });

  it('is in stock when it is chosen, whatever the supply; and by the resistor that someone types', () => {
    for (const supplyVolts of [3, 3.3, 4.5, 5, 6, 9, 12, 24])
      for (const series of ['E12', 'E24'] as const) {
        const base = changeDivider({ supplyVolts })(
          changeResistors({ series })(sampleNamed('Platform lamps')),
        );
        const chosen = chooseDetector('change')(base);
        expect([supplyVolts, ownResistors(chosen).filter(({ isStocked }) => !isStocked)]).toEqual([
          supplyVolts,
          [],
        ]);
        // Another supply asks for other resistors of the trigger.
        const typed = changeDetector('change', { gain: 37, triggerVolts: 0.77 })(chosen);
        expect(ownResistors(typed).some(({ isStocked }) => !isStocked)).toBe(true);
      }
  });
});
