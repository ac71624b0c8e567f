'use client';

import { fixed } from '@/core/quantity/notation';
import { loudnessOf, type BuzzerLoad } from '@/core/loads/buzzer';
import { Fact } from '@/ui/common/Panel';
import { volts } from '@/ui/words/figures';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

/** An active buzzer: its range, and how loud it is here. */
export function BuzzerFields({ load, index, facts }: LoadFieldsProps<BuzzerLoad>) {
  const figure = useFigure(load, index);
  const loudness = loudnessOf(load, facts.volts);
  return (
    <>
      <div className={styles.pair}>
        {figure('minVolts', 'From', 'V')}
        {figure('maxVolts', 'to', 'V')}
      </div>
      {figure('ratedVolts', 'Rated at', 'V')}
      {figure('ratedAmps', 'Current there', 'A')}
      {figure('decibels', 'Loudness there, 10 cm', 'dB')}
      <Gets facts={facts} />
      <Fact
        name="Sounds"
        value={loudness === null ? 'silent' : `${fixed(load.decibels + loudness, 0)} dB`}
        note={loudness === null ? `needs ${volts(load.minVolts)}` : 'at 10 cm'}
      />
      <p className="soft">{driveWords.theActiveKind}</p>
    </>
  );
}
