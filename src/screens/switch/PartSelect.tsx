'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import type { OutputKind } from '@/core/parts/base';
import type { OwnIc } from '@/core/parts/ownIc';
import { tables, useRecords } from '@/ui/library/useRecords';
import { switchWords } from '@/ui/words/panels/switch';
import { CustomIcModal, type IcFigure } from './CustomIcModal';
import styles from './Switch.module.css';

interface PartSelectProps<P extends OwnIc> {
  readonly part: P;
  readonly offered: readonly P[];
  readonly nameOf: (part: P) => string;
  /** What its datasheet says of it. */
  readonly figures: readonly IcFigure[];
  /** The kinds of output that work here. */
  readonly outputs?: readonly OutputKind[];
  /** The same part where it is of the sort that goes here; else `null`. */
  readonly asOffered: (ic: OwnIc) => P | null;
  readonly onTake: (part: P) => void;
}

/** One part out of a list, own ones and the one in use among them; or one by its datasheet. */
export function PartSelect<P extends OwnIc>({
  part,
  offered,
  nameOf,
  figures,
  outputs = [],
  asOffered,
  onTake,
}: PartSelectProps<P>) {
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  const own = useRecords(tables.ics) ?? [];
  const shelf = own.flatMap((ic) => asOffered(ic) ?? []);
  const all = [...new Map([...offered, ...shelf, part].map((other) => [other.id, other])).values()];
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
          shelf={shelf}
          figures={figures}
          outputs={outputs}
          onTake={onTake}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}
