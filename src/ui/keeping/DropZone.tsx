'use client';

import { App } from 'antd';
import type { ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { storageWords } from '../words/panels/storage';
import styles from './DropZone.module.css';
import { useTakeFiles } from './fileTaker';

/** The whole page takes files that are dropped on it. */
export function DropZone({ children }: { readonly children: ReactNode }) {
  const { notification } = App.useApp();
  const take = useTakeFiles();
  const { getRootProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    onDrop: (files) =>
      void take(files).then((refusals) => {
        for (const title of refusals) notification.error({ title, duration: 0 });
      }),
  });
  return (
    <div {...getRootProps()}>
      {children}
      {isDragActive && <div className={styles.over}>{storageWords.drop}</div>}
    </div>
  );
}
