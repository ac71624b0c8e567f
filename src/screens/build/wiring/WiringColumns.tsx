'use client';

import { Button, Checkbox, Progress, Skeleton } from 'antd';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { BuildStep } from '@/core/build/steps';
import type { Design } from '@/core/design';
import { changeBuild, tickStep } from '@/core/project/built/buildEdits';
import { wireColors, type BuildSettings } from '@/core/project/built/buildSettings';
import { BoardDrawing } from '@/ui/build/BoardDrawing';
import { wireColorOf } from '@/ui/build/wireColors';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { SelectField } from '@/ui/fields/SelectField';
import { SwitchField } from '@/ui/fields/SwitchField';
import { WholeField } from '@/ui/fields/WholeField';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useProject } from '@/ui/workbench/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { boardNames, checkText, groupNames, stepText, wireColorNames } from '@/ui/words/building';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';
import { useBuilt, useSteps, useWireNets } from '../useBuild';

/** Every connection as a step, its place lit, progress kept. */
export function WiringColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const built = useBuilt(design);
  const netOf = useWireNets(built);
  const steps = useSteps(design, built);
  const { build } = project;
  const ticked = new Set(build.ticked);
  const isDone = (step: BuildStep) => ticked.has(step.key);
  const [lookedAt, lookAt] = useState<string | null>(null);
  const current = steps.find(({ key }) => key === lookedAt) ?? steps.find((step) => !isDone(step)) ?? null;
  const { layout, pieces, trouble } = built;
  const isFaint = (what: { readonly piece?: string; readonly wire?: { from: string; to: string } }) =>
    !steps.some(
      (step) =>
        (step === current || isDone(step)) &&
        (what.wire
          ? step.kind === 'wire' && step.wire.from === what.wire.from && step.wire.to === what.wire.to
          : (step.kind === 'piece' || step.kind === 'lead') && step.piece.id === what.piece),
    );
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          {trouble && (
            <p role="alert" className={styles.trouble}>
              {trouble === 'too-large' ? buildWords.tooLarge : buildWords.failed}
            </p>
          )}
          {!layout && !trouble && <Skeleton active title={false} />}
          {layout && (
            <div className={styles.first}>
              <StepPanel steps={steps} current={current} isDone={isDone} onLookAt={lookAt} />
            </div>
          )}
          <ColorsPanel wires={build.wires} />
        </>
      }
      right={
        <>
          {layout && (
            <div className={styles.second}>
              <Panel title={boardNames[layout.board]}>
                <BoardDrawing
                  layout={layout}
                  pieces={pieces}
                  netOf={netOf}
                  wires={build.wires}
                  label={`${buildWords.wiring}, ${boardNames[layout.board]}`}
                  ringed={current ? holesOf(current) : []}
                  isFaint={isFaint}
                />
              </Panel>
            </div>
          )}
          <Schematic design={design} lit={current ? partsOf(current) : []} />
          {layout && <AllSteps steps={steps} current={current} isDone={isDone} onLookAt={lookAt} />}
        </>
      }
    />
  );
}

const holesOf = (step: BuildStep): readonly string[] => {
  switch (step.kind) {
    case 'wire':
      return [step.wire.from, step.wire.to];
    case 'piece':
      return step.holes;
    case 'lead':
      return [step.hole];
    case 'check':
      return [];
  }
};

const partsOf = (step: BuildStep): readonly string[] =>
  step.kind === 'piece' || step.kind === 'lead' ? [step.piece.part.designator] : [];

const keysOf = (steps: readonly BuildStep[]) => new Set(steps.map(({ key }) => key));

interface StepsProps {
  readonly steps: readonly BuildStep[];
  readonly current: BuildStep | null;
  readonly isDone: (step: BuildStep) => boolean;
  readonly onLookAt: (key: string | null) => void;
}

/** The step that is due, large enough for across the bench. */
function StepPanel({ steps, current, isDone, onLookAt }: StepsProps) {
  const { build, meter } = useProject();
  const apply = useApply();
  const done = steps.filter(isDone).length;
  const at = current ? steps.indexOf(current) : steps.length;
  const goOn = () => {
    if (!current) return;
    if (!isDone(current)) apply(tickStep(current.key, true, keysOf(steps)));
    onLookAt(steps.slice(at + 1).find((step) => !isDone(step))?.key ?? null);
  };
  const back = () => {
    const before = steps[at - 1];
    if (!before) return;
    if (isDone(before)) apply(tickStep(before.key, false, keysOf(steps)));
    onLookAt(before.key);
  };
  useKeys({ enter: goOn, ' ': goOn, backspace: back });
  return (
    <Panel title={current ? groupNames[current.group] : buildWords.steps}>
      <Progress
        percent={Math.round((100 * done) / Math.max(1, steps.length))}
        format={() => `${done} / ${steps.length}`}
        aria-label={buildWords.progress}
      />
      <div
        aria-live="polite"
        className={current?.kind === 'check' ? `${styles.big} ${styles.check}` : styles.big}
      >
        {current
          ? current.kind === 'check'
            ? checkText(current.check, meter)
            : stepText(current, current.kind === 'wire' ? wireColorOf(current.net, build.wires) : null)
          : buildWords.allDone}
      </div>
      <div className={styles.row}>
        <Button type="primary" size="large" onClick={goOn} disabled={!current}>
          {buildWords.done} <kbd>Enter</kbd>
        </Button>
        <Button size="large" onClick={back} disabled={at === 0}>
          {buildWords.back} <kbd>⌫</kbd>
        </Button>
      </div>
      <TimedSteps
        onStep={goOn}
        waits={current === null || current.kind === 'check' || current.group === 'supply'}
      />
      {done > 0 && (
        <Button
          size="small"
          style={{ justifySelf: 'start' }}
          onClick={() => apply(changeBuild({ ticked: [] }))}
        >
          {buildWords.startAgain}
        </Button>
      )}
    </Panel>
  );
}

const TIMED = { min: 3, max: 600 };

interface TimedStepsProps {
  readonly onStep: () => void;
  /** At a check, and from the supply on, someone must say that it is done. */
  readonly waits: boolean;
}

/** Goes on by a timer, for two hands on the board. */
function TimedSteps({ onStep, waits }: TimedStepsProps) {
  const [isOn, setOn] = useState(false);
  const [seconds, setSeconds] = useState(20);
  const call = useRef(onStep);
  useEffect(() => {
    call.current = onStep;
  });
  useEffect(() => {
    if (!isOn || waits) return;
    const timer = setInterval(() => call.current(), seconds * 1000);
    return () => clearInterval(timer);
  }, [isOn, waits, seconds]);
  return (
    <>
      <SwitchField label={buildWords.timed} isOn={isOn} onChange={setOn}>
        {isOn && waits && <span className="soft">{buildWords.timedWaits}</span>}
      </SwitchField>
      {isOn && (
        <WholeField label={buildWords.timedEvery} value={seconds} limits={TIMED} onCommit={setSeconds} />
      )}
    </>
  );
}

/** All steps with their ticks. */
function AllSteps({ steps, current, isDone, onLookAt }: StepsProps) {
  const { build, meter } = useProject();
  const apply = useApply();
  return (
    <Panel title={buildWords.all}>
      <ul className={styles.steps}>
        {steps.map((step, index) => (
          <li key={step.key} className={step === current ? styles.current : undefined}>
            {step.group !== steps[index - 1]?.group && (
              <div className={styles.group}>{groupNames[step.group]}</div>
            )}
            <Checkbox
              checked={isDone(step)}
              onChange={({ target }) => {
                apply(tickStep(step.key, target.checked, keysOf(steps)));
                onLookAt(null);
              }}
            >
              {step.kind === 'check'
                ? checkText(step.check, meter)
                : stepText(step, step.kind === 'wire' ? wireColorOf(step.net, build.wires) : null)}
            </Checkbox>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

const colorOptions = wireColors.map((color) => ({ value: color, label: wireColorNames[color] }));

function ColorsPanel({ wires }: { readonly wires: BuildSettings['wires'] }) {
  const apply = useApply();
  const fields = [
    ['plus', buildWords.plus],
    ['ground', buildWords.ground],
    ['other', buildWords.other],
  ] as const;
  return (
    <Panel title={buildWords.colors}>
      {fields.map(([key, label]) => (
        <SelectField
          key={key}
          label={label}
          value={wires[key]}
          options={colorOptions}
          onChange={(color) => apply(changeBuild({ wires: { ...wires, [key]: color } }))}
        />
      ))}
    </Panel>
  );
}
