'use client';

import { Table } from 'antd';
import { useMemo } from 'react';
import { inputOhmsOf, midpointsOf } from '@/core/analyse/midpoints';
import type { Midpoint } from '@/core/analyse/midpoints';
import { noteMidpoint } from '@/core/project/edits';
import { midLimits } from '@/core/project/project';
import { detectorDefinition } from '@/core/detectors/registry';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useProject } from '@/ui/workbench/context';
import { partOhms, volts } from '@/ui/words/figures';
import { midpointSentence } from '@/ui/words/dividing';
import { readingLightText } from '@/ui/words/light';
import styles from './DividePanel.module.css';
import { divideWords } from '@/ui/words/panels/divide';

/** What the user's own voltmeter should show at each light that was read, beside what it does show. */
export function MidpointPanel() {
  const apply = useApply();
  const project = useProject();
  const midpoints = useMemo(() => midpointsOf(project), [project]);
  if (midpoints.length === 0) return null;
  const lowVolts = detectorDefinition(project.detector).lowVolts(project.detector);
  return (
    <Panel
      title={divideWords.midpointAOn}
      aside={<span className="soft">as a voltmeter of {partOhms(inputOhmsOf(project))} shows it</span>}
    >
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={divideWords.midpointAOn}>
        <Table<Midpoint>
          size="small"
          pagination={midpoints.length > 20 ? { pageSize: 20, size: 'small' } : false}
          rowKey={({ light }) => JSON.stringify(light)}
          dataSource={[...midpoints]}
          columns={[
            { title: divideWords.at, render: (_, row) => readingLightText(row.light, project.levels) },
            {
              title: divideWords.shouldShow,
              align: 'right',
              render: (_, row) => <b className="figures">{volts(row.volts)}</b>,
            },
            {
              title: 'within',
              align: 'right',
              render: (_, row) => (
                <span className={`figures soft ${styles.nowrap}`}>
                  {volts(Math.max(lowVolts, row.lowVolts))} to {volts(row.highVolts)}
                </span>
              ),
            },
            {
              title: divideWords.shows,
              width: 150,
              render: (_, row) => (
                <OptionalQuantity
                  label={`Measured at ${readingLightText(row.light, project.levels)}`}
                  labelHidden
                  unit="V"
                  value={row.measuredVolts}
                  limits={midLimits(project)}
                  onCommit={(value) => apply(noteMidpoint(row.light, value))}
                />
              ),
            },
            {
              title: divideWords.difference,
              render: (_, row) => {
                if (row.measuredVolts === null) return null;
                if (row.cause) return <span className={styles.trouble}>{midpointSentence(row.cause)}</span>;
                return 'as it should be';
              },
            },
          ]}
        />
      </div>
    </Panel>
  );
}
