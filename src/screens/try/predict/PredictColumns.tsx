'use client';

import { Alert, Button } from 'antd';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { uniforms } from '@/core/numeric/random';
import {
  answered,
  kindsFor,
  nextKind,
  NO_SCORES,
  questionOf,
  scoreField,
  type Question,
  type Scores,
} from '@/core/simulate/predict';
import type { Project } from '@/core/project/project';
import { AxisPanel } from '@/ui/axis/AxisPanel';
import { Columns } from '@/ui/common/Columns';
import { Fact, Panel } from '@/ui/common/Panel';
import { Schematic } from '@/ui/schematic/Schematic';
import { useLightText, useProject, useWorkbench } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { optionText, questionText, reasonText } from '@/ui/words/trying';
import styles from '../Try.module.css';
import { useKept } from '@/ui/common/useKept';

/** Days since 1970 on this machine's clock. */
const today = () => Math.floor((Date.now() - new Date().getTimezoneOffset() * 60_000) / 86_400_000);
/** Some draws make no question: so many are tried. */
const TRIES = 8;

function nextQuestion(
  project: Project,
  design: Design,
  scores: Scores,
  last: Question | null,
): Question | null {
  const next = nextKind(scores, kindsFor(project, design), today(), last?.kind ?? null);
  if (!next) return null;
  for (let seed = 0; seed < TRIES; seed++) {
    const draw = uniforms(1 + ((scores.asked * TRIES + seed) % 1_000_000));
    const question = questionOf(project, design, next.kind, next.level, draw);
    if (question) return question;
  }
  return null;
}

/** Predict first: the design asks, its outputs hidden; then it shows the answer, with the reason and the curve. */
export function PredictColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const light = useLightText();
  const { view } = useWorkbench();
  const [scores, change] = useKept('yemko-predict', scoreField, NO_SCORES);
  const [last, setLast] = useState<Question | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  // The question stays while its answer is read: it is made of the scores before it.
  const [before, setBefore] = useState(scores);
  const question = useMemo(
    () => nextQuestion(project, design, before, last),
    [project, design, before, last],
  );
  const answer = useCallback(
    (index: number) => {
      if (!question || chosen !== null) return;
      setChosen(index);
      change(answered(scores, question.kind, index === question.right, today()));
      const { minLux, maxLux } = design.range;
      view.setState({ probeLux: Math.min(maxLux, Math.max(minLux, question.lux)) });
    },
    [question, chosen, change, scores, design, view],
  );
  const goOn = () => {
    setLast(question);
    setBefore(scores);
    setChosen(null);
  };
  return (
    <Columns
      left={
        <>
          {ways}
          <Panel title={tryWords.predictTitle}>
            {question ? (
              <>
                <p>
                  <b>{questionText(question, light)}</b>
                </p>
                <Options question={question} chosen={chosen} onChoose={answer} />
                {chosen !== null && (
                  <div role="status">
                    <p>
                      <b>{chosen === question.right ? tryWords.rightAnswer : tryWords.wrongAnswer}</b>{' '}
                      {chosen !== question.right &&
                        `${optionText(question, question.options[question.right] ?? 0)}. `}
                      {reasonText(question, light)}
                    </p>
                    <Button type="primary" autoFocus onClick={goOn}>
                      {tryWords.next}
                    </Button>
                  </div>
                )}
              </>
            ) : (
              <p>{tryWords.noQuestion}</p>
            )}
            <Fact name={tryWords.score} value={`${scores.right} of ${scores.asked}`} />
            <p className="soft">{tryWords.another}</p>
          </Panel>
        </>
      }
      right={
        chosen === null ? (
          <Alert type="info" title={tryWords.notYet} />
        ) : (
          <>
            <AxisPanel design={design} step="switch" />
            <Schematic design={design} />
          </>
        )
      }
    />
  );
}

interface OptionsProps {
  readonly question: Question;
  readonly chosen: number | null;
  readonly onChoose: (index: number) => void;
}

function Options({ question, chosen, onChoose }: OptionsProps) {
  return (
    <div className={styles.hands}>
      {question.options.map((option, index) => (
        <Button
          key={String(option)}
          type={chosen !== null && index === question.right ? 'primary' : 'default'}
          danger={chosen === index && index !== question.right}
          aria-disabled={chosen !== null}
          onClick={() => onChoose(index)}
        >
          {optionText(question, option)}
        </Button>
      ))}
    </div>
  );
}
