'use client';

import type { Design } from '@/core/design';
import { cornerRows, cornerSpread, stabilityOf } from '@/core/analyse/stability';
import type { SpreadOptions } from '@/core/spread/factors';
import type { LightSpread, Share, SpreadSummary } from '@/core/spread/summary';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject } from '@/ui/workbench/context';
import { percent } from '@/ui/words/figures';
import { tryWords } from '@/ui/words/panels/try';
import { cornerNames } from '@/ui/words/trying';
import styles from '../Try.module.css';
import { useMemo } from 'react';

interface SpreadFactsProps {
  readonly summary: SpreadSummary;
  readonly options: SpreadOptions;
  readonly design: Design;
}

/** How many of a lot do the job, and between which lights 95 of 100 switch. */
export function SpreadFacts({ summary, options, design }: SpreadFactsProps) {
  const light = useLightText();
  const project = useProject();
  const { on, off, good, yields, driven, count } = summary;
  const range = ({ low, high }: LightSpread) => `${light(low)} … ${light(high)}`;
  const stability = useMemo(() => stabilityOf(project, design), [project, design]);
  const corners = useMemo(() => cornerSpread(project, design, stability), [project, design, stability]);
  const rows = useMemo(() => cornerRows(project, design, stability), [project, design, stability]);
  return (
    <Panel title={`${tryWords.spreadResult} (${count})`}>
      <p>
        <b className={`figures ${styles.large}`}>{percent(good.share, 1)}</b> {tryWords.good}{' '}
        <span className="soft">
          {bandText(good)}; within {percent(options.limitRatio - 1)} of the goal
        </span>
      </p>
      <div className={styles.pair}>
        <Fact name={tryWords.meets} value={percent(yields.share, 1)} />
        <Fact name={tryWords.fully} value={percent(driven.share, 1)} />
        {on.never < count && <Fact name={tryWords.onSpread} value={range(on)} note="95 of 100" />}
        {off && <Fact name={tryWords.offSpread} value={range(off)} note="95 of 100" />}
        {on.never > 0 && <Fact name={tryWords.never} value={percent(on.never / count, 1)} />}
        {corners && (
          <Fact
            name={tryWords.worst}
            value={`${light(corners.lowLux)} … ${light(corners.highLux)}`}
            note="0 to 50 °C, flat to fresh, LDR as measured"
          />
        )}
        {rows.map(({ corner, crossing }) => (
          <Fact key={corner} name={cornerNames[corner]} value={crossing.ok ? light(crossing.lux) : 'never'} />
        ))}
      </div>
    </Panel>
  );
}

const bandText = ({ low, high }: Share) => `(by chance ${percent(low, 1)} to ${percent(high, 1)})`;
