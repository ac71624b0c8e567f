'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { judgePractice } from '@/core/practice/judgePractice';
import type { HiddenLdr } from '@/core/practice/bench';
import { setReadingAside } from '@/core/project/edits';
import { formatPercentOff } from '@/core/quantity/format';
import { revealBench } from '@/ui/live/sources';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLive } from '@/ui/live/context';
import { useApply, useProject } from '@/ui/workbench/context';
import { ohms } from '@/ui/words/figures';
import { readingLightText } from '@/ui/words/light';
import styles from './Live.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** The bench as practice: find the hidden LDR by readings, then see how near the fit came and which reading cost most. */
export function PracticePanel() {
  const { benchId, renewBench } = useLive();
  const [shown, setShown] = useState<{ benchId: string; hidden: HiddenLdr } | 'unreachable' | null>(null);
  const reveal = async () => {
    if (benchId === null) return;
    const hidden = await revealBench(benchId);
    setShown(hidden ? { benchId, hidden } : 'unreachable');
  };
  const isOfThis = shown !== null && shown !== 'unreachable' && shown.benchId === benchId;
  return (
    <Panel title={measureWords.practice}>
      {isOfThis ? <Result hidden={shown.hidden} /> : <p className="soft">{measureWords.theLDROn}</p>}
      {shown === 'unreachable' && (
        <p role="alert" className={styles.trouble}>
          {measureWords.theServerDoes}
        </p>
      )}
      <span className={styles.ways}>
        {!isOfThis && (
          <Button disabled={benchId === null} onClick={() => void reveal()}>
            {measureWords.showTheHidden}
          </Button>
        )}
        {isOfThis && <Button onClick={renewBench}>{measureWords.hideAnotherLDR}</Button>}
      </span>
    </Panel>
  );
}

function Result({ hidden: { curve } }: { readonly hidden: HiddenLdr }) {
  const apply = useApply();
  const project = useProject();
  const judged = judgePractice(project, curve);
  const costliest = judged.ok ? judged.result.costliest : null;
  const reading = project.readings.find(({ id }) => id === costliest?.id);
  return (
    <>
      <Fact
        name="Hidden R10"
        value={ohms(curve.r10Ohms)}
        note={judged.ok ? `yours ${formatPercentOff(judged.result.r10Off)}` : undefined}
      />
      <Fact
        name="Hidden γ"
        value={curve.gamma.toFixed(3)}
        note={
          judged.ok
            ? `yours ${judged.result.gammaOff < 0 ? '−' : '+'}${Math.abs(judged.result.gammaOff).toFixed(3)}`
            : undefined
        }
      />
      <p>
        {!judged.ok
          ? 'There is no fit in lux to hold against it yet.'
          : judged.result.isNear
            ? 'Well measured: R10 within 10 % and γ within 0.05.'
            : 'Not there yet: R10 within 10 % and γ within 0.05 would be near.'}
      </p>
      {reading && costliest && (
        <p>
          The reading at {readingLightText(reading.light, project.levels)} cost most: without it the fit would
          miss by {Math.round((1 - costliest.withoutMiss / costliest.miss) * 100)} % less.{' '}
          <Button size="small" onClick={() => apply(setReadingAside(reading.id, true))}>
            {measureWords.setItAside}
          </Button>
        </p>
      )}
    </>
  );
}
