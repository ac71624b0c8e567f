import { App } from 'antd';
import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { rename } from '@/core/project/edits';
import { MAX_FILE_CHARACTERS } from '@/core/project/file';
import { newProject } from '@/core/project/newProject';
import { bringBackSamples, openStorage } from '@/store/openStorage';
import { addProject, editStored, importProject, removeProject } from '@/store/projects';
import type { ProjectStorage, StoredProject, WriteOutcome } from '@/store/storage';
import { importRefusal, storageTrouble } from '@/ui/words/refusals';

export interface ProjectList {
  readonly storage: ProjectStorage | null;
  readonly projects: readonly StoredProject[] | null;
}

/** The stored projects, kept up to date with every tab. */
export function useProjectList(): ProjectList {
  const [list, setList] = useState<ProjectList>({ storage: null, projects: null });
  useEffect(() => {
    let left = false;
    let stop: (() => void) | undefined;
    void openStorage().then((storage) => {
      if (left) return;
      const refresh = () =>
        void storage.list().then(
          (projects) => !left && setList({ storage, projects }),
          () => !left && setList({ storage, projects: [] }),
        );
      refresh();
      stop = storage.watch(refresh);
    });
    return () => {
      left = true;
      stop?.();
    };
  }, []);
  return list;
}

/** What can be done to the list of projects; every refusal is told. */
export function useProjectActions(storage: ProjectStorage | null) {
  const { notification } = App.useApp();
  const router = useRouter();
  return useMemo(() => {
    if (!storage) return null;
    const tell = (outcome: WriteOutcome) => {
      if (outcome !== 'saved') notification.error({ title: storageTrouble(outcome), duration: 0 });
      return outcome === 'saved';
    };
    const open = (id: string) => router.push(`/project/${id}/measure`);
    const bringBack = (bundle: NonNullable<Awaited<ReturnType<typeof removeProject>>>) =>
      storage.restore(bundle).then(tell);
    return {
      create: async () => {
        const id = nanoid(12);
        if (tell(await addProject(storage, newProject(id, 'New project')))) open(id);
      },
      rename: async (id: string, name: string) => tell(await editStored(storage, id, rename(name))),
      duplicate: async ({ project }: StoredProject) =>
        tell(await addProject(storage, { ...project, id: nanoid(12), name: `${project.name} copy` })),
      remove: async (id: string, onUndo: (undo: () => void, name: string) => void) => {
        const bundle = await removeProject(storage, id);
        if (bundle) onUndo(() => void bringBack(bundle), String(bundle.stored.project?.name ?? 'Project'));
        else tell('refused');
      },
      importFile: async (file: File): Promise<string | null> => {
        if (file.size > MAX_FILE_CHARACTERS * 3) return importRefusal({ ok: false, reason: 'too-large' });
        const text = await file.text().catch(() => '');
        const outcome = await importProject(storage, text, nanoid(12));
        if (outcome.ok) {
          open(outcome.id);
          return null;
        }
        return outcome.reason === 'not-stored' ? storageTrouble(outcome.outcome) : importRefusal(outcome);
      },
      samples: async () => tell(await bringBackSamples(storage)),
    };
  }, [storage, notification, router]);
}
