'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { SettingsButton } from '../settings/SettingsButton';
import { projectsWords } from '../words/panels/projects';
import styles from './PageFrame.module.css';

interface PageFrameProps {
  /** At the right end of the head. */
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}

/** A page outside the projects: what Yemko is, the way home, and a column of panels. */
export function PageFrame({ aside, children }: PageFrameProps) {
  return (
    <>
      <header className={styles.header}>
        <Link href="/" className={styles.brand}>
          {projectsWords.yemko}
        </Link>
        <span>{projectsWords.lightControlledCircuits}</span>
        {aside}
        <SettingsButton />
      </header>
      <main className={styles.main}>{children}</main>
    </>
  );
}
