import { describe, expect, it } from 'vitest';
import { curesOf } from '@/core/advise/remedies';
import { someProject } from '@/core/advise/testProjects';
import { IDEAL_SOURCE, defaultSource } from '@/core/loads/supply';
import { controlName } from './names';
import { changesLabel, outcomeText } from './said/changes';

const plain = (text: string) => text.replace(/\s/g, ' ');

describe('what a button says of the changes it makes', () => {
  it('says what to do, then what to use', () => {
    const label = plain(
      changesLabel([
        { code: 'supply', feeds: 'both', volts: 12, source: IDEAL_SOURCE },
        { code: 'transistor', id: 'small-nmos' },
        { code: 'swap-divider' },
        { code: 'fixed', ohms: 82_000 },
      ]),
    );
    expect(label).toBe(
      'Swap LDR and R1, use a supply of 12 V, a small logic-level N-MOSFET and 82 kΩ for R1',
    );
    expect(plain(changesLabel([{ code: 'fixed', ohms: 6800 }]))).toBe('Use 6.8 kΩ for R1');
    expect(
      plain(
        changesLabel([
          { code: 'gain', times: 9.2 },
          { code: 'trigger', volts: 0.43 },
        ]),
      ),
    ).toBe('Use a gain of 9.2 and a trigger of 0.430 V');
    expect(plain(changesLabel([{ code: 'turn-trimmer', position: 0.562 }]))).toBe(
      'Turn the trimmer to 56 % of its track',
    );
    expect(changesLabel([{ code: 'join-grounds' }])).toBe('Join the grounds');
    const { source, volts } = defaultSource('battery', 6, 'alkaline-aa', 4);
    expect(plain(changesLabel([{ code: 'supply', feeds: 'load', volts, source }]))).toBe(
      'Use 6 V of 4 cells for the load',
    );
    const series = (nth: number | null) => ({ code: 'series' as const, nth, ohms: 330 });
    expect(plain(changesLabel([series(null)]))).toBe('Use 330 Ω in series with the LED');
    expect(plain(changesLabel([series(0), series(1)]))).toBe(
      'Use 330 Ω in series with the first LED and 330 Ω in series with the second LED',
    );
  });

  it('tells what the design does then, and what it leaves', () => {
    const outcome = { switchLux: 40, hasLight: true, guaranteedAmps: 0.02, cannots: 0, looks: 0 };
    const cured = { before: { ...outcome, switchLux: null, cannots: 1 }, then: outcome, areEndsSolved: true };
    expect(plain(outcomeText(cured))).toBe('then switches at 40 lx (now: never switches), in order');
    const more = { before: outcome, then: { ...outcome, cannots: 2 }, areEndsSolved: true };
    expect(plain(outcomeText(more))).toBe('then switches at 40 lx, 2 more to cure');
    const changing = { ...outcome, switchLux: null, hasLight: false };
    const quiet = { before: { ...changing, cannots: 1 }, then: changing };
    expect(outcomeText({ ...quiet, areEndsSolved: true })).toBe('then in order');
    // Before the ends are solved nothing is in order, and who knows what is left.
    expect(plain(outcomeText({ ...cured, areEndsSolved: false }))).toBe(
      'then switches at 40 lx (now: never switches)',
    );
    expect(outcomeText({ ...quiet, areEndsSolved: false })).toBe('');
    const looks = { ...cured, then: { ...outcome, looks: 1 } };
    expect(outcomeText({ ...looks, areEndsSolved: false })).not.toContain('left to look at');
  });

  it('has real words and figures for whatever is offered', () => {
    let said = 0;
    for (let seed = 1; seed <= 10; seed++)
      for (const { remedies } of curesOf(someProject(seed)))
        for (const remedy of remedies) {
          said += 1;
          const label = changesLabel(remedy.changes);
          expect(label).toMatch(/^[A-Z0-9][^\n]+$/);
          // A gate is no base.
          const { driver } = remedy.to;
          const control = controlName(driver.kind);
          expect([seed, label, /\b(base|gate)\b/.exec(label)?.[1] ?? control]).toEqual([
            seed,
            label,
            control,
          ]);
          expect(`${changesLabel(remedy.changes)} ${outcomeText(remedy)}`).not.toMatch(
            /undefined|NaN|Infinity|\[object/,
          );
        }
    expect(said).toBeGreaterThan(16);
  });
});
