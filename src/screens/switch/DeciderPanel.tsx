'use client';

import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import type { Design } from '@/core/design/analysis';
import { chooseDetector } from '@/core/design/chooseDecider';
import { addVariant, freeVariant } from '@/core/project/variants';
import { detectorKinds, type DetectorKind } from '@/core/stages/decider';
import { Panel } from '@/ui/common/Panel';
import { GoalFields } from '@/ui/fields/GoalFields';
import { useApply, useProject } from '@/ui/workbench/context';
import { detectorNames } from '@/ui/words/deciding';
import { ChangeFields } from './ChangeFields';
import { CompareModal } from './CompareModal';
import { ComparatorFields } from './ComparatorFields';
import { ControllerFields } from './ControllerFields';
import { LadderFields } from './LadderFields';
import { OutputFields } from './OutputFields';
import { TimerFields } from './TimerFields';
import { WindowFields } from './WindowFields';
import styles from './Switch.module.css';

const kinds = detectorKinds.map((value) => ({ value: value as DetectorKind, label: detectorNames[value] }));

/** What decides between divider and switch, and its own parts. */
export function DetectorPanel({ design }: { readonly design: Design }) {
  const id = useId();
  const apply = useApply();
  const project = useProject();
  const { detector, others } = project;
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
          value={detector.kind}
          options={kinds}
          onChange={(kind: DetectorKind) => apply(chooseDetector(kind))}
        />
      </div>
      {detector.kind === 'comparator' && <ComparatorFields design={design} settings={detector} />}
      {detector.kind === 'window' && <WindowFields settings={detector} />}
      {detector.kind === 'ladder' && <LadderFields settings={detector} />}
      {detector.kind === 'timer' && <TimerFields design={design} settings={detector} />}
      {detector.kind === 'controller' && <ControllerFields settings={detector} />}
      {detector.kind === 'change' && <ChangeFields settings={detector} />}
      {detector.kind !== 'transistor' && detector.kind !== 'ladder' && <OutputFields detector={detector} />}
    </Panel>
  );
}
