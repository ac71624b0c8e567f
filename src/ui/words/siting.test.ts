import { describe, expect, it } from 'vitest';
import { someProject } from '@/core/advise/testProjects';
import { analyse } from '@/core/design';
import { changeSiting } from '@/core/project/built/buildEdits';
import { ON_THE_BENCH } from '@/core/project/built/siting';
import { sitingNotes } from '@/core/siting/notes';
import { runs } from '@/core/testRuns';
import { lightText } from './light';
import { apartText, clearText, sitingEditText, sitingNoteText, sitingTexts } from './siting';

const light = lightText('lux');

describe('how far lights lie apart', () => {
  it('is told as a share either way while that says it, as a factor beyond, and without an end', () => {
    expect(apartText(1.02)).toMatch(/^±1\.00?.%$/);
    expect(apartText(2.43)).toMatch(/^±55\.9.%$/);
    expect(apartText(9)).toBe('×÷3.0');
    expect(apartText(Infinity)).toBe('at any light');
  });
});

describe('what is said of a place', () => {
  it('offers no shield to leads that have one, and names every button', () => {
    const seen = new Set<string>();
    for (let seed = 1; seed <= runs(2000); seed++)
      for (const leads of ['plain', 'shielded'] as const) {
        const project = changeSiting({
          ...{ leadMetres: seed % 3 === 0 ? 0 : 100, isNearMains: true, leads },
          ...{ box: 'closed' as const, isReached: false },
        })(someProject(seed));
        const analysis = analyse(project);
        if (!analysis.ok) continue;
        for (const note of sitingNotes(project, analysis.design)) {
          seen.add(`${note.kind} ${leads}`);
          const text = sitingNoteText(note, light);
          expect(text).toMatch(/^[A-Z].*\.$/);
          expect(text).not.toMatch(/NaN|undefined|Infinity/);
          if (note.edit) expect(sitingEditText(note)).not.toBe('');
          if (note.kind === 'hum') expect(text.includes('take shielded')).toBe(leads === 'plain');
        }
      }
    for (const kind of ['hum plain', 'hum shielded', 'dark-box plain', 'battery-shut plain'])
      expect(seen).toContain(kind);
  });

  it('is nothing where it is as on the bench, and no share of light is told as none', () => {
    expect(sitingTexts(ON_THE_BENCH)).toEqual([]);
    expect(clearText(0.001)).toMatch(/^0\.1.%$/);
    expect(sitingTexts({ ...ON_THE_BENCH, clearShare: 0.004, box: 'vented' })).toEqual([
      expect.stringMatching(/^0\.4.% of the light/),
      'In a box with holes.',
    ]);
  });
});
