'use client';

import {
  DownloadOutlined,
  LinkOutlined,
  MoonOutlined,
  RedoOutlined,
  SunOutlined,
  UndoOutlined,
} from '@ant-design/icons';
import { Button, Input, Tooltip } from 'antd';
import Link from 'next/link';
import { memo, useState } from 'react';
import { rename } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { SettingsButton } from '../settings/SettingsButton';
import { useLook } from '../theme/look';
import { useExport } from '../keeping/exportProject';
import { ShareModal } from '../keeping/ShareModal';
import { storageWords } from '../words/panels/storage';
import { useApply, useSession, useWorkbench } from './context';
import styles from './Header.module.css';
import { sharedWords } from '@/ui/words/panels/shared';

/** Brand, project name, how saving goes, undo, redo, export. */
export const Header = memo(function Header({
  kept,
  onKeys,
}: {
  readonly kept: 'browser' | 'memory';
  readonly onKeys: () => void;
}) {
  const { session } = useWorkbench();
  const exportProject = useExport();
  const [isSharing, setSharing] = useState(false);
  const canUndo = useSession((state) => state.canUndo);
  const canRedo = useSession((state) => state.canRedo);
  return (
    <header className={styles.header}>
      <Link href="/" className={styles.brand} title={sharedWords.allProjects}>
        {sharedWords.yemko}
      </Link>
      <ProjectName />
      <SavedMark kept={kept} />
      <span className={styles.tools}>
        <Tooltip title={sharedWords.undoCtrlZ}>
          <Button
            type="text"
            icon={<UndoOutlined />}
            disabled={!canUndo}
            onClick={session.undo}
            aria-label={sharedWords.undo}
          />
        </Tooltip>
        <Tooltip title={sharedWords.redoCtrlShift}>
          <Button
            type="text"
            icon={<RedoOutlined />}
            disabled={!canRedo}
            onClick={session.redo}
            aria-label={sharedWords.redo}
          />
        </Tooltip>
        <Button
          type="text"
          icon={<DownloadOutlined />}
          aria-label={sharedWords.export}
          onClick={() => void exportProject(session.store.getState().project)}
        >
          <span className={styles.word}>{sharedWords.export}</span>
        </Button>
        <Tooltip title={storageWords.share}>
          <Button
            type="text"
            icon={<LinkOutlined />}
            aria-label={storageWords.share}
            onClick={() => setSharing(true)}
          />
        </Tooltip>
        {isSharing && (
          <ShareModal project={session.store.getState().project} onClose={() => setSharing(false)} />
        )}
        <LookButton />
        <SettingsButton />
        <Button type="text" onClick={onKeys} aria-label={sharedWords.keys}>
          ?
        </Button>
      </span>
    </header>
  );
});

function LookButton() {
  const { look, change } = useLook();
  const dark = look === 'dark-bench';
  return (
    <Tooltip title={dark ? 'Back to the day look (N)' : 'Dark bench: dim red, for dark readings (N)'}>
      <Button
        type="text"
        icon={dark ? <SunOutlined /> : <MoonOutlined />}
        aria-label={sharedWords.darkBench}
        aria-pressed={dark}
        onClick={() => change(dark ? 'day' : 'dark-bench')}
      />
    </Tooltip>
  );
}

function ProjectName() {
  const name = useSession((state) => state.project.name);
  const apply = useApply();
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const next = (typed ?? name).trim();
    if (next === '') return;
    setTyped(null);
    if (next !== name) apply(rename(next));
  };
  const empty = typed !== null && typed.trim() === '';
  return (
    <span className={styles.name}>
      <Input
        aria-label={sharedWords.projectName}
        variant="borderless"
        maxLength={LIMITS.nameLength}
        value={typed ?? name}
        data-typed={typed === null || typed === name ? 'no' : 'yes'}
        status={empty ? 'error' : ''}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') setTyped(null);
        }}
      />
      {empty && (
        <span role="alert" className={styles.nameError}>
          {sharedWords.aProjectNeeds}
        </span>
      )}
    </span>
  );
}

function SavedMark({ kept }: { readonly kept: 'browser' | 'memory' }) {
  const saving = useSession((state) => state.saving);
  const words = {
    saved: kept === 'browser' ? 'saved in this browser' : 'not stored',
    saving: 'saving …',
    refused: sharedWords.notStored,
    full: 'not stored',
    invalid: 'not stored: undo the last change',
    gone: 'deleted in another tab',
    newer: 'not stored',
  };
  return (
    <span className={styles.saved} role="status">
      {words[saving]}
    </span>
  );
}
