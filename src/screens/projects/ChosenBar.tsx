'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { ProjectCard } from '@/store/storage';
import { projectsWords } from '@/ui/words/panels/projects';
import { cleanTags } from './cleanTags';
import styles from './ProjectsScreen.module.css';
import type { ProjectActions } from './useProjects';

/** Loaded when tags are to be typed. */
const TagInput = dynamic(async () => (await import('./TagInput')).TagInput, { ssr: false });

interface ChosenBarProps {
  readonly ids: readonly string[];
  readonly cards: readonly ProjectCard[];
  readonly tags: readonly string[];
  readonly isArchive: boolean;
  readonly actions: ProjectActions;
  readonly onDelete: (ids: readonly string[]) => void;
  readonly onClear: () => void;
}

/** What can be done with the projects that are chosen. */
export function ChosenBar(props: ChosenBarProps) {
  const { ids, cards, tags, isArchive, actions, onDelete, onClear } = props;
  const [isTagging, setTagging] = useState(false);
  const count = ids.length === 1 ? 'One project' : `${ids.length} projects`;
  /** Each keeps its own tags and gets the new ones too. */
  const addTags = async (added: readonly string[]) => {
    setTagging(false);
    for (const id of ids) {
      const own = cards.find((card) => card.id === id)?.tags ?? [];
      await actions.label([id], { tags: cleanTags([...own, ...added]) });
    }
  };
  return (
    <div className={styles.chosen} role="region" aria-label={`${count} chosen`}>
      <b>{count} chosen</b>
      {isTagging ? (
        <TagInput name={count} value={[]} known={tags} onDone={(added) => void addTags(added)} />
      ) : (
        <>
          <Button onClick={() => setTagging(true)}>{projectsWords.tags}</Button>
          <Button
            onClick={() => {
              onClear();
              void actions.label(ids, { isArchived: !isArchive });
            }}
          >
            {isArchive ? projectsWords.unarchive : projectsWords.archive}
          </Button>
          <Button
            danger
            onClick={() => {
              onClear();
              onDelete(ids);
            }}
          >
            {projectsWords.delete}
          </Button>
          <Button type="text" onClick={onClear}>
            {projectsWords.noneChosen}
          </Button>
        </>
      )}
    </div>
  );
}
