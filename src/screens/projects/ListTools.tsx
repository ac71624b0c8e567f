'use client';

import { SearchOutlined } from '@ant-design/icons';
import { Input, Segmented, Tag } from 'antd';
import { projectsWords } from '@/ui/words/panels/projects';
import styles from './ProjectsScreen.module.css';
import { orders, type ListView } from './shownCards';

const orderNames = {
  changed: projectsWords.byChange,
  name: projectsWords.byName,
  light: projectsWords.byLight,
} as const;
const places = [
  { value: 'use', label: projectsWords.inUse },
  { value: 'archive', label: projectsWords.archived },
];

interface ListToolsProps {
  readonly view: ListView;
  readonly tags: readonly string[];
  /** How many projects the view shows. */
  readonly count: number;
  readonly onChange: (change: Partial<ListView>) => void;
}

/** Search, order, tag, and whether the archive is looked at. */
export function ListTools({ view, tags, count, onChange }: ListToolsProps) {
  return (
    <div className={styles.find}>
      <Input
        type="search"
        allowClear
        prefix={<SearchOutlined />}
        aria-label={projectsWords.search}
        placeholder={projectsWords.searchHint}
        value={view.query}
        onChange={(event) => onChange({ query: event.target.value })}
      />
      <Segmented
        aria-label={projectsWords.sortBy}
        value={view.order}
        options={orders.map((value) => ({ value, label: orderNames[value] }))}
        onChange={(order) => onChange({ order })}
      />
      <Segmented
        aria-label={projectsWords.place}
        value={view.isArchive ? 'archive' : 'use'}
        options={places}
        onChange={(place) => onChange({ isArchive: place === 'archive' })}
      />
      {(tags.length > 0 || view.tag !== null) && (
        <span className={styles.tagRow} role="group" aria-label={projectsWords.tags}>
          {tags.map((tag) => (
            <Tag.CheckableTag
              key={tag}
              checked={view.tag === tag}
              onChange={(isOn) => onChange({ tag: isOn ? tag : null })}
            >
              {tag}
            </Tag.CheckableTag>
          ))}
        </span>
      )}
      <span className="visually-hidden" role="status">
        {count === 1 ? 'One project' : `${count} projects`}
      </span>
    </div>
  );
}
