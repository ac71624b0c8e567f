'use client';

import { Button, Select } from 'antd';
import { memo, useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { detectorDefinition, detectorOf } from '@/core/detectors/registry';
import { detectorKinds, type DetectorKind } from '@/core/detectors/kinds';
import { loadKinds, type LoadKind } from '@/core/loads/kinds';
import { defaultLoads } from '@/core/loads/registry';
import { changeDivider, changeGoal, takeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { isAsShipped } from '@/core/project/samples';
import { chooseDetector } from '@/core/size/chooseDetector';
import { searchNow, withBand } from '@/core/size/hysteresis';
import { Popped } from '../common/Popped';
import { GoalFields } from '../fields/GoalFields';
import { OptionalQuantity } from '../fields/OptionalQuantity';
import { QuantityField } from '../fields/QuantityField';
import { adviceSentence } from '../words/said/advice';
import { detectorText, detectorWords } from '../words/detectors';
import { loadsText } from '../words/loads';
import { loadNames, stateNames, stepNames } from '../words/names';
import { partVolts } from '../words/figures';
import { goalPhrase, switchingText } from '../words/goal';
import { sampleSays } from '../words/help/starting';
import { workbenchWords } from '../words/panels/workbench';
import { useApply, useLightText, useProject, useScale, useView } from './context';
import styles from './DesignSentence.module.css';

/** What the project is for, in one sentence at its top; each word of it opens what changes it. */
export const DesignSentence = memo(function DesignSentence({ design }: { readonly design: Design }) {
  const project = useProject();
  const { detector, loads, divider, loadSupply } = project;
  const goalText = goalPhrase(project, useScale());
  // Only of the sample as it came: changed, it may show something else.
  const says = isAsShipped(project) ? sampleSays[project.id] : undefined;
  return (
    <section data-tour="sentence" aria-label={workbenchWords.sentence} className={styles.sentence}>
      {says && <p className={styles.says}>{says}</p>}
      <p className={styles.words}>
        {workbenchWords.sentenceTurns}{' '}
        <Word text={loadsText(loads)} title={workbenchWords.sentenceLoad}>
          <LoadEditor />
        </Word>{' '}
        {workbenchWords.sentenceOn}{' '}
        <Word text={goalText} title={workbenchWords.sentenceGoal}>
          <GoalEditor />
        </Word>
        , {workbenchWords.sentenceBy}{' '}
        <Word text={detectorText(detector)} title={workbenchWords.sentenceDetector}>
          <DetectorEditor />
        </Word>
        , {workbenchWords.sentenceFrom}{' '}
        <Word text={partVolts(divider.supplyVolts)} title={workbenchWords.sentenceSupply}>
          <SupplyEditor />
        </Word>
        {loadSupply ? `, ${workbenchWords.sentenceLoadSupply} ${partVolts(loadSupply.volts)}` : ''}.
      </p>
      <Spoken design={design} goalText={goalText} />
    </section>
  );
});

interface WordProps {
  readonly text: string;
  readonly title: string;
  readonly children: ReactNode;
}

/** A word that opens what changes it. */
function Word({ text, title, children }: WordProps) {
  return (
    <Popped title={title} content={<div className={styles.editor}>{children}</div>}>
      {/* No button element: the words of one do not flow over the end of a line. */}
      <span role="button" tabIndex={0} className={styles.word} aria-haspopup="dialog" onKeyDown={pressed}>
        {text}
      </span>
    </Popped>
  );
}

/** Enter and space press it, as they do a button. */
function pressed(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  event.currentTarget.click();
}

/** When it switches, and when back: the one editor of the goal that stands in every step. */
function GoalEditor() {
  const project = useProject();
  const { goal, detector } = project;
  const apply = useApply();
  const scale = useScale();
  const [isUnreachable, setUnreachable] = useState(false);
  const asked = detectorDefinition(detector).goal;
  return (
    <>
      <GoalFields />
      {asked.lights === 'one' && scale !== 'ohms' && (
        <OptionalQuantity
          label={goal.action === 'on-in-dark' ? workbenchWords.offAbove : workbenchWords.offBelow}
          unit={scale === 'lux' ? 'lx' : '×'}
          value={goal.offLux}
          limits={LIMITS.light}
          whenEmpty={workbenchWords.notSet}
          onCommit={(offLux) => apply(changeGoal({ offLux }))}
        />
      )}
      {goal.offLux !== null && detectorOf(detector, 'comparator') && (
        <>
          <Button
            type="primary"
            onClick={() => {
              const search = searchNow(project);
              setUnreachable(!search.ok);
              if (search.ok) apply((present) => withBand(present, search));
            }}
          >
            {workbenchWords.findBand}
          </Button>
          {isUnreachable && (
            <p role="alert" className={styles.trouble}>
              {workbenchWords.noBand}
            </p>
          )}
        </>
      )}
      {asked.lights === 'one' && !asked.asksOff && goal.offLux !== null && (
        <p className="soft">{workbenchWords.offNeedsDetector}</p>
      )}
    </>
  );
}

function LoadEditor() {
  const id = useId();
  const { loads } = useProject();
  const apply = useApply();
  return (
    <>
      <label htmlFor={id}>{workbenchWords.sentenceLoad}</label>
      <Select<LoadKind>
        id={id}
        value={loads[0]?.kind ?? 'led'}
        options={loadKinds.map((kind) => ({ value: kind, label: loadNames[kind] }))}
        onChange={(kind) => apply(takeLoad(defaultLoads[kind]))}
      />
    </>
  );
}

function SupplyEditor() {
  const { divider } = useProject();
  const apply = useApply();
  return (
    <QuantityField
      label={workbenchWords.sentenceSupply}
      unit="V"
      value={divider.supplyVolts}
      limits={LIMITS.supplyVolts}
      onCommit={(supplyVolts) => apply(changeDivider({ supplyVolts }))}
    />
  );
}

function DetectorEditor() {
  const id = useId();
  const { detector } = useProject();
  const apply = useApply();
  return (
    <>
      <label htmlFor={id}>{workbenchWords.sentenceDetector}</label>
      <Select<DetectorKind>
        id={id}
        value={detector.kind}
        options={detectorKinds.map((kind) => ({ value: kind, label: detectorWords[kind].name }))}
        onChange={(kind) => apply(chooseDetector(kind))}
      />
    </>
  );
}

/** Goal, switching light and worst finding, told to who does not see them change. */
function Spoken({ design, goalText }: { readonly design: Design; readonly goalText: string }) {
  const light = useLightText();
  const project = useProject();
  const corners = useView((view) => view.corners);
  const ends = corners?.of === project ? corners.advice : null;
  const [worst] = [...design.advice, ...(ends ?? [])];
  const switching = switchingText(project, design);
  const finding = worst
    ? `${stepNames[worst.step]}, ${stateNames[worst.state]}: ${adviceSentence(worst, light)}`
    : ends && workbenchWords.nothingAgainst;
  return (
    <p className="visually-hidden" role="status">
      {`Goal: ${goalText}; ${switching}. ${finding ?? ''}`}
    </p>
  );
}
