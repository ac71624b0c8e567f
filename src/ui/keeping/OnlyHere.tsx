'use client';

import { Alert, Button } from 'antd';
import { useStore } from 'zustand';
import { unsaved, type Unsaved } from '@/store/unsaved';
import { storageWords } from '../words/panels/storage';
import { useExport } from './exportProject';
import { saveLogCsv } from './saveLogCsv';
import styles from './OnlyHere.module.css';

/** What stands on this page only, each with a way to save it. */
export function OnlyHere() {
  const held = useStore(unsaved, (state) => state.held);
  const exportProject = useExport();
  if (held.size === 0) return null;
  const save = (what: Unsaved) => {
    if (what.kind === 'project') return exportProject(what.session.store.getState().project);
    const { record, series } = what.recorder;
    return saveLogCsv(record.name, series, record.marks);
  };
  return (
    <Alert
      type="warning"
      showIcon
      title={storageWords.onlyHere}
      description={
        <ul className={styles.list}>
          {[...held].map(([id, what]) => (
            <li key={id}>
              {nameOf(what)}{' '}
              <Button size="small" onClick={() => void save(what)}>
                {what.kind === 'project' ? storageWords.export : storageWords.saveCsv}
              </Button>
            </li>
          ))}
        </ul>
      }
    />
  );
}

const nameOf = (what: Unsaved) =>
  what.kind === 'project'
    ? `“${what.session.store.getState().project.name}”`
    : `“${what.recorder.record.name}”`;
