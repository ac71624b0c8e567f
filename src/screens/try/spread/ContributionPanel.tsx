'use client';

import { Fragment } from 'react';
import type { SpreadSummary } from '@/core/spread/summary';
import { Panel } from '@/ui/common/Panel';
import { percent } from '@/ui/words/figures';
import { tryWords } from '@/ui/words/panels/try';
import { factorName } from '@/ui/words/trying';
import styles from '../Try.module.css';

/** What makes less than this of the spread is not worth a line. */
const WORTH = 0.005;

/** What each part makes of the spread of the light at which it turns on. */
export function ContributionPanel({ summary }: { readonly summary: SpreadSummary }) {
  const shown = summary.contributions.filter(({ share }) => share >= WORTH);
  if (shown.length === 0) return null;
  const rows = [
    ...shown.map(({ factor, share, total }) => ({ name: factorName(factor), share, total })),
    ...(summary.together >= 2 * WORTH
      ? [{ name: tryWords.together, share: summary.together, total: null }]
      : []),
  ];
  const largest = Math.max(...rows.map(({ share }) => share));
  return (
    <Panel title={tryWords.contributions}>
      <div className={styles.bars}>
        {rows.map(({ name, share, total }) => (
          <Fragment key={name}>
            <span>{name}</span>
            <span>
              <i className={styles.bar} style={{ display: 'block', width: `${(100 * share) / largest}%` }} />
            </span>
            <span className="figures">
              <b>{percent(share, share < 0.1 ? 1 : 0)}</b>
              {total !== null && <span className="soft"> {percent(total)} in all</span>}
            </span>
          </Fragment>
        ))}
      </div>
      <p className="soft">
        Shares of the variance of the switching light, each by itself (first-order Sobol).
      </p>
    </Panel>
  );
}
