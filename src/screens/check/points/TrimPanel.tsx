'use client';

import type { TrimLine } from '@/workers/check/compute';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useLightText } from '@/ui/workbench/context';
import { pointName, turnText, type Bench } from '@/ui/words/check/points';
import { volts as voltsText } from '@/ui/words/figures';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';
import { LiveTake } from '../LiveTake';

interface TrimPanelProps {
  readonly trims: readonly TrimLine[];
  readonly bench: Bench;
  readonly volts: Readonly<Record<string, number>>;
  readonly onVolts: (designator: string, volts: number | null) => void;
}

/** Which way to turn a trimmer, and how far, from what the meter shows now. */
export function TrimPanel({ trims, bench, volts, onVolts }: TrimPanelProps) {
  const light = useLightText();
  return (
    <Panel title={checkWords.trim}>
      <p className="soft">{checkWords.trimHint}</p>
      {trims.map((trim) => {
        const measured = volts[trim.designator] ?? null;
        const point = pointName(bench, trim.net);
        return (
          <div key={trim.designator} className={styles.entryBox}>
            <p className={styles.entryText}>
              <b>{trim.designator}</b>: {checkWords.trimAt.toLowerCase()} {light(trim.lux)}, {point}{' '}
              {checkWords.trimWanted} <b className="figures">{voltsText(trim.targetVolts)}</b>
            </p>
            {!trim.isReached && (
              <p role="alert" className={styles.entryText}>
                {checkWords.trimTooSmall}
              </p>
            )}
            {trim.isStill && <p className="soft">{checkWords.trimByLoad}</p>}
            <OptionalQuantity
              label={`${point} now, ${trim.designator}`}
              unit="V"
              value={measured}
              limits={{ min: -60, max: 60 }}
              whenEmpty="–"
              onCommit={(value) => onVolts(trim.designator, value)}
            />
            <LiveTake
              kind="volts"
              label={`${point}, ${trim.designator}`}
              textOf={voltsText}
              onTake={(value) => onVolts(trim.designator, value)}
            />
            {measured !== null && trim.isReached && (
              <p className={styles.big} role="status">
                {trim.turn ? turnText(trim.turn) : checkWords.trimUnreachable}
              </p>
            )}
          </div>
        );
      })}
    </Panel>
  );
}
