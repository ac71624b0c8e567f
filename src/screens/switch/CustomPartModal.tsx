'use client';

import { propertyOf } from '@/core/record';
import { Button, Input, Modal } from 'antd';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import type { Unit } from '@/core/quantity/unit';
import { takeTransistor } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { drivers, transistorTrouble, type TransistorModel } from '@/core/drivers/registry';
import { openStorage } from '@/store/openStorage';
import { QuantityField } from '@/ui/fields/QuantityField';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useApply, useProject } from '@/ui/workbench/context';
import { partTroubles, transistorNames } from '@/ui/words/names';
import { OwnShelf } from './OwnShelf';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

type Figure = readonly [key: string, label: string, unit: Unit, limits: { min: number; max: number }];
const { transistor } = LIMITS;

const bipolarFigures: readonly Figure[] = [
  ['minBeta', 'β (hFE), minimum', '×', transistor.beta],
  ['typicalBeta', 'β, typical', '×', transistor.beta],
  ['maxBeta', 'β, maximum', '×', transistor.beta],
  ['maxBaseAmps', 'Base current, maximum', 'A', transistor.maxBaseAmps],
];
const mosFigures: readonly Figure[] = [
  ['minThresholdVolts', 'Gate threshold, minimum', 'V', transistor.thresholdVolts],
  ['typicalThresholdVolts', 'Threshold, typical', 'V', transistor.thresholdVolts],
  ['maxThresholdVolts', 'Threshold, maximum', 'V', transistor.thresholdVolts],
  ['onOhms', 'On-resistance at 4.5 V', 'Ω', transistor.onOhms],
  ['maxGateVolts', 'Gate voltage, maximum', 'V', transistor.maxGateVolts],
];
const sharedFigures: readonly Figure[] = [
  ['maxAmps', 'Load current, maximum', 'A', transistor.maxAmps],
  ['maxVolts', 'Voltage when off, maximum', 'V', transistor.maxVolts],
  ['maxWatts', 'Heat without a heat sink', 'W', transistor.maxWatts],
];

/** A part by its datasheet: it goes on the shelf of this browser, and into the project. */
export function CustomPartModal({ onClose }: { readonly onClose: () => void }) {
  const id = useId();
  const apply = useApply();
  const { part } = useProject().driver;
  const [draft, setDraft] = useState<TransistorModel>(() => ({ ...part, id: nanoid(10), name: '' }));
  const [asked, setAsked] = useState(false);
  const shelf = useRecords(tables.transistors) ?? [];
  const trouble = asked ? transistorTrouble(draft) : null;
  const add = () => {
    setAsked(true);
    if (transistorTrouble(draft)) return;
    void openStorage().then((storage) => storage.transistors.put(draft));
    apply(takeTransistor(draft));
    onClose();
  };
  const figures = [
    ...(drivers[draft.kind].control === 'gate' ? mosFigures : bipolarFigures),
    ...sharedFigures,
  ];
  return (
    <Modal title={`Custom ${transistorNames[part.kind]}`} open onCancel={onClose} footer={null} width={440}>
      <div className={styles.form}>
        <div className={styles.row}>
          <label htmlFor={id}>{switchWords.name}</label>
          <Input
            id={id}
            value={draft.name}
            maxLength={transistor.nameLength}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
          />
        </div>
        {figures.map(([key, label, unit, limits]) => (
          <QuantityField
            key={key}
            label={label}
            unit={unit}
            value={Number(propertyOf(draft, key))}
            limits={limits}
            onCommit={(value) => setDraft((present) => ({ ...present, [key]: value }))}
          />
        ))}
        {trouble && (
          <p role="alert" className={styles.trouble}>
            {partTroubles[trouble]}
          </p>
        )}
        <span>
          <Button type="primary" onClick={add}>
            {switchWords.saveItAnd}
          </Button>
        </span>
        <OwnShelf
          parts={shelf.filter((own) => own.kind === part.kind)}
          onRemove={(gone) => void openStorage().then((storage) => storage.transistors.remove(gone))}
        />
      </div>
    </Modal>
  );
}
