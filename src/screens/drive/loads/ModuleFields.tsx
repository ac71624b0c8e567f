'use client';

import { Checkbox } from 'antd';
import type { ModuleLoad } from '@/core/loads/module';
import { changeLoad } from '@/core/project/edits';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useApply } from '@/ui/workbench/context';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

const inputs = [
  { value: 'active-high', label: driveWords.activeHigh },
  { value: 'active-low', label: driveWords.activeLow },
] as const;

/** A ready-made relay module: its input, and what it takes itself. */
export function ModuleFields({ load, index, facts }: LoadFieldsProps<ModuleLoad>) {
  const apply = useApply();
  const figure = useFigure(load, index);
  return (
    <>
      <ChoiceField
        label={driveWords.input}
        value={load.input}
        options={inputs}
        onChange={(input) => apply(changeLoad({ input }, index))}
      />
      {figure('ratedVolts', 'Supply and signal', 'V')}
      {figure('inputAmps', 'Into its input', 'A')}
      <div className={styles.pair}>
        {figure('idleAmps', 'Idle', 'A')}
        {figure('onAmps', 'On', 'A')}
      </div>
      <Gets facts={facts} />
      <Checkbox
        checked={load.useMains}
        onChange={(event) => apply(changeLoad({ useMains: event.target.checked }, index))}
      >
        {driveWords.itSwitchesThe}
      </Checkbox>
      <p className="soft">{driveWords.itsOwnSupply}</p>
    </>
  );
}
