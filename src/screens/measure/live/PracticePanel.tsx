'use client';

import { fixed } from '@/core/quantity/notation';
import { Button, Select, Table } from 'antd';
import { useMemo, useState } from 'react';
import { difficulties, type HiddenLdr } from '@/core/practice/bench';
import { judgePractice, type PracticeResult } from '@/core/practice/judgePractice';
import type { Project } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import { revealBench } from '@/ui/live/sources';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLive } from '@/ui/live/context';
import { useProject } from '@/ui/workbench/context';
import { ohms } from '@/ui/words/figures';
import { readingLightText } from '@/ui/words/light';
import { difficultyNames, habitSentence, worthText } from '@/ui/words/measure/practice';
import { useBenchControls } from './useBenchControls';
import styles from './Live.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** The bench as practice: find the hidden LDR by readings, then see how near the fit came and which reading cost most. */
export function PracticePanel() {
  const { benchId, renewBench } = useLive();
  const [controls, change] = useBenchControls();
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
      <Select
        size="small"
        aria-label={measureWords.howHard}
        value={controls.difficulty}
        options={difficulties.map((value) => ({ value, label: difficultyNames[value] }))}
        onChange={(difficulty) => change({ difficulty })}
      />
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
  const project = useProject();
  const judged = useMemo(() => judgePractice(project, curve), [project, curve]);
  if (!judged.ok)
    return (
      <>
        <Fact name="Hidden R10" value={ohms(curve.r10Ohms)} />
        <Fact name="Hidden γ" value={fixed(curve.gamma, 3)} />
        <p>{measureWords.noFitYet}</p>
      </>
    );
  const { r10Off, gammaOff, isNear, habit, miss } = judged.result;
  return (
    <>
      <Fact name="Hidden R10" value={ohms(curve.r10Ohms)} note={`yours ${formatPercentOff(r10Off)}`} />
      <Fact
        name="Hidden γ"
        value={fixed(curve.gamma, 3)}
        note={`yours ${gammaOff < 0 ? '−' : '+'}${fixed(Math.abs(gammaOff), 3)}`}
      />
      <p>{isNear ? measureWords.wellMeasured : measureWords.notThereYet}</p>
      <p>
        <b>{measureWords.oneHabit}</b>{' '}
        {habit ? habitSentence(habit, miss, (id) => nameOf(project, id)) : measureWords.noHabit}
      </p>
      <WorthTable worth={judged.result.worth} miss={miss} />
    </>
  );
}

const nameOf = ({ readings, levels }: Project, id: string) => {
  const reading = readings.find((one) => one.id === id);
  return reading ? readingLightText(reading.light, levels) : '';
};

interface WorthTableProps {
  readonly worth: PracticeResult['worth'];
  readonly miss: number;
}

/** What each reading cost or gained, as how much farther off or nearer the fit would be without it. */
function WorthTable({ worth, miss }: WorthTableProps) {
  const project = useProject();
  return (
    <Table
      size="small"
      rowKey="id"
      pagination={worth.length > 8 ? { pageSize: 8, size: 'small' } : false}
      dataSource={[...worth]}
      columns={[
        { title: measureWords.reading, render: (_, { id }) => nameOf(project, id) },
        {
          title: measureWords.withoutItTheFit,
          align: 'right',
          render: (_, { gain }) => <span className="figures">{worthText(gain, miss)}</span>,
        },
      ]}
    />
  );
}
