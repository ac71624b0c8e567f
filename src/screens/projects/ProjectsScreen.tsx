'use client';

import { DatabaseOutlined, FolderOpenOutlined, PlusOutlined } from '@ant-design/icons';
import { Alert, Button, Skeleton } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { PageFrame } from '@/ui/common/PageFrame';
import { MemoryNotice } from '@/ui/keeping/MemoryNotice';
import { OnlyHere } from '@/ui/keeping/OnlyHere';
import { useTakeFiles } from '@/ui/keeping/fileTaker';
import { StorageNotice } from '@/ui/keeping/StorageNotice';
import { useBackupDue } from '@/ui/keeping/useBackupDue';
import { projectsWords } from '@/ui/words/panels/projects';
import { storageWords } from '@/ui/words/panels/storage';
import { ProjectCards } from './ProjectCards';
import { UnreadList } from './UnreadList';
import styles from './ProjectsScreen.module.css';
import { StartCards } from './StartCards';
import { useProjectActions, useProjectList } from './useProjects';

/** What the list of files shows first; any other that is chosen is refused with a reason. */
const FILES = '.json,.zip,application/json,application/zip';

/** Every project of this browser: open, start, find, order, import. */
export function ProjectsScreen() {
  const { storage, cards, isUnread, retry } = useProjectList();
  const actions = useProjectActions(storage);
  const takeFiles = useTakeFiles();
  const isBackupDue = useBackupDue(cards);
  const [refusals, setRefusals] = useState<readonly string[]>([]);
  // The whole page takes what is dropped: this one only opens the list of files.
  const { getInputProps, open } = useDropzone({
    disabled: !actions,
    noClick: true,
    noDrag: true,
    onDrop: (files) => {
      setRefusals([]);
      void takeFiles(files).then(setRefusals);
    },
  });
  return (
    <PageFrame
      aside={
        <Link
          href="/storage"
          prefetch={false}
          className={`${styles.storage} ${isBackupDue ? styles.isDue : ''}`}
        >
          <DatabaseOutlined /> {projectsWords.storage}
        </Link>
      }
    >
      <StorageNotice />
      {storage?.kept === 'memory' && <MemoryNotice />}
      <OnlyHere />
      {isBackupDue && (
        <Alert
          type="info"
          showIcon
          title={storageWords.remind}
          action={<Link href="/storage">{storageWords.makeBackup}</Link>}
        />
      )}
      <div className={styles.top}>
        <h1>{projectsWords.projects}</h1>
        <input {...getInputProps({ accept: FILES, 'aria-label': projectsWords.importAFile })} />
        <Button icon={<FolderOpenOutlined />} disabled={!actions} onClick={open}>
          {projectsWords.importAFile}
        </Button>
        <Button
          type="primary"
          icon={<PlusOutlined />}
          disabled={!actions}
          onClick={() => void actions?.create()}
        >
          {projectsWords.newProject}
        </Button>
      </div>
      <StartCards isReady={actions !== null} onStart={(starting) => void actions?.start(starting)} />
      {refusals.map((refusal) => (
        <Alert
          key={refusal}
          type="error"
          showIcon
          title={refusal}
          closable={{
            onClose: () => setRefusals(refusals.filter((other) => other !== refusal)),
            'aria-label': 'Close',
          }}
        />
      ))}
      {isUnread && <UnreadList onRetry={retry} />}
      {cards === null || actions === null || storage === null ? (
        isUnread ? null : (
          <Skeleton active paragraph={{ rows: 6 }} />
        )
      ) : (
        <ProjectCards storage={storage} cards={cards} actions={actions} />
      )}
    </PageFrame>
  );
}
