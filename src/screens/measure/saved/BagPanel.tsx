'use client';

import { fixed, shortest } from '@/core/quantity/notation';
import { TYPICAL_R10_FACTOR } from '@/core/ldr/typical';
import { Button } from 'antd';
import { useMemo } from 'react';
import { takeBag } from '@/core/project/readingEdits';
import { spreadOfSaved } from '@/core/readings/bagOfSaved';
import type { SavedLdr } from '@/core/readings/savedLdr';
import { Fact, Panel } from '@/ui/common/Panel';
import { useApply, useProject } from '@/ui/workbench/context';
import { ohms } from '@/ui/words/figures';
import styles from './Drawer.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** Several LDRs of one bag: their middle and their spread, for this project in place of the typical one. */
export function BagPanel({ chosen }: { readonly chosen: readonly SavedLdr[] }) {
  const apply = useApply();
  const { bag } = useProject();
  const found = useMemo(() => spreadOfSaved(chosen), [chosen]);
  return (
    <Panel title={measureWords.aBagOf}>
      {found.ok ? (
        <>
          <Fact
            name="R10, mean"
            value={ohms(Math.exp(found.spread.lnR10Mean))}
            note={`within a factor of ${fixed(Math.exp(found.spread.lnR10Std), 3)}`}
          />
          <Fact
            name="γ, mean"
            value={fixed(found.spread.gammaMean, 3)}
            note={`± ${fixed(found.spread.gammaStd, 3)}`}
          />
          <p className="soft">
            From {found.spread.count} ticked LDRs, one standard deviation. It stands for an LDR of this bag
            that nobody has measured, in place of the typical factor of {shortest(TYPICAL_R10_FACTOR, 2)}.
          </p>
        </>
      ) : (
        <p className="soft">
          Tick at least {found.min} LDRs measured in lux: their spread then stands for the whole bag.
        </p>
      )}
      {bag && (
        <p>
          This project uses the spread of a bag of {bag.count}: R10 within a factor of{' '}
          {fixed(Math.exp(bag.lnR10Std), 3)}, γ ± {fixed(bag.gammaStd, 3)}.
        </p>
      )}
      <span className={styles.ways}>
        {found.ok && (
          <Button type="primary" onClick={() => apply(takeBag(found.spread))}>
            {measureWords.useThisSpread}
          </Button>
        )}
        {bag && <Button onClick={() => apply(takeBag(null))}>{measureWords.backToThe}</Button>}
      </span>
    </Panel>
  );
}
