'use client';

import { Button, Skeleton } from 'antd';
import { nanoid } from 'nanoid';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { summaryOf } from '@/core/analyse/projectSummary';
import type { ImportRefusal, ReadProject } from '@/core/project/file';
import type { Ok } from '@/core/result';
import { openStorage } from '@/store/openStorage';
import { askToPersist } from '@/store/persist';
import { addCopy } from '@/store/projects';
import { readShareFragment } from '@/store/share';
import { steps } from '@/ui/chain/SignalChain';
import { stepNames } from '@/ui/words/names';
import { PageFrame } from '@/ui/common/PageFrame';
import { analysisOf } from '@/ui/workbench/analysisCache';
import { keyFigure } from '@/ui/words/keyFigures';
import { storageWords } from '@/ui/words/panels/storage';
import { summaryText } from '@/ui/words/projects';
import { linkRefusal, storageTrouble } from '@/ui/words/refusals';
import { MiniAxis } from '../projects/ProjectCard';
import styles from './Share.module.css';

/** A project that came with a link: shown first, kept when the user says so. */
export function ShareScreen() {
  const [read, setRead] = useState<Ok<ReadProject> | ImportRefusal | null>(null);
  useEffect(() => {
    const look = () => setRead(readShareFragment(window.location.hash.slice(1)));
    look();
    window.addEventListener('hashchange', look);
    return () => window.removeEventListener('hashchange', look);
  }, []);
  return (
    <PageFrame>
      <h1>{storageWords.shared}</h1>
      {read === null ? (
        <Skeleton active paragraph={{ rows: 4 }} />
      ) : read.ok ? (
        <Preview read={read} />
      ) : (
        <p role="alert">{linkRefusal(read)}</p>
      )}
      <Link href="/">{storageWords.backToProjects}</Link>
    </PageFrame>
  );
}

function Preview({ read }: { readonly read: ReadProject }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const { project } = read;
  const analysis = analysisOf(project);
  const design = analysis.ok ? analysis.design : null;
  const summary = summaryOf(project);
  const keep = async () => {
    const { outcome, id } = await addCopy(await openStorage(), read, () => nanoid(12));
    if (outcome !== 'saved') return setTrouble(storageTrouble(outcome));
    askToPersist();
    router.push(`/project/${id}/measure`);
  };
  return (
    <section className={styles.card} aria-label={project.name}>
      <h2>{project.name}</h2>
      <p>{summaryText(summary)}</p>
      <MiniAxis summary={summary} />
      <dl className={styles.figures}>
        {steps.map((step) => {
          const { figure, note } = keyFigure(step, project, design);
          return (
            <div key={step}>
              <dt>{stepNames[step]}</dt>
              <dd>
                <b className="figures">{figure}</b> <span className="soft">{note}</span>
              </dd>
            </div>
          );
        })}
      </dl>
      <p className="soft">{storageWords.sharedNote}</p>
      {trouble && <p role="alert">{trouble}</p>}
      <span>
        <Button type="primary" onClick={() => void keep()}>
          {storageWords.keepIt}
        </Button>
      </span>
    </section>
  );
}
