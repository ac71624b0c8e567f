'use client';

import { App, Button } from 'antd';
import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { copyOf } from '@/core/project/copy';
import type { SoundParts } from '@/core/project/soundParts';
import { sampleProjects } from '@/core/project/samples';
import { addProject } from '@/store/projects';
import type { ProjectCard as Card, ProjectStorage } from '@/store/storage';
import { useExport } from '@/ui/keeping/exportProject';
import { projectsWords } from '@/ui/words/panels/projects';
import { ListTools } from './ListTools';
import { ProjectCard } from './ProjectCard';
import { DamagedRecords } from './DamagedRecords';
import styles from './ProjectsScreen.module.css';
import { shownCards, tagsOf, WHOLE_LIST } from './shownCards';
import { useDelete } from './useDelete';
import type { ProjectActions } from './useProjects';

/** What most lists do not show is loaded when one does. */
const ChosenBar = dynamic(async () => (await import('./ChosenBar')).ChosenBar, { ssr: false });
const DamagedCard = dynamic(async () => (await import('./DamagedCard')).DamagedCard, { ssr: false });

interface ProjectCardsProps {
  readonly storage: ProjectStorage;
  readonly cards: readonly Card[];
  readonly actions: ProjectActions;
}

/** So many cards are drawn, and more when they are asked for. */
const PAGE = 24;
/** So many fill a screen: they are drawn at once, and the others when these are seen. */
const AT_ONCE = 9;

/** The list: found, ordered, chosen, and what can be done with what is chosen. */
export function ProjectCards({ storage, cards, actions }: ProjectCardsProps) {
  const [view, setView] = useState(WHOLE_LIST);
  const [pages, setPages] = useState(1);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const count = useDeferredValue(pages * PAGE, AT_ONCE);
  const shownView = useDeferredValue(view);
  const shown = useMemo(() => shownCards(cards, shownView), [cards, shownView]);
  const tags = useMemo(() => tagsOf(cards), [cards]);
  const remove = useDelete(actions, cards);
  const exportProject = useExport();
  const openSound = useOpenSound(storage);
  const choose = useCallback((id: string, isChosen: boolean) => {
    setChosen((before) => new Set(isChosen ? [...before, id] : [...before].filter((one) => one !== id)));
  }, []);
  const onlyTag = useCallback((tag: string) => setView((before) => ({ ...before, tag })), []);
  const exportOne = useCallback(
    (id: string) => void storage.load(id).then((bundle) => bundle && exportProject(bundle.stored.project)),
    [storage, exportProject],
  );
  const inUse = cards.filter(({ deletedAt }) => deletedAt === null);
  const isSampleMissing = sampleProjects.some(({ id }) => !inUse.some((card) => card.id === id));
  const visible = shown.slice(0, count);
  const marked = inUse.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  return (
    <>
      {inUse.length > 0 && (
        <ListTools
          view={view}
          tags={tags}
          count={shown.length}
          onChange={(change) => (setView((before) => ({ ...before, ...change })), setPages(1))}
        />
      )}
      {marked.length > 0 && (
        <ChosenBar
          ids={marked}
          cards={inUse}
          tags={tags}
          isArchive={view.isArchive}
          actions={actions}
          onDelete={remove}
          onClear={() => setChosen(new Set())}
        />
      )}
      {inUse.length === 0 && (
        <p className={styles.empty}>
          Nothing here yet. Start a <b>{projectsWords.newProject2}</b>: type two readings of your LDR and the
          brightness you want.
        </p>
      )}
      {inUse.length > 0 && shown.length === 0 && (
        <p className={styles.empty}>
          {view.isArchive && view.query === '' && view.tag === null
            ? projectsWords.archiveEmpty
            : projectsWords.nothingFound}{' '}
          {(view.query !== '' || view.tag !== null) && (
            <Button type="link" onClick={() => setView((before) => ({ ...before, query: '', tag: null }))}>
              {projectsWords.clearSearch}
            </Button>
          )}
        </p>
      )}
      <ul className={styles.cards}>
        {visible.map((card) =>
          card.summary ? (
            <ProjectCard
              key={card.id}
              card={card}
              summary={card.summary}
              actions={actions}
              isChosen={chosen.has(card.id)}
              tags={tags}
              onChoose={choose}
              onTag={onlyTag}
              onExport={exportOne}
              onDelete={remove}
            />
          ) : (
            <DamagedCard
              key={card.id}
              id={card.id}
              storage={storage}
              onOpenSound={(parts) => void openSound(parts)}
              onDelete={() => remove([card.id])}
            />
          ),
        )}
      </ul>
      {shown.length > visible.length && count === pages * PAGE && (
        <Button onClick={() => setPages(pages + 1)}>
          {projectsWords.showMore} ({shown.length - visible.length})
        </Button>
      )}
      <DamagedRecords storage={storage} />
      {isSampleMissing && (
        <Button type="link" className={styles.samples} onClick={() => void actions.samples()}>
          {projectsWords.bringBackThe}
        </Button>
      )}
    </>
  );
}

/** Opens what is sound of a damaged project as a project of its own; the damaged one stays. */
function useOpenSound(storage: ProjectStorage) {
  const router = useRouter();
  const { notification } = App.useApp();
  return useCallback(
    async ({ project }: SoundParts) => {
      const copy = copyOf(project, () => nanoid(12));
      const outcome = await addProject(storage, copy);
      if (outcome === 'saved') router.push(`/project/${copy.id}/measure`);
      else notification.error({ title: 'It could not be stored.' });
    },
    [storage, router, notification],
  );
}
