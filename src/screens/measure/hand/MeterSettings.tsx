'use client';

import { DeleteOutlined } from '@ant-design/icons';
import { Button, Modal } from 'antd';
import { useId, useState } from 'react';
import { changeMeasurement, chooseMeter, putLevel } from '@/core/project/readingEdits';
import { shortest } from '@/core/quantity/notation';
import { LIMITS } from '@/core/project/project';
import type { Level } from '@/core/readings/reading';
import { openStorage } from '@/store/openStorage';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useApply, useProject } from '@/ui/workbench/context';
import styles from './MeterChoice.module.css';
import { OwnMeterForm } from './OwnMeterForm';
import { measureWords } from '@/ui/words/panels/measure';

/** What readings are taken with: own meters, how far to trust the light meter, the levels that one knows by name. */
export function MeterSettings({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Modal
      title={measureWords.whatYouMeasure}
      open={open}
      onCancel={onClose}
      footer={null}
      width={520}
      destroyOnHidden
    >
      <LightMeter />
      <Levels />
      <OwnMeters />
    </Modal>
  );
}

function LightMeter() {
  const id = useId();
  const apply = useApply();
  const { lightTolerance } = useProject();
  const field = useTypedText(shortest(lightTolerance * 100, 4), (text) => {
    const value = Number(text.replace(',', '.').replace('%', ''));
    const ok = text.trim() !== '' && value >= 0 && value <= 100;
    return ok ? { ok: true, taken: value / 100 } : { ok: false, sentence: 'From 0 to 100 %.' };
  });
  return (
    <section className={styles.section} aria-label={measureWords.lightMeter}>
      <h3>{measureWords.lightMeter}</h3>
      <div className={styles.row}>
        <label htmlFor={id}>{measureWords.mayBeOff}</label>
        <div className={styles.short}>
          <TypedInput
            id={id}
            field={field}
            unit="%"
            onCommit={(read) => read !== lightTolerance && apply(changeMeasurement({ lightTolerance: read }))}
          />
        </div>
      </div>
    </section>
  );
}

function Levels() {
  const { levels } = useProject();
  return (
    <section className={styles.section} aria-label={measureWords.levelsByName}>
      <h3>{measureWords.levelsByName}</h3>
      {levels.length === 0 && <p className="soft">{measureWords.noneYetType}</p>}
      {levels.map((level) => (
        <LevelRow key={level.id} level={level} />
      ))}
    </section>
  );
}

function LevelRow({ level }: { readonly level: Level }) {
  const apply = useApply();
  const commit = (lux: number | null) => {
    const changed = { ...level, lux };
    apply(putLevel(changed));
    void openStorage().then((storage) => storage.levels.put(changed));
  };
  return (
    <div className={styles.level}>
      <span>{level.name}</span>
      <OptionalQuantity
        label={`Lux of ${level.name}`}
        labelHidden
        unit="lx"
        whenEmpty="unknown"
        value={level.lux}
        limits={LIMITS.lux}
        onCommit={commit}
      />
      <Button
        type="text"
        icon={<DeleteOutlined />}
        aria-label={`Forget ${level.name} in other projects`}
        title={measureWords.noLongerOffer}
        onClick={() => void openStorage().then((storage) => storage.levels.remove(level.id))}
      />
    </div>
  );
}

function OwnMeters() {
  const apply = useApply();
  const meters = useRecords(tables.meters) ?? [];
  const [adding, setAdding] = useState(false);
  return (
    <section className={styles.section} aria-label={measureWords.ownMeters}>
      <h3>{measureWords.ownMeters}</h3>
      {meters.map((meter) => (
        <div key={meter.id} className={styles.row}>
          <span>
            {meter.name} <span className="soft">{meter.counts} counts</span>
          </span>
          <span>
            <Button size="small" onClick={() => apply(chooseMeter(meter))}>
              {measureWords.use}
            </Button>
            <Button
              type="text"
              size="small"
              icon={<DeleteOutlined />}
              aria-label={`Delete ${meter.name}`}
              onClick={() => void openStorage().then((storage) => storage.meters.remove(meter.id))}
            />
          </span>
        </div>
      ))}
      {adding ? (
        <OwnMeterForm
          onDone={(meter) => {
            setAdding(false);
            if (!meter) return;
            void openStorage().then((storage) => storage.meters.put(meter));
            apply(chooseMeter(meter));
          }}
        />
      ) : (
        <span>
          <Button onClick={() => setAdding(true)}>{measureWords.addAMeter}</Button>
        </span>
      )}
    </section>
  );
}
