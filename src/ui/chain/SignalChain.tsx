'use client';

import { CheckCircleFilled, CloseCircleFilled, ExclamationCircleFilled } from '@ant-design/icons';
import { memo, useEffect, useRef } from 'react';
import type { Step, StepState } from '@/core/advise/advice';
import { useAnalysis, useProject, useView } from '../workbench/context';
import { shortStepNames, stateNames } from '../words/names';
import { keyFigure } from '../words/keyFigures';
import styles from './SignalChain.module.css';
import { sharedWords } from '@/ui/words/panels/shared';

/** The steps in the order in which the signal takes them. */
export const steps: readonly Step[] = ['measure', 'divide', 'switch', 'drive', 'try', 'build', 'check'];

/** What has not been tried or built has no state yet. */
const stateless: readonly Step[] = ['try', 'build', 'check'];

interface SignalChainProps {
  readonly current: Step;
  readonly onGo: (step: Step) => void;
}

/** The whole design at a glance: each step with its key figure and its state; any step is one click away. */
export const SignalChain = memo(function SignalChain({ current, onGo }: SignalChainProps) {
  const project = useProject();
  const analysis = useAnalysis();
  const design = analysis.ok ? analysis.design : null;
  const corners = useView((view) => view.corners);
  const row = useRef<HTMLElement>(null);
  // Where the steps lie in a row that is swiped, the present one is in its middle.
  useEffect(() => {
    const link = row.current?.querySelector<HTMLElement>('[aria-current=step]');
    if (row.current && link)
      row.current.scrollLeft = link.offsetLeft - (row.current.clientWidth - link.offsetWidth) / 2;
  }, [current]);
  const stateOf = (step: Step): StepState => {
    const state = design?.states[step] ?? 'cannot';
    const failsAtEnds = corners?.of === project && corners.advice.some((each) => each.step === step);
    return state === 'in-order' && failsAtEnds ? 'look' : state;
  };
  return (
    <nav ref={row} className={styles.chain} aria-label={sharedWords.signalChain}>
      {steps.map((step, index) => (
        <ChainLink
          key={step}
          step={step}
          number={index + 1}
          state={stateOf(step)}
          {...keyFigure(step, project, design)}
          isCurrent={step === current}
          onGo={onGo}
        />
      ))}
    </nav>
  );
});

interface ChainLinkProps {
  readonly step: Step;
  readonly number: number;
  readonly state: StepState;
  readonly figure: string;
  readonly note: string;
  readonly isCurrent: boolean;
  readonly onGo: (step: Step) => void;
}

const ChainLink = memo(function ChainLink(props: ChainLinkProps) {
  const { step, number, state, figure, note, isCurrent, onGo } = props;
  return (
    <button
      type="button"
      className={isCurrent ? styles.current : styles.link}
      aria-current={isCurrent ? 'step' : undefined}
      onClick={() => onGo(step)}
    >
      <span className={styles.lines}>
        <span className={styles.name}>
          <span>
            {number} {shortStepNames[step]}
          </span>
          {!stateless.includes(step) && (
            <span className={styles[state]}>
              <StateIcon state={state} />
              <span className={styles.stateWord}>{stateNames[state]}</span>
            </span>
          )}
        </span>
        <b className={styles.figure}>{figure}</b>
        <span className={styles.note}>{note}</span>
      </span>
    </button>
  );
});

const StateIcon = memo(function StateIcon({ state }: { readonly state: StepState }) {
  if (state === 'in-order') return <CheckCircleFilled aria-hidden />;
  if (state === 'look') return <ExclamationCircleFilled aria-hidden />;
  return <CloseCircleFilled aria-hidden />;
});
