'use client';

import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { memo, useCallback, useState } from 'react';
import type { Step } from '@/core/design/advice';
import type { Design } from '@/core/design/analysis';
import styles from './AxisPanel.module.css';
import { FiguresDrawer } from './FiguresDrawer';
import { LightAxis } from './LightAxis';
import { BesideStrip } from './BesideStrip';
import { LoadStrip, ResidualStrip, ResistanceStrip, VoltageStrip } from './AxisStrips';

/**
 * The light axis with its three strips: resistance, voltages, load; while measuring, how far the readings lie off the
 * curve in place of the voltages.
 */
export function AxisPanel({ design, step }: { readonly design: Design; readonly step: Step }) {
  const measuring = step === 'measure';
  const [tableOpen, setTableOpen] = useState(false);
  const openTable = useCallback(() => setTableOpen(true), []);
  return (
    <section className={styles.panel} aria-label="Light axis">
      <LightAxis design={design}>
        <ResistanceStrip design={design} height={measuring ? 150 : 114} />
        {measuring && design.ldr.source !== 'named' && <ResidualStrip design={design} />}
        {!measuring && <VoltageStrip design={design} />}
        <LoadStrip design={design} height={measuring ? 60 : 84} />
        {!measuring && <BesideStrip range={design.range} />}
      </LightAxis>
      <Foot onTable={openTable} decides={design.decision !== null} />
      {tableOpen && <FiguresDrawer design={design} open onClose={() => setTableOpen(false)} />}
    </section>
  );
}

/** What the marks mean, and the table behind the strips. */
const Foot = memo(function Foot({
  onTable,
  decides,
}: {
  readonly onTable: () => void;
  readonly decides: boolean;
}) {
  return (
    <footer className={styles.foot}>
      <span className={styles.key}>
        <i className={styles.goalKey} /> goal
      </span>
      <span className={styles.key}>
        <i className={styles.halfKey} /> {decides ? 'turns on' : 'half on'}
      </span>
      <span className={styles.key}>
        <i className={styles.softKey} /> {decides ? 'stays as it was' : 'soft band, 1 % to 90 %'}
      </span>
      <span className={styles.hint}>
        <kbd>←</kbd> <kbd>→</kbd> move the probe, with <kbd>Shift</kbd> the goal
      </span>
      <Button size="small" icon={<TableOutlined />} onClick={onTable}>
        Figures
      </Button>
    </footer>
  );
});
