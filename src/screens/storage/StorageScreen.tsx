'use client';

import { Skeleton } from 'antd';
import Link from 'next/link';
import { PageFrame } from '@/ui/common/PageFrame';
import { MemoryNotice } from '@/ui/keeping/MemoryNotice';
import { OnlyHere } from '@/ui/keeping/OnlyHere';
import { StorageNotice } from '@/ui/keeping/StorageNotice';
import { storageWords } from '@/ui/words/panels/storage';
import { UnreadList } from '../projects/UnreadList';
import { useProjectActions, useProjectList } from '../projects/useProjects';
import { BackupPanel } from './BackupPanel';
import { BinPanel } from './BinPanel';
import { RestorePanel } from './RestorePanel';
import { UsagePanel } from './UsagePanel';

/** What this browser keeps: backup, restore, what takes how much, the bin. */
export function StorageScreen() {
  const { storage, cards, isUnread, retry } = useProjectList();
  const actions = useProjectActions(storage);
  return (
    <PageFrame>
      <StorageNotice />
      {storage?.kept === 'memory' && <MemoryNotice />}
      <OnlyHere />
      <span>
        <Link href="/">← {storageWords.backToProjects}</Link>
      </span>
      <h1>{storageWords.title}</h1>
      {isUnread && <UnreadList onRetry={retry} />}
      {storage && cards && actions ? (
        <>
          <BackupPanel storage={storage} />
          <RestorePanel storage={storage} />
          <UsagePanel storage={storage} cards={cards} />
          <BinPanel storage={storage} cards={cards} actions={actions} />
        </>
      ) : (
        !isUnread && <Skeleton active paragraph={{ rows: 6 }} />
      )}
    </PageFrame>
  );
}
