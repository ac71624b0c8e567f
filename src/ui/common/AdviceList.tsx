'use client';

import { CloseCircleFilled, ExclamationCircleFilled } from '@ant-design/icons';
import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import { findingKey, type Advice } from '@/core/advise/advice';
import { editTo, type Cure, type Remedy } from '@/core/advise/remedies';
import { inNotation } from '@/core/quantity/notation';
import { useApply, useLightText } from '../workbench/context';
import { changesLabel, outcomeText } from '../words/said/changes';
import { stateNames } from '../words/names';
import { adviceSentence } from '../words/said/advice';
import styles from './AdviceList.module.css';
import { sharedWords } from '@/ui/words/panels/shared';

interface AdviceListProps {
  readonly advice: readonly Advice[];
  /** What cures it; `null` while that is looked for. */
  readonly cures: readonly Cure[] | 'failed' | null;
}

const rank = ({ state }: Advice) => (state === 'cannot' ? 0 : 1);

/**
 * What is worth telling, the worst first; what is only worth a look is folded away until someone asks for the rest. Each with the
 * changes that cure it.
 */
export function AdviceList({ advice, cures }: AdviceListProps) {
  const [all, setAll] = useState(false);
  if (advice.length === 0) return null;
  // What cannot work is never folded away.
  const always = Math.max(1, advice.filter(({ state }) => state === 'cannot').length);
  const ordered = [...advice].sort((one, other) => rank(one) - rank(other));
  const more = advice.length - always;
  const cureOf = (entry: Advice) =>
    cures === null || cures === 'failed'
      ? cures
      : (cures.find(({ key }) => key === findingKey(entry)) ?? NO_CURE);
  return (
    <section className={styles.list} aria-label={sharedWords.advice}>
      {(all ? ordered : ordered.slice(0, always)).map((entry, index) => (
        <AdviceRow key={`${entry.code} ${index}`} advice={entry} cure={cureOf(entry)}>
          {index === 0 && more > 0 && (
            <Button type="text" size="small" aria-expanded={all} onClick={() => setAll(!all)}>
              {all ? 'fewer' : `${more} more`}
            </Button>
          )}
        </AdviceRow>
      ))}
    </section>
  );
}

type Sought = Pick<Cure, 'remedies' | 'none'> | 'failed' | null;
const NO_CURE = { remedies: [], none: 'nothing-found' } as const;

interface AdviceRowProps {
  readonly advice: Advice;
  readonly cure: Sought;
  readonly children: ReactNode;
}

function AdviceRow({ advice, cure, children }: AdviceRowProps) {
  const light = useLightText();
  const { state, step } = advice;
  return (
    <article className={`${styles.row} ${styles[state]}`}>
      {state === 'cannot' ? <CloseCircleFilled aria-hidden /> : <ExclamationCircleFilled aria-hidden />}
      <div className={styles.said}>
        <p>
          <span className="visually-hidden">{stateNames[state]}: </span>
          {inNotation(adviceSentence(advice, light))}
        </p>
        {/* No part can change what was read. */}
        {step !== 'measure' && <Remedies cure={cure} />}
      </div>
      {children}
    </article>
  );
}

/** What cures it, the best change first. One line whatever was found, so that nothing below moves when it is there. */
function Remedies({ cure }: { readonly cure: Sought }) {
  const [hasMore, setMore] = useState(false);
  if (cure === 'failed') return <p className={styles.remedy}>{sharedWords.cureFailed}</p>;
  const [first, ...others] = cure?.remedies ?? [];
  if (!first)
    return (
      <p className={`soft ${styles.remedy}`}>
        {cure === null ? sharedWords.seekingCure : sharedWords.noCure[cure.none ?? 'nothing-found']}
      </p>
    );
  return (
    <>
      <RemedyRow remedy={first}>
        {others.length > 0 && (
          <Button type="text" size="small" aria-expanded={hasMore} onClick={() => setMore(!hasMore)}>
            {hasMore ? sharedWords.oneWay : sharedWords.anotherWay}
          </Button>
        )}
      </RemedyRow>
      {hasMore && others.map((remedy, index) => <RemedyRow key={index} remedy={remedy} />)}
    </>
  );
}

/** A change that cures it: the button, and what the design does then. */
function RemedyRow({ remedy, children }: { readonly remedy: Remedy; readonly children?: ReactNode }) {
  const apply = useApply();
  const light = useLightText();
  return (
    <p className={styles.remedy}>
      <Button size="small" onClick={() => apply(editTo(remedy))}>
        {inNotation(changesLabel(remedy.changes, light))}
      </Button>
      <span className={`soft ${styles.outcome}`}>{outcomeText(remedy, light)}</span>
      {children}
    </p>
  );
}
