'use client';

import type { MotorLoad } from '@/core/loads/motor';
import { Fact } from '@/ui/common/Panel';
import { amps } from '@/ui/words/figures';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

/** A small motor. */
export function MotorFields({ load, index, facts }: LoadFieldsProps<MotorLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', 'Made for', 'V')}
        {figure('ratedAmps', 'runs at', 'A')}
      </div>
      {figure('stallAmps', 'Held fast', 'A')}
      <Gets facts={facts} />
      <Fact name="Starting, for a moment" value={amps(facts.inrushAmps ?? 0)} />
      <p className="soft">{facts.flyback} lies across it, its stripe towards plus.</p>
    </>
  );
}
