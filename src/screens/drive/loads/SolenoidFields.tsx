'use client';

import { Checkbox } from 'antd';
import type { SolenoidLoad } from '@/core/loads/solenoid';
import { LIMITS } from '@/core/project/project';
import { changeLoad } from '@/core/project/edits';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { watts } from '@/ui/words/figures';
import { driveWords } from '@/ui/words/panels/drive';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

/** What a coil for moments is usually made for, in s. */
const USUAL_SECONDS = 5;

/** A solenoid or latch: its coil, and how long that may be on. */
export function SolenoidFields({ load, index, facts }: LoadFieldsProps<SolenoidLoad>) {
  const apply = useApply();
  const figure = useFigure(load, index);
  const { maxOnSeconds } = load;
  return (
    <>
      <div className={styles.pair}>
        {figure('coilVolts', driveWords.coil, 'V')}
        {figure('coilOhms', driveWords.ofOhms, 'Ω')}
      </div>
      <Checkbox
        checked={maxOnSeconds === null}
        onChange={(event) =>
          apply(changeLoad({ maxOnSeconds: event.target.checked ? null : USUAL_SECONDS }, index))
        }
      >
        {driveWords.mayStayOn}
      </Checkbox>
      {maxOnSeconds !== null && (
        <QuantityField
          label={driveWords.longestAtATime}
          unit="s"
          value={maxOnSeconds}
          limits={LIMITS.load.onSeconds}
          onCommit={(value) => apply(changeLoad({ maxOnSeconds: value }, index))}
        />
      )}
      <Gets facts={facts} />
      <Fact name={driveWords.heatInCoil} value={watts(facts.watts)} />
      <p className="soft">{facts.flyback} lies across the coil, its stripe towards plus.</p>
    </>
  );
}
