'use client';

import type { DayReport } from '@/core/simulate/day/dayReport';
import { formatQuantity } from '@/core/quantity/format';
import { Fact, Panel } from '@/ui/common/Panel';
import { tryWords } from '@/ui/words/panels/try';
import { causeNames, daySpanText, daysText, dayTimeText } from '@/ui/words/trying';
import styles from '../Try.module.css';

const SHOWN_BURSTS = 8;
const SHOWN_TIMES = 6;

/** What a day does to a design, in figures. */
export function DayFacts({ report }: { readonly report: DayReport }) {
  const {
    switchedAt,
    stepMoves,
    bursts,
    onSeconds,
    partlySeconds,
    coulombs,
    batteryDays,
    relayDays,
    startsOn,
  } = report;
  const switchings = switchedAt.length;
  return (
    <Panel title={tryWords.result}>
      <div className={styles.pair}>
        <Fact name={tryWords.times} value={timesText(switchedAt, startsOn)} />
        <Fact name={tryWords.switchings} value={String(switchings)} />
        {stepMoves !== null && <Fact name={tryWords.stepMoves} value={String(stepMoves)} />}
        <Fact name={tryWords.onFor} value={daySpanText(onSeconds)} />
        {partlySeconds > 1 && <Fact name={tryWords.partly} value={daySpanText(partlySeconds)} />}
        {coulombs.map((charge, index) => (
          <Fact
            key={index}
            name={tryWords.charge}
            value={formatQuantity(charge / 3600, 'Ah', { digits: 3, trim: true })}
            note={batteryNote(batteryDays[index])}
          />
        ))}
        {relayDays !== null && (
          <Fact name={tryWords.relay} value={daysText(relayDays)} note="at rated load" />
        )}
        <Fact
          name={tryWords.chatter}
          value={
            bursts.length === 0
              ? tryWords.quiet
              : `${bursts.length} ${bursts.length === 1 ? 'burst' : 'bursts'}`
          }
        />
      </div>
      {bursts.length > 0 && (
        <ul className={styles.bursts} aria-label={tryWords.causes}>
          {bursts.slice(0, SHOWN_BURSTS).map(({ from, to, count, cause }) => (
            <li key={from}>
              <span>
                <b className="figures">{dayTimeText(from, true)}</b> {count} switchings in{' '}
                {daySpanText(to - from)}
              </span>
              <span>{cause ? `by ${causeNames[cause]}` : 'no one thing alone'}</span>
            </li>
          ))}
          {bursts.length > SHOWN_BURSTS && <li className="soft">and {bursts.length - SHOWN_BURSTS} more</li>}
        </ul>
      )}
    </Panel>
  );
}

const batteryNote = (days: number | null | undefined) =>
  days === null || days === undefined ? undefined : `a battery lasts ${daysText(days)}`;

/** The first switchings by the clock. */
function timesText(switchedAt: Float64Array, startsOn: boolean): string {
  if (switchedAt.length === 0) return startsOn ? 'on all day' : 'off all day';
  const times = Array.from(switchedAt.slice(0, SHOWN_TIMES), (at, index) => {
    const isOn = (index % 2 === 0) !== startsOn;
    return `${isOn ? 'on' : 'off'} ${dayTimeText(at)}`;
  });
  return `${times.join(' · ')}${switchedAt.length > SHOWN_TIMES ? ' …' : ''}`;
}
