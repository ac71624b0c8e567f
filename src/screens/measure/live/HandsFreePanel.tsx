'use client';

import { Button, Checkbox } from 'antd';
import { notation } from '@/core/quantity/notation';
import { planLadder } from '@/core/light/ladder';
import { changeMeasurement } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import type { ReadingLight } from '@/core/readings/reading';
import { Panel } from '@/ui/common/Panel';
import { useLiveState } from '@/ui/live/context';
import { canSpeak } from '@/ui/live/speech';
import { useApply, useProject } from '@/ui/workbench/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { ohms, partOhms } from '@/ui/words/figures';
import { handsFreePhases, nextInstruction } from '@/ui/words/measure/live';
import { measureWords } from '@/ui/words/panels/measure';
import { PlanNote } from '../hand/PlanNote';
import { firstRungMetres, metresText } from '@/ui/words/light';
import { useSetting } from '@/ui/settings/settings';
import styles from './Live.module.css';
import { useHandsFree } from './useHandsFree';

const FIRST_STOPS = 7;

/** Measuring with both hands at the lamp: what to set, large; it waits, takes, gives a tone and goes on. */
export function HandsFreePanel() {
  const { run, state, hasSound, setSound, speaks, setSpeaks, isMute, isFull } = useHandsFree();
  const apply = useApply();
  const sound = useSetting('sound');
  const { plan, levels, lampMetres } = useProject();
  const isOpen = useLiveState((live) => live.state !== 'closed');
  const toggle = () => (state.isRunning ? run.stop() : isOpen && run.start());
  useKeys({ f: toggle });
  const planIt = () => {
    const { metres } = planLadder(firstRungMetres(), FIRST_STOPS, lampMetres, notation().distance);
    const rungs = metres.map((distance): ReadingLight => ({ kind: 'lamp', metres: distance, layers: 0 }));
    apply(changeMeasurement({ plan: [{ kind: 'lamp-off' }, ...rungs] }));
  };
  const { last, count, phase, isDone, isRunning } = state;
  return (
    <Panel title={measureWords.handsFree}>
      {isRunning || isDone ? (
        <div aria-live="polite">
          <p className={styles.instruction}>
            {nextInstruction(
              isDone ? 'done' : phase === 'wrong-way' ? 'not-yet' : 'next',
              plan[0] ?? null,
              levels,
            )}
          </p>
          <p className={styles.marks}>
            {isRunning && <span>{count === 0 ? measureWords.firstLight : handsFreePhases[phase]}</span>}
            {last && (
              <b className={styles.settled}>
                {count} taken, the last {last.above ? `above ${partOhms(last.ohms)}` : ohms(last.ohms)}
              </b>
            )}
          </p>
        </div>
      ) : (
        <p className="soft">
          {measureWords.handsFreeWhat} {plan.length === 0 && measureWords.freeSeries}
        </p>
      )}
      <div className={styles.capture}>
        <Button type="primary" onClick={toggle} disabled={!isOpen && !isRunning}>
          {isRunning ? measureWords.stopHandsFree : measureWords.startHandsFree} <kbd>F</kbd>
        </Button>
        {!isRunning && plan.length === 0 && (
          <Button onClick={planIt}>{`${measureWords.ladderFirst} ${metresText(firstRungMetres())}`}</Button>
        )}
        <Checkbox
          checked={hasSound && sound}
          disabled={!sound}
          onChange={(event) => setSound(event.target.checked)}
        >
          {measureWords.tones}
        </Checkbox>
        <Checkbox
          checked={speaks && sound}
          disabled={!canSpeak() || !sound}
          onChange={(event) => setSpeaks(event.target.checked)}
        >
          {measureWords.speakIt}
        </Checkbox>
      </div>
      <PlanNote />
      {(isMute || !canSpeak()) && <p className="soft">{measureWords.cannotSpeak}</p>}
      {isFull && (
        <p role="alert" className={styles.trouble}>
          A project holds up to {LIMITS.readings} readings.
        </p>
      )}
      {!isOpen && <p className="soft">{measureWords.noMeterYet}</p>}
    </Panel>
  );
}
