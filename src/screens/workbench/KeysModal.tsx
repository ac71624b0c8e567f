'use client';

import { memo } from 'react';
import { Modal } from 'antd';
import styles from './KeysModal.module.css';
import { workbenchWords } from '@/ui/words/panels/workbench';

const keys: readonly (readonly [keys: string, does: string])[] = [
  ['1 … 7', 'go to a step of the chain'],
  ['← →', 'move the probe'],
  ['Page ↑ ↓', 'move the probe by a third of a decade'],
  ['Shift ← →', 'move the goal'],
  ['Alt', 'with any of these: ten times finer'],
  ['Enter', 'take what was typed'],
  ['Esc', 'bring the old value back'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['H', 'hold the live figure'],
  ['C', 'capture the live figure as a reading'],
  ['R', 'read another LDR at the same lights'],
  ['M', 'set a mark in the time log'],
  ['Enter or space', 'in Wiring: done, next step'],
  ['Backspace', 'in Wiring: a step back'],
  ['R', 'on the board: turn a part round'],
  ['N', 'dark bench, and back'],
  ['?', 'this list'],
];

/** What the keys do. */
export const KeysModal = memo(function KeysModal({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  return (
    <Modal title={workbenchWords.keys} open={open} onCancel={onClose} footer={null} width={420}>
      <dl className={styles.keys}>
        {keys.map(([key, does]) => (
          <div key={key}>
            <dt className="figures">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
});
