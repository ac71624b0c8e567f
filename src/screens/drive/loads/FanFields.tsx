'use client';

import type { FanLoad } from '@/core/loads/fan';
import { Fact } from '@/ui/common/Panel';
import { amps } from '@/ui/words/figures';
import { driveWords } from '@/ui/words/panels/drive';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

/** A brushless fan. */
export function FanFields({ load, index, facts }: LoadFieldsProps<FanLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', driveWords.madeFor, 'V')}
        {figure('ratedAmps', driveWords.takesThere, 'A')}
      </div>
      {figure('minVolts', driveWords.startsFrom, 'V')}
      <Gets facts={facts} />
      <Fact name={driveWords.starting} value={amps(facts.inrushAmps ?? 0)} />
      <p className="soft">{driveWords.fanNeedsNoDiode}</p>
    </>
  );
}
