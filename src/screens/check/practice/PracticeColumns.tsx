'use client';

import { Alert, Button, Progress, Select, Skeleton } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { practiceLevels, type PracticeLevel } from '@/core/faults/hidden/practice';
import { probeKey, type Answer, type Probe } from '@/core/faults/probe';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { Choice } from '@/ui/fields/Choice';
import { Schematic } from '@/ui/schematic/Schematic';
import { useProject } from '@/ui/workbench/context';
import { faultLook, faultText } from '@/ui/words/check/faults';
import { probeText, valueText, type Bench } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import { workTrouble } from '@/ui/words/work';
import { practiceClient } from '@/workers/check/clients';
import type { Practised } from '@/workers/check/compute';
import type { Meter } from '@/core/meter/meter';
import styles from '../Check.module.css';
import { useEntries } from '../logbook/useLogbook';
import { useAsked, useBench, useMeter, useNeighbours, usePriors } from '../useCheck';
import { ProbesPanel } from './ProbesPanel';

interface Round {
  readonly seed: number;
  readonly level: PracticeLevel;
  readonly asked: readonly Probe[];
  readonly isOver: boolean;
}

/** A fault hidden in this design: probe, and say what it is. */
export function PracticeColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const { meter } = useMeter();
  const { bench, built } = useBench(design);
  const neighbours = useNeighbours(built);
  const [priors] = usePriors();
  const had = useHadKinds();
  const [level, setLevel] = useState<PracticeLevel>(1);
  const [round, setRound] = useState<Round | null>(null);
  const [guess, setGuess] = useState<string | null>(null);
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const question = useMemo(
    () => (round ? { project, meter, neighbours, priors, had, ...round } : null),
    [project, meter, neighbours, priors, had, round],
  );
  const { output, running, failed } = useAsked(practiceClient, question);
  const practised = round ? output : null;
  const begin = () => {
    setGuess(null);
    setWrong([]);
    setRound({ seed: Math.ceil(Math.random() * 1e6), level, asked: [], isOver: false });
  };
  const ask = (probe: Probe) =>
    setRound((before) => before && { ...before, asked: [...before.asked, probe] });
  const end = () => setRound((before) => before && { ...before, isOver: true });
  const solution = practised?.solution ?? null;
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Panel title={checkWords.level}>
            <p className="soft">{checkWords.practiceHint}</p>
            <Choice
              value={String(level)}
              aria-label={checkWords.level}
              options={practiceLevels.map((each) => ({
                value: String(each),
                label: checkWords.levels[each],
              }))}
              onChange={(value) => setLevel(practiceLevels.find((each) => String(each) === value) ?? 1)}
            />
            <Button type="primary" onClick={begin} style={{ justifySelf: 'start' }}>
              {checkWords.hide}
            </Button>
          </Panel>
          {practised && (
            <Panel title={`${checkWords.yourPath}: ${practised.answers.length}`}>
              <PathList path={practised.answers} practised={practised} bench={bench} meter={meter} />
            </Panel>
          )}
          {practised && !solution && (
            <Panel title={checkWords.guess}>
              <Select
                showSearch
                optionFilterProp="label"
                aria-label={checkWords.guessPick}
                placeholder={checkWords.guessPick}
                value={guess}
                onChange={setGuess}
                options={practised.choices.map(({ key, members }) => ({
                  value: key,
                  label: members
                    .slice(0, 2)
                    .map((fault) => faultText(bench, fault))
                    .join(' Or: '),
                }))}
              />
              <div className={styles.row}>
                <Button
                  type="primary"
                  disabled={guess === null}
                  onClick={() => {
                    if (guess !== null) setWrong((before) => [...before, guess]);
                    end();
                  }}
                >
                  {checkWords.isIt}
                </Button>
                <Button onClick={end}>{checkWords.giveUp}</Button>
              </div>
            </Panel>
          )}
          {practised && solution && (
            <SolutionPanel
              practised={practised}
              solution={solution}
              guess={wrong.at(-1) ?? null}
              bench={bench}
              meter={meter}
            />
          )}
        </>
      }
      right={
        <>
          {failed && <Alert type="error" title={`${workTrouble(failed)} ${checkWords.failed}`} />}
          {round && !practised && !failed && (
            <Panel title={checkWords.practiceProbe}>
              <p className="soft">{checkWords.working}</p>
              {running === null ? (
                <Skeleton active title={false} />
              ) : (
                <Progress percent={Math.round(100 * running)} />
              )}
            </Panel>
          )}
          {practised && (
            <div className={styles.second}>
              <ProbesPanel
                practised={practised}
                bench={bench}
                meter={meter}
                onAsk={ask}
                isOver={solution !== null}
              />
            </div>
          )}
          <Schematic design={design} />
        </>
      }
    />
  );
}

/** Kinds of fault that stand in this user's logbooks. */
function useHadKinds(): readonly string[] {
  const entries = useEntries(null);
  return useMemo(
    () => [
      ...new Set(
        entries.flatMap(({ values }) =>
          values.flatMap((value) =>
            value.startsWith('fault=') ? [value.slice('fault='.length).split(' ')[0] ?? ''] : [],
          ),
        ),
      ),
    ],
    [entries],
  );
}

interface ShownProps {
  readonly practised: Practised;
  readonly bench: Bench;
  readonly meter: Meter;
}

function PathList({ path, practised, bench, meter }: ShownProps & { readonly path: readonly Answer[] }) {
  return (
    <ol className={styles.list}>
      {path.map(({ probe, value }, index) => (
        <li key={`${index} ${probeKey(probe)}`}>
          <span>
            {probeText(bench, probe, practised.lights)}:{' '}
            <b className="figures">{valueText(probe, value, meter, practised.loads)}</b>
            {path.findIndex((each) => probeKey(each.probe) === probeKey(probe)) < index && (
              <span className="soft"> {checkWords.madeAgain}</span>
            )}
          </span>
        </li>
      ))}
    </ol>
  );
}

function SolutionPanel({
  practised,
  solution,
  guess,
  bench,
  meter,
}: ShownProps & { readonly solution: NonNullable<Practised['solution']>; readonly guess: string | null }) {
  const isRight = guess === solution.key;
  return (
    <Panel title={guess === null ? checkWords.itWas : isRight ? checkWords.right : checkWords.notRight}>
      <p className={styles.big} role="status">
        {faultText(bench, solution.fault)}
      </p>
      <p className="soft">{faultLook(bench, solution.fault)}</p>
      <h3>
        {checkWords.programPath}: {solution.path.length}
      </h3>
      <PathList path={solution.path} practised={practised} bench={bench} meter={meter} />
    </Panel>
  );
}
