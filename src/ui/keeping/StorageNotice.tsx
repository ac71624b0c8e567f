'use client';

import { Alert, Button } from 'antd';
import { useStore } from 'zustand';
import { goOnInMemory, rawDump, storageState } from '@/store/openStorage';
import { storageWords } from '../words/panels/storage';
import { download } from '../common/download';
import styles from './StorageNotice.module.css';

/** Why the projects are not there yet, or not any more, and the ways on. */
export function StorageNotice() {
  const state = useStore(storageState, (store) => store.state);
  const wasOpen = useStore(storageState, (store) => store.wasOpen);
  if (state === 'opening' || state === 'open') return null;
  return (
    <Alert
      type="warning"
      showIcon
      title={storageWords[state]}
      description={
        <span className={styles.ways}>
          {state === 'newer' && (
            <Button type="primary" onClick={() => window.location.reload()}>
              {storageWords.reload}
            </Button>
          )}
          {state === 'newer' && !wasOpen && (
            <Button
              onClick={() =>
                void rawDump().then((text) => download('yemko-as-it-is.json', text, 'application/json'))
              }
            >
              {storageWords.saveRaw}
            </Button>
          )}
          {!wasOpen && <Button onClick={goOnInMemory}>{storageWords.goOn}</Button>}
        </span>
      }
    />
  );
}
