'use client';

import type { LampLoad } from '@/core/loads/lamp';
import { Fact } from '@/ui/common/Panel';
import { amps } from '@/ui/words/figures';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

/** A small filament lamp. */
export function LampFields({ load, index, facts }: LoadFieldsProps<LampLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', 'Made for', 'V')}
        {figure('ratedAmps', 'at', 'A')}
      </div>
      <Gets facts={facts} />
      <Fact name="Cold, for a moment" value={amps(facts.inrushAmps ?? 0)} note="if the switch lets it" />
    </>
  );
}
