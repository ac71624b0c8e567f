'use client';

import { Button, Skeleton } from 'antd';
import { keyOf } from '@/core/faults/fault';
import { firstGroups, isNone, type FaultGroup } from '@/core/faults/groups';
import { Panel } from '@/ui/common/Panel';
import { apartText, faultLook, faultText, sureText } from '@/ui/words/check/faults';
import { type Bench } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import type { Found } from '@/workers/check/compute';
import styles from '../Check.module.css';

interface FoundPanelProps {
  readonly found: Found | null;
  readonly bench: Bench;
  /** Writes the diagnosis into the logbook; `null` while there is none. */
  readonly onWrite: (() => void) | null;
  readonly isWritten: boolean;
}

/** Groups less likely than this are not told. */
const LEAST_TOLD = 0.004;
const MOST_TOLD = 8;
/** That it is none of them is always told. */
const isTold = (group: FaultGroup, index: number) => index < 3 || group.share >= LEAST_TOLD || isNone(group);

/** What may be wrong, the likeliest first. */
export function FoundPanel({ found, bench, onWrite, isWritten }: FoundPanelProps) {
  return (
    <Panel title={checkWords.found}>
      {!found && <Skeleton active title={false} />}
      {found && (
        <>
          <p role="status" className={found.isSure ? styles.fine : 'soft'}>
            {!found.isWhole ? checkWords.byPriors : found.isSure ? checkWords.sure : checkWords.unsure}
          </p>
          <ol className={styles.groups}>
            {firstGroups(found.groups.filter(isTold), MOST_TOLD).map((group, index) => (
              <GroupLine key={groupKey(group)} group={group} bench={bench} isFirst={index === 0} />
            ))}
          </ol>
          {onWrite && (
            <Button type="primary" disabled={isWritten} onClick={onWrite} style={{ justifySelf: 'start' }}>
              {isWritten ? checkWords.foundLogged : checkWords.foundIt}
            </Button>
          )}
        </>
      )}
    </Panel>
  );
}

const groupKey = ({ members }: FaultGroup): string =>
  members.map(({ fault }) => keyOf(fault.fault)).join('|');

/** Of faults that nothing tells apart, so many are named. */
const MOST_NAMED = 4;

function GroupLine({
  group,
  bench,
  isFirst,
}: {
  readonly group: FaultGroup;
  readonly bench: Bench;
  readonly isFirst: boolean;
}) {
  const { members, share } = group;
  const named = members.slice(0, MOST_NAMED);
  return (
    <li>
      <b className={`figures ${styles.share ?? ''}`}>{sureText(share)}</b>
      <div>
        <ul className={styles.members}>
          {named.map(({ fault }) => (
            <li key={keyOf(fault.fault)}>
              {isFirst ? <b>{faultText(bench, fault.fault)}</b> : faultText(bench, fault.fault)}
            </li>
          ))}
          {members.length > MOST_NAMED && (
            <li className="soft">and {members.length - MOST_NAMED} more like these</li>
          )}
        </ul>
        {isFirst && named[0] && <p className={styles.hint}>{faultLook(bench, named[0].fault.fault)}</p>}
        {isFirst && members.length > 1 && (
          <p className={styles.hint}>{apartText(members.map((member) => member.fault.fault))}</p>
        )}
      </div>
      <div className={styles.bar} aria-hidden>
        <span style={{ width: `${100 * share}%` }} />
      </div>
    </li>
  );
}
