import { App } from 'antd';
import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { checkProject } from '@/core/project/project';
import { rename } from '@/core/project/edits';
import { newProject } from '@/core/project/newProject';
import type { Starting } from '@/core/size/starting';
import { startingWords } from '@/ui/words/help/starting';
import { bringBackSamples, openStorage } from '@/store/openStorage';
import { askToPersist } from '@/store/persist';
import { addProject, duplicateProject, editStored } from '@/store/projects';
import type { CardLabel, ProjectCard, ProjectStorage, WriteOutcome } from '@/store/storage';
import { storageTrouble } from '@/ui/words/refusals';

// The database opens while the page comes to life, not after it.
if (process.env.NODE_ENV === 'production' && typeof window !== 'undefined')
  void openStorage().catch(() => undefined);

export interface ProjectList {
  readonly storage: ProjectStorage | null;
  readonly cards: readonly ProjectCard[] | null;
  /** What is stored could not be read. */
  readonly isUnread: boolean;
  readonly retry: () => void;
}

/** What is stored is looked through for damage when the list has stood for so long. */
const DAMAGE_MILLISECONDS = 1500;

/** The cards of the stored projects, kept up to date with every tab. */
export function useProjectList(): ProjectList {
  const [list, setList] = useState<Pick<ProjectList, 'storage' | 'cards'>>({ storage: null, cards: null });
  const [isUnread, setUnread] = useState(false);
  const [attempt, setAttempt] = useState(0);
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const trouble = () => !left && setUnread(true);
    void openStorage().then((storage) => {
      if (left) return;
      const show = (cards: readonly ProjectCard[]) => {
        if (left) return;
        setList({ storage, cards });
        setUnread(false);
      };
      stop = storage.watch(show, trouble);
      timer = setTimeout(() => void findDamage(storage, () => left), DAMAGE_MILLISECONDS);
    }, trouble);
    return () => {
      left = true;
      clearTimeout(timer);
      stop?.();
    };
  }, [attempt]);
  return { ...list, isUnread, retry: () => setAttempt(attempt + 1) };
}

/** Looks at one project after another, a little at a time, whether what is stored can still be read; the list then shows it. */
async function findDamage(storage: ProjectStorage, isOver: () => boolean): Promise<void> {
  for (const { id, summary } of await storage.cards().catch(() => [])) {
    if (isOver()) return;
    const stored = summary && (await storage.raw(id).catch(() => null));
    if (stored && !checkProject(stored.project).ok) await storage.label([id], {});
    await new Promise((resolve) => setTimeout(resolve));
  }
}

/** What can be done to the list of projects; every refusal is told. */
export function useProjectActions(storage: ProjectStorage | null) {
  const { notification } = App.useApp();
  const router = useRouter();
  return useMemo(() => {
    if (!storage) return null;
    const tell = (outcome: WriteOutcome) => {
      if (outcome === 'saved') askToPersist();
      else notification.error({ title: storageTrouble(outcome), duration: 0 });
      return outcome === 'saved';
    };
    const open = (id: string) => router.push(`/project/${id}/measure`);
    return {
      create: async () => {
        const id = nanoid(12);
        const { keptStock } = await import('@/ui/library/keptStock');
        const project = newProject(id, 'New project');
        const resistors = keptStock() ?? project.resistors;
        if (tell(await addProject(storage, { ...project, resistors }))) open(id);
      },
      start: async (starting: Starting) => {
        const id = nanoid(12);
        // What designs a circuit is loaded when one is wanted, not to show a list.
        const [{ startProject }, { analyse }, { keptStock }] = await Promise.all([
          import('@/core/size/startProject'),
          import('@/core/design'),
          import('@/ui/library/keptStock'),
        ]);
        const { name } = startingWords[starting];
        const own = startProject(starting, id, name, keptStock() ?? undefined);
        const analysis = analyse(own);
        const works = analysis.ok && !Object.values(analysis.design.states).includes('cannot');
        // Out of too little in stock nothing works at once: then out of what is usual.
        const project = works ? own : startProject(starting, id, name);
        if (tell(await addProject(storage, project)))
          router.push(`/project/${id}/${starting === 'readings' ? 'measure' : 'switch'}?tour`);
      },
      rename: async (id: string, name: string) => tell(await editStored(storage, id, rename(name))),
      duplicate: async (id: string) => tell(await duplicateProject(storage, id, () => nanoid(12))),
      label: async (ids: readonly string[], label: Partial<CardLabel>) =>
        tell(await storage.label(ids, label)),
      samples: async () => tell(await bringBackSamples(storage)),
    };
  }, [storage, notification, router]);
}

export type ProjectActions = NonNullable<ReturnType<typeof useProjectActions>>;
