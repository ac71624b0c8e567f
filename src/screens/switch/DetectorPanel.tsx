'use client';

import { optionsFor } from '@/ui/fields/Choice';
import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import type { Design } from '@/core/design';
import { chooseDetector } from '@/core/size/chooseDetector';
import { addVariant, freeVariant } from '@/core/project/variants';
import { detectorKinds, type DetectorKind } from '@/core/detectors/kinds';
import { detectorDefinition } from '@/core/detectors/registry';
import { Panel } from '@/ui/common/Panel';
import { GoalFields } from '@/ui/fields/GoalFields';
import { useApply, useProject } from '@/ui/workbench/context';
import { detectorWords } from '@/ui/words/detectors';
import { CompareModal } from './CompareModal';
import { detectorScreen } from './detectors';
import { OutputFields } from './output/OutputFields';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const kinds = optionsFor(detectorKinds, (kind) => detectorWords[kind].name);

/** What switches between divider and load, and its own parts. */
export function DetectorPanel({ design }: { readonly design: Design }) {
  const id = useId();
  const apply = useApply();
  const project = useProject();
  const { detector, others } = project;
  const free = freeVariant(project);
  const { Fields } = detectorScreen(detector);
  const definition = detectorDefinition(detector);
  const output = definition.output(detector);
  const choices = definition.outputChoices(detector);
  const [comparing, setComparing] = useState(false);
  return (
    <Panel
      title={switchWords.switching}
      aside={
        <span className={styles.takes}>
          {others.length === 0 && free && (
            <Button size="small" onClick={() => apply(addVariant())}>
              Continue as variant {free}
            </Button>
          )}
          <Button size="small" onClick={() => setComparing(true)}>
            {switchWords.compare}
          </Button>
        </span>
      }
    >
      {comparing && <CompareModal onClose={() => setComparing(false)} />}
      <GoalFields />
      <div className={styles.row}>
        <label htmlFor={id}>{switchWords.switchedBy}</label>
        <Select
          id={id}
          value={detector.kind}
          options={kinds}
          onChange={(kind: DetectorKind) => apply(chooseDetector(kind))}
        />
      </div>
      {Fields && <Fields settings={detector} design={design} />}
      {output && (
        <OutputFields output={output} choices={choices} isEach={definition.loadOutputs(detector) !== null} />
      )}
    </Panel>
  );
}

/** A wide panel that a way of switching has of its own. */
export function DetectorMore({ design }: { readonly design: Design }) {
  const { detector } = useProject();
  const { More } = detectorScreen(detector);
  return More && <More settings={detector} design={design} />;
}
