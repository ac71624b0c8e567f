'use client';

import {
  CopyOutlined,
  DeleteOutlined,
  DownloadOutlined,
  EditOutlined,
  InboxOutlined,
  TagOutlined,
} from '@ant-design/icons';
import { Button, Checkbox, Input, Tag } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { memo, useState, type ReactNode } from 'react';
import type { ProjectSummary } from '@/core/analyse/projectSummary';
import { fractionOfLux } from '@/core/light/range';
import { LIMITS } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import type { ProjectCard as Card } from '@/store/storage';
import { lightGradient } from '@/ui/axis/lightColors';
import { projectsWords } from '@/ui/words/panels/projects';
import { onBetween } from '@/ui/words/goal';
import { summaryText } from '@/ui/words/projects';
import { sampleSays } from '@/ui/words/help/starting';
import styles from './ProjectCard.module.css';
import type { ProjectActions } from './useProjects';

/** Loaded when tags are to be typed. */
const TagInput = dynamic(async () => (await import('./TagInput')).TagInput, { ssr: false });

interface ProjectCardProps {
  readonly card: Card;
  readonly summary: ProjectSummary;
  readonly actions: ProjectActions;
  readonly isChosen: boolean;
  /** Tags that other projects have. */
  readonly tags: readonly string[];
  readonly onChoose: (id: string, isChosen: boolean) => void;
  readonly onTag: (tag: string) => void;
  readonly onExport: (id: string) => void;
  readonly onDelete: (ids: readonly string[]) => void;
}

const sampleIds = new Set(sampleProjects.map(({ id }) => id));
const changed = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** One project in the list, with all that can be done to it there. */
export const ProjectCard = memo(function ProjectCard(props: ProjectCardProps) {
  const { card, summary, actions, isChosen, onChoose, onTag, onExport, onDelete } = props;
  const { id } = card;
  const { name } = summary;
  const [editing, setEditing] = useState<'name' | 'tags' | null>(null);
  return (
    <li className={styles.card}>
      <Checkbox
        aria-label={`Choose ${name}`}
        checked={isChosen}
        onChange={({ target }) => onChoose(id, target.checked)}
      />
      <div className={styles.text}>
        {editing === 'name' ? (
          <NameInput
            name={name}
            onDone={(next) => {
              setEditing(null);
              if (next !== null && next !== name) void actions.rename(id, next);
            }}
          />
        ) : (
          <Link href={`/project/${id}/measure`} prefetch={false} className={styles.name}>
            {name}
          </Link>
        )}
        <p>{summaryText(summary)}</p>
        <MiniAxis summary={summary} />
        {editing === 'tags' ? (
          <TagInput
            name={name}
            value={card.tags}
            known={props.tags}
            onDone={(tags) => {
              setEditing(null);
              void actions.label([id], { tags });
            }}
          />
        ) : (
          card.tags.length > 0 && (
            <span className={styles.tags}>
              {card.tags.map((tag) => (
                <button key={tag} type="button" onClick={() => onTag(tag)} aria-label={`Only ${tag}`}>
                  <Tag>{tag}</Tag>
                </button>
              ))}
            </span>
          )
        )}
        <p className="soft">
          {sampleIds.has(id) ? `Sample, made up. ${sampleSays[id] ?? ''} ` : ''}Changed{' '}
          {changed.format(card.changedAt)}
        </p>
      </div>
      <div className={styles.tools}>
        <Tool
          label={projectsWords.rename}
          name={name}
          icon={<EditOutlined />}
          onClick={() => setEditing('name')}
        />
        <Tool
          label={projectsWords.tags}
          name={name}
          icon={<TagOutlined />}
          onClick={() => setEditing('tags')}
        />
        <Tool
          label={projectsWords.duplicate}
          name={name}
          icon={<CopyOutlined />}
          onClick={() => void actions.duplicate(id)}
        />
        <Tool
          label={projectsWords.export}
          name={name}
          icon={<DownloadOutlined />}
          onClick={() => onExport(id)}
        />
        <Tool
          label={card.isArchived ? projectsWords.unarchive : projectsWords.archive}
          name={name}
          icon={<InboxOutlined />}
          onClick={() => void actions.label([id], { isArchived: !card.isArchived })}
        />
        <Tool
          label={projectsWords.delete}
          name={name}
          icon={<DeleteOutlined />}
          onClick={() => onDelete([id])}
        />
      </div>
    </li>
  );
});

/** The light axis in little: where the load is meant to be on, under the colours of light. */
export function MiniAxis({ summary }: { readonly summary: ProjectSummary }) {
  const { goal, range, scale } = summary;
  const placeOf = (lux: number) => `${fractionOfLux(lux, range) * 100}%`;
  const { from, to } = onBetween(summary);
  const on = {
    left: from === null ? 0 : placeOf(from),
    right: to === null ? 0 : `calc(100% - ${placeOf(to)})`,
  };
  return (
    <div className={styles.mini} aria-hidden>
      <div className={styles.miniLight} style={{ background: lightGradient(range, scale) }} />
      <div className={styles.miniLoad}>{from !== to && <i style={on} />}</div>
      <b style={{ left: placeOf(goal.lux) }} />
    </div>
  );
}

interface ToolProps {
  readonly label: string;
  readonly name: string;
  readonly icon: ReactNode;
  readonly onClick: () => void;
}

/** A button with its name as its title: a list may hold many. */
export function Tool({ label, name, icon, onClick }: ToolProps) {
  return <Button type="text" icon={icon} title={label} aria-label={`${label} ${name}`} onClick={onClick} />;
}

function NameInput({
  name,
  onDone,
}: {
  readonly name: string;
  readonly onDone: (name: string | null) => void;
}) {
  const [typed, setTyped] = useState(name);
  const empty = typed.trim() === '';
  const done = () => onDone(empty ? null : typed.trim());
  return (
    <span>
      <Input
        aria-label={`New name of ${name}`}
        autoFocus
        value={typed}
        maxLength={LIMITS.nameLength}
        status={empty ? 'error' : ''}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={done}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !empty) done();
          if (event.key === 'Escape') onDone(null);
        }}
      />
      {empty && (
        <span role="alert" className={styles.error}>
          {projectsWords.aProjectNeeds}
        </span>
      )}
    </span>
  );
}
