'use client';

import { Input } from 'antd';
import { useState } from 'react';
import type { LogRecord } from '@/core/live/log';
import styles from './Log.module.css';
import { useChangeLog } from './useChangeLog';
import { measureWords } from '@/ui/words/panels/measure';

/** Name and note of a log, kept as one leaves the field; of the running one as of any other. */
export function LogNote({ record }: { readonly record: LogRecord }) {
  const changeLog = useChangeLog();
  const [name, setName] = useState(record.name);
  const [note, setNote] = useState(record.note);
  const keep = async () => {
    const change = { name: name.trim() || record.name, note: note.trim() };
    await changeLog(record.id, change);
  };
  return (
    <div className={styles.about}>
      <Input
        aria-label={measureWords.nameOfThe}
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
      <Input
        aria-label={measureWords.noteOfThe}
        placeholder={measureWords.noteWhereWhich}
        maxLength={500}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
    </div>
  );
}
