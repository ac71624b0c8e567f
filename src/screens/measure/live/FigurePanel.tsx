'use client';

import { fixed } from '@/core/quantity/notation';
import { CheckCircleFilled, PauseCircleFilled } from '@ant-design/icons';
import { App, Button, Checkbox, Input, Select } from 'antd';
import { useEffect, useId, useState } from 'react';
import { LIMITS } from '@/core/project/project';
import { lampKinds } from '@/core/readings/reading';
import { Panel } from '@/ui/common/Panel';
import { beep, rising } from '@/ui/live/beep';
import { useLive, useLiveState } from '@/ui/live/context';
import { useEntry } from '@/ui/workbench/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { ohms, partOhms, lux as luxText } from '@/ui/words/figures';
import { lampOptions } from '../hand/lampOptions';
import { distanceExample } from '@/ui/words/light';
import { useSetting } from '@/ui/settings/settings';
import styles from './Live.module.css';
import { TrendChart } from './TrendChart';
import { useCapture } from './useCapture';
import { measureWords } from '@/ui/words/panels/measure';

const lamps = lampOptions('any lamp');

/** The live figure, readable from across the bench, with its short trend, the settled mark, and the keys that hold and take it. */
export function FigurePanel() {
  const id = useId();
  const { session } = useLive();
  const { message } = App.useApp();
  const held = useLiveState((live) => live.held !== null);
  const isOpen = useLiveState((live) => live.state !== 'closed');
  const isHeard = useSetting('sound');
  const [sound, setSound] = useState(false);
  const capture = useCapture();
  const [entry, change] = useEntry();
  const take = () => {
    const taken = capture.take();
    if (taken.ok && sound) rising();
    if (taken.ok) void message.success(`Taken: ${taken.text}`, 2);
  };
  useKeys({ h: () => session.hold(), c: take });
  useSettledBeep(sound);
  return (
    <Panel
      title={measureWords.live}
      aside={
        <Checkbox
          checked={sound && isHeard}
          disabled={!isHeard}
          onChange={(event) => setSound(event.target.checked)}
        >
          {measureWords.beepWhenSettled}
        </Checkbox>
      }
    >
      <div className={styles.live}>
        <Figure />
        <TrendChart />
      </div>
      <div className={styles.capture}>
        <Button onClick={() => session.hold()} disabled={!isOpen} aria-pressed={held}>
          {held ? 'Let go' : 'Hold'} <kbd>H</kbd>
        </Button>
        <Button type="primary" onClick={take} disabled={!isOpen}>
          Capture <kbd>C</kbd>
        </Button>
        {capture.hasMeter && (
          <Checkbox checked={capture.byMeter} onChange={(event) => capture.setByMeter(event.target.checked)}>
            {measureWords.lightByThe}
          </Checkbox>
        )}
        {!capture.usesMeter && (
          <label htmlFor={id} className={styles.light}>
            at
            <Input
              id={id}
              className="figures"
              aria-label={measureWords.lightOfTheCapture}
              placeholder={`12, ${distanceExample()}, hall`}
              value={capture.light.text}
              status={capture.light.error ? 'error' : ''}
              onChange={(event) => capture.light.type(event.target.value)}
              onKeyDown={(event) => event.key === 'Enter' && take()}
            />
          </label>
        )}
      </div>
      <div className={styles.capture}>
        <Select
          size="small"
          className={styles.unsettled}
          aria-label={measureWords.whenUnsettled}
          value={capture.unsettled}
          options={[
            {
              value: 'extrapolate',
              label: `${measureWords.whenUnsettled}: ${measureWords.extrapolateUnsettled}`,
            },
            { value: 'refuse', label: `${measureWords.whenUnsettled}: ${measureWords.refuseUnsettled}` },
          ]}
          onChange={capture.setUnsettled}
        />
        <Select
          size="small"
          aria-label={measureWords.kindOfLamp}
          value={entry.lamp ?? ''}
          options={lamps}
          onChange={(value) => change({ lamp: lampKinds.find((kind) => kind === value) ?? null })}
        />
        <Input
          size="small"
          className={styles.note}
          aria-label={measureWords.note2}
          placeholder={measureWords.note}
          maxLength={LIMITS.noteLength}
          value={entry.note}
          onChange={(event) => change({ note: event.target.value })}
        />
      </div>
      {capture.error && (
        <p role="alert" className={styles.trouble}>
          {capture.error}
        </p>
      )}
    </Panel>
  );
}

function Figure() {
  const sample = useLiveState((live) => live.held ?? live.last);
  const held = useLiveState((live) => live.held !== null);
  const settled = useLiveState((live) => live.settling.settled);
  const rate = useLiveState((live) => live.settling.ratePerSecond);
  const isOpen = useLiveState((live) => live.state !== 'closed');
  const unit = useLiveState((live) => (live.held ? null : (live.figure?.unit ?? null)));
  if (unit && isOpen) return <p className={styles.nothing}>{measureWords.onAnother[unit]}</p>;
  if (!sample || !isOpen) return <p className={styles.nothing}>{measureWords.connectAMeter}</p>;
  return (
    <div className={styles.block}>
      <p className={styles.figure} data-testid="live-figure">
        {sample.above ? `> ${partOhms(sample.ohms)}` : ohms(sample.ohms)}
      </p>
      <p className={styles.marks} role="status">
        {held ? (
          <b className={styles.held}>
            <PauseCircleFilled aria-hidden /> held
          </b>
        ) : settled ? (
          <b className={styles.settled}>
            <CheckCircleFilled aria-hidden /> settled
          </b>
        ) : (
          <span>
            {rate === null ? 'waiting for three seconds' : `settling, ${fixed(rate * 100, 1)} % a second`}
          </span>
        )}
        {sample.rangeOhms !== null && <span className="soft">on {partOhms(sample.rangeOhms)}</span>}
        {sample.lux !== null && <span className="soft">light meter {luxText(sample.lux)}</span>}
      </p>
    </div>
  );
}

/** One high tone each time the figure comes to rest. */
function useSettledBeep(on: boolean) {
  const settled = useLiveState((live) => live.settling.settled && live.held === null);
  useEffect(() => {
    if (on && settled) beep(1040);
  }, [on, settled]);
}
