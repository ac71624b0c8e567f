'use client';

import type { StripLoad } from '@/core/loads/strip';
import { Fact } from '@/ui/common/Panel';
import { percent } from '@/ui/words/figures';
import { driveWords } from '@/ui/words/panels/drive';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

/** An LED strip or a lamp module with its resistors inside. */
export function StripFields({ load, index, facts }: LoadFieldsProps<StripLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', driveWords.madeFor, 'V')}
        {figure('ratedAmps', driveWords.allOfItTakes, 'A')}
      </div>
      {figure('litVolts', driveWords.glowsFrom, 'V')}
      <Gets facts={facts} />
      <Fact
        name={driveWords.light}
        value={percent(facts.amps / load.ratedAmps)}
        note={driveWords.ofItsRated}
      />
      <p className="soft">{driveWords.stripSupply}</p>
    </>
  );
}
