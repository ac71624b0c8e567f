'use client';

import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Dropdown, Select } from 'antd';
import { useId } from 'react';
import type { Step } from '@/core/design/advice';
import type { Design } from '@/core/design/analysis';
import { loadKinds, defaultLoads, type Load, type LoadKind } from '@/core/loads/load';
import { addLoad, removeLoad, takeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { useApply, useProject } from '@/ui/workbench/context';
import { loadText } from '@/ui/words/loads';
import { loadNames } from '@/ui/words/parts';
import styles from './DrivePanel.module.css';
import { LedFields } from './LedFields';
import { BuzzerFields, LampFields, ModuleFields, MotorFields, RelayFields } from './LoadFields';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

const kinds = loadKinds.map((value) => ({ value: value as LoadKind, label: loadNames[value] }));

/** Step 4: what hangs on the switch, one panel a load. */
export function DrivePanel({ design }: StepPanelProps) {
  const apply = useApply();
  const { loads } = useProject();
  const isFull = loads.length >= LIMITS.load.loads;
  return (
    <>
      {loads.map((load, index) => (
        <LoadPanel key={index} load={load} index={index} design={design} />
      ))}
      {isFull ? (
        <p className="soft">Up to {LIMITS.load.loads} loads hang on one switch.</p>
      ) : (
        <span>
          <Dropdown
            trigger={['click']}
            menu={{
              items: kinds.map(({ value, label }) => ({ key: value, label })),
              onClick: ({ key }) => apply(addLoad(defaultLoads[key as LoadKind])),
            }}
          >
            <Button icon={<PlusOutlined />}>Another load on the same switch</Button>
          </Dropdown>
        </span>
      )}
    </>
  );
}

interface LoadPanelProps {
  readonly load: Load;
  readonly index: number;
  readonly design: Design;
}

function LoadPanel({ load, index, design }: LoadPanelProps) {
  const id = useId();
  const apply = useApply();
  const { loads } = useProject();
  const name = design.loads[index]?.designator ?? '';
  return (
    <Panel
      title={`Load ${name}`}
      aside={
        loads.length > 1 && (
          <Button
            type="text"
            size="small"
            icon={<DeleteOutlined />}
            aria-label={`Take ${loadText(load)} ${name} off the switch`}
            onClick={() => apply(removeLoad(index))}
          />
        )
      }
    >
      <div className={styles.row}>
        <label htmlFor={id}>Load</label>
        <Select<LoadKind>
          id={id}
          value={load.kind}
          options={kinds}
          onChange={(kind) => apply(takeLoad(defaultLoads[kind], index))}
        />
      </div>
      <Fields load={load} index={index} design={design} />
    </Panel>
  );
}

function Fields({ load, index, design }: LoadPanelProps) {
  const facts = design.loads[index];
  if (!facts) return null;
  switch (load.kind) {
    case 'led':
      return <LedFields load={load} index={index} design={design} />;
    case 'buzzer':
      return <BuzzerFields load={load} index={index} facts={facts} />;
    case 'relay':
      return <RelayFields load={load} index={index} facts={facts} action={design.action} />;
    case 'module':
      return <ModuleFields load={load} index={index} facts={facts} />;
    case 'lamp':
      return <LampFields load={load} index={index} facts={facts} />;
    case 'motor':
      return <MotorFields load={load} index={index} facts={facts} />;
  }
}
