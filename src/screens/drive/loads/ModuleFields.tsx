'use client';

import { Checkbox } from 'antd';
import type { ModuleLoad } from '@/core/loads/module';
import { changeLoad } from '@/core/project/edits';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useApply } from '@/ui/workbench/context';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

const inputs = [
  { value: 'active-high', label: 'active high' },
  { value: 'active-low', label: 'active low' },
] as const;

/** A ready-made relay module: its input, and what it takes itself. */
export function ModuleFields({ load, index, facts }: LoadFieldsProps<ModuleLoad>) {
  const apply = useApply();
  const figure = useFigure(load, index);
  return (
    <>
      <ChoiceField
        label="Input"
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
        It switches the mains
      </Checkbox>
      <p className="soft">Its own supply current comes on top of the input’s; the budget counts both.</p>
    </>
  );
}
