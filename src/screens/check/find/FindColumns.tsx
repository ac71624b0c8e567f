'use client';

import { Alert, Button, Collapse, Progress, Skeleton } from 'antd';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { keyOf, partsAt, type Fault } from '@/core/faults/fault';
import { probeKey, type Probe } from '@/core/faults/probe';
import { loadsToSee } from '@/core/faults/seen';
import { forgetAnswers, noteAnswer, noteSymptom } from '@/core/project/built/checkEdits';
import { symptoms } from '@/core/project/built/checkSettings';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useProject } from '@/ui/workbench/context';
import { faultText, symptomNames } from '@/ui/words/check/faults';
import { probeHint, probeText, valueText, type Bench } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import { workTrouble } from '@/ui/words/work';
import { findClient } from '@/workers/check/clients';
import type { Found } from '@/workers/check/compute';
import { AnswerField } from '../AnswerField';
import styles from '../Check.module.css';
import { useWriteDown } from '../logbook/useLogbook';
import { WriteTrouble } from '../logbook/WriteTrouble';
import { useAsked, useBench, useMeter, useFindQuestion, usePriors } from '../useCheck';
import { FoundPanel } from './FoundPanel';
import { PriorsPanel } from './PriorsPanel';

/** From what is seen and measured to what is wrong, by the probe that tells most. */
export function FindColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const apply = useApply();
  const { meter } = useMeter();
  const { bench, built } = useBench(design);
  const [priors, changePriors] = usePriors();
  const question = useFindQuestion(built);
  const { output: sofar, running, failed } = useAsked(findClient, question);
  // What is ranked by how often it happens alone is shown; all else waits for the faults to be solved.
  const found = sofar?.isWhole ? sofar : null;
  const [chosen, choose] = useState<string | null>(null);
  const [hasAnswered, setAnswered] = useState(false);
  const { writeDown, isWritten, trouble } = useWriteDown(design);
  const [best] = found?.next ?? [];
  const proposed = found?.next.find((each) => probeKey(each.probe) === chosen) ?? best ?? null;
  const probe = proposed?.probe ?? null;
  const isAgain = proposed?.isAgain === true;
  const top = found?.groups[0]?.members[0]?.fault.fault ?? null;
  const isFoundOut = found !== null && found.isSure && top !== null;
  const isToMakeSure = isFoundOut && top.kind !== 'unlisted' && probe !== null && !isAgain;
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <SymptomsPanel bench={bench} />
          <div className={styles.first}>
            <Panel title={checkWords.next}>
              {isToMakeSure && <p className="soft">{checkWords.makeSure}</p>}
              {isAgain && (
                <p className="soft">{checkWords.onceMore[probe?.kind === 'load' ? 'look' : 'measure']}</p>
              )}
              {!found && !failed && (
                <>
                  <p className="soft">{checkWords.working}</p>
                  {running === null ? (
                    <Skeleton active title={false} />
                  ) : (
                    <Progress percent={Math.round(100 * running)} />
                  )}
                </>
              )}
              {failed && <Alert type="error" title={`${workTrouble(failed)} ${checkWords.failed}`} />}
              {found && !probe && <p>{checkWords.nextNone}</p>}
              {found && probe && (
                <NextProbe
                  key={`${probeKey(probe)} ${isAgain}`}
                  takesFocus={hasAnswered}
                  probe={probe}
                  found={found}
                  bench={bench}
                  had={isAgain ? hadAt(found, probe) : null}
                  expected={isToMakeSure ? expectedOf(found, probe) : null}
                  meterShown={(value) => (
                    <AnswerField
                      probe={probe}
                      label={probeText(bench, probe, found.lights)}
                      meter={meter}
                      value={value}
                      takesLive
                      loads={loadsToSee(bench.assembly)}
                      onAnswer={(next) => {
                        choose(null);
                        setAnswered(true);
                        apply(noteAnswer(probeKey(probe), next, isAgain));
                      }}
                    />
                  )}
                />
              )}
              {found && found.next.length > 1 && (
                <>
                  <p className="soft">{checkWords.others}</p>
                  <ul className={styles.list}>
                    {found.next
                      .filter((each) => each.probe !== probe)
                      .slice(0, 4)
                      .map((each) => (
                        <li key={probeKey(each.probe)}>
                          <Button
                            type="link"
                            style={{ whiteSpace: 'normal', textAlign: 'left', height: 'auto', padding: 0 }}
                            onClick={() => choose(probeKey(each.probe))}
                          >
                            {probeText(bench, each.probe, found.lights)}
                          </Button>
                        </li>
                      ))}
                  </ul>
                </>
              )}
            </Panel>
          </div>
          {found && found.answers.length > 0 && <MadePanel found={found} bench={bench} />}
          <Collapse
            ghost
            items={[
              {
                key: 'priors',
                label: checkWords.priors,
                children: <PriorsPanel priors={priors} onChange={changePriors} />,
              },
            ]}
          />
        </>
      }
      right={
        <>
          <div className={styles.second}>
            <FoundPanel
              found={found ?? sofar}
              bench={bench}
              onWrite={
                isFoundOut && top.kind !== 'unlisted'
                  ? () =>
                      void writeDown({
                        kind: top.kind === 'healthy' ? 'check' : 'fault',
                        text: faultText(bench, top),
                        outcome: top.kind === 'healthy' ? 'works' : 'fails',
                        extra: [`fault=${keyOf(top)}`],
                      })
                  : null
              }
              isWritten={isWritten}
            />
            <WriteTrouble trouble={trouble} />
          </div>
          <Schematic design={design} lit={probe ? litBy(probe) : top ? litByFault(top) : []} />
        </>
      }
    />
  );
}

const litBy = (probe: Probe): readonly string[] =>
  'designator' in probe && probe.designator !== null ? [probe.designator] : [];
const litByFault = (fault: Fault): readonly string[] => partsAt(fault);

function SymptomsPanel({ bench }: { readonly bench: Bench }) {
  const { check } = useProject();
  const isAnyByDegrees = loadsToSee(bench.assembly).some(({ isByDegrees }) => isByDegrees);
  // What is either on or off is never dim.
  const offered = symptoms.filter(
    (symptom) => symptom !== 'dim' || isAnyByDegrees || check.symptoms.includes(symptom),
  );
  const apply = useApply();
  return (
    <Panel title={checkWords.symptoms}>
      <p className="soft">{checkWords.symptomsHint}</p>
      <div className={styles.symptoms} role="group" aria-label={checkWords.symptoms}>
        {offered.map((symptom) => {
          const isThere = check.symptoms.includes(symptom);
          return (
            <Button
              key={symptom}
              type={isThere ? 'primary' : 'default'}
              aria-pressed={isThere}
              onClick={() => apply(noteSymptom(symptom, !isThere))}
            >
              {symptomNames[symptom]}
            </Button>
          );
        })}
      </div>
    </Panel>
  );
}

interface NextProbeProps {
  /** The one before has just been answered: the work goes on here. */
  readonly takesFocus: boolean;
  readonly probe: Probe;
  readonly found: Found;
  readonly bench: Bench;
  readonly meterShown: (value: number | null) => ReactNode;
  /** What it should find if the likeliest is what is wrong; `null` where that is not asked. */
  readonly expected: number | null;
  /** What was found there before, where it is made once more; `null` where it is not. */
  readonly had: number | null;
}

const hadAt = ({ answers }: Found, probe: Probe): number | null =>
  answers.find((each) => probeKey(each.probe) === probeKey(probe))?.value ?? null;

/** What a probe should find if the likeliest is what is wrong. */
function expectedOf({ next, expected }: Found, probe: Probe): number | null {
  return expected[next.findIndex((each) => probeKey(each.probe) === probeKey(probe))] ?? null;
}

/** What to do now, large enough for across the bench. */
function NextProbe({ takesFocus, probe, found, bench, expected, had, meterShown }: NextProbeProps) {
  const { meter } = useMeter();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (takesFocus) box.current?.querySelector<HTMLElement>('input, button')?.focus();
  }, [takesFocus]);
  const hint = probeHint(bench, probe, found.lights);
  return (
    <div ref={box} aria-live="polite" className={styles.entryBox} style={{ borderTop: 0, paddingTop: 0 }}>
      <p className={styles.big}>{probeText(bench, probe, found.lights)}</p>
      {hint && <p className="soft">{hint}</p>}
      {expected !== null && (
        <p>
          {checkWords.ifThat} <b className="figures">{valueText(probe, expected, meter, found.loads)}</b>
        </p>
      )}
      {had !== null && (
        <p>
          {checkWords.hadBefore} <b className="figures">{valueText(probe, had, meter, found.loads)}</b>
        </p>
      )}
      {meterShown(null)}
    </div>
  );
}

/** All that has been found, each to be taken away again. */
function MadePanel({ found, bench }: { readonly found: Found; readonly bench: Bench }) {
  const { check } = useProject();
  const apply = useApply();
  const { meter } = useMeter();
  const own = new Set(check.answers.map(({ probe }) => probe));
  return (
    <Panel
      title={checkWords.made}
      aside={
        <Button size="small" onClick={() => apply(forgetAnswers)}>
          {checkWords.again}
        </Button>
      }
    >
      <ul className={styles.list}>
        {[...found.answers].reverse().map(({ probe, value, isTwice }) => {
          const name = probeText(bench, probe, found.lights);
          return (
            <li key={probeKey(probe)}>
              <span>
                {name}: <b className="figures">{valueText(probe, value, meter, found.loads)}</b>
                {isTwice && <span className="soft"> {checkWords.twice}</span>}
              </span>
              {own.has(probeKey(probe)) && (
                <Button
                  size="small"
                  aria-label={`${checkWords.undo}: ${name}`}
                  onClick={() => apply(noteAnswer(probeKey(probe), null))}
                >
                  {checkWords.undo}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
