'use client';

import { Alert, Button, Skeleton } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { noteAnswer, forgetAnswers } from '@/core/project/built/checkEdits';
import { outcomeOf, standingOf } from '@/core/points/testPoints';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useProject } from '@/ui/workbench/context';
import { inTimeText } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import { workTrouble } from '@/ui/words/work';
import { pointsClient } from '@/workers/check/clients';
import styles from '../Check.module.css';
import { useAsked, useBench, useMeter, useSolvedEarly } from '../useCheck';
import { useWriteDown } from '../logbook/useLogbook';
import { WriteTrouble } from '../logbook/WriteTrouble';
import { AdoptPanel } from './AdoptPanel';
import { LightsPanel } from './LightsPanel';
import { PointsTable } from './PointsTable';
import { TrimPanel } from './TrimPanel';
import { TruthPanel } from './TruthPanel';

interface PointsColumnsProps {
  readonly design: Design;
  readonly ways: ReactNode;
  readonly onFind: () => void;
}

/** What this user's meter should show at every point of the built circuit, and what it does show. */
export function PointsColumns({ design, ways, onFind }: PointsColumnsProps) {
  const project = useProject();
  const apply = useApply();
  const { meter, isChosen } = useMeter();
  const { bench, built } = useBench(design);
  const [trimVolts, setTrimVolts] = useState<Readonly<Record<string, number>>>({});
  const question = useMemo(() => ({ project, meter, trimVolts }), [project, meter, trimVolts]);
  const { output: points, failed } = useAsked(pointsClient, question);
  useSolvedEarly(built, points !== null);
  const [lit, setLit] = useState<readonly string[]>([]);
  const answers = useMemo(
    () => new Map(project.check.answers.map(({ probe, value }) => [probe, value])),
    [project.check.answers],
  );
  const standings = (points?.points ?? []).flatMap((point) => {
    const value = answers.get(point.key);
    return value === undefined ? [] : [{ point, value, standing: standingOf(point, value) }];
  });
  const { writeDown, isWritten, trouble } = useWriteDown(design);
  const inTime = points && inTimeText(bench, points.nets);
  const isOut = standings.some(({ standing }) => standing === 'out');
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          {points && (
            <div className={styles.first}>
              <LightsPanel lights={points.lights} design={design} bench={bench} />
            </div>
          )}
          {points && points.trims.length > 0 && (
            <TrimPanel
              trims={points.trims}
              bench={bench}
              volts={trimVolts}
              onVolts={(designator, volts) => setTrimVolts((before) => without(before, designator, volts))}
            />
          )}
          {points && <AdoptPanel points={points} design={design} meter={meter} />}
        </>
      }
      right={
        <>
          <div className={styles.second}>
            {points && <TruthPanel points={points} bench={bench} meter={meter} answers={answers} />}
          </div>
          <div className={styles.second}>
            <Panel title={checkWords.pointsTitle}>
              {!isChosen && <p className="soft">{checkWords.noMeter}</p>}
              {failed && <Alert type="error" title={`${workTrouble(failed)} ${checkWords.failed}`} />}
              {!points && !failed && <Skeleton active title={false} />}
              {points && (
                <>
                  {standings.length > 0 && (
                    <p className={isOut ? styles.trouble : styles.fine} role="status">
                      {isOut ? checkWords.someOut : checkWords.allIn}
                    </p>
                  )}
                  {inTime !== null && <p className="soft">{inTime}</p>}
                  <PointsTable
                    points={points}
                    bench={bench}
                    meter={meter}
                    answers={answers}
                    onAnswer={(key, value) => apply(noteAnswer(key, value))}
                    onLook={setLit}
                  />
                  <WriteTrouble trouble={trouble} />
                  <div className={styles.row}>
                    {isOut && (
                      <Button type="primary" onClick={onFind}>
                        {checkWords.toFinder}
                      </Button>
                    )}
                    {standings.length > 0 && (
                      <>
                        <Button
                          disabled={isWritten}
                          onClick={() =>
                            void writeDown({
                              kind: 'check',
                              text: isOut ? checkWords.someOut : checkWords.allIn,
                              outcome: outcomeOf(points.points, answers, points.lights),
                              figures: standings.flatMap(({ point, value }) =>
                                point.probe.kind === 'volts'
                                  ? [{ name: point.key, measured: value, predicted: point.expected }]
                                  : [],
                              ),
                            })
                          }
                        >
                          {isWritten ? checkWords.logged : checkWords.log}
                        </Button>
                        <Button onClick={() => apply(forgetAnswers)}>{checkWords.clear}</Button>
                      </>
                    )}
                  </div>
                </>
              )}
            </Panel>
          </div>
          <Schematic design={design} lit={lit} />
        </>
      }
    />
  );
}

function without(before: Readonly<Record<string, number>>, designator: string, volts: number | null) {
  const others = Object.fromEntries(Object.entries(before).filter(([key]) => key !== designator));
  return volts === null ? others : { ...others, [designator]: volts };
}
