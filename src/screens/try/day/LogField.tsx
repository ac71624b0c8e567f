'use client';

import { Select } from 'antd';
import { useId } from 'react';
import { useLogs } from '@/ui/live/useLogs';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';

interface LogFieldProps {
  readonly value: string | null;
  readonly onChange: (id: string) => void;
}

/** Which of the project's logs is the light. */
export function LogField({ value, onChange }: LogFieldProps) {
  const id = useId();
  const logs = useLogs(useProject().id);
  if (logs.length === 0) return <p className="soft">{tryWords.noLogs}</p>;
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{tryWords.log}</label>
      <Select
        id={id}
        value={value ?? undefined}
        options={logs.map((log) => ({ value: log.id, label: `${log.name} (${log.count} points)` }))}
        onChange={onChange}
        style={{ minWidth: 220, flex: 1 }}
      />
    </div>
  );
}
