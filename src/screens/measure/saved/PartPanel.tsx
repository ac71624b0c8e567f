'use client';

import { App, Button, Input, Select } from 'antd';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import { changePart } from '@/core/project/readingEdits';
import { savedLdrOf } from '@/core/project/savedLdr';
import { LDR_LIMITS, marks, type LdrPart } from '@/core/readings/ldrPart';
import type { Unit } from '@/core/quantity/unit';
import { openStorage } from '@/store/openStorage';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useProject } from '@/ui/workbench/context';
import { markNames } from '@/ui/words/measure/measuring';
import { storageTrouble } from '@/ui/words/refusals';
import styles from './Drawer.module.css';
import { SameLights } from './SameLights';
import { measureWords } from '@/ui/words/panels/measure';

/** What is known of the project's LDR beside its readings, and the way into the stock. */
export function PartPanel() {
  const id = useId();
  const apply = useApply();
  const project = useProject();
  const { message } = App.useApp();
  const { part, readings } = project;
  const keep = async () => {
    const storage = await openStorage();
    const outcome = await storage.ldrs.put(
      savedLdrOf(project, await storage.ldrs.all(), nanoid(10), Date.now()),
    );
    if (outcome === 'saved') void message.success(`“${part.name}” is saved.`);
    else void message.error(storageTrouble(outcome));
  };
  return (
    <Panel title={measureWords.thisLDR}>
      <TextField key={`n${part.name}`} label={measureWords.name} field="name" part={part} needed />
      <TextField key={`s${part.size}`} label={measureWords.size} field="size" part={part} />
      <TextField key={`b${part.bought}`} label={measureWords.boughtAt} field="bought" part={part} />
      <div className={styles.field}>
        <label htmlFor={id}>{measureWords.colourMark}</label>
        <Select
          id={id}
          value={part.mark}
          options={marks.map((value) => ({ value, label: markNames[value] }))}
          onChange={(mark) => apply(changePart({ mark }))}
        />
      </div>
      <NumberField label={measureWords.ratedVoltage} unit="V" field="maxVolts" part={part} />
      <NumberField label={measureWords.andAt25} unit="W" field="maxWatts" part={part} />
      <NumberField label={measureWords.riseTime} unit="s" field="riseSeconds" part={part} />
      <NumberField label={measureWords.fallTime} unit="s" field="fallSeconds" part={part} />
      <span className={styles.ways}>
        <Button type="primary" disabled={readings.length === 0} onClick={() => void keep()}>
          {measureWords.saveThisLDR}
        </Button>
        {readings.length > 0 && <SameLights />}
      </span>
    </Panel>
  );
}

interface TextFieldProps {
  readonly label: string;
  readonly field: 'name' | 'size' | 'bought';
  readonly part: LdrPart;
  readonly needed?: boolean;
}

function TextField({ label, field, part, needed = false }: TextFieldProps) {
  const id = useId();
  const apply = useApply();
  const [typed, setTyped] = useState(part[field]);
  const empty = needed && typed.trim() === '';
  const commit = () => {
    if (!empty && typed.trim() !== part[field]) apply(changePart({ [field]: typed.trim() }));
  };
  return (
    <div className={styles.field}>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        value={typed}
        maxLength={LDR_LIMITS.nameLength}
        status={empty ? 'error' : ''}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setTyped(part[field]);
        }}
      />
      {empty && (
        <p role="alert" className={styles.error}>
          {measureWords.anLDRNeeds}
        </p>
      )}
    </div>
  );
}

interface NumberFieldProps {
  readonly label: string;
  readonly unit: Unit;
  readonly field: 'maxVolts' | 'maxWatts' | 'riseSeconds' | 'fallSeconds';
  readonly part: LdrPart;
}

/** A figure from the leaflet; empty where nobody has looked it up. */
function NumberField({ label, unit, field, part }: NumberFieldProps) {
  const apply = useApply();
  return (
    <OptionalQuantity
      label={label}
      unit={unit}
      value={part[field]}
      limits={LDR_LIMITS[field]}
      whenEmpty="unknown"
      onCommit={(value) => apply(changePart({ [field]: value }))}
    />
  );
}
