'use client';

import { Button } from 'antd';
import { useEffect, useState } from 'react';
import type { Sizes } from '@/store/sizes';
import type { ProjectCard, ProjectStorage } from '@/store/storage';
import { Panel } from '@/ui/common/Panel';
import { bytesText, percent, wholeText } from '@/ui/words/figures';
import { storageWords } from '@/ui/words/panels/storage';
import { runFiles } from '@/workers/files/client';
import styles from './Storage.module.css';

/** What is stored is measured when it has not changed for so long. */
const STILL_MILLISECONDS = 400;

interface Estimate {
  readonly usage: number;
  readonly quota: number;
  readonly persisted: boolean;
}

interface UsagePanelProps {
  readonly storage: ProjectStorage;
  readonly cards: readonly ProjectCard[];
}

/** What takes how much, of how much there is. */
export function UsagePanel({ storage, cards }: UsagePanelProps) {
  const [sizes, setSizes] = useState<Sizes | null>(null);
  const [estimate, setEstimate] = useState<Estimate | null>(null);
  useEffect(() => {
    let left = false;
    const read = () => {
      void runFiles(storage, { kind: 'sizes' }).then((outcome) => {
        if (!left && outcome.ok && outcome.output.kind === 'sizes') setSizes(outcome.output.sizes);
      });
      void readEstimate().then((found) => !left && setEstimate(found));
    };
    // Everything is read for it: while much changes, as when a backup is restored, it waits for the end.
    const timer = setTimeout(read, STILL_MILLISECONDS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [storage, cards]);
  const askToKeep = () =>
    void navigator.storage
      .persist()
      .then(readEstimate)
      .then(setEstimate, () => undefined);
  return (
    <Panel title={storageWords.usage}>
      {sizes && (
        <table className={styles.usage}>
          <tbody>
            {rowsOf(sizes, estimate).map(([name, note, bytes]) => (
              <tr key={name}>
                <th scope="row">
                  {name} <span className="soft">{note}</span>
                </th>
                <td className="figures">{bytesText(bytes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {estimate && estimate.quota > 0 && (
        <>
          <div className={styles.bar} aria-hidden>
            <i style={{ width: `${Math.max(0.5, (estimate.usage / estimate.quota) * 100)}%` }} />
          </div>
          <p>
            {bytesText(estimate.usage)} of {bytesText(estimate.quota)} that this browser allows
            {estimate.usage / estimate.quota > 0.01 && `, ${percent(estimate.usage / estimate.quota)}`}.
          </p>
          <p className={styles.ways}>
            {estimate.persisted ? storageWords.persisted : storageWords.notPersisted}
            {!estimate.persisted && (
              <Button size="small" onClick={askToKeep}>
                {storageWords.askPersist}
              </Button>
            )}
          </p>
        </>
      )}
    </Panel>
  );
}

async function readEstimate(): Promise<Estimate | null> {
  try {
    const [{ usage = 0, quota = 0 }, persisted] = await Promise.all([
      navigator.storage.estimate(),
      navigator.storage.persisted(),
    ]);
    return { usage, quota, persisted };
  } catch {
    return null;
  }
}

function rowsOf(
  { projects, history, bin, logs, records }: Sizes,
  estimate: Estimate | null,
): readonly (readonly [string, string, number])[] {
  const own = [projects, history, bin, logs, records].reduce((total, { bytes }) => total + bytes, 0);
  return [
    ['Projects', String(projects.count), projects.bytes],
    ['Undo history', `${history.count} states`, history.bytes],
    ['Time logs', `${logs.count}, ${wholeText(logs.points)} points`, logs.bytes],
    ['Saved LDRs, meters, parts, levels', String(records.count), records.bytes],
    ['Bin', String(bin.count), bin.bytes],
    ...(estimate
      ? ([['The app itself', 'kept for use without the server', Math.max(0, estimate.usage - own)]] as const)
      : []),
  ];
}
