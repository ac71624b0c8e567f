'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import type { OutputKind } from '@/core/parts/base';
import { switchWords } from '@/ui/words/panels/switch';
import { CustomIcModal, type IcFigure, type IcModel } from './CustomIcModal';
import styles from './Switch.module.css';

interface PartSelectProps<P extends IcModel> {
  readonly part: P;
  readonly offered: readonly P[];
  readonly nameOf: (part: P) => string;
  /** What its datasheet says of it. */
  readonly figures: readonly IcFigure[];
  /** The kinds of output that work here. */
  readonly outputs?: readonly OutputKind[];
  readonly onTake: (part: P) => void;
}

/** One part out of a list, the one in use among them; or one by its datasheet. */
export function PartSelect<P extends IcModel>({
  part,
  offered,
  nameOf,
  figures,
  outputs = [],
  onTake,
}: PartSelectProps<P>) {
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  const all = offered.some((other) => other.id === part.id) ? offered : [...offered, part];
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{switchWords.part}</label>
      <Select
        id={id}
        value={part.id}
        options={all.map((other) => ({ value: other.id, label: nameOf(other) }))}
        onChange={(chosen: string) => {
          const found = all.find((other) => other.id === chosen);
          if (found) onTake(found);
        }}
      />
      <Button
        icon={<PlusOutlined />}
        aria-label={switchWords.customPart}
        title={switchWords.byItsDatasheet}
        onClick={() => setOpen(true)}
      />
      {isOpen && (
        <CustomIcModal
          part={part}
          figures={figures}
          outputs={outputs}
          onTake={onTake}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}
