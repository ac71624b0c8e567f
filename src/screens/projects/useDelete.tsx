import { App, Button } from 'antd';
import { useCallback, useEffect, useRef } from 'react';
import type { ProjectCard } from '@/store/storage';
import { projectsWords } from '@/ui/words/panels/projects';
import type { ProjectActions } from './useProjects';

/** Puts projects into the bin and offers the way back; the offer stays until it has worked. */
export function useDelete(actions: ProjectActions, cards: readonly ProjectCard[]) {
  const { notification } = App.useApp();
  const known = useRef(cards);
  useEffect(() => {
    known.current = cards;
  }, [cards]);
  return useCallback(
    (ids: readonly string[]) => {
      const named = known.current.find(({ id }) => id === ids[0])?.summary?.name;
      void actions.label(ids, { deletedAt: Date.now() }).then((isDone) => {
        if (!isDone) return;
        const key = `deleted-${ids.join('-')}`;
        const undo = async () => {
          if (await actions.label(ids, { deletedAt: null })) notification.destroy(key);
        };
        notification.open({
          key,
          title:
            ids.length === 1
              ? `“${named ?? 'The project'}” is deleted`
              : `${ids.length} projects are deleted`,
          description:
            ids.length === 1 ? 'It stays in the bin for 30 days.' : 'They stay in the bin for 30 days.',
          duration: 12,
          actions: (
            <Button type="primary" size="small" onClick={() => void undo()}>
              {projectsWords.undo}
            </Button>
          ),
        });
      });
    },
    [actions, notification],
  );
}
