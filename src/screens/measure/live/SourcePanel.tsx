'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { sourceKinds, type SourceKind } from '@/devices/meterSource';
import { Panel } from '@/ui/common/Panel';
import { useLive, useLiveState } from '@/ui/live/context';
import { benchSource, keyboardSource } from '@/ui/live/sources';
import { sourceNames, sourceStates, troubleSentence } from '@/ui/words/measure/live';
import { KeyboardEntry } from './KeyboardEntry';
import styles from './Live.module.css';
import { ReplayForm } from './ReplayForm';
import { SerialForm } from './SerialForm';
import { measureWords } from '@/ui/words/panels/measure';

const order: readonly SourceKind[] = ['bench', 'keyboard', 'serial', 'replay'];
const options = order
  .filter((kind) => sourceKinds.includes(kind))
  .map((value) => ({ value, label: sourceNames[value] }));

/** Which meter talks, and how it stands with it. */
export function SourcePanel() {
  const { session, benchId } = useLive();
  const present = useLiveState(({ kind, state }) => (state === 'closed' ? null : kind));
  const state = useLiveState((live) => live.state);
  const place = useLiveState((live) => live.benchPlace);
  const [chosen, setChosen] = useState<SourceKind>(present ?? 'bench');
  const isOpen = state !== 'closed';
  return (
    <Panel
      title={measureWords.meterThatTalks}
      aside={
        <span className="soft" role="status">
          {sourceStates[state]}
        </span>
      }
    >
      <div className={styles.source}>
        {isOpen ? (
          <b>{sourceNames[present ?? chosen]}</b>
        ) : (
          <Select
            aria-label={measureWords.sourceOfLive}
            value={chosen}
            options={options}
            onChange={setChosen}
          />
        )}
        {isOpen ? (
          <Button onClick={() => void session.disconnect()}>{measureWords.disconnect}</Button>
        ) : (
          (chosen === 'bench' || chosen === 'keyboard') && (
            <Button
              type="primary"
              disabled={chosen === 'bench' && benchId === null}
              onClick={() => {
                if (chosen === 'keyboard') void session.connect(keyboardSource());
                else if (benchId !== null) void session.connect(benchSource(session, benchId, null));
              }}
            >
              {measureWords.connect}
            </Button>
          )
        )}
      </div>
      {state === 'lost' && present === 'bench' && <p className="soft">{measureWords.benchLost}</p>}
      {state === 'open' && present === 'bench' && place === 'page' && (
        <p className="soft">{measureWords.benchInPage}</p>
      )}
      {!isOpen && chosen === 'bench' && <p className="soft">{measureWords.aMadeUp}</p>}
      {!isOpen && chosen === 'serial' && <SerialForm />}
      {!isOpen && chosen === 'replay' && <ReplayForm />}
      {isOpen && present === 'keyboard' && <KeyboardEntry />}
      <Trouble />
    </Panel>
  );
}

function Trouble() {
  const trouble = useLiveState((live) => live.trouble);
  const badLines = useLiveState((live) => live.badLines);
  return (
    trouble && (
      <p role="alert" className={styles.trouble}>
        {troubleSentence(trouble, badLines)}
      </p>
    )
  );
}
