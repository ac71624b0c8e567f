'use client';

import { isOneOf } from '@/core/record';
import { SettingOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { shippedMeterIds } from '@/core/meter/meter';
import { chooseMeter } from '@/core/project/readingEdits';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useApply, useProject } from '@/ui/workbench/context';
import { meterNames } from '@/ui/words/measure/measuring';
import styles from './MeterChoice.module.css';
import { MeterSettings } from './MeterSettings';
import { measureWords } from '@/ui/words/panels/measure';

const shippedOptions = shippedMeterIds.map((id) => ({ value: id, label: meterNames[id] }));

/** Which meter the readings are from: it weighs them, has the ranges, and says what OL means. */
export function MeterChoice() {
  const apply = useApply();
  const { meter } = useProject();
  const own = useRecords(tables.meters) ?? [];
  const [open, setOpen] = useState(false);
  const inUse = meter !== null && typeof meter !== 'string' ? [meter] : [];
  const ownById = new Map([...own, ...inUse].map((entry) => [entry.id, entry]));
  const choose = (value: string) => {
    if (value === '') return apply(chooseMeter(null));
    const own = ownById.get(value);
    if (own) apply(chooseMeter(own));
    else if (isOneOf(shippedMeterIds, value)) apply(chooseMeter(value));
  };
  return (
    <span className={styles.meter}>
      <Select
        size="small"
        aria-label={measureWords.meter}
        className={styles.select}
        value={meter === null ? '' : typeof meter === 'string' ? meter : meter.id}
        options={[
          ...shippedOptions,
          ...[...ownById.values()].map(({ id, name }) => ({ value: id, label: name })),
          { value: '', label: measureWords.meterUnknown },
        ]}
        onChange={choose}
      />
      <Button
        type="text"
        size="small"
        icon={<SettingOutlined />}
        aria-label={measureWords.metersLightMeter}
        title={measureWords.ownMetersThe}
        onClick={() => setOpen(true)}
      />
      <MeterSettings open={open} onClose={() => setOpen(false)} />
    </span>
  );
}
