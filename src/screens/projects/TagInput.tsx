'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { TAG_LIMITS } from '@/store/storage';
import { projectsWords } from '@/ui/words/panels/projects';
import { cleanTags } from './cleanTags';
import styles from './ProjectCard.module.css';

interface TagInputProps {
  readonly name: string;
  readonly value: readonly string[];
  readonly known: readonly string[];
  readonly onDone: (tags: readonly string[]) => void;
}

/** Tags of a project, or of several: typed, or taken from those in use. */
export function TagInput({ name, value, known, onDone }: TagInputProps) {
  const [tags, setTags] = useState(value);
  // What is typed and not yet taken counts too: Done loses nothing.
  const [typed, setTyped] = useState('');
  // A list opens only where there is something to take from it: it would lie over what stands below.
  const [isOpen, setOpen] = useState(false);
  const offered = known.filter((tag) => !tags.includes(tag) && tag.includes(typed.trim()));
  const take = (next: readonly string[]) => {
    setTags(cleanTags(next));
    setTyped('');
  };
  return (
    <span className={styles.tagInput}>
      <Select
        mode="tags"
        autoFocus
        aria-label={`Tags of ${name}`}
        placeholder={projectsWords.noTags}
        value={[...tags]}
        maxCount={TAG_LIMITS.count}
        tokenSeparators={[',']}
        options={known.map((tag) => ({ value: tag, label: tag }))}
        showSearch={{ searchValue: typed, onSearch: setTyped }}
        open={isOpen && offered.length > 0}
        onOpenChange={setOpen}
        onChange={(next: readonly string[]) => take(next)}
        onInputKeyDown={(event) => {
          if (event.key === 'Enter' && offered.length === 0) take([...tags, typed]);
        }}
      />
      {/* The field keeps the focus while it is pressed: losing it would move this button from under the pointer. */}
      <Button
        type="primary"
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => onDone(cleanTags([...tags, typed]))}
      >
        {projectsWords.done}
      </Button>
    </span>
  );
}
