import type { ProjectCard } from '@/store/storage';
import { summaryText } from '@/ui/words/projects';

export const orders = ['changed', 'name', 'light'] as const;
export type Order = (typeof orders)[number];

/** What of the list is looked at. */
export interface ListView {
  readonly query: string;
  readonly order: Order;
  readonly tag: string | null;
  readonly isArchive: boolean;
}

export const WHOLE_LIST: ListView = { query: '', order: 'changed', tag: null, isArchive: false };

const byName = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** The cards of a view, in its order. Every word of the query must stand somewhere in the card's text or tags. */
export function shownCards(cards: readonly ProjectCard[], view: ListView): readonly ProjectCard[] {
  const words = view.query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = cards.filter(
    (card) =>
      card.deletedAt === null &&
      card.isArchived === view.isArchive &&
      (view.tag === null || card.tags.includes(view.tag)) &&
      words.every((word) => textOf(card).includes(word)),
  );
  switch (view.order) {
    case 'changed':
      return [...found].sort((one, other) => other.changedAt - one.changedAt);
    case 'name':
      return [...found].sort((one, other) =>
        byName.compare(one.summary?.name ?? '', other.summary?.name ?? ''),
      );
    case 'light':
      return [...found].sort((one, other) => (one.summary?.goal.lux ?? 0) - (other.summary?.goal.lux ?? 0));
  }
}

const texts = new WeakMap<ProjectCard, string>();

/** All that a card says, in small letters. */
function textOf(card: ProjectCard): string {
  const known = texts.get(card);
  if (known !== undefined) return known;
  const { summary, tags } = card;
  const said = summary ? [summary.name, summaryText(summary), ...tags] : ['damaged', ...tags];
  const text = said.join(' ').replaceAll('\u00a0', ' ').toLowerCase();
  texts.set(card, text);
  return text;
}

/** Every tag in use, in order. */
export function tagsOf(cards: readonly ProjectCard[]): readonly string[] {
  return [...new Set(cards.flatMap(({ tags, deletedAt }) => (deletedAt === null ? tags : [])))].sort(
    byName.compare,
  );
}
