'use client';

import { Button, Input, Modal } from 'antd';
import { useState } from 'react';
import type { Project } from '@/core/project/project';
import { shareFragment } from '@/store/share';
import { storageWords } from '../words/panels/storage';
import { useExport } from './exportProject';
import styles from './ShareModal.module.css';

interface ShareModalProps {
  readonly project: Project;
  readonly onClose: () => void;
}

/** A link that carries the whole project; the file where that is too long. */
export function ShareModal({ project, onClose }: ShareModalProps) {
  const exportProject = useExport();
  const [said, setSaid] = useState('');
  const shared = shareFragment(project);
  const link = shared.ok ? `${window.location.origin}/share#${shared.fragment}` : '';
  const copy = () =>
    void navigator.clipboard.writeText(link).then(
      () => setSaid(storageWords.copied),
      () => setSaid(storageWords.notCopied),
    );
  return (
    <Modal title={storageWords.shareTitle} open onCancel={onClose} footer={null} width={560}>
      <div className={styles.share}>
        {shared.ok ? (
          <>
            <p>{storageWords.shareHow}</p>
            <Input.TextArea
              readOnly
              rows={4}
              value={link}
              aria-label={storageWords.shareTitle}
              onFocus={(event) => event.currentTarget.select()}
            />
            <span className={styles.ways}>
              <Button type="primary" onClick={copy}>
                {storageWords.copyLink}
              </Button>
              <span role="status">{said}</span>
            </span>
          </>
        ) : (
          <>
            <p>{storageWords.tooLong}</p>
            <span>
              <Button type="primary" onClick={() => void exportProject(project)}>
                {storageWords.export}
              </Button>
            </span>
          </>
        )}
      </div>
    </Modal>
  );
}
