'use client';

import { DownOutlined, TableOutlined, UpOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { memo, useCallback, useDeferredValue, useState } from 'react';
import type { Step } from '@/core/advise/advice';
import { isCrossedApart } from '@/core/analyse/curves/boundaries';
import type { Design } from '@/core/design';
import { exactly, flag } from '@/core/schema';
import { useKept } from '../common/useKept';
import styles from './AxisPanel.module.css';
import { FiguresDrawer } from './FiguresDrawer';
import { LightAxis } from './LightAxis';
import { BesideStrip } from './BesideStrip';
import { LoadStrip, ResidualStrip, ResistanceStrip, VoltageStrip } from './AxisStrips';
import { goalWord } from '@/ui/words/names';
import { sharedWords } from '@/ui/words/panels/shared';

const foldField = exactly({ isFolded: flag() });

/**
 * The light axis with its three strips: resistance, voltages, load; while measuring, how far the readings lie off the
 * curve in place of the voltages. Folded, only the strip that says the most in that step.
 */
export function AxisPanel({ design, step }: { readonly design: Design; readonly step: Step }) {
  const measuring = step === 'measure';
  const [tableOpen, setTableOpen] = useState(false);
  const openTable = useCallback(() => setTableOpen(true), []);
  const [{ isFolded }, changeFold] = useKept('yemko-strips', foldField, { isFolded: false });
  const onFold = useCallback(() => changeFold({ isFolded: !isFolded }), [changeFold, isFolded]);
  // The button answers at once, the strips follow.
  const areFew = useDeferredValue(isFolded);
  return (
    <section className={styles.panel} data-tour="axis" aria-label={sharedWords.lightAxis}>
      <LightAxis design={design}>
        {(!areFew || measuring) && <ResistanceStrip design={design} height={measuring ? 150 : 114} />}
        {measuring && !areFew && design.ldr.source !== 'named' && <ResidualStrip design={design} />}
        {!measuring && !areFew && <VoltageStrip design={design} />}
        {!(areFew && measuring) && <LoadStrip design={design} height={measuring ? 60 : 84} />}
        {!measuring && <BesideStrip range={design.range} />}
      </LightAxis>
      <Foot
        onTable={openTable}
        isFolded={isFolded}
        onFold={onFold}
        turns={design.half.ok ? goalWord(design) : null}
        band={bandText(design)}
      />
      {tableOpen && <FiguresDrawer design={design} open onClose={() => setTableOpen(false)} />}
    </section>
  );
}

/** What the broad band is; `null` where there is none. */
function bandText({ justOff, fullyOn, thresholds }: Design): string | null {
  if (!justOff.ok || !fullyOn.ok || thresholds?.isWindow) return null;
  if (!thresholds) return 'transition band, 1 % to 90 %';
  return thresholds.boundaries.some(isCrossedApart) ? 'stays as it was' : null;
}

/** What the marks mean, and the table behind the strips. */
const Foot = memo(function Foot({
  onTable,
  isFolded,
  onFold,
  turns,
  band,
}: {
  readonly onTable: () => void;
  readonly isFolded: boolean;
  readonly onFold: () => void;
  readonly turns: string | null;
  readonly band: string | null;
}) {
  return (
    <footer className={styles.foot}>
      <span className={styles.key}>
        <i className={styles.goalKey} /> goal
      </span>
      {turns && (
        <span className={styles.key}>
          <i className={styles.halfKey} /> {turns}
        </span>
      )}
      {band && (
        <span className={styles.key}>
          <i className={styles.softKey} /> {band}
        </span>
      )}
      <span className={styles.hint} data-screen-only>
        <kbd>←</kbd> <kbd>→</kbd> move the probe, with <kbd>{sharedWords.shift}</kbd> the goal
      </span>
      <Button
        data-screen-only
        size="small"
        icon={isFolded ? <DownOutlined /> : <UpOutlined />}
        aria-expanded={!isFolded}
        onClick={onFold}
      >
        {isFolded ? sharedWords.unfoldStrips : sharedWords.foldStrips}
      </Button>
      <Button data-screen-only size="small" icon={<TableOutlined />} onClick={onTable}>
        {sharedWords.figures}
      </Button>
    </footer>
  );
});
