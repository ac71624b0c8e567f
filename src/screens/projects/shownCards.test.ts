import { describe, expect, it } from 'vitest';
import { sampleProjects } from '@/core/project/samples';
import { cardOf, freshBundle, type ProjectCard } from '@/store/storage';
import { isBackupDue } from '@/store/lastBackup';
import { cleanTags } from './cleanTags';
import { shownCards, tagsOf, WHOLE_LIST } from './shownCards';

const cards: readonly ProjectCard[] = sampleProjects.map((project, index) => ({
  ...cardOf(freshBundle(project, 1000 - index).stored),
  tags: index < 2 ? ['hall'] : [],
  isArchived: index === 3,
  deletedAt: index === 4 ? 5 : null,
}));
const names = (found: readonly ProjectCard[]) => found.map(({ summary }) => summary?.name);

describe('the list of projects', () => {
  it('shows what is in use, newest first: neither the archive nor the bin', () => {
    const shown = shownCards(cards, WHOLE_LIST);
    expect(shown).toHaveLength(sampleProjects.length - 2);
    expect(names(shown)[0]).toBe(sampleProjects[0]?.name);
    expect(names(shownCards(cards, { ...WHOLE_LIST, isArchive: true }))).toEqual([sampleProjects[3]?.name]);
  });

  it('is searched by every word of name, load, way of switching and tags', () => {
    const found = (query: string) => names(shownCards(cards, { ...WHOLE_LIST, query }));
    expect(found('PLATFORM')).toEqual(['Platform lamps']);
    expect(found('led dark warm')).toContain('Platform lamps');
    expect(found('hall npn')).toContain('Platform lamps');
    expect(found('hall nothing-like-it')).toEqual([]);
  });

  it('is ordered by name or by the light of the goal, and narrowed to a tag', () => {
    const byName = names(shownCards(cards, { ...WHOLE_LIST, order: 'name' }));
    expect(byName).toEqual([...byName].sort((one, other) => String(one).localeCompare(String(other))));
    const lights = shownCards(cards, { ...WHOLE_LIST, order: 'light' }).map(
      ({ summary }) => summary?.goal.lux ?? 0,
    );
    expect(lights).toEqual([...lights].sort((one, other) => one - other));
    expect(shownCards(cards, { ...WHOLE_LIST, tag: 'hall' })).toHaveLength(2);
    expect(tagsOf(cards)).toEqual(['hall']);
  });

  it('takes tags trimmed, cut and none twice', () => {
    expect(cleanTags([' hall ', 'hall', '', '  ', 'x'.repeat(40)])).toEqual(['hall', 'x'.repeat(24)]);
    expect(cleanTags(Array.from({ length: 30 }, (_, index) => `t${index}`))).toHaveLength(12);
  });
});

describe('the reminder of a backup', () => {
  const month = 30 * 86_400_000;
  it('comes when the last one is older than a month and something own has changed since', () => {
    const changed = cards.map((card, index) =>
      index === 0 ? { ...card, changedAt: 2000, revision: 2 } : card,
    );
    expect(isBackupDue(changed, 1500, 1500 + month)).toBe(true);
    expect(isBackupDue(changed, 1500, 1500 + month - 1)).toBe(false);
    expect(isBackupDue(changed, 2500, 2500 + month)).toBe(false);
    // Samples that nobody has touched are no reason.
    expect(isBackupDue(cards, 0, month)).toBe(false);
  });
});
