'use client';

import { Skeleton } from 'antd';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { LiveProvider } from '@/ui/live/LiveProvider';
import { StorageNotice } from '@/ui/keeping/StorageNotice';
import { useOpenProject } from '@/ui/workbench/useOpenProject';
import { WorkbenchContext } from '@/ui/workbench/context';
import { WorkbenchFrame } from './WorkbenchFrame';
import { workbenchWords } from '@/ui/words/panels/workbench';

/** One project, opened: waits for it, or says that it is not here. */
export function WorkbenchScreen() {
  const id = decodeURIComponent(usePathname().split('/')[2] ?? '');
  const opened = useOpenProject(id);
  if (opened.state === 'open') {
    return (
      <WorkbenchContext value={opened.workbench}>
        <LiveProvider projectId={id}>
          <WorkbenchFrame id={id} kept={opened.kept} />
        </LiveProvider>
      </WorkbenchContext>
    );
  }
  if (opened.state === 'opening') {
    return (
      <main className="lonely" aria-busy>
        <StorageNotice />
        <Skeleton active title={{ width: 200 }} paragraph={{ rows: 4, width: 400 }} />
      </main>
    );
  }
  return (
    <main className="lonely">
      {opened.state === 'damaged' ? (
        <>
          <h1>{workbenchWords.thisProjectIs}</h1>
          <p>
            What this browser has stored of it cannot be read, at “{opened.path}”. It is left as it is; an
            exported file of it can be imported again.
          </p>
        </>
      ) : (
        <>
          <h1>{workbenchWords.thisProjectIsNot}</h1>
          <p>{workbenchWords.itMayHave}</p>
        </>
      )}
      <p>
        <Link href="/">{workbenchWords.backToYour}</Link>
      </p>
    </main>
  );
}
