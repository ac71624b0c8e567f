'use client';

import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import type { Design } from '@/core/design/analysis';
import { chooseDecider } from '@/core/design/chooseDecider';
import { addVariant, freeVariant } from '@/core/project/variants';
import { deciderKinds, type DeciderKind } from '@/core/stages/decider';
import { Panel } from '@/ui/common/Panel';
import { GoalFields } from '@/ui/fields/GoalFields';
import { useApply, useProject } from '@/ui/workbench/context';
import { deciderNames } from '@/ui/words/deciding';
import { ChangeFields } from './ChangeFields';
import { CompareModal } from './CompareModal';
import { ComparatorFields } from './ComparatorFields';
import { ControllerFields } from './ControllerFields';
import { LadderFields } from './LadderFields';
import { OutputFields } from './OutputFields';
import { TimerFields } from './TimerFields';
import { WindowFields } from './WindowFields';
import styles from './Switch.module.css';

const kinds = deciderKinds.map((value) => ({ value: value as DeciderKind, label: deciderNames[value] }));

/** What decides between divider and switch, and its own parts. */
export function DeciderPanel({ design }: { readonly design: Design }) {
  const id = useId();
  const apply = useApply();
  const project = useProject();
  const { decider, others } = project;
  const free = freeVariant(project);
  const [comparing, setComparing] = useState(false);
  return (
    <Panel
      title="What decides"
      aside={
        <span className={styles.takes}>
          {others.length === 0 && free && (
            <Button size="small" onClick={() => apply(addVariant())}>
              Go on as variant {free}
            </Button>
          )}
          <Button size="small" onClick={() => setComparing(true)}>
            Compare
          </Button>
        </span>
      }
    >
      {comparing && <CompareModal onClose={() => setComparing(false)} />}
      <GoalFields />
      <div className={styles.row}>
        <label htmlFor={id}>Decided by</label>
        <Select
          id={id}
          value={decider.kind}
          options={kinds}
          onChange={(kind: DeciderKind) => apply(chooseDecider(kind))}
        />
      </div>
      {decider.kind === 'comparator' && <ComparatorFields design={design} settings={decider} />}
      {decider.kind === 'window' && <WindowFields settings={decider} />}
      {decider.kind === 'ladder' && <LadderFields settings={decider} />}
      {decider.kind === 'timer' && <TimerFields design={design} settings={decider} />}
      {decider.kind === 'controller' && <ControllerFields settings={decider} />}
      {decider.kind === 'change' && <ChangeFields settings={decider} />}
      {decider.kind !== 'transistor' && decider.kind !== 'ladder' && <OutputFields decider={decider} />}
    </Panel>
  );
}
