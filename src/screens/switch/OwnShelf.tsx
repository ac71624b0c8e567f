'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { switchWords } from '@/ui/words/panels/switch';
import styles from './Switch.module.css';

interface OwnShelfProps {
  readonly parts: readonly { readonly id: string; readonly name: string }[];
  readonly onRemove: (id: string) => void;
}

/** The own parts that this browser keeps, each to be thrown out; a project that uses one keeps its figures. */
export function OwnShelf({ parts, onRemove }: OwnShelfProps) {
  if (parts.length === 0) return null;
  return (
    <section aria-label={switchWords.savedParts}>
      <h3>{switchWords.savedParts}</h3>
      {parts.map(({ id, name }) => (
        <div key={id} className={styles.shelf}>
          <span>{name}</span>
          <Button
            type="text"
            size="small"
            icon={<DeleteOutlined />}
            aria-label={`Delete ${name}`}
            onClick={() => onRemove(id)}
          />
        </div>
      ))}
    </section>
  );
}
