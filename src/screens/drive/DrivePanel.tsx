'use client';

import { optionsFor } from '@/ui/fields/Choice';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Dropdown, Select } from 'antd';
import { useId } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { loadKinds } from '@/core/loads/kinds';
import { defaultLoads } from '@/core/loads/registry';
import type { Load } from '@/core/loads/registry';
import type { LoadKind } from '@/core/loads/kinds';
import { addLoad, removeLoad, takeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { useApply, useProject } from '@/ui/workbench/context';
import { loadText } from '@/ui/words/loads';
import { loadNames } from '@/ui/words/names';
import styles from './DrivePanel.module.css';
import { loadScreen } from './loads/registry';
import { driveWords } from '@/ui/words/panels/drive';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

const kinds = optionsFor(loadKinds, (kind) => loadNames[kind]);

/** Step 4: what hangs on the switch, one panel a load. */
export function DrivePanel({ design }: StepPanelProps) {
  const apply = useApply();
  const { loads } = useProject();
  const isFull = loads.length >= LIMITS.load.loads;
  const { hasOwnOutputs } = design.assembly;
  return (
    <>
      {loads.map((load, index) => (
        <LoadPanel key={index} load={load} index={index} design={design} />
      ))}
      {hasOwnOutputs ? (
        <p className="soft">{driveWords.eachStepHasOne}</p>
      ) : isFull ? (
        <p className="soft">Up to {LIMITS.load.loads} loads hang on one switch.</p>
      ) : (
        <span>
          <Dropdown
            trigger={['click']}
            menu={{
              items: kinds.map(({ value, label }) => ({
                key: value,
                label,
                onClick: () => apply(addLoad(defaultLoads[value])),
              })),
            }}
          >
            <Button icon={<PlusOutlined />}>{driveWords.anotherLoadOn}</Button>
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
  const { hasOwnOutputs } = design.assembly;
  // Each step of a ladder has the first load: another one has no place in it.
  const isUnused = hasOwnOutputs && index > 0;
  const name = isUnused ? '' : (design.loads[index]?.designator ?? '');
  return (
    <Panel
      title={hasOwnOutputs ? (isUnused ? driveWords.loadOfNone : driveWords.loadOfEachStep) : `Load ${name}`}
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
        <label htmlFor={id}>{driveWords.load}</label>
        <Select<LoadKind>
          id={id}
          value={load.kind}
          options={kinds}
          onChange={(kind) => apply(takeLoad(defaultLoads[kind], index))}
        />
      </div>
      {!isUnused && <Fields load={load} index={index} design={design} />}
    </Panel>
  );
}

function Fields({ load, index, design }: LoadPanelProps) {
  const facts = design.loads[index];
  const { Fields: OwnFields } = loadScreen(load);
  return facts && <OwnFields load={load} index={index} facts={facts} design={design} />;
}
